import { facesOf, homeOf } from './facesOf.ts';
import { useEffect, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import {
  changeJob,
  IDENTITY,
  polygon,
  seenFace,
  type Job,
  type JobChange,
  type Plan,
  type Workshop,
} from '@zippy/core';
import { SceneView } from '../../bench/SceneView.tsx';
import { ModalDialog } from '../../ui/ModalDialog.tsx';
import { askPlan } from '../../workers/planner.ts';

export interface Try {
  readonly name: string;
  readonly changes: readonly JobChange[];
}

/** The face as it would be with a step less, as it is, and with a step more; one press keeps one. */
export function ThreeUp({
  title,
  tries,
  job,
  workshop,
  faceId,
  onKeep,
  onClose,
}: {
  readonly title: string;
  readonly tries: readonly Try[];
  readonly job: Job;
  readonly workshop: Workshop;
  readonly faceId: string;
  readonly onKeep: (chosen: Try) => void;
  readonly onClose: () => void;
}): ReactNode {
  const [plans, setPlans] = useState<readonly Plan[]>([]);
  useEffect(() => {
    let here = true;
    void Promise.all(tries.map(({ changes }) => askPlan(changeJob(job, changes), workshop))).then((plans) => {
      if (!here) return;
      setPlans(plans);
    });
    return () => {
      here = false;
    };
  }, [tries, job, workshop, faceId]);
  return (
    <ModalDialog title={title} isOpen onClose={onClose} wide>
      <Three>
        {tries.map((one, i) => {
          const plan = plans[i];
          const face = plan && facesOf(plan).find((one) => one.face.id === faceId);
          return (
            <button key={one.name} type="button" aria-label={`Keep ${one.name}`} onClick={() => onKeep(one)}>
              {plan && face && (
                <SceneView
                  label={one.name}
                  pictures={job.pictures}
                  scene={{
                    box: { xMm: 0, yMm: 0, widthMm: face.face.widthMm, heightMm: face.face.heightMm },
                    symbols: {},
                    shapes: [
                      { kind: 'path', role: 'stock', path: polygon(face.trimOutline), fill: plan.stock.stock.colour },
                      {
                        kind: 'group',
                        transform: IDENTITY,
                        clip: polygon(face.trimOutline),
                        children: seenFace(homeOf(plan, faceId), face, homeOf(plan, faceId).colour),
                      },
                    ],
                  }}
                />
              )}
              <b>{one.name}</b>
            </button>
          );
        })}
      </Three>
    </ModalDialog>
  );
}

const Three = styled.div`
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 14px;
  button {
    display: grid;
    gap: 8px;
    padding: 12px;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: 6px;
    background: ${({ theme }) => theme.colour.slate};
    color: ${({ theme }) => theme.colour.onSlate};
    cursor: pointer;
  }
  button:nth-child(2) {
    outline: 2px solid ${({ theme }) => theme.colour.marigold};
  }
  svg {
    width: 100%;
    max-height: 50vh;
  }
`;

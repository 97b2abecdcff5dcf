import { facesOf, homeOf } from './facesOf.ts';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import {
  EMPTY_FACE,
  IDENTITY,
  OCCASIONS,
  PAIRINGS,
  polygon,
  seenFace,
  TYPEFACES,
  WORDINGS,
  wordFace,
  type FaceArt,
  type Job,
  type Plan,
  type TextBlock,
  type Workshop,
} from '@zippy/core';
import { SceneView } from '../../bench/SceneView.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { ModalDialog } from '../../ui/ModalDialog.tsx';
import { askPlan } from '../../workers/planner.ts';
import { newId, type FaceInHand } from './useFace.ts';

const ALL = 'all';

/** This face with every wording set on it, in its typefaces and at its size; one press takes one. */
export function WordingDialog({
  hand,
  job,
  workshop,
  onClose,
  colour,
}: {
  readonly hand: FaceInHand;
  readonly job: Job;
  readonly workshop: Workshop;
  readonly onClose: () => void;
  readonly colour: string;
}): ReactNode {
  const { face, art, setFace, pickAll } = hand;
  const [pairing, setPairing] = useState(PAIRINGS[0]!.id);
  const [occasion, setOccasion] = useState(ALL);
  const shown = WORDINGS.filter((one) => occasion === ALL || one.occasion === occasion);
  const pair = PAIRINGS.find(({ id }) => id === pairing)!;
  const [plans, setPlans] = useState<Readonly<Record<string, Plan>>>({});
  const nameOf = (id: string): string => TYPEFACES.find((t) => t.id === id)!.name;
  const { id: faceId } = face.face;
  // Set once for each pairing; what is taken is what was drawn.
  const set = useMemo(
    () =>
      new Map(
        WORDINGS.map((wording): readonly [string, readonly TextBlock[]] => [
          wording.id,
          wordFace(wording, face.safe, { pairing: pair, colour, idOf: newId }),
        ]),
      ),
    [face.safe, pair, colour],
  );
  // Words that were locked stay; a wording takes the place of the others.
  const worded = (id: string): FaceArt => ({
    ...EMPTY_FACE,
    ...art,
    texts: [...art.texts.filter((t) => t.locked), ...set.get(id)!],
  });
  useEffect(() => {
    let here = true;
    setPlans({});
    void (async () => {
      for (const { id } of WORDINGS) {
        if (!here) return;
        const faces = { ...job.art.faces, [faceId]: worded(id) };
        const plan = await askPlan({ ...job, art: { faces } }, workshop);
        if (here) setPlans((known) => ({ ...known, [id]: plan }));
      }
    })();
    return () => {
      here = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the face as it was when the sheet was opened; only another pairing draws it anew
  }, [set]);
  const take = (id: string): void => {
    const { texts } = worded(id);
    setFace({ texts });
    pickAll(
      set
        .get(id)!
        .filter((t) => t.typefaceId === pair.large)
        .slice(0, 1)
        .map((t) => t.id),
    );
    onClose();
  };
  return (
    <ModalDialog title={`A wording for the ${face.face.name.toLowerCase()}`} isOpen onClose={onClose} wide>
      <Two>
        <Pick
          label="For"
          value={occasion}
          onChange={setOccasion}
          sections={[
            { heading: null, options: [{ id: ALL, name: 'Every occasion' }] },
            { heading: 'Occasions', options: OCCASIONS.map((one) => ({ id: one, name: one })) },
          ]}
        />
        <Pick
          label="Typefaces"
          value={pairing}
          onChange={setPairing}
          sections={[
            {
              heading: null,
              options: PAIRINGS.map(({ id, large, plain }) => ({ id, name: `${nameOf(large)} with ${nameOf(plain)}` })),
            },
          ]}
        />
      </Two>
      {art.texts.some((t) => !t.locked) && <p>It takes the place of the words on this face; lock what should stay.</p>}
      <Wordings style={{ '--aspect': face.face.widthMm / face.face.heightMm }}>
        {shown.map((one) => {
          const plan = plans[one.id];
          const drawn = plan && facesOf(plan).find((f) => f.face.id === faceId);
          return (
            <button key={one.id} type="button" aria-label={one.name} onClick={() => take(one.id)}>
              <b>{one.occasion}</b>
              <span className="face">
                {plan && drawn && (
                  <SceneView
                    label={one.name}
                    pictures={job.pictures}
                    scene={{
                      box: { xMm: 0, yMm: 0, widthMm: drawn.face.widthMm, heightMm: drawn.face.heightMm },
                      symbols: {},
                      shapes: [
                        {
                          kind: 'path',
                          role: 'stock',
                          path: polygon(drawn.trimOutline),
                          fill: plan.stock.stock.colour,
                        },
                        {
                          kind: 'group',
                          transform: IDENTITY,
                          clip: polygon(drawn.trimOutline),
                          children: seenFace(homeOf(plan, faceId), drawn, homeOf(plan, faceId).colour),
                        },
                      ],
                    }}
                  />
                )}
              </span>
              <span>{one.name}</span>
            </button>
          );
        })}
      </Wordings>
    </ModalDialog>
  );
}

const Two = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
`;
const Wordings = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 14px;
  align-items: start;
  button {
    display: grid;
    gap: 6px;
    padding: 10px;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: 6px;
    background: ${({ theme }) => theme.colour.linen};
    font-size: 14px;
    line-height: 1.25;
    cursor: pointer;
  }
  button:hover {
    border-color: ${({ theme }) => theme.colour.inkQuiet};
  }
  b {
    color: ${({ theme }) => theme.colour.plum};
    text-align: left;
  }
  /* As large as the face will be, so that nothing moves when it is drawn. */
  .face {
    display: grid;
    width: 100%;
    aspect-ratio: var(--aspect);
    max-height: 300px;
    margin: 0 auto;
  }
  .face svg {
    width: 100%;
    height: 100%;
    filter: drop-shadow(0 1px 3px rgb(29 41 48 / 0.3));
  }
`;

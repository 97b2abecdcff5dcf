import type { ReactNode } from 'react';
import styled from 'styled-components';
import {
  driftFacts,
  IDENTITY,
  misprints,
  polygon,
  sayFault,
  seenFace,
  type FacePlan,
  type Rehearsed,
  type RehearsedCard,
  type Scene,
} from '@zippy/core';
import { SceneView } from '../../bench/SceneView.tsx';
import { useDrift, usePrintSpread } from '../../stores/drift.ts';
import { useJob } from '../../stores/job.ts';
import { useStandIn } from '../../stores/standIn.ts';
import { BenchButton, PlainButton } from '../../ui/buttons.tsx';
import type { RehearseQuestion } from '../../workers/rehearse.worker.ts';
import { useNewest } from '../../workers/useNewest.ts';
import type { StationProps } from '../parts.ts';

const worker = (): Worker =>
  new Worker(new URL('../../workers/rehearse.worker.ts', import.meta.url), { type: 'module' });

const IN_PLACE = { left: 0, right: 0, top: 0, bottom: 0 };
/** Round each card, so that what is bare at its edge is seen against the table. */
const TABLE_MM = 4;
/** Snags of art that a steadier cut or a kinder design would take away. */
const OF_DRIFT = /^art-(bleed-small|border-|short-|overhang-)/;

/** Twenty cards as they would lie on the table after this printer and this trimmer, the worst first. */
export default function Rehearsal({ job, plan, workshop }: StationProps): ReactNode {
  const change = useJob((s) => s.change);
  const { biasRightMm, biasDownMm } = useDrift();
  const printSpreadMm = usePrintSpread(job, workshop);
  const cutSpreadMm = plan.cut.drift.worst.fromTrueMm;
  const { faces } = plan.art;
  const { on, truth, toggle } = useStandIn();
  const run = useNewest<RehearseQuestion, Rehearsed>(worker, {
    faces: faces.map((one) => {
      const { id, name, side, toBlank, widthMm, heightMm } = one.face;
      return { id, name, side, toBlank, widthMm, heightMm, facts: driftFacts(one, plan.size, job.size.bleedMm) };
    }),
    model: { biasRightMm, biasDownMm, printSpreadMm, cutSpreadMm },
    misprints: on ? misprints(plan.sheet, job.sheet.flipEdge, truth) : [],
  });
  const helps = plan.art.snags.filter(({ id, remedies }) => OF_DRIFT.test(id) && remedies.length > 0);
  const stock = plan.stock.stock.colour;
  if (!run) return <Table aria-label="Rehearsal" aria-busy />;
  return (
    <Table aria-label="Rehearsal">
      <div className="said">
        <h2>
          {run.good} of {run.cards.length} would be good
        </h2>
        <BenchButton aria-pressed={on} onPress={toggle}>
          Stand-in printer
        </BenchButton>
        <p>
          Cut with {plan.cut.trimmer.name}, each edge straying by {cutSpreadMm.toFixed(2)} mm and the print by{' '}
          {printSpreadMm.toFixed(2)} mm as a rule (1 σ): twenty of a thousand, evenly, the same every time. No card is
          spent.
          {on &&
            ` Printed by the stand-in with the faults it was given${plan.sheet.calibration ? ', less what this path’s calibration corrects' : ', and nothing corrects them: this path is not calibrated'}.`}
        </p>
        {helps.map(({ id, title, remedies: [first] }) => (
          <div key={id} className="help">
            <span>{title}</span>
            <PlainButton onPress={() => change(first!.changes)}>{first!.label}</PlainButton>
          </div>
        ))}
      </div>
      <ol tabIndex={0} aria-label="Cards, the worst first">
        {run.cards.map((card) => {
          const face = shownFace(card, faces);
          return (
            <li key={card.number} className={card.faults.length > 0 ? 'spoiled' : ''}>
              <span
                className="card"
                style={{
                  aspectRatio: (face.face.widthMm + 2 * TABLE_MM) / (face.face.heightMm + 2 * TABLE_MM),
                }}
              >
                <SceneView
                  scene={cutCard(face, card, seenFace(plan.art, face, stock), stock)}
                  pictures={job.pictures}
                  label={`Card ${card.number}, ${face.face.name.toLowerCase()}`}
                />
              </span>
              <b>
                {card.faults.length > 0 ? '✕' : '✓'} Card {card.number}
              </b>
              <p>{sayCard(card)}</p>
            </li>
          );
        })}
      </ol>
    </Table>
  );
}

/** The face with the worst fault, or the first of all. */
const shownFace = ({ faults }: RehearsedCard, faces: readonly FacePlan[]): FacePlan =>
  faces.find(({ face }) => face.id === faults[0]?.faceId) ?? faces[0]!;

const sayCard = ({ faults }: RehearsedCard): string =>
  faults.length === 0
    ? 'good'
    : `${faults[0]!.faceName}: ${sayFault(faults[0]!)}${faults.length > 1 ? ', and more' : ''}`;

/** What the blade leaves of a face: its trim as it fell, over art that lies where it was printed. */
function cutCard(face: FacePlan, { landings }: RehearsedCard, art: Scene['shapes'], stock: string): Scene {
  const { widthMm, heightMm, id } = face.face;
  // Where the faces have just changed, the cards are those of before for a moment.
  const { left, right, top, bottom } = landings[id] ?? IN_PLACE;
  const isRectangle = face.trimOutline.length === 4;
  const fell = isRectangle
    ? [
        { xMm: -left, yMm: -top },
        { xMm: widthMm + right, yMm: -top },
        { xMm: widthMm + right, yMm: heightMm + bottom },
        { xMm: -left, yMm: heightMm + bottom },
      ]
    : // A shape is cut in one go, and falls as a whole.
      face.trimOutline.map(({ xMm, yMm }) => ({ xMm: xMm + (right - left) / 2, yMm: yMm + (bottom - top) / 2 }));
  return {
    box: {
      xMm: -TABLE_MM,
      yMm: -TABLE_MM,
      widthMm: widthMm + 2 * TABLE_MM,
      heightMm: heightMm + 2 * TABLE_MM,
    },
    symbols: {},
    shapes: [
      { kind: 'path', role: 'stock', path: polygon(fell), fill: stock },
      {
        kind: 'group',
        transform: IDENTITY,
        clip: polygon(fell),
        children: [{ kind: 'group', transform: IDENTITY, clip: polygon(face.bleedOutline), children: art }],
      },
    ],
  };
}

const Table = styled.section`
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  min-height: 0;
  background: ${({ theme }) => theme.colour.slate};
  color: ${({ theme }) => theme.colour.onSlate};
  .said {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px 12px;
    padding: 18px 28px 14px;
    background: ${({ theme }) => theme.colour.slateDeep};
  }
  .said h2 {
    flex: 1;
    font-size: 24px;
  }
  .said p {
    flex: 1 1 100%;
    color: ${({ theme }) => theme.colour.onSlateQuiet};
    font-size: 15px;
  }
  ol {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
    gap: 14px;
    align-content: start;
    min-height: 0;
    margin: 0;
    padding: 20px 28px 28px;
    overflow: auto;
    list-style: none;
  }
  li {
    display: grid;
    align-content: start;
    gap: 4px;
    padding: 8px 10px 10px;
    border-top: 4px solid ${({ theme }) => theme.colour.slateLine};
    background: ${({ theme }) => theme.colour.slateDeep};
    font-size: 14px;
    line-height: 1.3;
  }
  li.spoiled {
    border-color: ${({ theme }) => theme.colour.marigold};
  }
  .help {
    display: flex;
    flex: 1 1 100%;
    flex-wrap: wrap;
    align-items: center;
    justify-content: space-between;
    gap: 6px 14px;
    font-size: 15px;
  }
  .help > span {
    flex: 1;
  }
  .card {
    display: grid;
    max-width: 100%;
    max-height: 190px;
    margin: 0 auto;
  }
  .card > svg {
    width: 100%;
    height: 100%;
  }
`;

import { useEffect, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { drawFace, inkMl, inkUse, ML_PER_M2, type FacePlan, type InkLattice, type Job, type Plan } from '@zippy/core';
import { api } from '../../api/client.ts';
import { rasterise } from '../../bench/rasterise.ts';

/** Coarse, because only areas count. */
const PX_PER_MM = 3;

interface FaceInk {
  readonly name: string;
  readonly ml: number;
  readonly coverage: number;
  /** Ink of the flat background alone. */
  readonly floodMl: number;
}

/** How much ink a card takes, from its pixels, and what a coloured card would save where a face is flooded. */
export function InkPanel({ job, plan }: { readonly job: Job; readonly plan: Plan }): ReactNode {
  const [faces, setFaces] = useState<readonly FaceInk[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let here = true;
    fetchLattice()
      .then((lattice) => Promise.all(plan.art.faces.map((face) => inkOf(face, job, lattice))))
      .then((found) => here && setFaces(found))
      .catch(() => here && setProblem('The ink cannot be measured in this browser.'));
    return () => {
      here = false;
    };
  }, [plan.art, job]);
  if (problem) return <p>{problem}</p>;
  if (!faces) return <p>Measuring …</p>;
  const total = faces.reduce((sum, face) => sum + face.ml, 0);
  const flood = faces.reduce((sum, face) => sum + face.floodMl, 0);
  const ml = (value: number): string => `${value.toFixed(2)} ml`;
  return (
    <Panel>
      <p>
        <b>{ml(total)} of ink on a card</b>, {(total * plan.brief.wanted).toFixed(1)} ml for {plan.brief.wanted}.
      </p>
      <ul>
        {faces.map((face) => (
          <li key={face.name}>
            <span>{face.name}</span>
            <b>{ml(face.ml)}</b>
            <small>{(face.coverage * 100).toFixed(0)} % of one solid ink</small>
          </li>
        ))}
      </ul>
      {flood > 0.005 && (
        <p>
          {ml(flood)} of it floods backgrounds. Card of that colour would take none of this, dry at once and not crack
          white at the fold.
        </p>
      )}
      <small>
        From the drawing’s pixels, in the inks a press would mix, at {ML_PER_M2} ml for a square metre of one solid ink;
        a home printer’s driver mixes its own, so weigh it against your own cartridges.
      </small>
    </Panel>
  );
}

let lattice: Promise<InkLattice> | null = null;

/** What colours come to in press inks, as the checks of ink have it; asked for again where it did not come. */
function fetchLattice(): Promise<InkLattice> {
  lattice ??= api.inks().catch((why: unknown) => {
    lattice = null;
    throw why;
  });
  return lattice;
}

async function inkOf(face: FacePlan, job: Job, inks: InkLattice): Promise<FaceInk> {
  const { widthMm, heightMm, name } = face.face;
  const box = { xMm: 0, yMm: 0, widthMm, heightMm };
  const measure = async (one: FacePlan) => {
    const { canvas, context } = await rasterise(box, '#ffffff', drawFace(one), job.pictures, PX_PER_MM);
    return inkUse(context.getImageData(0, 0, canvas.width, canvas.height).data, inks);
  };
  const use = await measure(face);
  const alone: FacePlan = {
    ...face,
    picture: null,
    tiles: null,
    items: [],
    art: { ...face.art, border: null, gradient: null },
  };
  const flooded = face.art.background ? await measure(alone) : { coverage: 0, inked: 0 };
  const area = widthMm * heightMm;
  return { name, coverage: use.coverage, ml: inkMl(use, area), floodMl: inkMl(flooded, area) };
}

const Panel = styled.div`
  display: grid;
  gap: 8px;
  ul {
    display: grid;
    gap: 4px;
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: 1fr auto;
    column-gap: 10px;
  }
  li small {
    grid-column: 1 / -1;
  }
  small {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 13px;
  }
`;

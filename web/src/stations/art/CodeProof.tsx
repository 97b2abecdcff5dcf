import { useEffect, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import {
  cutText,
  boxOf,
  codeText,
  grow,
  evenSides,
  seenFace,
  type ArtPlan,
  type CodeObject,
  type FacePlan,
  type Job,
} from '@zippy/core';
import { rasterise } from '../../bench/rasterise.ts';

/** Dots to the inch at which the face is drawn and read: as a printer prints it, and half as finely. */
const DPI = [300, 150] as const;
/** While a maker is typing, nothing is read. */
const PAUSE_MS = 400;
const READ_MS = 1500;

type Reading = { readonly dpi: number; readonly text: string | null };

/** The face around a code, drawn as it will be printed and read back: proof that a telephone finds what was typed. */
export function CodeProof({
  object,
  face,
  job,
  paper,
  art,
}: {
  readonly object: CodeObject;
  readonly face: FacePlan;
  readonly job: Job;
  readonly paper: string;
  /** The card’s own art, which knows what is against this code. */
  readonly art: ArtPlan;
}): ReactNode {
  const [readings, setReadings] = useState<readonly Reading[] | null>(null);
  const text = codeText(object.content);
  useEffect(() => {
    let here = true;
    setReadings(null);
    const timer = setTimeout(() => {
      Promise.all(DPI.map((dpi) => readFace(dpi)))
        .then((found) => here && setReadings(found))
        .catch(() => here && setReadings([]));
    }, PAUSE_MS);
    const readFace = async (dpi: number): Promise<Reading> => {
      const { canvas, context } = await rasterise(
        // A telephone sees what lies about the code too.
        grow(boxOf(object), evenSides(4)),
        paper,
        seenFace(art, face, paper),
        job.pictures,
        dpi / 25.4,
      );
      const { default: decode } = await import('qr/decode.js');
      try {
        const { data, width, height } = context.getImageData(0, 0, canvas.width, canvas.height);
        return { dpi, text: decode({ data, width, height }, { timeLimit: READ_MS }) };
      } catch {
        return { dpi, text: null };
      }
    };
    return () => {
      here = false;
      clearTimeout(timer);
    };
  }, [object, face, job.pictures, paper, art]);
  if (text === '') return null;
  // One verdict: what a drawing reads, a telephone may not, and what is known against the code counts as well.
  const against = art.snags.find(
    ({ id, level }) => /^art-code-/.test(id) && id.endsWith(object.id) && level !== 'note',
  );
  const reads = readings?.every((r) => r.text === text);
  return (
    <Said role="status" data-read={reads === undefined ? undefined : reads && !against}>
      {reads && against ? `Drawn it can be read; printed it may not. ${against.title}.` : say(readings, text)}
    </Said>
  );
}

function say(readings: readonly Reading[] | null, wanted: string): string {
  if (!readings) return 'Reading it back from the face …';
  const wrong = readings.find((r) => r.text !== wanted);
  if (readings.length === 0) return 'This browser cannot draw the face to read it back.';
  if (!wrong)
    return `Read back from the face as it prints, at ${readings.map((r) => r.dpi).join(' and ')} dpi: it says what you typed.`;
  return wrong.text === null
    ? `Drawn at ${wrong.dpi} dpi it cannot be read back: make it larger, darker, or clear of what lies over it.`
    : `Drawn at ${wrong.dpi} dpi it reads “${cutText(wrong.text, 60)}”, which is not what you typed.`;
}

const Said = styled.p`
  padding: 8px 10px;
  border-left: 4px solid ${({ theme }) => theme.colour.rule};
  background: ${({ theme }) => theme.colour.white};
  font-size: 14px;
  &[data-read='true'] {
    border-color: ${({ theme }) => theme.colour.teal};
  }
  &[data-read='false'] {
    border-color: ${({ theme }) => theme.colour.ochre};
  }
`;

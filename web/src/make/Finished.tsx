import type { ReactNode } from 'react';
import {
  countedOf,
  measuredIn,
  notesOf,
  plural,
  sayOff,
  takenByRun,
  thingKey,
  type Run,
  type RunCount,
  type Workshop,
} from '@zippy/core';
import { ButtonLink, PlainButton } from '../ui/buttons.tsx';
import { Row } from '../ui/ModalDialog.tsx';
import { ABOUT_NAMES } from './NoteDialog.tsx';
import { useRepeat } from './useRepeat.ts';

/** What a run came to, and the way to make it once more as it was. */
export function Finished({
  run,
  count,
  workshop,
}: {
  readonly run: Run;
  readonly count: RunCount;
  readonly workshop: Workshop;
}): ReactNode {
  const { repeat, problem } = useRepeat();
  const taken = sayTaken(run, workshop);
  const measured = sayMeasured(run);
  return (
    <>
      <small>Finished</small>
      <h1>{count.good} good</h1>
      <p>{sayLosses(count.spoiled, count.causes)}</p>
      {taken && <p>{taken}</p>}
      {measured && <p>{measured}</p>}
      {notesOf(run.events).map(({ id, about, text }) => (
        <p key={id} className="learnt">
          {ABOUT_NAMES[about]}: {text}
        </p>
      ))}
      <Row>
        <ButtonLink className="big" href={`/jobs/${run.jobId}/sell`}>
          What it cost
        </ButtonLink>
        <PlainButton className="big" onPress={() => void repeat(run)}>
          Make it again, as it was
        </PlainButton>
      </Row>
      {problem && <p role="alert">{problem}</p>}
    </>
  );
}

/** Cuts and folds that were measured, on the whole. */
function sayMeasured({ events }: Run): string | null {
  const pieces = measuredIn(events);
  const said = (['trimmers', 'boards'] as const).flatMap((on) => {
    const own = pieces.filter((piece) => piece.on === on);
    if (own.length === 0) return [];
    const mean = own.reduce((n, { offMm }) => n + offMm, 0) / own.length;
    return [`${own.length} ${plural(own.length, on === 'trimmers' ? 'cut' : 'fold')} ${sayOff(mean)}`];
  });
  return said.length === 0 ? null : `Measured, on the whole: ${said.join(', ')}.`;
}

/** What the run’s cards are made of, which is no longer on the shelf. */
function sayTaken(run: Run, workshop: Workshop): string | null {
  const things = new Map(countedOf(run.workshop ?? workshop).map((thing) => [thingKey(thing), thing]));
  const taken = takenByRun(run).flatMap((one) => {
    const [thing, count] = [things.get(thingKey(one)), one.made + one.spoiled];
    if (!thing || count === 0) return [];
    // Trimmings are called by their names alone.
    const what = one.shelf === 'trimmings' ? '' : `${plural(count, thing.one)} of `;
    return [`${count} ${what}${thing.name}`];
  });
  return taken.length > 0 ? `Off the shelf: ${taken.join(', ')}.` : null;
}

function sayLosses(spoiled: number, causes: Readonly<Record<string, number>>): string {
  if (spoiled === 0) return 'None spoiled.';
  return `${spoiled} spoiled: ${Object.entries(causes)
    .sort((a, b) => b[1] - a[1])
    .map(([cause, n]) => `${n} ${cause}`)
    .join(', ')}.`;
}

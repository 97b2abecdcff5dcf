import { lazy, Suspense, useMemo, useState, type ReactNode } from 'react';
import {
  controlChart,
  fixed,
  habitOf,
  NEWEST_READINGS,
  readingsOf,
  saySignals,
  strayed,
  type MeasuredOn,
  type ToolReading,
  type Workshop,
} from '@zippy/core';
import { More } from '../../slip/More.tsx';
import { Choice } from '../../ui/Choice.tsx';

const HabitChart = lazy(() => import('./HabitChart.tsx'));

const EVERYBODY = '';

/** How a reading is told of, by what was measured; the first is for what is above nought. */
const WAYS = {
  trimmers: { over: 'too long', under: 'too short', what: 'Cuts' },
  boards: { over: 'too far from the stop', under: 'too near the stop', what: 'Folds' },
  across: { over: 'right', under: 'left', what: 'Backs, sideways' },
  down: { over: 'low', under: 'high', what: 'Backs, up and down' },
} as const;

/** What the bench has measured of a tool’s work: its habit, the chart of its pieces, and what is no chance. */
export function HabitPanel({
  on,
  toolId,
  usualMm,
  workshop,
}: {
  readonly on: MeasuredOn;
  readonly toolId: string;
  readonly usualMm: number;
  readonly workshop: Workshop;
}): ReactNode {
  const all = readingsOf(workshop.spoilLog, on, toolId);
  const hands = [...new Set(all.flatMap(({ by }) => by ?? []))].sort((a, b) => a.localeCompare(b));
  const [by, setBy] = useState(EVERYBODY);
  const shown = all.filter((one) => by === EVERYBODY || one.by === by).slice(-NEWEST_READINGS);
  return (
    <More label={`Measured at the bench, ${all.length === 0 ? 'nothing yet' : all.length}`}>
      {all.length === 0 && (
        <p>
          At the bench, M takes a piece down in two keys. From six on a lasting habit is made up for at the fence, and
          the spread stands for the usual one wherever cards are judged.
        </p>
      )}
      {hands.length > 0 && (
        <Choice
          label="Whose"
          value={by}
          options={[{ id: EVERYBODY, name: 'Everybody’s' }, ...hands.map((id) => ({ id, name: id }))]}
          onChange={setBy}
        />
      )}
      {shown.length > 0 &&
        (on === 'paths' ? (
          <>
            <Told way="across" {...{ usualMm, workshop }} readings={shown} of={({ offMm }) => offMm} />
            <Told way="down" {...{ usualMm, workshop }} readings={shown} of={({ downMm = 0 }) => downMm} />
          </>
        ) : (
          <Told way={on} {...{ usualMm, workshop }} readings={shown} of={strayed} />
        ))}
    </More>
  );
}

function Told({
  way,
  usualMm,
  workshop,
  readings,
  of,
}: {
  readonly way: keyof typeof WAYS;
  readonly usualMm: number;
  readonly workshop: Workshop;
  readonly readings: readonly ToolReading[];
  readonly of: (reading: ToolReading) => number;
}): ReactNode {
  const { over, under, what } = WAYS[way];
  const values = useMemo(() => readings.map(of), [readings, of]);
  const days = useMemo(() => readings.map(({ at }) => at.slice(0, 10)), [readings]);
  const habit = habitOf(values, usualMm);
  const chart = useMemo(() => controlChart(values), [values]);
  const size = fixed(Math.abs(habit.biasMm), 1);
  const bias = size === '0.0' ? 'true on the whole' : `${size} mm ${habit.biasMm > 0 ? over : under} on the whole`;
  const sentence = `${what}: ${habit.readings} measured, ${bias}, straying by ${fixed(habit.spreadMm, 2)} mm (1 σ, with the usual ${fixed(usualMm, 2)} mm to begin with).`;
  return (
    <>
      <p>{sentence}</p>
      <p>{sayLasting(way, habit.correctionMm, habit.readings)}</p>
      {chart ? (
        <>
          <Suspense fallback={<p>Drawing the chart …</p>}>
            <HabitChart
              {...{ chart, days }}
              region={workshop.region}
              label={`${sentence} Values, oldest first: ${values.map((mm) => fixed(mm, 2)).join(', ')} mm.`}
            />
          </Suspense>
          {chart.signals.length === 0 ? (
            <p>Nothing but chance: no piece outside the limits, no run, no trend.</p>
          ) : (
            saySignals(chart).map((said) => <p key={said}>{said} Look what changed before it.</p>)
          )}
        </>
      ) : (
        <p>Three pieces make a chart.</p>
      )}
    </>
  );
}

function sayLasting(way: keyof typeof WAYS, correctionMm: number, readings: number): string {
  if (correctionMm === 0)
    return readings < 6 ? 'Six tell a habit from chance.' : 'No lasting habit: nothing is made up for.';
  const by = `${fixed(Math.abs(correctionMm), 1)} mm`;
  switch (way) {
    case 'trimmers':
      return `A lasting habit: at every cut the fence is set ${by} ${correctionMm > 0 ? 'beyond' : 'short of'} what is wanted.`;
    case 'boards':
      return 'A lasting habit: the bench says at every crease how to make up for it.';
    default:
      return `A lasting habit: calibrate this way through the printer, and it is made up for in what is printed.`;
  }
}

import { useMemo, useState, type ReactNode } from 'react';
import {
  formatLength,
  meanwhile,
  measurableAt,
  measuredIn,
  sayStop,
  setFence,
  type MakeStep,
  type Run,
  type RunEvent,
  type Timer,
  type Workshop,
} from '@zippy/core';
import { KeyCap, PlainButton } from '../ui/buttons.tsx';
import { MeasureDialog } from './MeasureDialog.tsx';
import { StepDrawing, StepView } from './StepView.tsx';
import { WaitHere } from './WaitHere.tsx';

/** The step that is looked at: its number as these hands must set it, its timer, and what can be measured of it. */
export function AtStep({
  run,
  step,
  workshop,
  stepsDone,
  isAhead,
  timer,
  now,
  who,
  onWho,
  measuring,
  setMeasuring,
  onStart,
  onGo,
  add,
}: {
  readonly run: Run;
  readonly step: MakeStep;
  readonly workshop: Workshop;
  readonly stepsDone: ReadonlySet<string>;
  readonly isAhead: boolean;
  readonly timer: Timer | undefined;
  readonly now: number;
  readonly who: string;
  readonly onWho: (name: string) => void;
  readonly measuring: boolean;
  readonly setMeasuring: (on: boolean) => void;
  readonly onStart: (minutes: number) => void;
  readonly onGo: (stepId: string) => void;
  readonly add: (event: Pick<RunEvent, 'kind'> & Partial<RunEvent>) => void;
}): ReactNode {
  const { steps } = run;
  const number = steps.indexOf(step) + 1;
  const by = who.trim() === '' ? undefined : who.trim();
  // A fence that was set stays set while its pieces are measured, whatever they teach.
  const [taught] = useState(workshop);
  const setting = useMemo(() => settingAt(step, run, taught, by), [step, run, taught, by]);
  const measurable = measurableAt(step, run.document);
  const taken = measuredIn(run.events).filter((piece) => piece.stepId === step.id);
  return (
    <>
      <StepView
        {...{ step, number, isAhead }}
        of={steps.length}
        big={setting.big}
        says={setting.says}
        next={steps.slice(number).find(({ id }) => !stepsDone.has(id))?.title ?? null}
        drawing={<StepDrawing run={run} step={step} workshop={workshop} />}
      >
        {step.waitMinutes !== null && (
          <WaitHere
            key={step.id}
            {...{ timer, now, onStart, onGo }}
            minutes={step.waitMinutes}
            next={meanwhile(steps, step, stepsDone)}
          />
        )}
        {measurable && (
          <PlainButton className="big" onPress={() => setMeasuring(true)}>
            Measure{taken.length > 0 ? `, ${taken.length} taken down` : ''} <KeyCap>M</KeyCap>
          </PlainButton>
        )}
      </StepView>
      {measurable && (
        <MeasureDialog
          isOpen={measuring}
          onClose={() => setMeasuring(false)}
          title={step.title}
          {...{ measurable, taken }}
          setMm={measurable.wantedMm + setting.beyondMm}
          unit={workshop.unit}
          region={workshop.region}
          by={who}
          onBy={onWho}
          onTake={(off) =>
            add({
              kind: 'measured',
              stepId: step.id,
              detail: {
                kind: 'measured',
                ...measurable,
                ...off,
                setBeyondMm: setting.beyondMm,
                ...(by === undefined ? {} : { by }),
              },
            })
          }
          onTakeBack={(id) => add({ kind: 'undo', undoes: id })}
        />
      )}
    </>
  );
}

/** The number to set, and why it is not the one that was planned. */
function settingAt(
  step: MakeStep,
  run: Run,
  workshop: Workshop,
  by: string | undefined,
): { readonly big: string; readonly says: readonly string[]; readonly beyondMm: number } {
  const plain = { big: step.big, says: [], beyondMm: 0 };
  const tools = run.workshop ?? workshop;
  if (step.kind === 'cut' && step.fenceMm !== undefined) {
    const trimmer = tools.trimmers.find(({ id }) => id === run.document.cut.trimmerId);
    if (!trimmer) return plain;
    const { setMm, correctionMm, says } = setFence(step.fenceMm, trimmer, workshop, by);
    const big = formatLength(setMm, workshop.unit);
    return { big, says: says === null ? [] : [says], beyondMm: correctionMm };
  }
  if (step.kind === 'crease') {
    const board = tools.boards.find(({ id }) => id === run.document.crease.boardId);
    if (!board || step.fromStopMm === undefined) return plain;
    const says = sayStop(board, workshop, by);
    return { ...plain, big: formatLength(step.fromStopMm, workshop.unit), says: says === null ? [] : [says] };
  }
  return plain;
}

import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { drawStep, type MakeStep, type Plan, type Run, type Workshop } from '@zippy/core';
import { SceneView } from '../bench/SceneView.tsx';
import { PlainButton } from '../ui/buttons.tsx';
import { askPlan } from '../workers/planner.ts';

/** One step in words, and beside it the piece. */
export function StepView({
  step,
  number,
  of,
  next,
  drawing,
}: {
  readonly step: MakeStep;
  readonly number: number;
  readonly of: number;
  readonly next: string | null;
  readonly drawing: ReactNode;
}): ReactNode {
  return (
    <div className="step-view">
      <div className="say">
        <small>
          Step {number} of {of} · {step.title}
        </small>
        <h1 data-long={step.big.length > 8 || undefined}>{step.big}</h1>
        <p>{step.detail}</p>
        {step.waitMinutes !== null && <Wait key={step.id} minutes={step.waitMinutes} />}
        {step.caution && <p className="caution">{step.caution}</p>}
        {next && <p className="next">Then: {next}</p>}
      </div>
      {drawing}
    </div>
  );
}

/** Lettering on the drawing, in shares of its longer side, so that it is read as easily as the words. */
const LETTER_SHARE = 1 / 26;

/** The piece at this step, drawn from the job as it was released. */
export function StepDrawing({
  run,
  step,
  workshop,
}: {
  readonly run: Run;
  readonly step: MakeStep;
  readonly workshop: Workshop;
}): ReactNode {
  const [plan, setPlan] = useState<Plan | null>(null);
  const { document } = run;
  useEffect(() => {
    let here = true;
    askPlan(document, workshop)
      .then((made) => here && setPlan(made))
      .catch(() => here && setPlan(null));
    return () => {
      here = false;
    };
  }, [document, workshop]);
  const scene = useMemo(() => {
    if (!plan) return null;
    const extent = Math.max(plan.sheet.sheetWidthMm, plan.sheet.sheetHeightMm);
    return drawStep(plan, step, { unit: workshop.unit, textMm: extent * LETTER_SHARE });
  }, [plan, step, workshop.unit]);
  if (!scene) return null;
  return (
    <div className="drawing">
      <SceneView scene={scene} pictures={document.pictures} label={`${step.title}: ${step.big}`} />
    </div>
  );
}

/** Counts down; it never goes on by itself, because only the maker can see whether the ink is dry. */
function Wait({ minutes }: { readonly minutes: number }): ReactNode {
  const [end, setEnd] = useState<number | null>(null);
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (end === null) return;
    const timer = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(timer);
  }, [end]);
  if (end === null)
    return (
      <PlainButton
        className="big"
        onPress={() => {
          setNow(Date.now());
          setEnd(Date.now() + minutes * 60_000);
        }}
      >
        Start the timer
      </PlainButton>
    );
  const left = Math.max(0, Math.ceil((end - now) / 1000));
  return (
    <p className="timer" role="timer">
      {left === 0
        ? 'Time is up: touch a corner before you stack.'
        : `${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}`}
    </p>
  );
}

import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { drawStep, type MakeStep, type Plan, type Run, type Workshop } from '@zippy/core';
import { SceneView } from '../bench/SceneView.tsx';
import { askPlan } from '../workers/planner.ts';

/** One step in words, and beside it the piece. */
export function StepView({
  step,
  number,
  of,
  next,
  big,
  says,
  isAhead,
  drawing,
  children,
}: {
  readonly step: MakeStep;
  readonly number: number;
  readonly of: number;
  readonly next: string | null;
  /** What the one number is, where the workshop’s habits make it another than was planned. */
  readonly big: string;
  /** Why, and what else is worth knowing here. */
  readonly says: readonly string[];
  /** Later work that is looked at before its turn. */
  readonly isAhead: boolean;
  readonly drawing: ReactNode;
  /** What can be pressed at this step. */
  readonly children: ReactNode;
}): ReactNode {
  return (
    <div className="step-view">
      <div className="say">
        <small>
          Step {number} of {of} · {step.title}
          {isAhead && <em> · ahead of its turn</em>}
        </small>
        <h1 data-long={big.length > 8 || undefined}>{big}</h1>
        <p>{step.detail}</p>
        {says.map((one) => (
          <p key={one} className="learnt">
            {one}
          </p>
        ))}
        {children}
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

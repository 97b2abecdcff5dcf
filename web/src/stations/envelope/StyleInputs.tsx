import { useState, type ReactNode } from 'react';
import {
  DEFAULTS,
  decideEach,
  envelopeStyle,
  formatLength,
  LIMITS,
  type EnvelopeAsk,
  type EnvelopeChoice,
  type EnvelopePlan,
  type LengthUnit,
  WINDOW_SHAPES,
  type WindowChoice,
  type WindowShape,
} from '@zippy/core';
import { useJob } from '../../stores/job.ts';
import { OnOff } from '../../ui/OnOff.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { Two } from '../../ui/ModalDialog.tsx';
import { LengthField, MaybeLengthField } from '../../ui/fields/LengthField.tsx';
import { WordsField } from '../../ui/fields/WordsField.tsx';

interface Asked {
  readonly choice: EnvelopeChoice;
  readonly plan: EnvelopePlan;
  readonly unit: LengthUnit;
}

/** Changes parts of what is chosen; typing in one field is one step back. */
export function useSet(): (part: Partial<EnvelopeChoice>) => void {
  const change = useJob((s) => s.change);
  return (part) =>
    change(
      decideEach((job) => job.envelope, part),
      `envelope-${Object.keys(part).join()}`,
    );
}

/** What the style in hand asks beside its contents: only what it uses. */
export function StyleInputs({ choice, plan, unit }: Asked): ReactNode {
  const set = useSet();
  const { asks } = envelopeStyle(plan.styleId);
  const wants = (ask: EnvelopeAsk): boolean => asks.includes(ask);
  return (
    <>
      {wants('path') && <OwnPath choice={choice} />}
      <Two>
        <LengthField
          label="Ease"
          mm={choice.easeMm}
          unit={unit}
          {...LIMITS.envelope.easeMm}
          onCommit={(easeMm) => set({ easeMm })}
        />
        {wants('seamMm') && (
          <LengthField
            label={plan.styleId === 'pointed' ? 'Overlap' : 'Seam'}
            mm={choice.seamMm}
            unit={unit}
            {...LIMITS.envelope.seamMm}
            onCommit={(seamMm) => set({ seamMm })}
          />
        )}
        {wants('flapMm') && (
          <MaybeLengthField
            label="Flap"
            mm={choice.flapMm}
            unit={unit}
            {...LIMITS.envelope.flapMm}
            worked={`${formatLength(plan.flapMm, unit)}, from the height`}
            onCommit={(flapMm) => set({ flapMm })}
          />
        )}
        {wants('throatMm') && (
          <LengthField
            label="Throat"
            mm={choice.throatMm ?? DEFAULTS.throatMm}
            unit={unit}
            {...LIMITS.envelope.throatMm}
            onCommit={(throatMm) => set({ throatMm })}
          />
        )}
      </Two>
    </>
  );
}

/** Typed or pasted; given on only when it is left, since half a path is none. */
function OwnPath({ choice }: Pick<Asked, 'choice'>): ReactNode {
  const set = useSet();
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <div
      onBlur={() => {
        if (typed !== null && typed !== (choice.path ?? '')) set({ path: typed });
        setTyped(null);
      }}
    >
      <WordsField
        label="Your path"
        rows={3}
        value={typed ?? choice.path ?? ''}
        onChange={setTyped}
        hint="SVG path data of one closed outline round the front. It is stretched to two flaps more than the front, both ways."
      />
    </div>
  );
}

/** A window is put in the middle of the front, and changed from there. */
const WINDOW_MEASURES = {
  ...{ widthMm: 'Window width', heightMm: 'Window height', leftMm: 'From the left', topMm: 'From the top' },
  cornerMm: 'Its corners',
} as const;
const WINDOW_NAMES: Readonly<Record<WindowShape, string>> = {
  ...{ box: 'Box, its corners rounded', oval: 'Oval', arch: 'Arch', scallop: 'Scallop', heart: 'Heart' },
  own: 'Your own path',
};

export function WindowInputs({ choice, plan, unit }: Asked): ReactNode {
  const set = useSet();
  const { window = null } = choice;
  const start = (): WindowChoice => {
    const [widthMm, heightMm] = [Math.round(plan.insideWidthMm * 0.5), Math.round(plan.insideHeightMm * 0.3)];
    return {
      ...{ widthMm, heightMm, cornerMm: 5 },
      leftMm: Math.round((plan.insideWidthMm - widthMm) / 2),
      topMm: Math.round((plan.insideHeightMm - heightMm) / 2),
    };
  };
  const field = (key: keyof typeof WINDOW_MEASURES): ReactNode => (
    <LengthField
      label={WINDOW_MEASURES[key]}
      mm={window![key]}
      unit={unit}
      {...(key === 'widthMm' || key === 'heightMm' ? LIMITS.envelope.windowSideMm : LIMITS.envelope.windowMm)}
      onCommit={(mm) => set({ window: { ...window!, [key]: mm } })}
    />
  );
  return (
    <>
      <LengthField
        label="Free corners rounded by"
        mm={choice.cornerMm ?? 0}
        unit={unit}
        {...LIMITS.envelope.cornerMm}
        onCommit={(cornerMm) => set({ cornerMm })}
      />
      <OnOff
        label="A window in the front"
        value={window !== null}
        onChange={(on) => set({ window: on ? start() : null })}
      />
      {window && (
        <>
          <Pick
            label="Its shape"
            value={window.shape ?? 'box'}
            sections={[{ heading: null, options: WINDOW_SHAPES.map((id) => ({ id, name: WINDOW_NAMES[id] })) }]}
            onChange={(id) => set({ window: { ...window, shape: id as WindowShape } })}
          />
          {window.shape === 'own' && (
            <WordsField
              label="Your path"
              value={window.path ?? ''}
              hint="SVG path data of one closed outline, such as M0 0 L40 0 L20 30 Z."
              onChange={(path) => set({ window: { ...window, path } })}
            />
          )}
          <Two>
            {field('widthMm')}
            {field('heightMm')}
            {field('leftMm')}
            {field('topMm')}
            {(window.shape ?? 'box') === 'box' && field('cornerMm')}
          </Two>
        </>
      )}
    </>
  );
}

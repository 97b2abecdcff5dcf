import { Columns3 } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { LIMITS, decide, DEFAULTS, TYPEFACES, type Job, type Mood, type TextBlock, type Workshop } from '@zippy/core';
import { Choice } from '../../ui/Choice.tsx';
import { OnOff } from '../../ui/OnOff.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { Scale } from '../../ui/Scale.tsx';
import { ColourField } from '../../ui/ColourField.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { WordsField } from '../../ui/fields/WordsField.tsx';
import { PlainButton } from '../../ui/buttons.tsx';
import { Row, Two } from '../../ui/ModalDialog.tsx';
import { ThreeUp, type Try } from './ThreeUp.tsx';
import { InHand } from './InHand.tsx';
import type { FaceInHand } from './useFace.ts';

const MOODS: Readonly<Record<Mood, string>> = {
  display: 'Display',
  serif: 'Serif',
  plain: 'Plain',
  script: 'Script',
  hand: 'Hand',
};

/** Everything about the words in hand. */
export function WordsPanel({
  text,
  fitted,
  hand,
  job,
  workshop,
}: {
  readonly job: Job;
  readonly workshop: Workshop;
  readonly text: TextBlock;
  readonly fitted: number;
  readonly hand: FaceInHand;
}): ReactNode {
  const { setText } = hand;
  const set = (part: Partial<TextBlock>, key?: string): void => setText(text.id, part, key);
  const faces = (Object.keys(MOODS) as Mood[]).map((mood) => ({
    heading: MOODS[mood],
    options: TYPEFACES.filter((t) => t.mood === mood).map((t) => ({ id: t.id, name: t.name })),
  }));
  const lines = text.text.split('\n');
  const { emphasis } = text;
  const spacing = text.letterSpacingEm ?? 0;
  const [tries, setTries] = useState<{ readonly title: string; readonly tries: readonly Try[] } | null>(null);
  const compare = (
    title: string,
    field: 'lineSpacing' | 'letterSpacingEm',
    values: readonly number[],
    say: (value: number) => string,
  ): void => {
    const { art, face } = hand;
    setTries({
      title,
      tries: values.map((value) => ({
        name: say(value),
        changes: [
          decide(
            (job) => job.art.faces.at(face.face.id).texts,
            art.texts.map((t) => (t.id === text.id ? { ...t, [field]: value } : t)),
          ),
        ],
      })),
    });
  };
  return (
    <InHand aria-label="Words in hand">
      {tries && (
        <ThreeUp
          {...tries}
          job={job}
          workshop={workshop}
          faceId={hand.face.face.id}
          onKeep={({ changes }) => {
            hand.changeAll(changes);
            setTries(null);
          }}
          onClose={() => setTries(null)}
        />
      )}
      <WordsField
        key={text.id}
        label="Words"
        rows={3}
        value={text.text}
        onChange={(value) => set({ text: value }, `words-${text.id}`)}
      />
      <Pick label="Typeface" value={text.typefaceId} onChange={(id) => set({ typefaceId: id })} sections={faces} />
      <Two>
        <NumberField
          label="Size, pt"
          whole={false}
          value={text.sizePt}
          {...LIMITS.art.sizePt}
          onCommit={(sizePt) => set({ sizePt })}
          hint={Math.abs(fitted - 1) > 0.001 ? `set at ${(text.sizePt * fitted).toFixed(1)} pt to fit` : undefined}
        />
        <LengthField
          label="Block width"
          mm={text.widthMm}
          unit={workshop.unit}
          {...LIMITS.art.textWidthMm}
          onCommit={(widthMm) => set({ widthMm })}
        />
      </Two>
      <Tries
        label="Line spacing"
        value={text.lineSpacing}
        step={0.1}
        {...LIMITS.art.lineSpacing}
        say={(v) => v.toFixed(2)}
        onChange={(lineSpacing) => set({ lineSpacing })}
        onCompare={(values) => compare('Line spacing', 'lineSpacing', values, (v) => v.toFixed(2))}
      />
      <Tries
        label="Letter spacing"
        value={spacing}
        step={0.02}
        {...LIMITS.art.letterSpacingEm}
        say={(v) => `${(v * 100).toFixed(0)} %`}
        onChange={(letterSpacingEm) => set({ letterSpacingEm })}
        onCompare={(values) => compare('Letter spacing', 'letterSpacingEm', values, (v) => `${(v * 100).toFixed(0)} %`)}
      />
      <Choice
        label="Lines"
        value={text.align}
        options={[
          { id: 'left', name: 'Left' },
          { id: 'centre', name: 'Centred' },
          { id: 'right', name: 'Right' },
        ]}
        onChange={(align) => set({ align })}
      />
      <Choice
        label="Fit to the block’s width"
        value={text.fit ?? 'none'}
        options={[
          { id: 'none', name: 'Break lines' },
          { id: 'shrink', name: 'Shrink' },
          { id: 'fill', name: 'Fill' },
        ]}
        onChange={(fit) => set({ fit })}
      />
      <ColourField
        label="Colour"
        value={text.colour}
        onChange={(colour) => set({ colour: colour ?? DEFAULTS.textColour }, `colour-${text.id}`)}
      />
      <Row>
        <OnOff label="Small capitals" value={text.smallCaps ?? false} onChange={(smallCaps) => set({ smallCaps })} />
        <OnOff label="Fractions" value={text.fractions ?? false} onChange={(fractions) => set({ fractions })} />
        <OnOff label="Maker’s mark" value={text.makersMark ?? false} onChange={(makersMark) => set({ makersMark })} />
      </Row>
      {lines.length > 1 && (
        <fieldset>
          <legend>Lines that stand out</legend>
          {lines.map((line, i) => (
            <OnOff
              key={`${i} ${line}`}
              label={line || '(empty)'}
              value={emphasis?.lines.includes(i) ?? false}
              onChange={(on) => {
                const chosen = on ? [...(emphasis?.lines ?? []), i] : (emphasis?.lines ?? []).filter((k) => k !== i);
                set({ emphasis: { scale: 1.8, typefaceId: 'fraunces-600', ...emphasis, lines: chosen } });
              }}
            />
          ))}
          {emphasis && emphasis.lines.length > 0 && (
            <>
              <Pick
                label="In"
                value={emphasis.typefaceId}
                onChange={(typefaceId) => set({ emphasis: { ...emphasis, typefaceId } })}
                sections={faces}
              />
              <Scale
                label="Larger by"
                value={emphasis.scale}
                least={0.5}
                most={5}
                step={0.05}
                say={(v) => `${v.toFixed(2)} ×`}
                onChange={(scale) => set({ emphasis: { ...emphasis, scale } }, `emphasis-${text.id}`)}
              />
            </>
          )}
        </fieldset>
      )}
      <OnOff
        label="On an arc"
        value={Boolean(text.arcMm)}
        onChange={(on) => set({ arcMm: on ? Math.round(text.widthMm) : null })}
      />
      {text.arcMm ? (
        <Row>
          <LengthField
            label="Radius"
            mm={Math.abs(text.arcMm)}
            unit={workshop.unit}
            least={5}
            most={5000}
            onCommit={(mm) => set({ arcMm: Math.sign(text.arcMm!) * mm })}
          />
          <PlainButton onPress={() => set({ arcMm: -text.arcMm! })}>Bend it the other way</PlainButton>
        </Row>
      ) : null}
      <Two>
        <LengthField
          label="From the left"
          mm={text.leftMm}
          unit={workshop.unit}
          {...LIMITS.art.placeMm}
          onCommit={(leftMm) => set({ leftMm })}
        />
        <LengthField
          label="From the top"
          mm={text.topMm}
          unit={workshop.unit}
          {...LIMITS.art.placeMm}
          onCommit={(topMm) => set({ topMm })}
        />
      </Two>
    </InHand>
  );
}

/** A step less, as it is, a step more: three side by side on the bench’s face, one press to keep one. */
function Tries({
  label,
  value,
  step,
  least,
  most,
  say,
  onChange,
  onCompare,
}: {
  readonly label: string;
  readonly value: number;
  readonly step: number;
  readonly least: number;
  readonly most: number;
  readonly say: (value: number) => string;
  readonly onChange: (value: number) => void;
  readonly onCompare: (values: readonly number[]) => void;
}): ReactNode {
  const tries = [value - step, value, value + step].map(
    (v) => Math.round(Math.min(most, Math.max(least, v)) * 1000) / 1000,
  );
  return (
    <Three role="group" aria-label={label}>
      <span>{label}</span>
      {tries.map((one, i) => (
        <button
          key={i}
          type="button"
          aria-pressed={i === 1}
          disabled={i !== 1 && one === value}
          onClick={() => onChange(one)}
        >
          <span className="sign">{['−', '', '+'][i]}</span> {say(one)}
        </button>
      ))}
      <button
        type="button"
        aria-label={`${label}: three side by side`}
        title="Three side by side"
        onClick={() => onCompare(tries)}
      >
        <Columns3 size={16} aria-hidden />
      </button>
    </Three>
  );
}

const Three = styled.div`
  display: grid;
  grid-template-columns: 1fr repeat(3, 64px) 38px;
  gap: 4px;
  align-items: center;
  > span {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
  button {
    min-height: 34px;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: 6px;
    background: ${({ theme }) => theme.colour.white};
    font-family: ${({ theme }) => theme.font.mono};
    font-size: 14px;
    cursor: pointer;
  }
  button[aria-pressed='true'] {
    background: ${({ theme }) => theme.colour.slate};
    color: ${({ theme }) => theme.colour.onSlate};
  }
  .sign {
    opacity: 0.7;
  }
`;

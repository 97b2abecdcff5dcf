import { useState, type ReactNode } from 'react';
import { LIMITS, decide, DEFAULTS, type Job, type TextBlock, type Workshop } from '@zippy/core';
import { Choice } from '../../ui/Choice.tsx';
import { OnOff } from '../../ui/OnOff.tsx';
import { ColourField } from '../../ui/ColourField.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { WordsField } from '../../ui/fields/WordsField.tsx';
import { Row, Two } from '../../ui/ModalDialog.tsx';
import { ThreeUp, type Try } from './ThreeUp.tsx';
import { OnArc } from './OnArc.tsx';
import { StandOut } from './StandOut.tsx';
import { Tries } from './Tries.tsx';
import { TypefacePick } from './typefaces/TypefacePick.tsx';
import { InHand } from './InHand.tsx';
import type { FaceInHand } from './useFace.ts';

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
      <TypefacePick
        label="Typeface"
        value={text.typefaceId}
        job={job}
        onPick={(typefaceId, own) => hand.setInTypeface(text.id, { typefaceId }, own && { id: typefaceId, own })}
      />
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
      <StandOut {...{ text, set, job, hand }} />
      <OnArc {...{ text, set }} unit={workshop.unit} />
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

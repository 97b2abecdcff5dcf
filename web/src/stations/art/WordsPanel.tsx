import type { ReactNode } from 'react';
import styled from 'styled-components';
import { DEFAULTS, TYPEFACES, type Mood, type TextBlock } from '@zippy/core';
import { useView } from '../../stores/view.ts';
import { Choice, Pick } from '../../ui/Choose.tsx';
import { ColourField } from '../../ui/ColourField.tsx';
import { LengthField, NumberField, WordsField } from '../../ui/Field.tsx';
import { Press, Quiet } from '../../ui/Press.tsx';
import { Row, Two } from '../../ui/Sheet.tsx';
import type { StationProps } from '../parts.ts';
import { useFace } from './useFace.ts';

const MOODS: Readonly<Record<Mood, string>> = {
  display: 'Display',
  serif: 'Serif',
  plain: 'Plain',
  script: 'Script',
  hand: 'Hand',
};

/** Everything about the words in hand. */
export function WordsPanel({ text, ...props }: StationProps & { readonly text: TextBlock }): ReactNode {
  const { workshop } = props;
  const { face, art, setFace, setText } = useFace(props);
  const set = useView((s) => s.set);
  return (
    <Words aria-label="Words in hand">
      <WordsField
        label="Words"
        rows={3}
        value={text.text}
        onChange={(value) => setText(text.id, { text: value }, `words-${text.id}`)}
      />
      <Pick
        label="Typeface"
        value={text.typefaceId}
        onChange={(id) => setText(text.id, { typefaceId: id })}
        sections={(Object.keys(MOODS) as Mood[]).map((mood) => ({
          heading: MOODS[mood],
          options: TYPEFACES.filter((t) => t.mood === mood).map((t) => ({ id: t.id, name: t.name })),
        }))}
      />
      <Two>
        <NumberField
          label="Size, pt"
          whole={false}
          value={text.sizePt}
          least={1}
          most={400}
          onCommit={(sizePt) => setText(text.id, { sizePt })}
        />
        <NumberField
          label="Line spacing"
          whole={false}
          value={text.lineSpacing}
          least={0.5}
          most={5}
          onCommit={(lineSpacing) => setText(text.id, { lineSpacing })}
        />
      </Two>
      <Choice
        label="Lines"
        value={text.align}
        options={[
          { id: 'left', name: 'Left' },
          { id: 'centre', name: 'Centred' },
          { id: 'right', name: 'Right' },
        ]}
        onChange={(align) => setText(text.id, { align })}
      />
      <ColourField
        label="Colour"
        value={text.colour}
        onChange={(colour) => setText(text.id, { colour: colour ?? DEFAULTS.textColour }, `colour-${text.id}`)}
      />
      <Two>
        <LengthField
          label="From the left"
          mm={text.leftMm}
          unit={workshop.unit}
          least={-1000}
          most={1000}
          onCommit={(leftMm) => setText(text.id, { leftMm })}
        />
        <LengthField
          label="From the top"
          mm={text.topMm}
          unit={workshop.unit}
          least={-1000}
          most={1000}
          onCommit={(topMm) => setText(text.id, { topMm })}
        />
        <LengthField
          label="Block width"
          mm={text.widthMm}
          unit={workshop.unit}
          least={1}
          most={1000}
          onCommit={(widthMm) => setText(text.id, { widthMm })}
        />
      </Two>
      <Row>
        <Press onPress={() => setText(text.id, { leftMm: (face.face.widthMm - text.widthMm) / 2 })}>
          Centre on the face
        </Press>
        <Quiet
          onPress={() => {
            setFace({ texts: art.texts.filter((t) => t.id !== text.id) });
            set({ textId: null });
          }}
        >
          Take these words off
        </Quiet>
      </Row>
    </Words>
  );
}

const Words = styled.div`
  display: grid;
  gap: 10px;
  padding: 12px;
  border: 1px solid ${({ theme }) => theme.colour.rule};
  border-radius: 6px;
  background: ${({ theme }) => theme.colour.paperShade};
`;

import { RotateCw } from 'lucide-react';
import type { ReactNode } from 'react';
import type { PicturePlacement } from '@zippy/core';
import { Choice } from '../../ui/Choice.tsx';
import { OnOff } from '../../ui/OnOff.tsx';
import { Scale } from '../../ui/Scale.tsx';
import { ColourField } from '../../ui/ColourField.tsx';
import { PlainButton } from '../../ui/buttons.tsx';
import { Row } from '../../ui/ModalDialog.tsx';

const percent = (v: number): string => `${Math.round(v * 100)} %`;

/** How a picture lies in its frame and what its ink is made of. */
export function PicturePanel({
  placement,
  mayBeWhole = true,
  hasInk = true,
  onChange,
}: {
  readonly placement: PicturePlacement;
  /** One that runs on over other panels fills them. */
  readonly mayBeWhole?: boolean;
  /** Foil has one strength and one colour. */
  readonly hasInk?: boolean;
  readonly onChange: (part: Partial<PicturePlacement>, key?: string) => void;
}): ReactNode {
  const turns = placement.quarterTurns ?? 0;
  return (
    <>
      {mayBeWhole && (
        <Choice
          label="The picture"
          value={placement.fit ?? 'fill'}
          options={[
            { id: 'fill', name: 'Fills' },
            { id: 'whole', name: 'Is seen whole' },
          ]}
          onChange={(fit) => onChange({ fit, zoom: 1 })}
        />
      )}
      <Scale
        label="Zoom"
        value={placement.zoom}
        least={1}
        most={6}
        step={0.01}
        say={percent}
        onChange={(zoom) => onChange({ zoom }, 'zoom')}
      />
      {hasInk && (
        <Scale
          label="Fade"
          value={placement.fade}
          least={0}
          most={1}
          step={0.01}
          say={percent}
          onChange={(fade) => onChange({ fade }, 'fade')}
        />
      )}
      <Row>
        <PlainButton onPress={() => onChange({ quarterTurns: (turns + 1) % 4 })}>
          <RotateCw size={16} aria-hidden /> Quarter turn
        </PlainButton>
        {hasInk && <OnOff label="Grey" value={placement.grey} onChange={(grey) => onChange({ grey })} />}
      </Row>
      {hasInk && (
        <ColourField
          label="Tint"
          value={placement.tint ?? null}
          bare="None"
          onChange={(tint) => onChange({ tint }, 'tint')}
        />
      )}
    </>
  );
}

import type { ReactNode } from 'react';
import { LIMITS, decide, plural, type LengthUnit } from '@zippy/core';
import { OnOff } from '../../ui/OnOff.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { Scale } from '../../ui/Scale.tsx';
import { ColourField } from '../../ui/ColourField.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { Quiet, PlainButton } from '../../ui/buttons.tsx';
import { Row, Two } from '../../ui/ModalDialog.tsx';
import { useJob } from '../../stores/job.ts';
import type { FaceInHand } from './useFace.ts';

/** What lies under everything else beside a flat colour: a gradient, a pattern, a border, a picture’s other panels. */
export function GroundPanel({
  hand,
  unit,
  pictures,
  sameSide,
}: {
  readonly hand: FaceInHand;
  readonly unit: LengthUnit;
  readonly pictures: readonly { readonly id: string; readonly name: string }[];
  /** Other faces on this side of the blank, over which a picture may run on. */
  readonly sameSide: readonly { readonly id: string; readonly name: string }[];
}): ReactNode {
  const { art, setFace } = hand;
  const { gradient, pattern, border, picture } = art;
  return (
    <>
      <OnOff
        label="Gradient"
        value={Boolean(gradient)}
        onChange={(on) => setFace({ gradient: on ? { from: '#f4cfae', to: '#1d5a68', angleDeg: 0 } : null })}
      />
      {gradient && (
        <>
          <ColourField
            label="From"
            value={gradient.from}
            onChange={(from) => from && setFace({ gradient: { ...gradient, from } }, 'gradient-from')}
          />
          <ColourField
            label="To"
            value={gradient.to}
            onChange={(to) => to && setFace({ gradient: { ...gradient, to } }, 'gradient-to')}
          />
          <Scale
            label="Direction"
            value={gradient.angleDeg}
            least={-180}
            most={180}
            step={5}
            say={(v) => `${v}°`}
            onChange={(angleDeg) => setFace({ gradient: { ...gradient, angleDeg } }, 'gradient-angle')}
          />
        </>
      )}
      <OnOff
        label="Border"
        value={Boolean(border)}
        onChange={(on) => setFace({ border: on ? { widthMm: 5, insetMm: 0, colour: '#1d5a68' } : null })}
      />
      {border && (
        <>
          <Two>
            <LengthField
              label="Border width"
              mm={border.widthMm}
              unit={unit}
              {...LIMITS.art.borderMm}
              onCommit={(widthMm) => setFace({ border: { ...border, widthMm } })}
            />
            <LengthField
              label="Inside the trim by"
              mm={border.insetMm}
              unit={unit}
              {...LIMITS.art.borderInsetMm}
              onCommit={(insetMm) => setFace({ border: { ...border, insetMm } })}
              hint={border.insetMm === 0 ? 'At the trim, so it is grown into the bleed.' : undefined}
            />
          </Two>
          <ColourField
            label="Border colour"
            value={border.colour}
            onChange={(colour) => colour && setFace({ border: { ...border, colour } }, 'border-colour')}
          />
        </>
      )}
      {pictures.length > 0 ? (
        <Pick
          label="Repeat a picture as a pattern"
          value={pattern?.pictureId ?? 'none'}
          sections={[{ heading: null, options: [{ id: 'none', name: 'No pattern' }, ...pictures] }]}
          onChange={(id) =>
            setFace({
              pattern: id === 'none' ? null : { tileMm: 18, brick: false, fade: 0, ...pattern, pictureId: id },
            })
          }
        />
      ) : (
        <p>A pattern repeats one of the job’s pictures; place a picture first.</p>
      )}
      {pattern && (
        <>
          <Scale
            label="Tile"
            value={pattern.tileMm}
            least={5}
            most={80}
            step={0.5}
            say={(v) => `${v} mm`}
            onChange={(tileMm) => setFace({ pattern: { ...pattern, tileMm } }, 'tile')}
          />
          <Row>
            <OnOff
              label="Every other row half on"
              value={pattern.brick}
              onChange={(brick) => setFace({ pattern: { ...pattern, brick } })}
            />
          </Row>
        </>
      )}
      {picture && sameSide.length > 0 && (
        <fieldset>
          <legend>Run this picture on over</legend>
          {sameSide.map(({ id, name }) => {
            const over = picture.across ?? [];
            return (
              <OnOff
                key={id}
                label={name}
                value={over.includes(id)}
                onChange={(on) =>
                  setFace({ picture: { ...picture, across: on ? [...over, id] : over.filter((one) => one !== id) } })
                }
              />
            );
          })}
        </fieldset>
      )}
    </>
  );
}

/** Art of one face on another, in one press. */
export function CopyFace({
  hand,
  faces,
}: {
  readonly hand: FaceInHand;
  readonly faces: readonly { readonly id: string; readonly name: string }[];
}): ReactNode {
  const { art, face, changeAll } = hand;
  const takeAway = useJob((s) => s.takeAway);
  const things = art.texts.length + (art.objects?.length ?? 0);
  return (
    <Row role="group" aria-label="Copy this face to">
      {faces.map(({ id, name }) => (
        <PlainButton key={id} onPress={() => changeAll([decide((job) => job.art.faces.at(id), art)])}>
          To {name.toLowerCase()}
        </PlainButton>
      ))}
      <Quiet
        onPress={() =>
          takeAway(
            [decide((job) => job.art.faces.at(face.face.id), { background: null, picture: null, texts: [] })],
            `The ${face.face.name.toLowerCase()} is cleared.`,
          )
        }
      >
        Clear this face{things > 0 ? ` of ${things} ${plural(things, 'thing')}` : ''}
      </Quiet>
    </Row>
  );
}

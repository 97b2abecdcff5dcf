import type { ReactNode } from 'react';
import type { Job, TextBlock } from '@zippy/core';
import { OnOff } from '../../ui/OnOff.tsx';
import { Scale } from '../../ui/Scale.tsx';
import { TypefacePick } from './typefaces/TypefacePick.tsx';
import type { FaceInHand } from './useFace.ts';

/** Lines of a block in another face and larger: names among the rest. */
export function StandOut({
  text,
  set,
  job,
  hand,
}: {
  readonly text: TextBlock;
  readonly job: Job;
  readonly hand: FaceInHand;
  readonly set: (part: Partial<TextBlock>, key?: string) => void;
}): ReactNode {
  const lines = text.text.split('\n');
  const { emphasis } = text;
  if (lines.length < 2) return null;
  return (
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
          <TypefacePick
            label="In"
            value={emphasis.typefaceId}
            job={job}
            onPick={(typefaceId, own) =>
              hand.setInTypeface(text.id, { emphasis: { ...emphasis, typefaceId } }, own && { id: typefaceId, own })
            }
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
  );
}

import type { ReactNode } from 'react';
import { ISO_C6, WORKSHOP_LIMITS, type LengthUnit, type ReadyCut, type Stock } from '@zippy/core';
import { Choice } from '../../ui/Choice.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { OnOff } from '../../ui/OnOff.tsx';

/** What a pack is taken for until its owner has said. */
export const SCORED: ReadyCut = { fold: 'side', state: 'scored' };

/** How cards are bought that need no cutting: where they fold, how far that is done, and what lies in the pack with them. */
export function ReadyCutFields({
  readyCut,
  size,
  unit,
  onChange,
}: {
  readonly readyCut: ReadyCut;
  readonly size: Pick<Stock, 'sheetWidthMm' | 'sheetHeightMm'>;
  readonly unit: LengthUnit;
  readonly onChange: (readyCut: ReadyCut) => void;
}): ReactNode {
  const { fold, frontMm, state, groove, envelope } = readyCut;
  const openedMm = fold === 'top' ? size.sheetHeightMm : size.sheetWidthMm;
  const set = (part: Partial<ReadyCut>): void => onChange({ ...readyCut, ...part });
  return (
    <>
      <Choice
        label="They fold"
        value={fold}
        options={[
          { id: 'side', name: 'At the side' },
          { id: 'top', name: 'On top' },
          { id: 'none', name: 'Not at all' },
        ]}
        onChange={(where) => set({ fold: where })}
      />
      {fold !== 'none' && (
        <Choice
          label="The line lies"
          value={frontMm === undefined ? 'half' : 'off'}
          options={[
            { id: 'half', name: 'Half way' },
            { id: 'off', name: 'Off the middle' },
          ]}
          onChange={(where) => set({ frontMm: where === 'half' ? undefined : Math.round(openedMm * 4) / 10 })}
        />
      )}
      {fold !== 'none' && frontMm !== undefined && (
        <LengthField
          label="From the front’s open edge"
          mm={frontMm}
          unit={unit}
          {...WORKSHOP_LIMITS.readyFrontMm}
          most={openedMm - WORKSHOP_LIMITS.readyFrontMm.least}
          onCommit={(mm) => set({ frontMm: mm })}
        />
      )}
      {fold !== 'none' && (
        <Choice
          label="They come"
          value={state}
          options={[
            { id: 'flat', name: 'Flat' },
            { id: 'scored', name: 'Scored' },
            { id: 'folded', name: 'Folded' },
          ]}
          onChange={(how) => set({ state: how })}
        />
      )}
      {fold !== 'none' && state !== 'flat' && (
        <Choice
          label="The groove is seen on the"
          value={groove ?? 'unknown'}
          options={[
            { id: 'outside', name: 'Outside' },
            { id: 'inside', name: 'Inside' },
            { id: 'unknown', name: 'Not known' },
          ]}
          onChange={(side) => set({ groove: side === 'unknown' ? undefined : side })}
        />
      )}
      <OnOff
        label="Envelopes in the pack"
        value={envelope !== undefined}
        onChange={(on) => set({ envelope: on ? ISO_C6 : undefined })}
      />
      {envelope && (
        <div className="two">
          <LengthField
            label="Envelope’s inside width"
            mm={envelope.insideWidthMm}
            unit={unit}
            {...WORKSHOP_LIMITS.insideMm}
            onCommit={(insideWidthMm) => set({ envelope: { ...envelope, insideWidthMm } })}
          />
          <LengthField
            label="Envelope’s inside height"
            mm={envelope.insideHeightMm}
            unit={unit}
            {...WORKSHOP_LIMITS.insideMm}
            onCommit={(insideHeightMm) => set({ envelope: { ...envelope, insideHeightMm } })}
          />
        </div>
      )}
    </>
  );
}

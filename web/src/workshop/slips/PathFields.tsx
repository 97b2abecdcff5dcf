import type { ReactNode } from 'react';
import {
  pathKey,
  sayDay,
  USUAL_PRINT_SPREAD_MM,
  WORKSHOP_LIMITS,
  type FeedPath,
  type Printer,
  type Workshop,
} from '@zippy/core';
import { useNotice } from '../../stores/notice.ts';
import { useWorkshop } from '../../stores/workshop.ts';
import { ButtonLink, Quiet } from '../../ui/buttons.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { LengthField, MaybeLengthField } from '../../ui/fields/LengthField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { OnOff } from '../../ui/OnOff.tsx';
import { HabitPanel } from '../habits/HabitPanel.tsx';
import { useJobsWith } from '../useUses.ts';
import { ThicknessField, WeightField } from './labelFields.tsx';
import { WordField } from './ThingSlip.tsx';

const SIDES = ['top', 'right', 'bottom', 'left'] as const;
const LIMITS = WORKSHOP_LIMITS.path;

/** The day of the newest calibration that counts. */
const calibratedOn = ({ calibrations = [] }: FeedPath): string | null =>
  calibrations.filter(({ setAside }) => !setAside).at(-1)?.day ?? null;

/** One way through a printer: what it carries, what it cannot reach, and how it turns a sheet. */
export function PathFields({
  path,
  printer,
  workshop,
  onChange,
  onTakeOut,
}: {
  readonly path: FeedPath;
  readonly printer: Printer;
  readonly workshop: Workshop;
  readonly onChange: (part: Partial<FeedPath>) => void;
  /** Left out for the last one. */
  readonly onTakeOut: (() => void) | undefined;
}): ReactNode {
  const { unit, region } = workshop;
  const jobs = useJobsWith('printers', printer.id, path.id);
  const calibrated = calibratedOn(path);
  return (
    <>
      <WordField label="What this way is called" value={path.name} onCommit={(name) => onChange({ name })} />
      <div className="two">
        <WeightField
          label="Heaviest card"
          gsm={path.heaviestGsm}
          grade="cover"
          workshop={workshop}
          onCommit={({ gsm }) => onChange({ heaviestGsm: gsm })}
        />
        <ThicknessField
          label="Thickest card"
          micron={path.thickestMicron}
          workshop={workshop}
          onCommit={(thickestMicron) => onChange({ thickestMicron })}
        />
        <LengthField
          label="Widest sheet"
          mm={path.widestMm}
          unit={unit}
          {...LIMITS.widestMm}
          onCommit={(widestMm) => onChange({ widestMm })}
        />
        <LengthField
          label="Longest sheet"
          mm={path.longestMm}
          unit={unit}
          {...LIMITS.longestMm}
          onCommit={(longestMm) => onChange({ longestMm })}
        />
        <MaybeLengthField
          label="Narrowest sheet"
          mm={path.narrowestMm ?? null}
          unit={unit}
          {...LIMITS.narrowestMm}
          worked={null}
          hint="Empty: any."
          onCommit={(mm) => onChange({ narrowestMm: mm ?? undefined })}
        />
        <MaybeLengthField
          label="Shortest sheet"
          mm={path.shortestMm ?? null}
          unit={unit}
          {...LIMITS.shortestMm}
          worked={null}
          hint="Empty: any."
          onCommit={(mm) => onChange({ shortestMm: mm ?? undefined })}
        />
        {SIDES.map((side) => (
          <LengthField
            key={side}
            label={`Margin, ${side}`}
            mm={path.marginsMm[side]}
            unit={unit}
            {...LIMITS.marginMm}
            onCommit={(mm) => onChange({ marginsMm: { ...path.marginsMm, [side]: mm } })}
          />
        ))}
      </div>
      <NumberField
        label="Borderless: its driver enlarges by, %"
        value={Math.round(1000 * (path.enlargesBy ?? 0)) / 10}
        least={0}
        most={100 * LIMITS.enlargesBy.most}
        whole={false}
        hint="Nought for a way with margins. Files are made smaller by as much, so that a card comes out true."
        onCommit={(percent) => onChange({ enlargesBy: percent > 0 ? percent / 100 : undefined })}
      />
      <Choice
        label="On its way the sheet"
        value={path.bends === undefined ? 'unknown' : path.bends ? 'bends' : 'straight'}
        options={[
          { id: 'straight', name: 'Goes straight' },
          { id: 'bends', name: 'Is bent' },
          { id: 'unknown', name: 'Not known' },
        ]}
        onChange={(way) => onChange({ bends: way === 'unknown' ? undefined : way === 'bends' })}
      />
      <Choice
        label="The side to be printed lies"
        value={path.printSide ?? 'unknown'}
        options={[
          { id: 'up', name: 'Up' },
          { id: 'down', name: 'Down' },
          { id: 'unknown', name: 'Not known' },
        ]}
        onChange={(lies) => onChange({ printSide: lies === 'unknown' ? undefined : lies })}
      />
      <OnOff
        label="Prints both sides by itself"
        value={path.printsBothSides}
        onChange={(printsBothSides) => onChange({ printsBothSides })}
      />
      {printer.printsWhite && (
        <Choice
          label="White goes on"
          value={path.white ?? 'inPass'}
          options={[
            { id: 'inPass', name: 'With the colours' },
            { id: 'before', name: 'Pass before' },
            { id: 'after', name: 'Pass after' },
          ]}
          onChange={(white) => onChange({ white })}
        />
      )}
      <p>
        {calibrated
          ? `Calibrated on ${sayDay(calibrated, region)}.`
          : 'Not calibrated: backs land where the printer puts them.'}
      </p>
      <ButtonLink href={`/workshop/printers/${printer.id}/${path.id}`}>Calibrate this path</ButtonLink>
      <HabitPanel
        on="paths"
        toolId={pathKey(printer.id, path.id)}
        usualMm={USUAL_PRINT_SPREAD_MM * Math.SQRT2}
        workshop={workshop}
      />
      {onTakeOut && (
        <p>
          {jobs && jobs.length > 0 && `${jobs.map(({ title }) => title).join(', ')}: printed this way. `}
          <Quiet
            onPress={() => {
              onTakeOut();
              // The way back puts the paths as they stood.
              useNotice
                .getState()
                .say(`${path.name} is out of ${printer.name}.`, () =>
                  useWorkshop.getState().alter('printers', printer.id, { paths: printer.paths }),
                );
            }}
          >
            Take this way out
          </Quiet>
        </p>
      )}
    </>
  );
}

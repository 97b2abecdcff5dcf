import type { ReactNode } from 'react';
import { CAUTIONS, formatLength, parseLength, WORKSHOP_LIMITS, type Tool, type Workshop } from '@zippy/core';
import { useWorkshop } from '../../stores/workshop.ts';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { TypedField } from '../../ui/fields/TypedField.tsx';
import { ThingSlip } from './ThingSlip.tsx';

const LIMITS = WORKSHOP_LIMITS.tool;

/** What holds heat, or makes holes: how large a piece it takes. */
export function ToolSlip({ thing: tool, workshop }: { readonly thing: Tool; readonly workshop: Workshop }): ReactNode {
  const { unit } = workshop;
  const set = (part: Partial<Tool>): void => useWorkshop.getState().alter('tools', tool.id, part);
  return (
    <ThingSlip shelf="tools" thing={tool} workshop={workshop}>
      {tool.kind === 'punch' && (
        <HolesField holesMm={tool.holesMm} unit={unit} onCommit={(holesMm) => set({ holesMm })} />
      )}
      <div className="two">
        {tool.kind === 'punch' ? (
          <LengthField
            label="Reaches in from an edge"
            mm={tool.reachMm}
            unit={unit}
            {...LIMITS.reachMm}
            onCommit={(reachMm) => set({ reachMm })}
          />
        ) : (
          <LengthField
            label="Widest sheet"
            mm={tool.widestMm}
            unit={unit}
            {...LIMITS.widestMm}
            onCommit={(widestMm) => set({ widestMm })}
          />
        )}
        <LengthField
          label="Thickest that it takes"
          mm={tool.thickestMm}
          unit={unit}
          {...LIMITS.thickestMm}
          onCommit={(thickestMm) => set({ thickestMm })}
        />
      </div>
      <p className="quiet">{tool.kind === 'punch' ? CAUTIONS.punch : CAUTIONS.heat}</p>
    </ThingSlip>
  );
}

/** Widths of several holes in one line, as they stand on a set of dies. */
function HolesField({
  holesMm,
  unit,
  onCommit,
}: {
  readonly holesMm: readonly number[];
  readonly unit: Workshop['unit'];
  readonly onCommit: (holesMm: readonly number[]) => void;
}): ReactNode {
  const { least, most } = LIMITS.holeMm;
  return (
    <TypedField
      label="Makes holes of"
      value={holesMm}
      show={(all) => all.map((mm) => formatLength(mm, unit)).join('; ')}
      read={(text) => {
        const read = text
          .split(';')
          .filter((one) => one.trim() !== '')
          .map((one) => parseLength(one, unit));
        const wrong = read.find((one) => !one.ok);
        if (wrong && !wrong.ok) return { ok: false, why: wrong.why };
        const all = read.flatMap((one) => (one.ok ? [one.mm] : []));
        if (all.length === 0 || all.length > LIMITS.holes)
          return { ok: false, why: 'It makes at least one hole; several are parted by semicolons, as 4 mm; 6 mm.' };
        return all.every((mm) => mm >= least && mm <= most)
          ? { ok: true, value: all }
          : { ok: false, why: `A hole is from ${formatLength(least, unit)} to ${formatLength(most, unit)} across.` };
      }}
      onCommit={onCommit}
    />
  );
}

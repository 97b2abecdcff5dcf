import type { ReactNode } from 'react';
import {
  COATINGS,
  inkLimit,
  newPath,
  papersIn,
  showThickness,
  showWeight,
  WORKSHOP_LIMITS,
  type FeedPath,
  type Printer,
  type Workshop,
} from '@zippy/core';
import { More } from '../../slip/More.tsx';
import { useWorkshop } from '../../stores/workshop.ts';
import { PlainButton } from '../../ui/buttons.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { MoneyField } from '../../ui/fields/MoneyField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { FieldPlace } from '../../ui/fields/TypedField.tsx';
import { OnOff } from '../../ui/OnOff.tsx';
import { PathFields } from './PathFields.tsx';
import { ThingSlip } from './ThingSlip.tsx';

/** A second printer of a kind has been calibrated by nobody. */
const uncalibrated = (printer: Printer): Printer => ({
  ...printer,
  paths: printer.paths.map(({ calibrations: _own, ...path }) => path),
});

/** A printer: its inks, what a side costs, and the ways that card goes through it. */
export function PrinterSlip({
  thing: printer,
  workshop,
}: {
  readonly thing: Printer;
  readonly workshop: Workshop;
}): ReactNode {
  const set = (part: Partial<Printer>): void => useWorkshop.getState().alter('printers', printer.id, part);
  const setPath = (id: string, part: Partial<FeedPath>): void =>
    set({ paths: printer.paths.map((path) => (path.id === id ? { ...path, ...part } : path)) });
  const papers = papersIn(workshop);
  const addPath = (): void => set({ paths: [...printer.paths, { id: crypto.randomUUID().slice(0, 8), ...newPath() }] });
  const carries = (path: FeedPath): string =>
    `${showWeight(path.heaviestGsm, 'cover', papers === 'northAmerican')}, ${showThickness(path.thickestMicron, workshop.unit)}`;
  return (
    <ThingSlip shelf="printers" thing={printer} workshop={workshop} copy={uncalibrated}>
      <Choice
        label="Prints with"
        value={printer.ink}
        options={[
          { id: 'inkjet', name: 'Ink' },
          { id: 'laser', name: 'Toner' },
        ]}
        onChange={(ink) => set({ ink })}
      />
      <MoneyField
        label="Ink and wear for a side"
        minor={printer.sidePriceMinor}
        onCommit={(m) => set({ sidePriceMinor: m ?? 0 })}
      />
      <h2>How card goes through</h2>
      {printer.paths.map((path) => (
        <FieldPlace key={path.id} value={`${printer.id} ${path.id}`}>
          <More label={`${path.name}: up to ${carries(path)}`}>
            <PathFields
              path={path}
              printer={printer}
              workshop={workshop}
              onChange={(part) => setPath(path.id, part)}
              onTakeOut={
                printer.paths.length > 1
                  ? () => set({ paths: printer.paths.filter(({ id }) => id !== path.id) })
                  : undefined
              }
            />
          </More>
        </FieldPlace>
      ))}
      <PlainButton onPress={addPath}>Add a way of feeding it</PlainButton>
      <OnOff
        label="Lays white under the colours"
        value={printer.printsWhite ?? false}
        onChange={(printsWhite) => set({ printsWhite })}
      />
      <More label="Most ink in one place, by coating">
        <div className="two">
          {COATINGS.map((coating) => (
            <NumberField
              key={coating}
              label={`${coating[0]!.toUpperCase()}${coating.slice(1)}, %`}
              value={Math.round(inkLimit(printer, coating) * 100)}
              least={WORKSHOP_LIMITS.inkLimit.least * 100}
              most={WORKSHOP_LIMITS.inkLimit.most * 100}
              onCommit={(percent) => set({ inkLimits: { ...printer.inkLimits, [coating]: percent / 100 } })}
            />
          ))}
        </div>
        <p>Four inks together; 100 is one laid solid. Print a dark patch and rub it when it has dried.</p>
      </More>
    </ThingSlip>
  );
}

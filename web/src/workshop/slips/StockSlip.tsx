import type { ReactNode } from 'react';
import {
  COATINGS,
  nameOfColour,
  namesAnother,
  sayExactly,
  sayWeight,
  sheetPriceOf,
  WORKSHOP_LIMITS,
  type Stock,
  type Workshop,
} from '@zippy/core';
import { More } from '../../slip/More.tsx';
import { useWorkshop } from '../../stores/workshop.ts';
import { ButtonLink } from '../../ui/buttons.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { ColourField } from '../../ui/ColourField.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { MoneyField } from '../../ui/fields/MoneyField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { GrainTests } from './GrainTests.tsx';
import { ThicknessField, WeightField } from './labelFields.tsx';
import { ReadyCutFields, SCORED } from './ReadyCutFields.tsx';
import { ThingSlip, WordField } from './ThingSlip.tsx';

/** How many sheets the usual packs hold, and a ream. */
const PACK_SHEETS = 50;
const REAM_SHEETS = 500;

/** One stock as its label says it: weight, thickness, size, colour, what it costs and how much of it there is. */
export function StockSlip({
  thing: stock,
  workshop,
}: {
  readonly thing: Stock;
  readonly workshop: Workshop;
}): ReactNode {
  const { unit } = workshop;
  const set = (part: Partial<Stock>): void => useWorkshop.getState().alter('stocks', stock.id, part);
  return (
    <ThingSlip shelf="stocks" thing={stock} workshop={workshop} copy={(own) => ({ ...own, onShelf: 0 })}>
      <Choice
        label="It is"
        value={stock.readyCut ? 'cards' : 'sheets'}
        options={[
          { id: 'sheets', name: 'Sheets to cut' },
          { id: 'cards', name: 'Ready-cut cards' },
        ]}
        onChange={(kind) => set({ readyCut: kind === 'cards' ? (stock.readyCut ?? SCORED) : undefined })}
      />
      {stock.readyCut && (
        <ReadyCutFields readyCut={stock.readyCut} size={stock} unit={unit} onChange={(readyCut) => set({ readyCut })} />
      )}
      <div className="two">
        <NumberField
          label={`${stock.readyCut ? 'Cards' : 'Sheets'} on the shelf`}
          value={stock.onShelf}
          {...WORKSHOP_LIMITS.onShelf}
          onCommit={(onShelf) => set({ onShelf })}
        />
        <Pick
          label="Coating"
          value={stock.coating}
          sections={[{ heading: null, options: COATINGS.map((id) => ({ id, name: id })) }]}
          onChange={(coating) => set({ coating: coating as Stock['coating'] })}
        />
        <WeightField
          label="Weight"
          gsm={stock.gsm}
          grade={stock.grade}
          workshop={workshop}
          onCommit={set}
          hint={sayWeight(stock.gsm, stock.grade)}
        />
        <ThicknessField
          label="Thickness"
          micron={stock.caliperMicron}
          workshop={workshop}
          onCommit={(caliperMicron) => set({ caliperMicron })}
          hint="µm, mm, pt or mil"
        />
        <LengthField
          label={stock.readyCut ? 'Width, opened' : 'Sheet width'}
          mm={stock.sheetWidthMm}
          unit={unit}
          {...WORKSHOP_LIMITS.sheetMm}
          onCommit={(sheetWidthMm) => set({ sheetWidthMm })}
        />
        <LengthField
          label={stock.readyCut ? 'Height, opened' : 'Sheet height'}
          mm={stock.sheetHeightMm}
          unit={unit}
          {...WORKSHOP_LIMITS.sheetMm}
          onCommit={(sheetHeightMm) => set({ sheetHeightMm })}
        />
      </div>
      <ButtonLink href={`/workshop/stocks/${stock.id}/measure`}>
        {stock.measured ? 'Measured: look, or take more readings' : 'Measure it: stiffness, thickness, weight'}
      </ButtonLink>
      <Price stock={stock} workshop={workshop} set={set} />
      <Choice
        label={stock.readyCut ? 'Grain runs along the opened card’s' : 'Grain runs along the sheet’s'}
        value={stock.grain}
        options={[
          { id: 'long', name: 'Long edge' },
          { id: 'short', name: 'Short edge' },
        ]}
        onChange={(grain) => set({ grain })}
      />
      <More label="Which way does the grain run? Three tests">
        <GrainTests />
      </More>
      <ColourField
        label="Colour"
        value={stock.colour}
        onChange={(colour) =>
          colour &&
          set({
            colour,
            // A name that says what the colour was follows it; one of the maker’s own stays.
            ...(stock.colourName === nameOfColour(stock.colour) || namesAnother(stock.colourName, colour)
              ? { colourName: nameOfColour(colour) }
              : {}),
          })
        }
      />
      <WordField
        label="What the colour is called"
        value={stock.colourName}
        onCommit={(colourName) => set({ colourName })}
      />
    </ThingSlip>
  );
}

type Bought = 'sheet' | 'pack' | 'ream';

/** What is paid, and for how many sheets: what one comes to is worked out. */
function Price({
  stock,
  workshop,
  set,
}: {
  readonly stock: Stock;
  readonly workshop: Workshop;
  readonly set: (part: Partial<Stock>) => void;
}): ReactNode {
  const { pack } = stock;
  const bought: Bought = !pack ? 'sheet' : pack.sheets === REAM_SHEETS ? 'ream' : 'pack';
  const buy = (by: Bought): void => {
    if (by === bought) return;
    const each = sheetPriceOf(stock);
    if (by === 'sheet') return set({ pack: undefined, sheetPriceMinor: Math.round(each) });
    const sheets = by === 'ream' ? REAM_SHEETS : PACK_SHEETS;
    set({ pack: { sheets, priceMinor: Math.round(each * sheets) } });
  };
  return (
    <>
      <Choice
        label="Bought by the"
        value={bought}
        options={[
          { id: 'sheet', name: stock.readyCut ? 'Card' : 'Sheet' },
          { id: 'pack', name: 'Pack' },
          ...(stock.readyCut ? [] : [{ id: 'ream' as const, name: 'Ream of 500' }]),
        ]}
        onChange={buy}
      />
      {pack ? (
        <div className="two">
          <MoneyField
            label={bought === 'ream' ? 'Price of a ream' : 'Price of a pack'}
            minor={pack.priceMinor}
            onCommit={(m) => set({ pack: { ...pack, priceMinor: m ?? 0 } })}
            hint={`${sayExactly(sheetPriceOf(stock), workshop)} a ${stock.readyCut ? 'card' : 'sheet'}`}
          />
          {bought === 'pack' && (
            <NumberField
              label={stock.readyCut ? 'Cards in a pack' : 'Sheets in a pack'}
              value={pack.sheets}
              {...WORKSHOP_LIMITS.packSheets}
              onCommit={(sheets) => set({ pack: { ...pack, sheets } })}
            />
          )}
        </div>
      ) : (
        <MoneyField
          label={stock.readyCut ? 'Price of a card' : 'Price of a sheet'}
          minor={stock.sheetPriceMinor}
          onCommit={(m) => set({ sheetPriceMinor: m ?? 0 })}
        />
      )}
    </>
  );
}

import type { ReactNode } from 'react';
import {
  WORKSHOP_LIMITS,
  cutText,
  COATINGS,
  formatSize,
  GRADES,
  sayWeight,
  type Stock,
  type Workshop,
  namesAnother,
  nameOfColour,
} from '@zippy/core';
import { useWorkshop } from '../stores/workshop.ts';
import { Choice } from '../ui/Choice.tsx';
import { Pick } from '../ui/Pick.tsx';
import { ColourField } from '../ui/ColourField.tsx';
import { LengthField } from '../ui/fields/LengthField.tsx';
import { MoneyField } from '../ui/fields/MoneyField.tsx';
import { NumberField } from '../ui/fields/NumberField.tsx';
import { TypedField } from '../ui/fields/TypedField.tsx';
import { PlainButton, Quiet } from '../ui/buttons.tsx';
import { Two } from '../ui/ModalDialog.tsx';
import { Name, Thing } from './Thing.tsx';

const named = (ids: readonly string[]) => [{ heading: null, options: ids.map((id) => ({ id, name: id })) }];

export function StockShelf({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const change = useWorkshop((s) => s.change);
  const takeAway = useWorkshop((s) => s.takeAway);
  const { unit } = workshop;
  const setStock = (id: string, part: Partial<Stock>): void =>
    void change({ ...workshop, stocks: workshop.stocks.map((s) => (s.id === id ? { ...s, ...part } : s)) });
  const addStock = (): void => {
    const last = workshop.stocks.at(-1)!;
    void change({
      ...workshop,
      stocks: [...workshop.stocks, { ...last, id: crypto.randomUUID().slice(0, 8), name: 'New stock', onShelf: 0 }],
    });
  };
  return (
    <section aria-labelledby="stocks">
      <header>
        <h2 id="stocks">On the shelf: stock</h2>
        <PlainButton onPress={addStock}>Add a stock</PlainButton>
      </header>
      <div className="cards">
        {workshop.stocks.map((stock) => (
          <Thing
            key={stock.id}
            id={stock.id}
            colour={stock.colour}
            title={stock.name}
            facts={`${sayWeight(stock.gsm, stock.grade)} · ${stock.caliperMicron} µm · ${stock.coating} · ${stock.grain} grain · ${formatSize(stock.sheetWidthMm, stock.sheetHeightMm, unit)}`}
            count={`${stock.onShelf} sheets`}
          >
            <Name value={stock.name} onCommit={(name) => setStock(stock.id, { name })} />
            <Two>
              <NumberField
                label="Weight, gsm"
                value={stock.gsm}
                {...WORKSHOP_LIMITS.gsm}
                whole={false}
                onCommit={(gsm) => setStock(stock.id, { gsm })}
              />
              <Pick
                label="Grade of its pounds"
                value={stock.grade}
                sections={named(GRADES)}
                onChange={(grade) => setStock(stock.id, { grade: grade as Stock['grade'] })}
              />
              <NumberField
                label="Caliper, µm"
                value={stock.caliperMicron}
                {...WORKSHOP_LIMITS.caliperMicron}
                whole={false}
                onCommit={(caliperMicron) => setStock(stock.id, { caliperMicron })}
              />
              <Pick
                label="Coating"
                value={stock.coating}
                sections={named(COATINGS)}
                onChange={(coating) => setStock(stock.id, { coating: coating as Stock['coating'] })}
              />
              <LengthField
                label="Sheet width"
                mm={stock.sheetWidthMm}
                unit={unit}
                {...WORKSHOP_LIMITS.sheetMm}
                onCommit={(sheetWidthMm) => setStock(stock.id, { sheetWidthMm })}
              />
              <LengthField
                label="Sheet height"
                mm={stock.sheetHeightMm}
                unit={unit}
                {...WORKSHOP_LIMITS.sheetMm}
                onCommit={(sheetHeightMm) => setStock(stock.id, { sheetHeightMm })}
              />
              <MoneyField
                label="Price of a sheet"
                minor={stock.sheetPriceMinor}
                onCommit={(m) => setStock(stock.id, { sheetPriceMinor: m ?? 0 })}
              />
              <NumberField
                label="Sheets on the shelf"
                value={stock.onShelf}
                {...WORKSHOP_LIMITS.onShelf}
                onCommit={(onShelf) => setStock(stock.id, { onShelf })}
              />
            </Two>
            <Choice
              label="Grain runs along the sheet’s"
              value={stock.grain}
              options={[
                { id: 'long', name: 'Long edge' },
                { id: 'short', name: 'Short edge' },
              ]}
              onChange={(grain) => setStock(stock.id, { grain })}
            />
            <ColourField
              label="Colour"
              value={stock.colour}
              onChange={(colour) =>
                colour &&
                setStock(stock.id, {
                  colour,
                  // A name that says what the colour was follows it; one of the maker’s own stays.
                  ...(stock.colourName === nameOfColour(stock.colour) || namesAnother(stock.colourName, colour)
                    ? { colourName: nameOfColour(colour) }
                    : {}),
                })
              }
            />
            <TypedField
              label="What the colour is called"
              figures={false}
              value={stock.colourName}
              show={(text) => text}
              read={(text) =>
                text.trim()
                  ? { ok: true, value: cutText(text.trim(), WORKSHOP_LIMITS.nameLetters) }
                  : { ok: false, why: 'What the colour is called wants a word.' }
              }
              onCommit={(colourName) => colourName !== stock.colourName && setStock(stock.id, { colourName })}
            />
            {workshop.stocks.length > 1 && (
              <Quiet onPress={() => takeAway('stocks', stock)}>Take it off the shelf</Quiet>
            )}
          </Thing>
        ))}
      </div>
    </section>
  );
}

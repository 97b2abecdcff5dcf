import { useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { formatLength, formatSize, sayWeight, type ShelfEnvelope, type Stock, type Workshop } from '@zippy/core';
import { useWorkshop } from '../stores/workshop.ts';
import { Choice, Pick } from '../ui/Choose.tsx';
import { ColourField } from '../ui/ColourField.tsx';
import { LengthField, MoneyField, NumberField, TypedField } from '../ui/Field.tsx';
import { Press, Quiet } from '../ui/Press.tsx';
import { Row, Two } from '../ui/Sheet.tsx';
import { TopBar } from '../ui/TopBar.tsx';

const PACE: readonly (readonly [keyof Workshop['pace'], string])[] = [
  ['setUp', 'Setting up a run'],
  ['perPrintedSide', 'A printed side'],
  ['perStroke', 'A stroke of the blade'],
  ['perCreasePass', 'A pass of the scoring tip'],
  ['perFold', 'A fold'],
  ['perEnvelopeMade', 'An envelope made'],
  ['perCardPacked', 'A card checked and packed'],
];

const GRADES = ['cover', 'text', 'bond', 'index', 'bristol', 'tag'] as const;
const COATINGS = ['uncoated', 'textured', 'matte', 'gloss', 'pearl'] as const;
const named = (ids: readonly string[]) => [{ heading: null, options: ids.map((id) => ({ id, name: id })) }];

/** What the maker owns: stocks, envelopes, tools, pace and rates. */
export default function WorkshopPage({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const { change, problem } = useWorkshop();
  const { unit } = workshop;
  const setStock = (id: string, part: Partial<Stock>): void =>
    void change({ ...workshop, stocks: workshop.stocks.map((s) => (s.id === id ? { ...s, ...part } : s)) });
  const setEnvelope = (id: string, part: Partial<ShelfEnvelope>): void =>
    void change({ ...workshop, envelopes: workshop.envelopes.map((e) => (e.id === id ? { ...e, ...part } : e)) });
  const addStock = (): void => {
    const last = workshop.stocks.at(-1)!;
    void change({
      ...workshop,
      stocks: [...workshop.stocks, { ...last, id: crypto.randomUUID().slice(0, 8), name: 'New stock', onShelf: 0 }],
    });
  };
  const addEnvelope = (): void =>
    void change({
      ...workshop,
      envelopes: [
        ...workshop.envelopes,
        {
          id: crypto.randomUUID().slice(0, 8),
          name: 'New envelope',
          insideWidthMm: 114,
          insideHeightMm: 162,
          colour: '#fffdf8',
          priceMinor: 0,
          onShelf: 0,
        },
      ],
    });
  const { good, spoiled } = workshop.spoilLog;
  return (
    <Place>
      <TopBar />
      <main>
        <h1>Workshop</h1>
        {problem && <p role="alert">{problem}</p>}
        <section aria-labelledby="stocks">
          <header>
            <h2 id="stocks">On the shelf: stock</h2>
            <Press onPress={addStock}>Add a stock</Press>
          </header>
          <div className="cards">
            {workshop.stocks.map((stock) => (
              <Thing
                key={stock.id}
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
                    least={30}
                    most={1200}
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
                    least={30}
                    most={3000}
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
                    least={40}
                    most={2000}
                    onCommit={(sheetWidthMm) => setStock(stock.id, { sheetWidthMm })}
                  />
                  <LengthField
                    label="Sheet height"
                    mm={stock.sheetHeightMm}
                    unit={unit}
                    least={40}
                    most={2000}
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
                    least={0}
                    most={1000000}
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
                  onChange={(colour) => colour && setStock(stock.id, { colour })}
                />
                {workshop.stocks.length > 1 && (
                  <Quiet
                    onPress={() =>
                      void change({ ...workshop, stocks: workshop.stocks.filter((s) => s.id !== stock.id) })
                    }
                  >
                    Take it off the shelf
                  </Quiet>
                )}
              </Thing>
            ))}
          </div>
        </section>
        <section aria-labelledby="envelopes">
          <header>
            <h2 id="envelopes">On the shelf: envelopes</h2>
            <Press onPress={addEnvelope}>Add an envelope</Press>
          </header>
          <div className="cards">
            {workshop.envelopes.map((envelope) => (
              <Thing
                key={envelope.id}
                colour={envelope.colour}
                title={envelope.name}
                facts={`inside ${formatSize(envelope.insideWidthMm, envelope.insideHeightMm, unit)}`}
                count={`${envelope.onShelf}`}
              >
                <Name value={envelope.name} onCommit={(name) => setEnvelope(envelope.id, { name })} />
                <Two>
                  <LengthField
                    label="Inside width"
                    mm={envelope.insideWidthMm}
                    unit={unit}
                    least={20}
                    most={1000}
                    onCommit={(insideWidthMm) => setEnvelope(envelope.id, { insideWidthMm })}
                  />
                  <LengthField
                    label="Inside height"
                    mm={envelope.insideHeightMm}
                    unit={unit}
                    least={20}
                    most={1000}
                    onCommit={(insideHeightMm) => setEnvelope(envelope.id, { insideHeightMm })}
                  />
                  <MoneyField
                    label="Price of one"
                    minor={envelope.priceMinor}
                    onCommit={(m) => setEnvelope(envelope.id, { priceMinor: m ?? 0 })}
                  />
                  <NumberField
                    label="On the shelf"
                    value={envelope.onShelf}
                    least={0}
                    most={1000000}
                    onCommit={(onShelf) => setEnvelope(envelope.id, { onShelf })}
                  />
                </Two>
                <ColourField
                  label="Colour"
                  value={envelope.colour}
                  onChange={(colour) => colour && setEnvelope(envelope.id, { colour })}
                />
                <Quiet
                  onPress={() =>
                    void change({ ...workshop, envelopes: workshop.envelopes.filter((e) => e.id !== envelope.id) })
                  }
                >
                  Take it off the shelf
                </Quiet>
              </Thing>
            ))}
          </div>
        </section>
        <section aria-labelledby="tools">
          <h2 id="tools">Tools</h2>
          <div className="cards">
            {workshop.printers.flatMap((printer) =>
              printer.paths.map((path) => (
                <Thing
                  key={`${printer.id}-${path.id}`}
                  title={`${printer.name}: ${path.name}`}
                  facts={`${printer.ink} · up to ${path.heaviestGsm} gsm and ${path.thickestMicron} µm · margins ${formatLength(path.marginsMm.top, unit)}${path.printsBothSides ? ' · both sides by itself' : ''}`}
                >
                  <Two>
                    {(['top', 'right', 'bottom', 'left'] as const).map((side) => (
                      <LengthField
                        key={side}
                        label={`Margin, ${side}`}
                        mm={path.marginsMm[side]}
                        unit={unit}
                        least={0}
                        most={100}
                        onCommit={(mm) =>
                          void change({
                            ...workshop,
                            printers: workshop.printers.map((p) =>
                              p.id !== printer.id
                                ? p
                                : {
                                    ...p,
                                    paths: p.paths.map((q) =>
                                      q.id === path.id ? { ...q, marginsMm: { ...q.marginsMm, [side]: mm } } : q,
                                    ),
                                  },
                            ),
                          })
                        }
                      />
                    ))}
                  </Two>
                  <MoneyField
                    label="Ink and wear for a side"
                    minor={printer.sidePriceMinor}
                    onCommit={(m) =>
                      void change({
                        ...workshop,
                        printers: workshop.printers.map((p) =>
                          p.id === printer.id ? { ...p, sidePriceMinor: m ?? 0 } : p,
                        ),
                      })
                    }
                  />
                </Thing>
              )),
            )}
            {workshop.trimmers.map((t) => (
              <Thing
                key={t.id}
                title={t.name}
                facts={`${t.kind} · cuts ${formatLength(t.longestCutMm, unit)} · stack ${formatLength(t.thickestStackMm, 'mm')}`}
              />
            ))}
            {workshop.boards.map((b) => (
              <Thing
                key={b.id}
                title={b.name}
                facts={`a groove every ${formatLength(b.grooveEveryMm, unit)} · ${formatLength(b.longestMm, unit)} long`}
              />
            ))}
          </div>
        </section>
        <section aria-labelledby="pace">
          <h2 id="pace">Pace and rate</h2>
          <p>
            Minutes of your own hands. Your log so far: {good} good, {spoiled} spoiled.
          </p>
          <div className="pace">
            {PACE.map(([key, label]) => (
              <NumberField
                key={key}
                label={label}
                value={workshop.pace[key]}
                least={0}
                most={600}
                whole={false}
                onCommit={(n) => void change({ ...workshop, pace: { ...workshop.pace, [key]: n } })}
              />
            ))}
            <MoneyField
              label="Your hour"
              minor={workshop.hourlyMinor}
              onCommit={(m) => void change({ ...workshop, hourlyMinor: m ?? 0 })}
            />
          </div>
        </section>
      </main>
    </Place>
  );
}

function Name({ value, onCommit }: { readonly value: string; readonly onCommit: (name: string) => void }): ReactNode {
  return (
    <TypedField
      label="Name"
      figures={false}
      value={value}
      show={(t) => t}
      read={(t) =>
        t.trim() ? { ok: true, value: t.trim().slice(0, 80) } : { ok: false, why: 'Name wants a word or two.' }
      }
      onCommit={(name) => name !== value && onCommit(name)}
    />
  );
}

/** One thing the maker owns, folded until it is to be changed. */
function Thing({
  title,
  facts,
  colour,
  count,
  children,
}: {
  readonly title: string;
  readonly facts: string;
  readonly colour?: string;
  readonly count?: string;
  readonly children?: ReactNode;
}): ReactNode {
  const [open, setOpen] = useState(false);
  return (
    <Paper className={open ? 'open' : ''}>
      <Row>
        {colour && <i style={{ background: colour }} aria-hidden />}
        <strong>{title}</strong>
        {count && <span className="count">{count}</span>}
      </Row>
      <p>{facts}</p>
      {children && (
        <Quiet
          aria-expanded={open}
          aria-label={open ? `Done with ${title}` : `Change ${title}`}
          onPress={() => setOpen(!open)}
        >
          {open ? 'Done' : 'Change'}
        </Quiet>
      )}
      {open && <div className="edit">{children}</div>}
    </Paper>
  );
}

const Place = styled.div`
  min-height: 100%;
  background: ${({ theme }) => theme.colour.linen};
  main {
    display: grid;
    gap: 28px;
    max-width: 1320px;
    margin: 0 auto;
    padding: 12px 28px 60px;
  }
  h1 {
    font-size: 30px;
  }
  h2 {
    margin-bottom: 10px;
    font-size: 20px;
  }
  section > header {
    display: flex;
    justify-content: space-between;
    align-items: center;
    margin-bottom: 6px;
  }
  .cards {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(100%, 370px), 1fr));
    gap: 14px;
    align-items: start;
  }
  .pace {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
    gap: 12px;
    margin-top: 10px;
  }
  [role='alert'] {
    padding: 10px 14px;
    background: ${({ theme }) => theme.colour.coralWash};
  }
`;
const Paper = styled.div`
  display: grid;
  gap: 4px;
  justify-items: start;
  padding: 14px 16px;
  border-radius: 4px;
  background: ${({ theme }) => theme.colour.paper};
  box-shadow: 0 1px 3px rgb(29 41 48 / 0.18);
  > div {
    width: 100%;
  }
  i {
    width: 22px;
    height: 22px;
    border: 1px solid ${({ theme }) => theme.colour.inkQuiet};
    border-radius: 3px;
  }
  strong {
    font-size: 17px;
  }
  .count {
    margin-left: auto;
    font: 700 15px ${({ theme }) => theme.font.mono};
  }
  p {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
  .edit {
    display: grid;
    gap: 10px;
    margin-top: 8px;
  }
`;

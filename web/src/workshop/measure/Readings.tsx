import { useState, type ReactNode } from 'react';
import styled from 'styled-components';
import {
  FIBRES,
  FOLD_INKS,
  FOLD_JUDGED,
  foldTests,
  formatLength,
  GAUGE_LINES,
  gaugeSheet,
  layGauge,
  LINE_NAMES,
  WORKSHOP_LIMITS,
  type CreaseRecipe,
  type Fibres,
  type FoldInk,
  type FoldJudged,
  type GaugeLine,
  type LengthUnit,
  type Measurings,
  type Stock,
  type Workshop,
} from '@zippy/core';
import { api } from '../../api/client.ts';
import { Decisions } from '../../slip/parts.ts';
import { ButtonLink, PlainButton, Quiet } from '../../ui/buttons.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { Two } from '../../ui/ModalDialog.tsx';
import { ReadingField } from '../calibrate/ReadingField.tsx';

const { measuring: LIMITS } = WORKSHOP_LIMITS;
/** As many as most packs hold ten of, and enough for a ruler to tell. */
const USUAL_STACK = 10;

interface Asked {
  readonly measured: Measurings;
  readonly onChange: (part: Partial<Measurings>) => void;
}

/** A stack pressed flat between table and ruler. */
export function StackReadings({ measured, onChange }: Asked): ReactNode {
  const [sheets, setSheets] = useState(USUAL_STACK);
  const [heightMm, setHeightMm] = useState<number | null>(null);
  const { stacks } = measured;
  const add = (): void => {
    if (heightMm === null) return;
    onChange({ stacks: [...stacks, { sheets, heightMm }] });
    setHeightMm(null);
  };
  return (
    <Part
      title="1 · How thick: a stack"
      says="Lay sheets square on each other, press them flat under a book, and read how high the stack is at its corner."
      mark="M4 40 H56 M8 40 V24 H44 V40 M8 36 H44 M8 32 H44 M8 28 H44 M48 40 V8 H54 V40 M48 34 H51 M48 28 H51 M48 22 H51 M48 16 H51"
    >
      <Two>
        <NumberField label="Sheets in it" value={sheets} {...LIMITS.sheets} onCommit={setSheets} />
        <ReadingField label="Its height" mm={heightMm} {...LIMITS.stackMm} onCommit={setHeightMm} />
      </Two>
      <Add isReady={heightMm !== null} isFull={stacks.length >= LIMITS.readings} onPress={add} />
      <Taken
        name="Stacks"
        readings={stacks.map(
          (one) => `${one.sheets} sheets, ${one.heightMm} mm: ${Math.round((1000 * one.heightMm) / one.sheets)} µm`,
        )}
        onTakeOut={(i) => onChange({ stacks: stacks.toSpliced(i, 1) })}
      />
    </Part>
  );
}

/** Sheets on a kitchen scale. */
export function ScaleReadings({
  stock,
  unit,
  measured,
  onChange,
}: Asked & { readonly stock: Stock; readonly unit: LengthUnit }): ReactNode {
  const [sheets, setSheets] = useState(USUAL_STACK);
  const [size, setSize] = useState({ widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm });
  const [grams, setGrams] = useState(0);
  const { weights } = measured;
  const add = (): void => {
    onChange({ weights: [...weights, { sheets, ...size, grams }] });
    setGrams(0);
  };
  const gsm = (one: Measurings['weights'][number]): number =>
    Math.round((one.grams * 1e6) / (one.sheets * one.widthMm * one.heightMm));
  return (
    <Part
      title="2 · How heavy: a scale"
      says="Weigh several whole sheets together: a kitchen scale is sure of a gram or two, whatever lies on it."
      mark="M6 42 H54 L48 30 H12 Z M22 36 H38 M10 30 V26 H50 V30 M14 26 V22 H46 V26 M14 24 H46"
    >
      <Two>
        <NumberField label="Sheets on it" value={sheets} {...LIMITS.sheets} onCommit={setSheets} />
        <NumberField
          label="Grams together"
          value={grams}
          least={0}
          most={LIMITS.grams.most}
          whole={false}
          onCommit={setGrams}
        />
        <LengthField
          label="Each is wide"
          mm={size.widthMm}
          unit={unit}
          {...LIMITS.sideMm}
          onCommit={(widthMm) => setSize({ ...size, widthMm })}
        />
        <LengthField
          label="And high"
          mm={size.heightMm}
          unit={unit}
          {...LIMITS.sideMm}
          onCommit={(heightMm) => setSize({ ...size, heightMm })}
        />
      </Two>
      <Add isReady={grams >= LIMITS.grams.least} isFull={weights.length >= LIMITS.readings} onPress={add} />
      <Taken
        name="Weighings"
        readings={weights.map((one) => `${one.sheets} sheets, ${one.grams} g: ${gsm(one)} gsm`)}
        onTakeOut={(i) => onChange({ weights: weights.toSpliced(i, 1) })}
      />
    </Part>
  );
}

/** A strip hung out until its end meets a line. */
export function StripReadings({
  stock,
  workshop,
  measured,
  line,
  setLine,
  onChange,
}: Asked & {
  readonly stock: Stock;
  readonly workshop: Workshop;
  readonly line: GaugeLine;
  readonly setLine: (line: GaugeLine) => void;
}): ReactNode {
  const [fibres, setFibres] = useState<Fibres>('along');
  const [overhangMm, setOverhangMm] = useState<number | null>(null);
  const { overhangs } = measured;
  const prints = layGauge(gaugeSheet(stock, workshop)) !== null;
  const add = (): void => {
    if (overhangMm === null) return;
    onChange({ overhangs: [...overhangs, { fibres, line, overhangMm }] });
    setOverhangMm(null);
  };
  return (
    <Part
      title="3 · How stiff: a strip over the edge"
      says="Hold the gauge with its top level and its corner at the table’s edge. Push a strip out until its end meets a line, and read its scale where it leaves the edge. Both faces up, both strips: paper remembers how it lay."
      mark="M2 16 H24 V22 H2 Z M6 15 H24 C38 15 48 20 54 34 M24 16 L56 38 M24 16 V44 H56"
    >
      {prints ? (
        <ButtonLink href={api.gaugeUrl(stock.id)} download>
          Strips and gauge on one sheet of it, PDF
        </ButtonLink>
      ) : (
        <p className="how">
          Its sheet is too small for printed strips: cut two, 20 mm wide, along each edge, and mark their millimetres.
        </p>
      )}
      <Choice
        label="The strip’s fibres run"
        value={fibres}
        onChange={setFibres}
        options={FIBRES.map((id) => ({ id, name: id === 'along' ? 'Along it' : 'Across it' }))}
      />
      <Choice
        label="Its end meets line"
        value={line}
        onChange={setLine}
        options={GAUGE_LINES.map((id) => ({ id, name: LINE_NAMES[id] }))}
      />
      <ReadingField label="It hangs out by" mm={overhangMm} {...LIMITS.overhangMm} onCommit={setOverhangMm} />
      <Add isReady={overhangMm !== null} isFull={overhangs.length >= LIMITS.readings} onPress={add} />
      <Taken
        name="Strips"
        readings={overhangs.map(
          (one) => `${one.fibres}, line ${LINE_NAMES[one.line]}: ${formatLength(one.overhangMm, 'mm')}`,
        )}
        onTakeOut={(i) => onChange({ overhangs: overhangs.toSpliced(i, 1) })}
      />
    </Part>
  );
}

const JUDGED: Readonly<Record<FoldJudged, { readonly name: string; readonly looks: string }>> = {
  clean: { name: 'Clean', looks: 'whole along its outside' },
  rough: { name: 'Rough', looks: 'fibres raised, or the skin dull' },
  cracked: { name: 'Cracked', looks: 'split, or white showing' },
};
const INKS: Readonly<Record<FoldInk, string>> = { bare: 'Nothing', print: 'Print', solid: 'A solid' };

/** Strips folded three ways, each judged by eye. */
export function FoldReadings({ stock, measured, onChange }: Asked & { readonly stock: Stock }): ReactNode {
  const ways = foldTests(stock);
  const [way, setWay] = useState(0);
  const [fibres, setFibres] = useState<Fibres>('along');
  const [ink, setInk] = useState<FoldInk>('bare');
  const folds = measured.folds ?? [];
  const say = (recipe: CreaseRecipe): string =>
    `${recipe.passes} ${recipe.school}, ${formatLength(recipe.tipMm, 'mm')} tip`;
  return (
    <Part
      title="4 · Does it crack: three strips folded"
      says="Crease a strip each way, fold it flat away from the groove, press it, and look along its outside in good light. Do it again with what you print across folds."
      mark="M6 40 L30 8 L54 40 M12 40 L30 16 L48 40 M30 2 V6 M24 4 L26 7 M36 4 L34 7"
    >
      <Choice
        label="Pressed by"
        value={String(way)}
        onChange={(id) => setWay(Number(id))}
        options={ways.map((recipe, i) => ({ id: String(i), name: say(recipe) }))}
      />
      <Choice
        label="Fibres run"
        value={fibres}
        onChange={setFibres}
        options={FIBRES.map((id) => ({ id, name: id === 'along' ? 'Along the fold' : 'Across it' }))}
      />
      <Choice
        label="Printed over the fold"
        value={ink}
        onChange={setInk}
        options={FOLD_INKS.map((id) => ({ id, name: INKS[id] }))}
      />
      {folds.length >= LIMITS.readings ? (
        <p className="how">{LIMITS.readings} readings are kept at most: take one out first.</p>
      ) : (
        <Judge role="group" aria-label="It came out">
          {FOLD_JUDGED.map((judged) => (
            <PlainButton
              key={judged}
              onPress={() => onChange({ folds: [...folds, { ...ways[way]!, fibres, ink, judged }] })}
            >
              <b>{JUDGED[judged].name}</b>
              <small>{JUDGED[judged].looks}</small>
            </PlainButton>
          ))}
        </Judge>
      )}
      <Taken
        name="Folds"
        readings={folds.map(
          (one) =>
            `${say(one)}, ${one.fibres}, ${INKS[one.ink].toLowerCase()} over it: ${JUDGED[one.judged].name.toLowerCase()}`,
        )}
        onTakeOut={(i) => onChange({ folds: folds.toSpliced(i, 1) })}
      />
    </Part>
  );
}

function Part({
  title,
  says,
  mark,
  children,
}: {
  readonly title: string;
  readonly says: string;
  readonly mark: string;
  readonly children: ReactNode;
}): ReactNode {
  return (
    <Decisions>
      <h3>{title}</h3>
      <How>
        <svg viewBox="0 0 60 48" width={60} height={48} aria-hidden>
          <path d={mark} />
        </svg>
        <p>{says}</p>
      </How>
      {children}
    </Decisions>
  );
}

function Add({
  isReady,
  isFull,
  onPress,
}: {
  readonly isReady: boolean;
  readonly isFull: boolean;
  readonly onPress: () => void;
}): ReactNode {
  return isFull ? (
    <p className="how">{LIMITS.readings} readings are kept at most: take one out first.</p>
  ) : (
    <PlainButton isDisabled={!isReady} onPress={onPress}>
      Keep this reading
    </PlainButton>
  );
}

function Taken({
  name,
  readings,
  onTakeOut,
}: {
  readonly name: string;
  readonly readings: readonly string[];
  readonly onTakeOut: (i: number) => void;
}): ReactNode {
  if (readings.length === 0) return null;
  return (
    <List aria-label={name}>
      {readings.map((said, i) => (
        // Readings have no names of their own, and two may be alike.
        <li key={i}>
          <span>{said}</span>
          <Quiet aria-label={`Take out ${said}`} onPress={() => onTakeOut(i)}>
            Take out
          </Quiet>
        </li>
      ))}
    </List>
  );
}

const Judge = styled.div`
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
  button {
    display: grid;
    gap: 2px;
    align-content: start;
    height: auto;
    min-height: 44px;
    padding: 8px;
    text-align: left;
    white-space: normal;
  }
  small {
    font-size: 13px;
    line-height: 1.25;
  }
`;

const How = styled.div`
  display: grid;
  grid-template-columns: 60px 1fr;
  gap: 12px;
  font-size: 15px;
  p {
    margin: 0;
  }
  path {
    fill: none;
    stroke: ${({ theme }) => theme.colour.ink};
    stroke-width: 1.6;
    stroke-linejoin: round;
  }
`;

const List = styled.ul`
  display: grid;
  margin: 0;
  padding: 0;
  list-style: none;
  font-size: 15px;
  li {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 8px;
    border-bottom: 1px dotted ${({ theme }) => theme.colour.rule};
  }
`;

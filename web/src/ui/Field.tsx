import { createContext, useContext, useState, type KeyboardEvent, type ReactNode } from 'react';
import { FieldError, Input, Label, Text, TextArea, TextField } from 'react-aria-components';
import { useLocation } from 'react-router';
import styled from 'styled-components';
import { formatLength, parseLength, type LengthUnit, type Mm } from '@zippy/core';
import { typedText } from '../stores/typed.ts';

const Box = styled(TextField)`
  display: grid;
  gap: 3px;
  min-width: 0;
`;
export const FieldLabel = styled(Label)`
  color: ${({ theme }) => theme.colour.inkQuiet};
  font-size: 14px;
`;
const line = `
  width: 100%;
  min-height: 38px;
  padding: 6px 10px;
  border-radius: 7px;
`;
const Line = styled(Input)`
  ${line}
  border: 1px solid ${({ theme }) => theme.colour.rule};
  background: ${({ theme }) => theme.colour.white};
  &[data-invalid] {
    border-color: ${({ theme }) => theme.colour.coral};
  }
  &.figures {
    font-family: ${({ theme }) => theme.font.mono};
    font-size: 15px;
  }
`;
const Area = styled(TextArea)`
  ${line}
  min-height: 74px;
  border: 1px solid ${({ theme }) => theme.colour.rule};
  background: ${({ theme }) => theme.colour.white};
  resize: vertical;
`;
const Wrong = styled(FieldError)`
  color: ${({ theme }) => theme.colour.coral};
  font-size: 14px;
`;
const Hint = styled(Text)`
  color: ${({ theme }) => theme.colour.inkQuiet};
  font-size: 13px;
`;

export type Read<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly why: string };

/** What a field belongs to where a page has several of one label: a layer, a tool, the thing in hand. */
export const FieldPlace = createContext('');

interface Typed<T> {
  readonly label: string;
  readonly value: T;
  readonly show: (value: T) => string;
  readonly read: (text: string) => Read<T>;
  readonly onCommit: (value: T) => void;
  readonly hint?: ReactNode;
  readonly figures?: boolean;
  readonly type?: 'text' | 'date';
}

/**
 * A line whose typed text is kept apart from the value it stands for: what cannot be read stays in the box with a
 * sentence under it, there and back again, and the job keeps its last good value.
 */
export function TypedField<T>(props: Typed<T>): ReactNode {
  const { pathname } = useLocation();
  const name = [pathname, useContext(FieldPlace), props.label].join(' ');
  // Another thing in hand has a field of its own, not this one’s text.
  return <OneField key={name} name={name} {...props} />;
}

function OneField<T>({
  name,
  label,
  value,
  show,
  read,
  onCommit,
  hint,
  figures = true,
  type = 'text',
}: Typed<T> & { readonly name: string }): ReactNode {
  const [typed, setTyped] = useState(() => typedText.get(name));
  // Text that was refused, or left from before. Why is asked again each time: what a field takes may have changed since.
  const [refused, setRefused] = useState(typed !== null);
  const why = typed !== null && refused ? sayLeft(read(typed)) : null;
  const done = (): void => {
    setTyped(null);
    setRefused(false);
    typedText.remove(name);
  };
  const commit = (): void => {
    if (typed === null) return;
    const result = read(typed);
    if (!result.ok) return setRefused(true);
    done();
    onCommit(result.value);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key === 'Enter') commit();
    if (event.key === 'Escape' && typed !== null) done();
  };
  return (
    <Box
      value={typed ?? show(value)}
      type={type}
      isInvalid={why !== null}
      onChange={(text) => {
        setTyped(text);
        setRefused(false);
        typedText.set(name, text);
      }}
      onBlur={commit}
      onKeyDown={onKeyDown}
    >
      <FieldLabel>{label}</FieldLabel>
      <Line className={figures ? 'figures' : ''} autoComplete="off" spellCheck={!figures} />
      {hint && <Hint slot="description">{hint}</Hint>}
      <Wrong>{why}</Wrong>
    </Box>
  );
}

const sayLeft = (result: Read<unknown>): string =>
  result.ok ? 'Typed before and not yet taken; press Enter to take it, Escape to leave it.' : result.why;

export function LengthField({
  label,
  mm,
  unit,
  least,
  most,
  onCommit,
  hint,
}: {
  readonly label: string;
  readonly mm: Mm;
  readonly unit: LengthUnit;
  readonly least: Mm;
  readonly most: Mm;
  readonly onCommit: (mm: Mm) => void;
  readonly hint?: ReactNode;
}): ReactNode {
  return (
    <TypedField
      label={label}
      value={mm}
      show={(value) => formatLength(value, unit)}
      read={(text) => {
        // What is shown may be rounded, so leaving it as shown must not round the job.
        if (text === formatLength(mm, unit)) return { ok: true, value: mm };
        const parsed = parseLength(text, unit);
        if (!parsed.ok) return { ok: false, why: `${label}: ${parsed.why}.` };
        if (parsed.mm < least || parsed.mm > most)
          return { ok: false, why: `${label} wants ${formatLength(least, unit)} to ${formatLength(most, unit)}.` };
        return { ok: true, value: parsed.mm };
      }}
      onCommit={(value) => value !== mm && onCommit(value)}
      hint={hint}
    />
  );
}

/** A length that may be left to be worked out: an empty field is a choice, and says what it comes to. */
export function MaybeLengthField({
  label,
  mm,
  unit,
  least,
  most,
  worked,
  onCommit,
  hint,
}: {
  readonly label: string;
  readonly mm: Mm | null;
  readonly unit: LengthUnit;
  readonly least: Mm;
  readonly most: Mm;
  /** What it is just now when left empty. */
  readonly worked: string | null;
  readonly onCommit: (mm: Mm | null) => void;
  readonly hint?: string | undefined;
}): ReactNode {
  return (
    <TypedField
      label={label}
      value={mm}
      show={(value) => (value === null ? '' : formatLength(value, unit))}
      read={(text) => {
        if (text.trim() === '') return { ok: true, value: null };
        if (mm !== null && text === formatLength(mm, unit)) return { ok: true, value: mm };
        const parsed = parseLength(text, unit);
        if (!parsed.ok) return { ok: false, why: `${label}: ${parsed.why}, or leave it empty.` };
        if (parsed.mm < least || parsed.mm > most)
          return { ok: false, why: `${label} wants ${formatLength(least, unit)} to ${formatLength(most, unit)}.` };
        return { ok: true, value: parsed.mm };
      }}
      onCommit={(value) => value !== mm && onCommit(value)}
      hint={mm === null && worked ? `${hint ?? ''} Now ${worked}.`.trim() : hint}
    />
  );
}

export function NumberField({
  label,
  value,
  least,
  most,
  whole = true,
  onCommit,
  hint,
}: {
  readonly label: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly whole?: boolean;
  readonly onCommit: (value: number) => void;
  readonly hint?: ReactNode;
}): ReactNode {
  return (
    <TypedField
      label={label}
      value={value}
      show={(n) => String(Math.round(n * 1000) / 1000)}
      read={(text) => {
        const n = Number(text.trim().replace(',', '.'));
        const fits =
          text.trim() !== '' && Number.isFinite(n) && n >= least && n <= most && (!whole || Number.isInteger(n));
        return fits
          ? { ok: true, value: n }
          : { ok: false, why: `${label} wants a ${whole ? 'whole ' : ''}number from ${least} to ${most}.` };
      }}
      onCommit={(n) => n !== value && onCommit(n)}
      hint={hint}
    />
  );
}

/** Money as it is written on a price tag; null where the field may be left empty. */
export function MoneyField({
  label,
  minor,
  onCommit,
  hint,
}: {
  readonly label: string;
  readonly minor: number | null;
  readonly onCommit: (minor: number | null) => void;
  readonly hint?: ReactNode;
}): ReactNode {
  return (
    <TypedField
      label={label}
      value={minor}
      show={(m) => (m === null ? '' : (m / 100).toFixed(2))}
      read={(text) => {
        const plain = text
          .trim()
          .replace(/^[£$€]\s*/, '')
          .replace(',', '.');
        if (plain === '') return { ok: true, value: null };
        const n = Number(plain);
        return Number.isFinite(n) && n >= 0 && n < 1e6
          ? { ok: true, value: Math.round(n * 100) }
          : { ok: false, why: `${label} wants an amount such as 3.50, or nothing.` };
      }}
      onCommit={(m) => m !== minor && onCommit(m)}
      hint={hint}
    />
  );
}

/**
 * Plain words, given on as they are typed. While it has the focus the field keeps its own text: what it stands for may
 * come back later, or cut to size, and would move the caret. What is changed from elsewhere is shown all the same.
 */
export function WordsField({
  label,
  value,
  onChange,
  rows,
  hint,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
  readonly rows?: number;
  readonly hint?: ReactNode;
}): ReactNode {
  const [own, setOwn] = useState<OwnText | null>(null);
  // A value that is neither what was typed nor what stood there at that key is somebody else’s: an undo, another tab.
  const mine = own !== null && (value === own.text || value === own.before);
  return (
    <Box
      value={mine ? own.text : value}
      onChange={(text) => {
        setOwn({ text, before: value });
        onChange(text);
      }}
      onBlur={() => setOwn(null)}
    >
      <FieldLabel>{label}</FieldLabel>
      {rows ? <Area rows={rows} /> : <Line autoComplete="off" />}
      {hint && <Hint slot="description">{hint}</Hint>}
    </Box>
  );
}

interface OwnText {
  readonly text: string;
  /** What the field stood for when the key was struck. */
  readonly before: string;
}

import { createContext, useContext, useState, type KeyboardEvent, type ReactNode } from 'react';
import { useLocation } from 'react-router';
import { typedText } from '../../stores/typed.ts';
import { Box, FieldLabel, Hint, Line, Wrong } from './parts.ts';
import type { Read } from './read.ts';

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

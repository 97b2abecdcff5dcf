import { useState, type ReactNode } from 'react';
import { Area, Box, FieldLabel, Hint, Line } from './parts.ts';

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

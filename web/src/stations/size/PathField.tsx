import { useState, type ReactNode } from 'react';
import { WordsField } from '../../ui/fields/WordsField.tsx';

/** Path data is kept as it is typed; whether it can be cut out is said by a snag. */
export function PathField({
  value,
  says,
  onChange,
}: {
  readonly value: string;
  readonly says: string | undefined;
  readonly onChange: (text: string) => void;
}): ReactNode {
  const [text, setText] = useState(value);
  return (
    <WordsField
      label="Your path"
      value={text}
      rows={3}
      hint={says}
      onChange={(next) => {
        setText(next);
        onChange(next);
      }}
    />
  );
}

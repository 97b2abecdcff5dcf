import { useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { NOTES_ABOUT, type NoteAbout } from '@zippy/core';
import { Choice } from '../ui/Choice.tsx';
import { DoNow, PlainButton } from '../ui/buttons.tsx';
import { ModalDialog, Row } from '../ui/ModalDialog.tsx';

export const ABOUT_NAMES: Readonly<Record<NoteAbout, string>> = {
  differently: 'Next time',
  settings: 'Settings',
  weather: 'Weather',
  other: 'Other',
};

const HINTS: Readonly<Record<NoteAbout, string>> = {
  differently: 'What to do differently. It is shown when this card, its stock or its tools come again.',
  settings: 'How things were set: quality, paper type, pressure.',
  weather: 'Damp and heat move paper and slow ink.',
  other: 'Whatever else is worth knowing.',
};

const MOST_LETTERS = 1000;

/** A word for the log, while it is known. */
export function NoteDialog({
  isOpen,
  onClose,
  onNote,
}: {
  readonly isOpen: boolean;
  readonly onClose: () => void;
  readonly onNote: (about: NoteAbout, text: string) => void;
}): ReactNode {
  const [about, setAbout] = useState<NoteAbout>('differently');
  // Kept while the dialog is shut: nothing typed is lost by a slip of the hand.
  const [text, setText] = useState('');
  const keep = (): void => {
    onNote(about, text.trim());
    setText('');
    onClose();
  };
  return (
    <ModalDialog title="A note for the log" isOpen={isOpen} onClose={onClose}>
      <Choice
        label="About"
        value={about}
        options={NOTES_ABOUT.map((id) => ({ id, name: ABOUT_NAMES[id] }))}
        onChange={setAbout}
      />
      <Words>
        <span>{HINTS[about]}</span>
        <textarea
          aria-label="Note"
          autoFocus
          rows={4}
          maxLength={MOST_LETTERS}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </Words>
      <Row>
        <DoNow isDisabled={text.trim() === ''} onPress={keep}>
          Keep the note
        </DoNow>
        <PlainButton onPress={onClose}>Not now</PlainButton>
      </Row>
    </ModalDialog>
  );
}

const Words = styled.label`
  display: grid;
  gap: 6px;
  textarea {
    padding: 10px;
    border: 1px solid ${({ theme }) => theme.colour.inkQuiet};
    border-radius: ${({ theme }) => theme.radius};
    font: inherit;
    font-size: 18px;
    resize: vertical;
  }
`;

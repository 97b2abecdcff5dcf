import type { ReactNode } from 'react';
import styled from 'styled-components';
import { DoNow, KeyCap } from '../ui/Press.tsx';
import { Sheet } from '../ui/Sheet.tsx';

const KEYS: readonly { readonly heading: string; readonly keys: readonly (readonly [string, string])[] }[] = [
  {
    heading: 'In a job',
    keys: [
      ['1 … 9, 0', 'Go to a station'],
      [', and .', 'Station before, station after'],
      ['T', 'Turn the piece over'],
      ['L', 'Hold it to the light'],
      ['O', 'Fold it; then open and shut'],
      ['D', 'At Art and Cut: where the blade may land'],
      ['U', 'Millimetres or inches'],
      ['Ctrl Z', 'Undo'],
      ['Ctrl Shift Z', 'Do it again'],
      ['Arrows', 'Move the words or picture in hand; with Shift, further'],
      ['?', 'This list'],
    ],
  },
  {
    heading: 'At the bench card',
    keys: [
      ['Space', 'Step done'],
      ['G', 'One good card'],
      ['B', 'One spoiled card'],
      ['Backspace', 'Take the last press back'],
    ],
  },
];

export function KeysSheet({ isOpen, onClose }: { readonly isOpen: boolean; readonly onClose: () => void }): ReactNode {
  return (
    <Sheet title="Keys" isOpen={isOpen} onClose={onClose}>
      {KEYS.map(({ heading, keys }) => (
        <List key={heading}>
          <h3>{heading}</h3>
          <dl>
            {keys.map(([key, does]) => (
              <div key={key}>
                <dt>
                  <KeyCap>{key}</KeyCap>
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
        </List>
      ))}
      <DoNow onPress={onClose} autoFocus>
        Back to the bench
      </DoNow>
    </Sheet>
  );
}

const List = styled.div`
  dl {
    margin: 4px 0 0;
  }
  dl > div {
    display: grid;
    grid-template-columns: 130px 1fr;
    padding: 3px 0;
  }
  dd {
    margin: 0;
  }
`;

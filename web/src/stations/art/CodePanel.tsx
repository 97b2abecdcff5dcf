import type { ReactNode } from 'react';
import { fixed, codeText, fullName, type CodeContent, type CodeObject, type LaidItem } from '@zippy/core';
import { Choice } from '../../ui/Choice.tsx';
import { ColourField } from '../../ui/ColourField.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { WordsField } from '../../ui/fields/WordsField.tsx';
import { Two } from '../../ui/ModalDialog.tsx';
import type { StationProps } from '../parts.ts';
import type { FaceInHand } from './useFace.ts';

const EMPTY: Readonly<Record<CodeContent['kind'], CodeContent>> = {
  link: { kind: 'link', url: 'https://' },
  text: { kind: 'text', text: '' },
  wifi: { kind: 'wifi', network: '', password: '', security: 'WPA' },
  contact: { kind: 'contact', name: '', given: '', family: '', firm: '', phone: '', email: '', url: '' },
};

/** What a code says, how large it is, and what it is printed with. */
export function CodePanel({
  item,
  hand,
  workshop,
}: Pick<StationProps, 'workshop'> & {
  readonly item: LaidItem & { kind: 'code' };
  readonly hand: FaceInHand;
}): ReactNode {
  const { object, code } = item;
  const { content } = object;
  const set = (part: Partial<CodeObject>, key?: string): void => hand.setObject(object.id, part, key);
  const say = (part: object): void => {
    const next = { ...content, ...part };
    // A name given in parts is read as both.
    const named =
      next.kind === 'contact' && ('given' in part || 'family' in part) ? { ...next, name: fullName(next) } : next;
    set({ content: named }, `code-${object.id}`);
  };
  const field = (label: string, name: string, value: string): ReactNode => (
    <WordsField key={`${object.id} ${name}`} label={label} value={value} onChange={(text) => say({ [name]: text })} />
  );
  const moduleMm = code && code.modules.length > 0 ? code.moduleMm : null;
  return (
    <>
      <Choice
        label="The code holds"
        value={content.kind}
        options={[
          { id: 'link', name: 'Link' },
          { id: 'contact', name: 'Contact' },
          { id: 'wifi', name: 'Network' },
          { id: 'text', name: 'Words' },
        ]}
        onChange={(kind) => set({ content: EMPTY[kind] })}
      />
      {content.kind === 'link' && field('Address of the page', 'url', content.url)}
      {content.kind === 'text' && (
        <WordsField
          key={object.id}
          label="Words in the code"
          rows={3}
          value={content.text}
          onChange={(text) => say({ text })}
        />
      )}
      {content.kind === 'wifi' && (
        <>
          {field('Name of the network', 'network', content.network)}
          {content.security !== 'none' && field('Password', 'password', content.password)}
          <Choice
            label="Kept by"
            value={content.security}
            options={[
              { id: 'WPA', name: 'WPA' },
              { id: 'WEP', name: 'WEP' },
              { id: 'none', name: 'Nothing' },
            ]}
            onChange={(security) => say({ security })}
          />
        </>
      )}
      {content.kind === 'contact' && (
        <>
          <Two>
            {field('First name', 'given', content.given ?? (content.family ? '' : content.name))}
            {field('Last name', 'family', content.family ?? '')}
          </Two>
          {field('Firm', 'firm', content.firm)}
          {field('Telephone', 'phone', content.phone)}
          {field('Mail', 'email', content.email)}
          {field('Page', 'url', content.url)}
        </>
      )}
      <LengthField
        label="Side of the square, quiet zone and all"
        mm={object.widthMm}
        unit={workshop.unit}
        least={6}
        most={400}
        onCommit={(side) => set({ widthMm: side, heightMm: side })}
        hint={
          moduleMm === null
            ? codeText(content) === ''
              ? 'Say what it holds and it appears.'
              : 'That is more than a code can hold; shorten it.'
            : `One square is ${fixed(moduleMm, 2)} mm; 0.4 mm and more can be read at arm’s length.`
        }
      />
      <ColourField label="Ink" value={object.colour} onChange={(colour) => colour && set({ colour }, 'code-ink')} />
      <ColourField
        label="Ground"
        value={object.ground}
        bare="What is beneath"
        onChange={(ground) => set({ ground }, 'code-ground')}
      />
    </>
  );
}

import type { KeyboardEvent, ReactNode } from 'react';
import { Button, Header, Label, ListBox, ListBoxItem, ListBoxSection, SelectValue } from 'react-aria-components';
import { Frame, Option, Sheet, Through } from './pickStyles.ts';

export interface PickOption {
  readonly id: string;
  readonly name: string;
  /** Said once it is chosen and its heading is out of sight. */
  readonly fullName?: string;
  readonly note?: string;
  readonly swatch?: string;
  /** A line drawing in a box of 40 × 24, as SVG path data. */
  readonly mark?: string;
  /** A sentence under the name. */
  readonly says?: string;
}

/**
 * A shut picker would take a letter for the name of an option and choose it unseen. It is opened first; the letter
 * goes to the bench, whose key it may be.
 */
function passLetterOn(event: KeyboardEvent): void {
  const { key, target, ctrlKey, metaKey, altKey, shiftKey, repeat } = event;
  const onShut = target instanceof Element && target.closest('button[aria-expanded="false"]') !== null;
  if (!onShut || key.length !== 1 || key === ' ' || ctrlKey || metaKey || altKey) return;
  event.stopPropagation();
  event.preventDefault();
  window.dispatchEvent(new window.KeyboardEvent('keydown', { key, shiftKey, repeat }));
}

/** One of many, grouped under headings where that helps. */
export function Pick({
  label,
  value,
  sections,
  onChange,
  placeholder = 'Choose …',
}: {
  readonly label: string;
  readonly value: string | null;
  readonly sections: readonly { readonly heading: string | null; readonly options: readonly PickOption[] }[];
  readonly onChange: (id: string) => void;
  readonly placeholder?: string;
}): ReactNode {
  const chosen = sections.flatMap((s) => s.options).find((o) => o.id === value);
  return (
    <Through onKeyDownCapture={passLetterOn}>
      <Frame selectedKey={value} onSelectionChange={(key) => onChange(String(key))} placeholder={placeholder}>
        <Label>{label}</Label>
        <Button>
          <SelectValue>
            {() =>
              chosen ? (
                <OptionLine option={{ ...chosen, name: chosen.fullName ?? chosen.name, note: undefined }} />
              ) : (
                <span className="empty">{placeholder}</span>
              )
            }
          </SelectValue>
          <span aria-hidden>▾</span>
        </Button>
        <Sheet>
          <ListBox>
            {sections.map((section, i) => (
              <ListBoxSection key={section.heading ?? i} aria-label={section.heading ?? label}>
                {section.heading && <Header>{section.heading}</Header>}
                {section.options.map((option) => (
                  <ListBoxItem key={option.id} id={option.id} textValue={option.name}>
                    <OptionLine option={option} />
                  </ListBoxItem>
                ))}
              </ListBoxSection>
            ))}
          </ListBox>
        </Sheet>
      </Frame>
    </Through>
  );
}

function OptionLine({ option }: { readonly option: PickOption }): ReactNode {
  return (
    <Option>
      {option.swatch && <i style={{ background: option.swatch }} aria-hidden />}
      {option.mark && (
        <svg viewBox="0 0 40 24" width={40} height={24} aria-hidden>
          <path d={option.mark} />
        </svg>
      )}
      {option.says ? (
        <span className="said">
          <b>{option.name}</b>
          <small>{option.says}</small>
        </span>
      ) : (
        <span>{option.name}</span>
      )}
      {option.note && <small>{option.note}</small>}
    </Option>
  );
}

import type { KeyboardEvent, ReactNode } from 'react';
import {
  Button,
  Header,
  Label,
  ListBox,
  ListBoxItem,
  ListBoxSection,
  Popover,
  Radio,
  RadioGroup,
  Select,
  SelectValue,
  Slider,
  SliderOutput,
  SliderThumb,
  SliderTrack,
  Switch,
} from 'react-aria-components';
import styled from 'styled-components';

/** A few choices side by side. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly id: T; readonly name: string }[];
  readonly onChange: (value: T) => void;
}): ReactNode {
  return (
    <Group value={value} onChange={(next) => onChange(next as T)} orientation="horizontal">
      <Label>{label}</Label>
      <div className="row">
        {options.map((option) => (
          <Radio key={option.id} value={option.id}>
            {option.name}
          </Radio>
        ))}
      </div>
    </Group>
  );
}

const Group = styled(RadioGroup)`
  display: grid;
  gap: 3px;
  > label,
  > span {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
  .row {
    display: flex;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: ${({ theme }) => theme.radius};
    background: ${({ theme }) => theme.colour.white};
  }
  .row > * {
    flex: 1;
    display: grid;
    place-items: center;
    min-height: 36px;
    padding: 4px 8px;
    border-radius: 6px;
    text-align: center;
    line-height: 1.2;
    cursor: pointer;
  }
  .row > * + * {
    border-left: 1px solid ${({ theme }) => theme.colour.rule};
  }
  [data-selected] {
    background: ${({ theme }) => theme.colour.slate};
    color: ${({ theme }) => theme.colour.onSlate};
  }
`;

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
    <Line>
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
    </Line>
  );
}

const Line = styled.span`
  display: flex;
  align-items: center;
  gap: 8px;
  min-width: 0;
  i {
    flex: none;
    width: 16px;
    height: 16px;
    border: 1px solid ${({ theme }) => theme.colour.inkQuiet};
    border-radius: 3px;
  }
  span {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  svg {
    flex: none;
    margin-right: 4px;
  }
  path {
    fill: none;
    stroke: ${({ theme }) => theme.colour.plum};
    stroke-width: 1.8;
    stroke-linejoin: round;
    stroke-linecap: round;
  }
  .said {
    white-space: normal;
    line-height: 1.22;
  }
  .said b,
  .said small {
    display: block;
  }
  .said small {
    margin: 0;
    padding: 0;
    font-weight: 400;
    white-space: normal;
  }
  > small {
    margin-left: auto;
    padding-left: 8px;
    white-space: nowrap;
  }
  small {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 13px;
  }
`;

const Through = styled.div`
  display: contents;
`;
const Frame = styled(Select)`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 3px;
  min-width: 0;
  > label,
  > span {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
  > button {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 8px;
    width: 100%;
    min-height: 38px;
    padding: 6px 10px;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: ${({ theme }) => theme.radius};
    background: ${({ theme }) => theme.colour.white};
    text-align: left;
    cursor: pointer;
  }
  .react-aria-SelectValue {
    flex: 1;
    min-width: 0;
  }
  .empty {
    color: ${({ theme }) => theme.colour.inkQuiet};
  }
`;

const Sheet = styled(Popover)`
  min-width: var(--trigger-width);
  max-width: min(460px, 92vw);
  overflow: auto;
  border: 1px solid ${({ theme }) => theme.colour.rule};
  border-radius: ${({ theme }) => theme.radius};
  background: ${({ theme }) => theme.colour.paper};
  box-shadow: ${({ theme }) => theme.shadow};
  .react-aria-Header {
    padding: 8px 12px 2px;
    color: ${({ theme }) => theme.colour.plum};
    font-size: 13px;
    font-weight: 700;
  }
  [role='option'] {
    padding: 8px 12px;
    cursor: pointer;
  }
  [role='option'][data-focused] {
    background: ${({ theme }) => theme.colour.paperShade};
  }
  [role='option'][data-selected] {
    font-weight: 700;
  }
`;

export function OnOff({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: boolean;
  readonly onChange: (on: boolean) => void;
}): ReactNode {
  return (
    <Toggle isSelected={value} onChange={onChange}>
      <span className="track" aria-hidden />
      <span>{label}</span>
    </Toggle>
  );
}

const Toggle = styled(Switch)`
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 34px;
  cursor: pointer;
  .track {
    flex: none;
    width: 40px;
    height: 22px;
    padding: 2px;
    border: 1px solid ${({ theme }) => theme.colour.inkQuiet};
    border-radius: 12px;
    background: ${({ theme }) => theme.colour.white};
  }
  .track::before {
    content: '';
    display: block;
    width: 16px;
    height: 16px;
    border-radius: 50%;
    background: ${({ theme }) => theme.colour.inkQuiet};
  }
  &[data-selected] .track {
    background: ${({ theme }) => theme.colour.slate};
  }
  &[data-selected] .track::before {
    margin-left: 18px;
    background: ${({ theme }) => theme.colour.marigold};
  }
  &[data-focus-visible] {
    border-radius: 6px;
  }
`;

/** A sliding scale that says its value. */
export function Scale({
  label,
  value,
  least,
  most,
  step,
  say,
  onChange,
}: {
  readonly label: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly step: number;
  readonly say: (value: number) => string;
  readonly onChange: (value: number) => void;
}): ReactNode {
  return (
    <Sliding value={value} minValue={least} maxValue={most} step={step} onChange={(v) => onChange(v as number)}>
      <Label>{label}</Label>
      <SliderOutput>{say(value)}</SliderOutput>
      <SliderTrack>
        <SliderThumb />
      </SliderTrack>
    </Sliding>
  );
}

const Sliding = styled(Slider)`
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 8px;
  font-size: 14px;
  label,
  > span {
    color: inherit;
  }
  output {
    font-family: ${({ theme }) => theme.font.mono};
  }
  .react-aria-SliderTrack {
    grid-column: 1 / -1;
    position: relative;
    height: 26px;
  }
  .react-aria-SliderTrack::before {
    content: '';
    position: absolute;
    inset: 12px 0 auto;
    height: 3px;
    border-radius: 2px;
    background: currentColor;
    opacity: 0.35;
  }
  .react-aria-SliderThumb {
    top: 50%;
    width: 20px;
    height: 20px;
    border: 2px solid ${({ theme }) => theme.colour.ink};
    border-radius: 50%;
    background: ${({ theme }) => theme.colour.marigold};
    cursor: grab;
  }
`;

import { popUpLimits, type PopUp, type PopUpInput } from '@zippy/core';
import type { ReactNode } from 'react';
import { Choice } from '../../ui/Choice.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { LengthField, MaybeLengthField } from '../../ui/fields/LengthField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import type { StationProps } from '../parts.ts';
import { PathField } from './PathField.tsx';

/** One question of a mechanism, asked as what it is. */
export function Measure({
  input,
  popUp,
  unit,
  worked,
  onChange,
}: {
  readonly input: PopUpInput;
  readonly popUp: PopUp;
  readonly unit: StationProps['workshop']['unit'];
  /** What a measure left empty comes to. */
  readonly worked: string | null;
  readonly onChange: (part: Partial<PopUp>, under?: string) => void;
}): ReactNode {
  const { id, label } = input;
  const value = popUp[id];
  switch (input.kind) {
    case 'length':
      return input.mayBeNull ? (
        <MaybeLengthField
          label={label}
          mm={value as number | null}
          unit={unit}
          {...popUpLimits(id)}
          worked={worked}
          onCommit={(mm) => onChange({ [id]: mm })}
          hint={input.says}
        />
      ) : (
        <LengthField
          label={label}
          mm={value as number}
          unit={unit}
          {...popUpLimits(id)}
          onCommit={(mm) => onChange({ [id]: mm })}
        />
      );
    case 'path':
      return (
        <PathField
          value={value as string}
          says={input.says}
          onChange={(path) => onChange({ [id]: path }, 'pop-up-path')}
        />
      );
    case 'choice':
      return input.choices.length > MOST_BESIDE ? (
        <Pick
          label={label}
          value={value as string}
          sections={[{ heading: null, options: input.choices }]}
          onChange={(chosen) => onChange({ [id]: chosen })}
        />
      ) : (
        <Choice
          label={label}
          value={value as string}
          options={input.choices}
          onChange={(chosen) => onChange({ [id]: chosen })}
        />
      );
    default:
      return (
        <NumberField
          label={input.kind === 'angle' ? `${label}, °` : label}
          value={value as number}
          {...popUpLimits(id)}
          whole={input.kind === 'number'}
          onCommit={(number) => onChange({ [id]: number })}
        />
      );
  }
}

/** More choices than this do not stand beside each other in a slip. */
const MOST_BESIDE = 3;

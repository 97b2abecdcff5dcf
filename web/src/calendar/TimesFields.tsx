import type { ReactNode } from 'react';
import styled from 'styled-components';
import { timesOf, WORKSHOP_LIMITS, type WorkTimes, type Workshop } from '@zippy/core';
import { useWorkshop } from '../stores/workshop.ts';
import { Quiet } from '../ui/buttons.tsx';
import { NumberField } from '../ui/fields/NumberField.tsx';
import { TypedField } from '../ui/fields/TypedField.tsx';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;
const { times: LIMITS } = WORKSHOP_LIMITS;
const showClock = (minute: number): string =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;

/** When work is done, by how many, and how many runs can dry at once. */
export function TimesFields({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const times = timesOf(workshop);
  const set = (part: Partial<WorkTimes>): void => {
    const { workshop: now, change } = useWorkshop.getState();
    void change({ ...now!, times: { ...timesOf(now!), ...part } });
  };
  return (
    <>
      <Two>
        {DAYS.map((name, i) => (
          <NumberField
            key={name}
            label={`${name}, minutes`}
            value={times.weekMinutes[i]!}
            {...LIMITS.minutes}
            onCommit={(minutes) => set({ weekMinutes: times.weekMinutes.with(i, minutes) })}
          />
        ))}
        <TypedField
          label="From"
          value={times.fromMinute}
          show={showClock}
          read={(text) => {
            const [, hours, minutes] = /^\s*(\d{1,2})(?:[:.h](\d{2}))?\s*$/.exec(text) ?? [];
            const at = Number(hours) * 60 + Number(minutes ?? 0);
            return hours !== undefined && Number(hours) < 24 && Number(minutes ?? 0) < 60
              ? { ok: true, value: at }
              : { ok: false, why: 'From wants a time such as 19:00.' };
          }}
          onCommit={(fromMinute) => set({ fromMinute })}
        />
        <NumberField label="Hands at once" value={times.hands} {...LIMITS.hands} onCommit={(hands) => set({ hands })} />
        <NumberField
          label="Runs that can dry at once"
          value={times.racks}
          {...LIMITS.racks}
          onCommit={(racks) => set({ racks })}
        />
      </Two>
      {times.exceptions.map(({ day, minutes }) => (
        <Quiet key={day} onPress={() => set({ exceptions: times.exceptions.filter((one) => one.day !== day) })}>
          {day}: {minutes} minutes. As the week has it again
        </Quiet>
      ))}
    </>
  );
}

const Two = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
`;

import type { ReactNode } from 'react';
import { cutText, decide, LIMITS, type SellChoice } from '@zippy/core';
import { useJob } from '../../stores/job.ts';
import { PlainButton, Quiet } from '../../ui/buttons.tsx';
import { MoneyField } from '../../ui/fields/MoneyField.tsx';
import { FieldPlace, TypedField } from '../../ui/fields/TypedField.tsx';
import { Two } from '../../ui/ModalDialog.tsx';

/** What goes with every card: a sleeve, a band, a sticker. */
export function Extras({
  sell,
  set,
}: {
  readonly sell: SellChoice;
  readonly set: (part: Partial<SellChoice>) => void;
}): ReactNode {
  const takeAway = useJob((s) => s.takeAway);
  return (
    <>
      {sell.extras.map((extra, i) => (
        <FieldPlace key={i} value={`extra ${i}`}>
          <Two>
            <TypedField
              label="Extra"
              figures={false}
              value={extra.name}
              show={(t) => t}
              read={(t) =>
                t.trim()
                  ? { ok: true, value: cutText(t.trim(), LIMITS.sell.extraLetters) }
                  : { ok: false, why: 'Extra wants a name.' }
              }
              onCommit={(name) => set({ extras: sell.extras.map((e, n) => (n === i ? { ...e, name } : e)) })}
            />
            <MoneyField
              label={`Price for each card`}
              minor={extra.perCardMinor}
              onCommit={(m) =>
                set({ extras: sell.extras.map((e, n) => (n === i ? { ...e, perCardMinor: m ?? 0 } : e)) })
              }
            />
            <Quiet
              onPress={() =>
                takeAway(
                  [
                    decide(
                      (job) => job.sell.extras,
                      sell.extras.filter((_, n) => n !== i),
                    ),
                  ],
                  `${extra.name} is taken off.`,
                )
              }
            >
              Take {extra.name} off
            </Quiet>
          </Two>
        </FieldPlace>
      ))}
      <PlainButton onPress={() => set({ extras: [...sell.extras, { name: 'Sleeve', perCardMinor: 4 }] })}>
        Add an extra: sleeve, band, sticker
      </PlainButton>
    </>
  );
}

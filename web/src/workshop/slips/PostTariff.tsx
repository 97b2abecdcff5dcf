import type { ReactNode } from 'react';
import styled from 'styled-components';
import { POST_EXTRAS, WORKSHOP_LIMITS, type PostBand, type PostExtra, type Tariff, type Workshop } from '@zippy/core';
import { useWorkshop } from '../../stores/workshop.ts';
import { PlainButton, Quiet } from '../../ui/buttons.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { MoneyField } from '../../ui/fields/MoneyField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { WordsField } from '../../ui/fields/WordsField.tsx';

const NONE: Tariff = { bands: [], extras: {} };
const SAID: Readonly<Record<PostExtra, string>> = {
  square: 'A square one, more',
  stiff: 'A stiff one, more',
  lumpy: 'A lumpy one, more',
  transparent: 'A see-through one, more',
};

/** What the local post asks, typed in from its own table. */
export function PostTariff({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const change = useWorkshop((s) => s.change);
  const { post = NONE, unit } = workshop;
  const set = (next: Tariff): void => {
    const { post: _old, ...rest } = workshop;
    const isEmpty = next.bands.length === 0 && Object.keys(next.extras).length === 0;
    void change(isEmpty ? rest : { ...rest, post: next });
  };
  const setBand = (id: string, part: Partial<PostBand>): void =>
    set({ ...post, bands: post.bands.map((band) => (band.id === id ? { ...band, ...part } : band)) });
  const add = (): void => {
    const last = post.bands.at(-1);
    const taken = new Set(post.bands.map(({ id }) => id));
    let n = post.bands.length + 1;
    while (taken.has(`band-${n}`)) n += 1;
    const first = { name: 'Letter', upToGrams: 100, upToLongMm: 240, upToShortMm: 165, upToThickMm: 5, priceMinor: 0 };
    set({ ...post, bands: [...post.bands, { ...(last ?? first), id: `band-${n}`, name: `Band ${n}` }] });
  };
  return (
    <section aria-labelledby="post">
      <h2 id="post">Post</h2>
      <p>
        From your own post’s table. The cheapest band that takes a piece counts; measures and extras differ, so ask
        there.
      </p>
      {post.bands.map((band) => (
        <Band key={band.id}>
          <legend>{band.name}</legend>
          <div className="two">
            <WordsField
              label="Called"
              value={band.name}
              onChange={(name) => name.trim() !== '' && setBand(band.id, { name })}
            />
            <MoneyField
              label="Costs"
              minor={band.priceMinor}
              onCommit={(m) => setBand(band.id, { priceMinor: m ?? 0 })}
            />
            <NumberField
              label="Up to, grams"
              value={band.upToGrams}
              {...WORKSHOP_LIMITS.post.grams}
              whole={false}
              onCommit={(upToGrams) => setBand(band.id, { upToGrams })}
            />
            <LengthField
              label="Up to, thick"
              mm={band.upToThickMm}
              unit={unit}
              {...WORKSHOP_LIMITS.post.thickMm}
              onCommit={(upToThickMm) => setBand(band.id, { upToThickMm })}
            />
            <LengthField
              label="Long side up to"
              mm={band.upToLongMm}
              unit={unit}
              {...WORKSHOP_LIMITS.post.sideMm}
              onCommit={(upToLongMm) => setBand(band.id, { upToLongMm })}
            />
            <LengthField
              label="Short side up to"
              mm={band.upToShortMm}
              unit={unit}
              {...WORKSHOP_LIMITS.post.sideMm}
              onCommit={(upToShortMm) => setBand(band.id, { upToShortMm })}
            />
          </div>
          <Quiet onPress={() => set({ ...post, bands: post.bands.filter(({ id }) => id !== band.id) })}>
            Take {band.name} out
          </Quiet>
        </Band>
      ))}
      <PlainButton onPress={add}>Add a band</PlainButton>
      {post.bands.length > 0 && (
        <div className="two">
          {POST_EXTRAS.map((extra) => (
            <MoneyField
              key={extra}
              label={SAID[extra]}
              minor={post.extras[extra] ?? 0}
              onCommit={(m) => set({ ...post, extras: { ...post.extras, [extra]: m ?? 0 } })}
            />
          ))}
        </div>
      )}
    </section>
  );
}

const Band = styled.fieldset`
  margin: 0 0 14px;
  padding: 10px 0 0;
  border: 0;
  border-top: 1px solid ${({ theme }) => theme.colour.rule};
  legend {
    padding-right: 8px;
    font-weight: 700;
  }
`;

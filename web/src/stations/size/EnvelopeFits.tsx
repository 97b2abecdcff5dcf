import type { ReactNode } from 'react';
import styled from 'styled-components';
import {
  decide,
  decideEach,
  formatLength,
  formatSize,
  LIMITS,
  largestThatFits,
  parseLength,
  roundDown,
  type Fit,
} from '@zippy/core';
import { useJob } from '../../stores/job.ts';
import { useView } from '../../stores/view/index.ts';
import { WordsField } from '../../ui/fields/WordsField.tsx';
import { PlainButton } from '../../ui/buttons.tsx';
import type { StationProps } from '../parts.ts';

const inReach = (mm: number): number => {
  const { least, most } = LIMITS.size.finishedMm;
  return Math.min(most, Math.max(least, roundDown(mm)));
};

/** The fit worked both ways: this card in every envelope on the shelf, and the largest card for each. */
export function EnvelopeFits({ job, plan, workshop }: StationProps): ReactNode {
  const change = useJob((s) => s.change);
  const { unit } = workshop;
  const { brief, size } = job;
  const lying = size.finishedWidthMm > size.finishedHeightMm;
  const makeIt = (widthMm: number, heightMm: number): void => {
    const short = inReach(Math.min(widthMm, heightMm));
    const long = inReach(Math.max(widthMm, heightMm));
    change(
      decideEach((job) => job.size, {
        finishedWidthMm: lying ? long : short,
        finishedHeightMm: lying ? short : long,
      }),
    );
  };
  return (
    <>
      <Shelf aria-label="Envelopes on the shelf">
        {plan.size.shelfFits.map(({ envelopeId, fit }) => {
          const envelope = workshop.envelopes.find((e) => e.id === envelopeId)!;
          const chosen = brief.envelope.kind === 'shelf' && brief.envelope.envelopeId === envelopeId;
          const largest = largestThatFits(envelope, plan.size.thicknessMm);
          return (
            <li key={envelopeId} data-chosen={chosen || undefined}>
              <span className="name">{envelope.name}</span>
              <span className={`word ${goes(fit) ? 'goes' : 'not'}`}>
                <span aria-hidden>{goes(fit) ? '✓' : '✕'}</span> {fit.word}
              </span>
              <span className="slack">
                slack {formatLength(fit.slackWidthMm, unit)} across, {formatLength(fit.slackHeightMm, unit)} down
                {fit.turned ? ', on its side' : ''}
              </span>
              <span className="presses">
                <PlainButton
                  isDisabled={chosen}
                  onPress={() => change([decide((job) => job.brief.envelope, { kind: 'shelf', envelopeId })])}
                >
                  {chosen ? 'In use' : 'Use it'}
                </PlainButton>
                <PlainButton onPress={() => makeIt(largest.widthMm, largest.heightMm)}>
                  Largest: {formatSize(inReach(largest.widthMm), inReach(largest.heightMm), unit)}
                </PlainButton>
              </span>
            </li>
          );
        })}
      </Shelf>
      <Sample thicknessMm={plan.size.thicknessMm} unit={unit} makeIt={makeIt} />
    </>
  );
}

const goes = ({ word }: Fit): boolean => word === 'good' || word === 'tight' || word === 'loose';

/**
 * A card that is known to slide in well, measured with a rule: its envelope takes width + thickness, so a
 * card of another thickness may be that much wider or must be that much narrower.
 */
function Sample({
  thicknessMm,
  unit,
  makeIt,
}: {
  readonly thicknessMm: number;
  readonly unit: 'mm' | 'in';
  readonly makeIt: (widthMm: number, heightMm: number) => void;
}): ReactNode {
  const sample = useView((s) => s.sample);
  const typeSample = useView((s) => s.typeSample);
  const read = (text: string): number | null => {
    const parsed = parseLength(text, unit);
    return parsed.ok && parsed.mm > 0 ? parsed.mm : null;
  };
  const [w, h, t] = [read(sample.width), read(sample.height), read(sample.thickness)];
  const unread = (['width', 'height', 'thickness'] as const).filter(
    (part) => sample[part] !== '' && read(sample[part]) === null,
  );
  const ready = w !== null && h !== null && t !== null;
  const [mineW, mineH] = ready ? [w + t - thicknessMm, h + t - thicknessMm] : [0, 0];
  return (
    <Measured>
      <p>Or measure a card that fits well:</p>
      <div>
        {(['width', 'height', 'thickness'] as const).map((part) => (
          <WordsField
            key={part}
            label={`Sample ${part}`}
            value={sample[part]}
            onChange={(text) => typeSample(part, text)}
          />
        ))}
      </div>
      {unread.length > 0 && (
        <p role="alert" className="wrong">
          Sample {unread.join(' and ')} cannot be read; try 5 1/2 in or 139.7 mm.
        </p>
      )}
      <PlainButton isDisabled={!ready} onPress={() => makeIt(mineW, mineH)}>
        {ready ? `Make mine ${formatSize(inReach(mineW), inReach(mineH), unit)}` : 'Make mine to match'}
      </PlainButton>
    </Measured>
  );
}

const Shelf = styled.ul`
  display: grid;
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 2px 10px;
    padding: 8px 0;
    border-bottom: 1px dotted ${({ theme }) => theme.colour.rule};
  }
  li[data-chosen] .name {
    font-weight: 700;
  }
  .word.goes {
    color: ${({ theme }) => theme.colour.green};
  }
  .word.not {
    color: ${({ theme }) => theme.colour.coral};
  }
  .slack {
    grid-column: 1 / -1;
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
  .presses {
    grid-column: 1 / -1;
    display: flex;
    gap: 6px;
    button {
      min-height: 32px;
      padding: 3px 10px;
      font-size: 14px;
    }
  }
`;
const Measured = styled.div`
  display: grid;
  gap: 8px;
  > div {
    display: grid;
    grid-template-columns: 1fr 1fr 1fr;
    gap: 8px;
  }
  .wrong {
    color: ${({ theme }) => theme.colour.coral};
    font-size: 14px;
  }
`;

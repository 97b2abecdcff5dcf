import { useMemo, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import {
  DEFAULT_REGION,
  papersOf,
  PRINTER_KINDS,
  setUpWorkshop,
  TRIMMER_KINDS,
  unitOf,
  type FirstAnswers,
  type TrimmerKind,
} from '@zippy/core';
import { useDoor } from '../stores/door.ts';
import { ButtonLink, DoNow, PlainButton } from '../ui/buttons.tsx';
import { Choice } from '../ui/Choice.tsx';
import { SeekPick } from '../ui/SeekPick.tsx';
import { Ticks } from '../ui/Ticks.tsx';
import { PRINTER_NAMES, TRIMMER_NAMES } from '../workshop/kindNames.ts';
import { currencyOf, moneyName, regionHere, regions } from '../workshop/places.ts';
import { FoldedStrip } from './FoldedStrip.tsx';

/** The first page of all, a card lying open: on the left somebody else’s studio to look round in, on the right one’s own. */
export default function StartPage(): ReactNode {
  const { studios, here, enter } = useDoor();
  const demo = studios?.find(({ isDemo }) => isDemo);
  const [problem, setProblem] = useState<string | null>(null);
  const [going, setGoing] = useState(false);
  const attempt = (work: Promise<void>): void => {
    setGoing(true);
    work.catch((why: Error) => {
      setGoing(false);
      setProblem(`${why.message} Nothing you answered is lost; try again.`);
    });
  };
  return (
    <Ground>
      <OpenCard>
        <section aria-label="Look round">
          <p className="mark">
            <img src="/mark.svg" alt="" width="40" height="40" />
            <b>Zippy Crease</b>
          </p>
          <h1>From “sixty by the third” to cards that fit their envelopes</h1>
          <FoldedStrip />
          {demo && here?.id !== demo.id && (
            <>
              <p>
                {demo.name} is a made-up studio: cards on its wall, paper on its shelves. Change what you like, it can
                be put away and brought back, and nothing of it gets among your own.
              </p>
              <PlainButton isDisabled={going} onPress={() => attempt(enter(demo.id))}>
                Look round {demo.name}
              </PlainButton>
            </>
          )}
          {here && <ButtonLink href="/">Back to {here.name}</ButtonLink>}
        </section>
        <SetUp going={going} onDone={(answers) => attempt(useDoor.getState().setUp(setUpWorkshop(answers)))} />
      </OpenCard>
      {problem && <p role="alert">{problem}</p>}
    </Ground>
  );
}

/** Three questions; all that they lead to can be corrected later. */
function SetUp({
  going,
  onDone,
}: {
  readonly going: boolean;
  readonly onDone: (answers: FirstAnswers) => void;
}): ReactNode {
  const [region, setRegion] = useState(() => regionHere() ?? DEFAULT_REGION);
  const [printer, setPrinter] = useState<FirstAnswers['printer']>('inkjetRear');
  const [trimmers, setTrimmers] = useState<readonly TrimmerKind[]>(['sliding']);
  const [scores, setScores] = useState<'board' | 'rule'>('board');
  const [asks, setAsks] = useState<string | null>(null);
  const places = useMemo(regions, []);
  const currency = currencyOf(region) ?? 'EUR';
  const begin = (): void => {
    if (going) return;
    if (trimmers.length === 0) return setAsks('What do you cut with? Tick at least one; scissors will do.');
    onDone({ region, currency, printer, trimmers, hasBoard: scores === 'board' });
  };
  return (
    <section aria-label="Set up my workshop">
      <h2>Set up my workshop</h2>
      <p className="quiet">Three questions. Every answer, and all that follows from it, can be corrected later.</p>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          begin();
        }}
      >
        <Question>
          <b>1</b>
          <div>
            <SeekPick label="Where are you?" value={region} options={places} onChange={setRegion} />
            <p className="quiet">
              {papersOf(region) === 'iso' ? 'A4 sheets, card by the gram' : 'Letter sheets, card by the pound'};{' '}
              {unitOf(region) === 'mm' ? 'millimetres' : 'inches'}; prices in {moneyName(currency)}.
            </p>
          </div>
        </Question>
        <Question>
          <b>2</b>
          <Choice
            label="What do you print with?"
            value={printer}
            options={PRINTER_KINDS.map((id) => ({ id, name: PRINTER_NAMES[id] }))}
            onChange={setPrinter}
          />
        </Question>
        <Question>
          <b>3</b>
          <div>
            <Ticks
              label="What do you cut with?"
              value={trimmers}
              options={TRIMMER_KINDS.map((id) => ({ id, name: TRIMMER_NAMES[id] }))}
              onChange={(ids) => {
                setTrimmers(ids as readonly TrimmerKind[]);
                setAsks(null);
              }}
            />
            {asks && <p role="alert">{asks}</p>}
            <Choice
              label="And score with?"
              value={scores}
              options={[
                { id: 'board', name: 'A scoring board' },
                { id: 'rule', name: 'A rule and a bone folder' },
              ]}
              onChange={setScores}
            />
          </div>
        </Question>
        <DoNow type="submit" isDisabled={going}>
          Open my workshop
        </DoNow>
      </form>
    </section>
  );
}

const Ground = styled.main`
  display: grid;
  place-content: center;
  gap: 14px;
  min-height: 100%;
  padding: 24px;
  background: ${({ theme }) => theme.colour.slate};
  [role='alert'] {
    padding: 10px 14px;
    border-radius: 6px;
    background: ${({ theme }) => theme.colour.coralWash};
  }
`;
/** Two leaves of one sheet; light falls on the right one, and the fold is between them. */
const OpenCard = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  width: min(1080px, calc(100vw - 48px));
  box-shadow: ${({ theme }) => theme.shadow};
  > section {
    display: grid;
    align-content: start;
    gap: 16px;
    padding: 34px 38px 38px;
  }
  > section:first-child {
    justify-items: start;
    background: linear-gradient(
      to right,
      ${({ theme }) => theme.colour.panelShadeLit},
      ${({ theme }) => theme.colour.panelShade}
    );
    border-right: 2px dashed ${({ theme }) => theme.colour.teal};
  }
  > section:last-child {
    background: ${({ theme }) => theme.colour.paper};
  }
  .mark {
    display: flex;
    align-items: center;
    gap: 10px;
  }
  h1 {
    font-size: 30px;
    line-height: 1.15;
    letter-spacing: -0.01em;
  }
  h2 {
    font-size: 22px;
    line-height: 1.2;
  }
  .quiet {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 15px;
  }
  form {
    display: grid;
    gap: 20px;
  }
  form > button {
    justify-self: start;
    min-height: 44px;
    padding: 8px 22px;
  }
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
    > section:first-child {
      border-right: 0;
      border-bottom: 2px dashed ${({ theme }) => theme.colour.teal};
    }
  }
`;
const Question = styled.div`
  display: grid;
  grid-template-columns: 30px minmax(0, 1fr);
  align-items: start;
  > b {
    font-family: ${({ theme }) => theme.font.mono};
    font-size: 22px;
    line-height: 1.2;
    color: ${({ theme }) => theme.colour.plum};
  }
  > div {
    display: grid;
    gap: 8px;
  }
  .react-aria-Label {
    color: ${({ theme }) => theme.colour.ink};
    font-size: 16px;
    font-weight: 700;
  }
`;

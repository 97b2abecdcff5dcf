import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import { cutText, decide, changeJob, LIMITS, type Workshop } from '@zippy/core';
import { api } from '../../api/client.ts';
import { BenchAndSlip } from '../../bench/BenchAndSlip.tsx';
import { SceneView } from '../../bench/SceneView.tsx';
import { Decisions, SlipPaper, Verdict } from '../../slip/parts.ts';
import { FormatPick } from '../../stations/size/FormatPick.tsx';
import { useNewCard } from '../../stores/newCard.ts';
import { ButtonLink, DoNow } from '../../ui/buttons.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { WordsField } from '../../ui/fields/WordsField.tsx';
import { Row } from '../../ui/ModalDialog.tsx';
import { TopBar } from '../../ui/TopBar.tsx';
import { cardScene } from '../cardScene.ts';
import { Held } from './Held.tsx';
import { sayStart } from './sayStart.ts';
import { useStarted } from './useStarted.ts';
import { WaysIn } from './WaysIn.tsx';

/** A card begins with what the maker holds: on the left that, on the right what it comes to. */
export default function BeginPage({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const navigate = useNavigate();
  const draft = useNewCard();
  const { set } = draft;
  const { started, asks } = useStarted(workshop);
  const said = started && sayStart(started, workshop);
  const [problem, setProblem] = useState<string | null>(null);
  const [going, setGoing] = useState(false);
  const begin = async (): Promise<void> => {
    // A second press while the first is on its way would begin a second card.
    if (going) return;
    const title = draft.title.trim();
    if (title === '') return setProblem('Title wants a few words, so that you find the job again.');
    if (!started) return setProblem(asks ?? 'One moment: it is being worked out.');
    const job = changeJob(started.job, [decide((job) => job.brief.title, cutText(title, LIMITS.brief.titleLetters))]);
    setGoing(true);
    try {
      const id = crypto.randomUUID();
      await api.addJob(id, job);
      draft.clear();
      await navigate(`/jobs/${id}/${draft.way === 'picture' ? 'art' : 'size'}`);
    } catch (why) {
      setGoing(false);
      setProblem(`${(why as Error).message} What you typed is still here; try again.`);
    }
  };
  return (
    <BenchAndSlip>
      <TopBar />
      {problem && <p role="alert">{problem}</p>}
      <main>
        <Ground aria-label="What you hold">
          <h1>What do you have in your hand?</h1>
          <WaysIn />
          <Held workshop={workshop} />
        </Ground>
        <SlipPaper aria-label="A new card">
          <h1>A new card</h1>
          <form
            onSubmit={(event) => {
              event.preventDefault();
              void begin();
            }}
          >
            <Decisions>
              <WordsField
                label="What is it for?"
                value={draft.title}
                onChange={(title) => {
                  set({ title });
                  setProblem(null);
                }}
                hint="A title you will know it by."
              />
              {draft.way !== 'earlier' && (
                <Choice
                  label="For whom"
                  value={draft.purpose}
                  options={[
                    { id: 'give', name: 'To give' },
                    { id: 'sell', name: 'To sell' },
                  ]}
                  onChange={(purpose) => set({ purpose })}
                />
              )}
              {!(draft.way === 'earlier' && draft.withCounts) && (
                <NumberField
                  label="Good cards wanted"
                  value={draft.wanted}
                  {...LIMITS.brief.wanted}
                  onCommit={(wanted) => set({ wanted })}
                />
              )}
              {(draft.way === 'envelope' || draft.way === 'sample') && (
                <FormatPick value={draft.format} onChange={(format) => set({ format })} />
              )}
              <Outcome aria-live="polite" aria-label="What it comes to">
                {started && said ? (
                  <>
                    <span className="picture">
                      <SceneView scene={cardScene(started.plan)} pictures={started.job.pictures} />
                    </span>
                    <Verdict>{said.verdict}</Verdict>
                    <p>{said.how}</p>
                    {started.stops.map(({ id, title }) => (
                      <p key={id} className="stop">
                        <b>✕ {title}.</b> It can be settled once the card is begun.
                      </p>
                    ))}
                  </>
                ) : (
                  <p>{asks ?? 'Trying what the shelf has …'}</p>
                )}
              </Outcome>
              <Row>
                <DoNow type="submit">Begin this card</DoNow>
                <ButtonLink href="/">Not now</ButtonLink>
              </Row>
            </Decisions>
          </form>
        </SlipPaper>
      </main>
    </BenchAndSlip>
  );
}

const Ground = styled.section`
  min-height: 0;
  overflow: auto;
  padding: 18px 24px 32px;
  background: ${({ theme }) => theme.colour.slate};
  color: ${({ theme }) => theme.colour.onSlate};
  h1 {
    margin-bottom: 14px;
    font-size: 24px;
  }
`;
const Outcome = styled.div`
  display: grid;
  gap: 8px;
  margin-top: 4px;
  padding-top: 14px;
  border-top: 1px solid ${({ theme }) => theme.colour.rule};
  .picture {
    display: grid;
    height: 150px;
    padding: 10px;
    border-radius: 4px;
    background: ${({ theme }) => theme.colour.slate};
  }
  .picture > svg {
    width: 100%;
    height: 100%;
    min-height: 0;
  }
  ${Verdict} {
    margin: 0;
  }
  p:not(${Verdict}) {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 15px;
  }
  .stop {
    padding: 8px 10px;
    background: ${({ theme }) => theme.colour.coralWash};
  }
`;

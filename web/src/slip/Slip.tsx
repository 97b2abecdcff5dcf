import { useState, type ReactNode } from 'react';
import { Disclosure, DisclosurePanel, Heading, Button } from 'react-aria-components';
import styled from 'styled-components';
import { say, type Figure, type Snag, type Spoken, type StationPlan } from '@zippy/core';
import { useJob } from '../stores/job.ts';
import { PlainButton } from '../ui/buttons.tsx';

/** The right-hand slip: a sentence, a few decisions, what is wrong, then the figures. */
export function Slip({
  title,
  part,
  spoken,
  children,
  after,
}: {
  readonly title: string;
  readonly part: StationPlan;
  readonly spoken: Spoken;
  readonly children: ReactNode;
  readonly after?: ReactNode;
}): ReactNode {
  return (
    <SlipPaper aria-label={`${title}: decisions`}>
      <h2>{title}</h2>
      <Verdict aria-live="polite">{part.verdict}</Verdict>
      <Snags snags={part.snags} />
      <Decisions>{children}</Decisions>
      <Figures figures={part.figures} spoken={spoken} />
      {after}
    </SlipPaper>
  );
}

const NICK = { stop: '✕', warn: '!', note: '·' } as const;
const WORD = { stop: 'Stops the job', warn: 'Look at this', note: 'Worth knowing' } as const;

export function Snags({ snags }: { readonly snags: readonly Snag[] }): ReactNode {
  const change = useJob((s) => s.change);
  if (snags.length === 0) return null;
  return (
    <SnagList aria-label="Snags">
      {snags.map((snag) => (
        <li key={snag.id} className={snag.level}>
          <strong>
            <span className="nick" aria-hidden>
              {NICK[snag.level]}
            </span>
            <span className="hidden">{WORD[snag.level]}: </span>
            {snag.title}
          </strong>
          <p>{snag.why}</p>
          {snag.remedies.length > 0 && (
            <div className="remedies">
              {snag.remedies.map((remedy) => (
                <PlainButton key={remedy.label} onPress={() => change(remedy.changes)}>
                  {remedy.label}
                </PlainButton>
              ))}
            </div>
          )}
        </li>
      ))}
    </SnagList>
  );
}

/** Figures that open to show how they came about. */
export function Figures({
  figures,
  spoken,
}: {
  readonly figures: readonly Figure[];
  readonly spoken: Spoken;
}): ReactNode {
  if (figures.length === 0) return null;
  return (
    <FigureList>
      <h3>Figures</h3>
      {figures.map((figure) => (
        <FigureLine key={figure.id} figure={figure} spoken={spoken} />
      ))}
    </FigureList>
  );
}

function FigureLine({ figure, spoken }: { readonly figure: Figure; readonly spoken: Spoken }): ReactNode {
  const [open, setOpen] = useState(false);
  return (
    <Disclosure isExpanded={open} onExpandedChange={setOpen}>
      <Heading level={4}>
        <Button slot="trigger" aria-label={`${figure.label}: ${say(figure.value, spoken)}. Show the working`}>
          <span>{figure.label}</span>
          <b>{say(figure.value, spoken)}</b>
        </Button>
      </Heading>
      <DisclosurePanel>
        {open && (
          <div className="working">
            <p>{figure.working.sum}</p>
            {figure.working.inputs.map((input) => (
              <p key={input.label} className="input">
                <span>{input.label}</span>
                <span>{say(input.value, spoken)}</span>
              </p>
            ))}
          </div>
        )}
      </DisclosurePanel>
    </Disclosure>
  );
}

/** Settings that are right for most jobs and so stay folded. */
export function More({ label, children }: { readonly label: string; readonly children: ReactNode }): ReactNode {
  const [open, setOpen] = useState(false);
  return (
    <Fold isExpanded={open} onExpandedChange={setOpen}>
      <Heading level={3}>
        <Button slot="trigger">
          <span aria-hidden>{open ? '▾' : '▸'}</span> {label}
        </Button>
      </Heading>
      <DisclosurePanel>{open && <Decisions>{children}</Decisions>}</DisclosurePanel>
    </Fold>
  );
}

export const SlipPaper = styled.aside`
  /* Hidden inputs of switches are placed against this; against the page they would make it scroll. */
  position: relative;
  display: flex;
  flex-direction: column;
  gap: 14px;
  min-height: 0;
  overflow: auto;
  padding: 18px 20px 28px;
  border-left: 1px solid ${({ theme }) => theme.colour.rule};
  background: ${({ theme }) => theme.colour.paper};
  h2 {
    font-size: 14px;
    font-weight: 700;
    color: ${({ theme }) => theme.colour.plum};
  }
`;
export const Verdict = styled.p`
  margin-top: -8px;
  font-size: 19px;
  line-height: 1.35;
`;
export const Decisions = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
`;
const Fold = styled(Disclosure)`
  h3 {
    font-size: 16px;
    font-weight: 400;
  }
  h3 > button {
    padding: 4px 0;
    border: 0;
    background: none;
    color: ${({ theme }) => theme.colour.teal};
    cursor: pointer;
  }
  &[data-expanded] h3 {
    margin-bottom: 8px;
  }
`;
const SnagList = styled.ul`
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
  li {
    padding: 10px 12px;
    border: 1px solid;
    border-left-width: 5px;
    border-radius: 4px;
  }
  li.stop {
    border-color: ${({ theme }) => theme.colour.coral};
    background: ${({ theme }) => theme.colour.coralWash};
  }
  li.warn {
    border-color: ${({ theme }) => theme.colour.ochre};
    background: ${({ theme }) => theme.colour.ochreWash};
  }
  li.note {
    border-color: ${({ theme }) => theme.colour.teal};
    background: ${({ theme }) => theme.colour.tealWash};
  }
  strong {
    display: block;
    line-height: 1.3;
  }
  .nick {
    display: inline-grid;
    place-items: center;
    width: 18px;
    height: 18px;
    margin-right: 7px;
    border-radius: 3px;
    background: ${({ theme }) => theme.colour.ink};
    color: ${({ theme }) => theme.colour.white};
    font-size: 12px;
    line-height: 1;
  }
  p {
    margin-top: 3px;
    font-size: 15px;
  }
  .remedies {
    display: grid;
    gap: 6px;
    margin-top: 8px;
  }
  .remedies button {
    justify-content: flex-start;
    min-height: 34px;
    text-align: left;
    line-height: 1.25;
    font-size: 15px;
  }
  .hidden {
    position: absolute;
    clip-path: inset(50%);
  }
`;
const FigureList = styled.div`
  display: grid;
  border-top: 2px solid ${({ theme }) => theme.colour.ink};
  h3 {
    padding: 8px 0 2px;
    font-size: 14px;
    color: ${({ theme }) => theme.colour.inkQuiet};
  }
  h4 {
    margin: 0;
    font-weight: 400;
  }
  h4 > button {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    gap: 12px;
    width: 100%;
    padding: 7px 0;
    border: 0;
    border-bottom: 1px dotted ${({ theme }) => theme.colour.rule};
    background: none;
    text-align: left;
    cursor: pointer;
  }
  h4 > button[data-hovered] {
    background: ${({ theme }) => theme.colour.paperShade};
  }
  b {
    font-family: ${({ theme }) => theme.font.mono};
    font-size: 15px;
    text-align: right;
  }
  .working {
    padding: 8px 12px;
    background: ${({ theme }) => theme.colour.paperShade};
    font-size: 14px;
  }
  .input {
    display: flex;
    justify-content: space-between;
    gap: 12px;
    margin-top: 4px;
    color: ${({ theme }) => theme.colour.inkQuiet};
  }
  .input span:last-child {
    font-family: ${({ theme }) => theme.font.mono};
    text-align: right;
  }
`;

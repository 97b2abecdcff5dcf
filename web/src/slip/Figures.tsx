import { useState, type ReactNode } from 'react';
import { Disclosure, DisclosurePanel, Heading, Button } from 'react-aria-components';
import styled from 'styled-components';
import { say, type Figure, type FigureValue, type Spoken } from '@zippy/core';

/** Sizes come as text: one length by another. */
const isMeasured = ({ kind }: FigureValue): boolean => kind === 'length' || kind === 'text';

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
          <b className={isMeasured(figure.value) ? 'measured' : undefined}>{say(figure.value, spoken)}</b>
        </Button>
      </Heading>
      <DisclosurePanel>
        {open && (
          <div className="working">
            <p>{figure.working.sum}</p>
            {figure.working.inputs.map((input) => (
              <p key={input.label} className="input">
                <span>{input.label}</span>
                <span className={isMeasured(input.value) ? 'measured' : undefined}>{say(input.value, spoken)}</span>
              </p>
            ))}
          </div>
        )}
      </DisclosurePanel>
    </Disclosure>
  );
}

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
    font-size: 15px;
    text-align: right;
  }
  /* What is set on a rule or a fence is read as it stands there; prices, counts and shares as in a sentence. */
  .measured {
    font-family: ${({ theme }) => theme.font.mono};
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
    text-align: right;
  }
`;

import { useCallback, type ReactNode } from 'react';
import { Button } from 'react-aria-components';
import { drawCreaseLine, drawFolded, formatLength, type Scene } from '@zippy/core';
import styled from 'styled-components';
import { Bench } from '../../bench/Bench.tsx';
import { More, Slip } from '../../slip/Slip.tsx';
import { useJob } from '../../stores/job.ts';
import { useView } from '../../stores/view.ts';
import { Choice, Pick } from '../../ui/Choose.tsx';
import { BenchPress, KeyCap } from '../../ui/Press.tsx';
import { spokenOf, useSides, type StationProps } from '../parts.ts';
import { StepList, Stepper } from '../Stepper.tsx';

export function CreaseBench({ job, plan, workshop }: StationProps): ReactNode {
  const { crease, size, stock } = plan;
  const { step: wanted, folded, open, set } = useView();
  const step = Math.min(wanted, Math.max(0, crease.lines.length - 1));
  const sides = useSides(plan);
  const showFolded = folded && crease.lines.length > 0;
  const draw = useCallback(
    (textMm: number): Scene =>
      showFolded
        ? drawFolded(size, { open, stockColour: stock.stock.colour, art: sides })
        : drawCreaseLine(size, crease, step, {
            unit: workshop.unit,
            textMm,
            stockColour: stock.stock.colour,
            art: sides,
          }),
    [size, crease, step, workshop.unit, stock, sides, showFolded, open],
  );
  const board = draw(4).box;
  const line = crease.lines[step];
  return (
    <Bench
      content={board}
      draw={draw}
      pictures={job.pictures}
      unit={workshop.unit}
      label={line ? `Crease ${line.number}: ${line.text}` : crease.verdict}
      caption={
        line && !showFolded
          ? `${line.faceUp} up · groove ${line.groove} at ${formatLength(line.grooveAtMm, workshop.unit)}`
          : undefined
      }
      tools={
        <>
          <Stepper count={crease.lines.length} name="Crease" />
          {crease.lines.length > 0 && (
            <BenchPress aria-pressed={folded} onPress={() => set({ folded: !folded })}>
              Folded <KeyCap>O</KeyCap>
            </BenchPress>
          )}
        </>
      }
    />
  );
}

export function CreaseSlip({ job, plan, workshop }: StationProps): ReactNode {
  const change = useJob((s) => s.change);
  const { step, set } = useView();
  const { crease } = plan;
  return (
    <Slip title="Crease" part={crease} spoken={spokenOf(workshop)}>
      <Pick
        label="Crease on"
        value={job.crease.boardId}
        onChange={(id) => change([{ path: ['crease', 'boardId'], value: id }])}
        sections={[
          {
            heading: null,
            options: workshop.boards.map((b) => ({
              id: b.id,
              name: b.name,
              note: `every ${formatLength(b.grooveEveryMm, workshop.unit)}`,
            })),
          },
        ]}
      />
      <StepList aria-label="Creases">
        {crease.lines.map((line, i) => (
          <li key={line.number}>
            <Button aria-current={i === step ? 'step' : undefined} onPress={() => set({ step: i })}>
              <span className="n">{line.number}</span>
              <span>
                <span className="big">{formatLength(line.grooveAtMm, workshop.unit)}</span>
                <span className="turn">{line.faceUp} up</span>
              </span>
              <span className="text">{line.text}</span>
            </Button>
          </li>
        ))}
      </StepList>
      {crease.folding.length > 0 && (
        <Folding>
          {crease.folding.map((sentence) => (
            <li key={sentence}>{sentence}</li>
          ))}
        </Folding>
      )}
      <More label="Which side the bead lies">
        <Choice
          label="Bead"
          value={job.crease.bead}
          options={[
            { id: 'inside', name: 'Inside the fold' },
            { id: 'intoGroove', name: 'Fold into the groove' },
          ]}
          onChange={(bead) => change([{ path: ['crease', 'bead'], value: bead }])}
        />
      </More>
    </Slip>
  );
}

const Folding = styled.ul`
  display: grid;
  gap: 4px;
  margin: 0;
  padding-left: 18px;
`;

import { useCallback, type ReactNode } from 'react';
import { Button } from 'react-aria-components';
import {
  CRACKS_UP_TO,
  decide,
  drawCreaseLine,
  formatLength,
  isPlainRule,
  LIMITS,
  takeFriendly,
  type Scene,
} from '@zippy/core';
import styled from 'styled-components';
import { Bench } from '../../bench/Bench.tsx';
import { FoldedBench } from '../../folded/FoldedBench.tsx';
import { More } from '../../slip/More.tsx';
import { Slip } from '../../slip/Slip.tsx';
import { useJob } from '../../stores/job.ts';
import { useView } from '../../stores/view/index.ts';
import { Choice } from '../../ui/Choice.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { BenchButton, KeyCap, PlainButton } from '../../ui/buttons.tsx';
import { PressureChoice } from '../PressureChoice.tsx';
import { spokenOf, useSides, type StationProps } from '../parts.ts';
import { StepList, Stepper } from '../Stepper.tsx';

export function CreaseBench({ job, plan, workshop }: StationProps): ReactNode {
  const { crease, size, stock } = plan;
  const { step: wanted, folded, showFolded } = useView();
  const step = Math.min(wanted, Math.max(0, crease.lines.length - 1));
  const sides = useSides(plan);
  const draw = useCallback(
    (textMm: number): Scene =>
      drawCreaseLine(size, crease, step, {
        unit: workshop.unit,
        textMm,
        stockColour: stock.stock.colour,
        art: sides,
      }),
    [size, crease, step, workshop.unit, stock, sides],
  );
  const line = crease.lines[step];
  const foldPress = line && (
    <BenchButton aria-pressed={folded} onPress={() => showFolded(!folded)}>
      Folded <KeyCap>O</KeyCap>
    </BenchButton>
  );
  if (folded && line) return <FoldedBench job={job} plan={plan} workshop={workshop} art={sides} more={foldPress} />;
  return (
    <Bench
      content={draw(4).box}
      draw={draw}
      pictures={job.pictures}
      unit={workshop.unit}
      label={line ? `Crease ${line.number}: ${line.text}` : crease.verdict}
      caption={
        line
          ? crease.byEnds
            ? `${line.faceUp} up · from end to end of the fold`
            : line.isByRule
              ? `${line.faceUp} up · along a rule, from slit to slit`
              : `${line.faceUp} up · ${isPlainRule(crease.board) ? 'line' : `groove ${line.groove}`} at ${formatLength(line.grooveAtMm, workshop.unit)}`
          : undefined
      }
      tools={
        <>
          <Stepper count={crease.lines.length} name="Crease" />
          {foldPress}
        </>
      }
    />
  );
}

export function CreaseSlip({ job, plan, workshop }: StationProps): ReactNode {
  const change = useJob((s) => s.change);
  const { step, goToStep } = useView();
  const { crease } = plan;
  return (
    <Slip title="Crease" part={crease} spoken={spokenOf(workshop)}>
      <Pick
        label="Crease on"
        value={job.crease.boardId}
        onChange={(id) => change([decide((job) => job.crease.boardId, id)])}
        sections={[
          {
            heading: null,
            options: workshop.boards.map((b) => ({
              id: b.id,
              name: b.name,
              note: isPlainRule(b) ? 'plain rule' : `every ${formatLength(b.grooveEveryMm, workshop.unit)}`,
            })),
          },
        ]}
      />
      <StepList aria-label="Creases">
        {crease.lines.map((line, i) => (
          <li key={line.number}>
            <Button aria-current={i === step ? 'step' : undefined} onPress={() => goToStep(i)}>
              <span className="n">{line.number}</span>
              <span>
                <span className="big">
                  {crease.byEnds
                    ? 'End to end'
                    : line.isByRule
                      ? 'By rule'
                      : formatLength(line.grooveAtMm, workshop.unit)}
                </span>
                <span className="turn">
                  {line.faceUp} up{crease.lines.length > 1 ? ` · ${line.turn.toLowerCase()}` : ''}
                </span>
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
      {crease.friendly.length > 0 && (
        <More label="Sizes that suit this board">
          <p>
            On {crease.board.name} every crease of these lands on a {isPlainRule(crease.board) ? 'mark' : 'groove'}, and
            a sheet still gives {plan.sheet.up}.
          </p>
          {crease.friendly.map((friendly) => {
            const remedy = takeFriendly(friendly, workshop.unit);
            return (
              <PlainButton key={remedy.label} onPress={() => change(remedy.changes)}>
                {remedy.label}
              </PlainButton>
            );
          })}
        </More>
      )}
      <More label="Schools of pressing and of the bead">
        <Folding>
          {crease.schools.map(({ id, text }) => (
            <li key={id}>{text}</li>
          ))}
        </Folding>
        <PressureChoice value={job.crease.pressure} />
        <NumberField
          label="Folds that may crack, of a hundred"
          value={Math.round(100 * (job.crease.cracksUpTo ?? CRACKS_UP_TO))}
          least={100 * LIMITS.crease.cracksUpTo.least}
          most={100 * LIMITS.crease.cracksUpTo.most}
          onCommit={(of100) => change([decide((job) => job.crease.cracksUpTo, of100 / 100)])}
        />
        <Choice
          label="Bead"
          value={job.crease.bead}
          options={[
            { id: 'inside', name: 'Inside the fold' },
            { id: 'intoGroove', name: 'Fold into the groove' },
          ]}
          onChange={(bead) => change([decide((job) => job.crease.bead, bead)])}
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

import { useCallback, type ReactNode } from 'react';
import { drawBlank, IDENTITY, type Scene } from '@zippy/core';
import { Bench, type BenchGeometry } from '../bench/Bench.tsx';
import { SideBench } from '../folded/SideBench.tsx';
import { FoldedBench } from '../folded/FoldedBench.tsx';
import { useView } from '../stores/view/index.ts';
import { BenchButton, KeyCap } from '../ui/buttons.tsx';
import { useSeenPanels, useSides, type StationProps } from './parts.ts';

/** The card itself: its open blank, one side up, or folded as far as the slider says. */
export function BlankBench({
  job,
  plan,
  workshop,
  showArt,
  names,
  overlay,
}: StationProps & {
  readonly showArt: boolean;
  readonly names: boolean;
  /** Over the open blank. */
  readonly overlay?: (geometry: BenchGeometry) => ReactNode;
}): ReactNode {
  const { side, light, folded, showFolded: fold, turnOver, toggleLight, sideOn, lookSideOn, popUpInHand } = useView();
  const sides = useSides(plan);
  const prints = useSeenPanels(plan);
  const folds = plan.size.form.blank.creases.length > 0;
  const showFolded = folded && folds;
  const stockColour = plan.stock.stock.colour;
  const draw = useCallback(
    (textMm: number): Scene => {
      const other = side === 'outside' ? sides.inside : sides.outside;
      const through = light
        ? ([{ kind: 'group', transform: IDENTITY, blend: 'multiply', children: other }] as const)
        : [];
      return drawBlank(plan.size, {
        side,
        unit: workshop.unit,
        stockColour,
        textMm,
        art: showArt ? [...sides[side], ...through] : [],
        names,
        guides: true,
        // A panel’s picture is laid where the panel is chosen, also where the faces are still bare.
        prints,
      });
    },
    [plan.size, prints, sides, side, light, stockColour, workshop.unit, showArt, names],
  );
  const foldPress = folds && (
    <BenchButton onPress={() => fold(!folded)} aria-pressed={folded}>
      Folded <KeyCap>O</KeyCap>
    </BenchButton>
  );
  const inHand = job.size.layers.findIndex(({ id }) => id === popUpInHand);
  const chosen = inHand < 0 ? null : inHand;
  const { popUps } = plan.size;
  const morePresses = (
    <>
      {foldPress}
      {popUps && (
        <BenchButton onPress={() => lookSideOn(!sideOn)} aria-pressed={sideOn}>
          From the side
        </BenchButton>
      )}
    </>
  );
  if (showFolded && popUps && sideOn)
    return <SideBench {...{ job, plan, workshop, popUps, chosen }} more={morePresses} />;
  if (showFolded) return <FoldedBench {...{ job, plan, workshop, chosen }} art={sides} more={morePresses} />;
  const { blank } = plan.size.form;
  return (
    <Bench
      content={{ xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm }}
      draw={draw}
      overlay={overlay}
      pictures={job.pictures}
      unit={workshop.unit}
      label={`The open blank, ${side} up: ${plan.size.verdict}`}
      caption={light && showArt ? 'Held to the light: both sides together' : undefined}
      tools={
        <>
          <BenchButton onPress={turnOver}>
            Turn over <KeyCap>T</KeyCap>
          </BenchButton>
          {showArt && (
            <BenchButton onPress={toggleLight} aria-pressed={light}>
              To the light <KeyCap>L</KeyCap>
            </BenchButton>
          )}
          {foldPress}
        </>
      }
    />
  );
}

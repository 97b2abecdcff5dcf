import { useCallback, type ReactNode } from 'react';
import { drawBlank, drawFolded, IDENTITY, type Scene } from '@zippy/core';
import { Bench } from '../bench/Bench.tsx';
import { useView } from '../stores/view.ts';
import { Scale } from '../ui/Choose.tsx';
import { BenchPress, KeyCap } from '../ui/Press.tsx';
import styled from 'styled-components';
import { useSides, type StationProps } from './parts.ts';

/** The card itself: its open blank, one side up, or folded as far as the slider says. */
export function BlankBench({
  job,
  plan,
  workshop,
  showArt,
  names,
}: StationProps & { readonly showArt: boolean; readonly names: boolean }): ReactNode {
  const { side, light, folded, open, set, turnOver, toggleLight } = useView();
  const sides = useSides(plan);
  const folds = plan.size.form.blank.creases.length > 0;
  const showFolded = folded && folds;
  const stockColour = plan.stock.stock.colour;
  const draw = useCallback(
    (textMm: number): Scene => {
      if (showFolded)
        return drawFolded(plan.size, { open, stockColour, art: showArt ? sides : { outside: [], inside: [] } });
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
      });
    },
    [plan.size, sides, side, light, showFolded, open, stockColour, workshop.unit, showArt, names],
  );
  const { blank } = plan.size.form;
  const content = showFolded ? draw(1).box : { xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm };
  return (
    <Bench
      content={content}
      draw={draw}
      pictures={job.pictures}
      unit={workshop.unit}
      label={
        showFolded
          ? `The folded card, ${Math.round(open * 180)} degrees open`
          : `The open blank, ${side} up: ${plan.size.verdict}`
      }
      caption={light && !showFolded && showArt ? 'Held to the light: both sides together' : undefined}
      tools={
        <>
          <BenchPress onPress={turnOver} isDisabled={showFolded}>
            Turn over <KeyCap>T</KeyCap>
          </BenchPress>
          {showArt && (
            <BenchPress onPress={toggleLight} aria-pressed={light} isDisabled={showFolded}>
              To the light <KeyCap>L</KeyCap>
            </BenchPress>
          )}
          {folds && (
            <BenchPress onPress={() => set({ folded: !folded })} aria-pressed={folded}>
              Folded <KeyCap>O</KeyCap>
            </BenchPress>
          )}
          {showFolded && (
            <Opener>
              <Scale
                label="Open"
                value={open}
                least={0}
                most={1}
                step={0.01}
                say={(v) => `${Math.round(v * 180)}°`}
                onChange={(v) => set({ open: v })}
              />
            </Opener>
          )}
        </>
      }
    />
  );
}

const Opener = styled.div`
  width: 190px;
  margin-left: 8px;
`;

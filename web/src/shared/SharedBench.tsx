import { useCallback, useMemo, type ReactNode } from 'react';
import {
  boxPath,
  drawMoves,
  drawPattern,
  formatLength,
  movesFor,
  partKinds,
  patternOutline,
  sharedPageMap,
  type CutMove,
  type SharedSheet,
  type Job,
  type MixedPattern,
  type Scene,
  type SharedPiece,
  type Stock,
  type Trimmer,
  type Workshop,
} from '@zippy/core';
import { Bench } from '../bench/Bench.tsx';
import { Large } from '../bench/Large.tsx';
import { useView } from '../stores/view/index.ts';
import { BenchButton, KeyCap } from '../ui/buttons.tsx';
import { Stepper } from '../stations/Stepper.tsx';

/** Moves that cut one pattern apart, with names for what comes off instead of ids. */
export function movesOf(
  pattern: MixedPattern,
  sheet: SharedSheet,
  gutterMm: number,
  pieces: readonly SharedPiece[],
  stock: Stock,
  trimmer: Trimmer,
  { unit }: Workshop,
): readonly CutMove[] {
  const page = { xMm: 0, yMm: 0, widthMm: sheet.widthMm, heightMm: sheet.heightMm };
  const placements = pattern.placements.map((p) => ({ ...p, id: pieces.find((piece) => piece.id === p.id)!.name }));
  return movesFor(
    { kind: 'kinds', drafts: partKinds(placements, page, gutterMm) },
    { page, sheets: pattern.times, stock, trimmer, unit, shaped: false },
  ).moves;
}

/** One pattern on the bench: as it is printed, or coming apart move by move. */
export function SharedBench({
  pattern,
  sheet,
  stock,
  pieces,
  pictures,
  moves,
  flipEdge,
  workshop,
  number,
  of,
}: {
  readonly pattern: MixedPattern;
  readonly sheet: SharedSheet;
  readonly stock: Stock;
  readonly pieces: readonly SharedPiece[];
  readonly pictures: Job['pictures'];
  readonly moves: readonly CutMove[];
  readonly flipEdge: 'long' | 'short';
  readonly workshop: Workshop;
  readonly number: number;
  readonly of: number;
}): ReactNode {
  const { side, step: wanted, onSheet: cutting, showOnSheet, goToStep, turnOver } = useView();
  const step = Math.min(wanted, Math.max(0, moves.length - 1));
  const now = side === 'outside' || cutting ? 'front' : 'back';
  const page = useMemo(() => ({ xMm: 0, yMm: 0, widthMm: sheet.widthMm, heightMm: sheet.heightMm }), [sheet]);
  const draw = useCallback(
    (textMm: number): Scene => {
      const { scene } = drawPattern(pattern, sheet, pieces, now, flipEdge, { number, of, date: null });
      const whole: Scene = {
        ...scene,
        shapes: [
          { kind: 'path', role: 'sheet', path: boxPath(scene.box), fill: stock.colour },
          ...scene.shapes,
          ...patternOutline(pattern, sharedPageMap(sheet, now, flipEdge)),
        ],
      };
      return cutting ? drawMoves(whole, moves, step, { unit: workshop.unit, textMm }) : whole;
    },
    [pattern, sheet, pieces, now, flipEdge, number, of, stock, cutting, moves, step, workshop.unit],
  );
  const move = cutting ? moves[step] : undefined;
  return (
    <Bench
      content={page}
      draw={draw}
      pictures={pictures}
      unit={workshop.unit}
      label={
        move
          ? `Cut ${move.number}: ${move.turn}. ${move.text}`
          : `Shared sheet ${number} of ${of}, ${now}: ${pattern.placements.length} pieces, ${pattern.times} times`
      }
      overlay={() =>
        move && (
          <Large big={formatLength(move.fenceMm, workshop.unit)}>
            <span>{move.turn}</span>
            <span>{move.atFence} edge to the fence</span>
          </Large>
        )
      }
      caption={move ? move.text : undefined}
      tools={
        <>
          {!cutting && (
            <BenchButton onPress={turnOver}>
              Turn over <KeyCap>T</KeyCap>
            </BenchButton>
          )}
          <BenchButton
            aria-pressed={cutting}
            onPress={() => {
              showOnSheet(!cutting);
              goToStep(0);
            }}
          >
            Cut it apart
          </BenchButton>
          {cutting && <Stepper count={moves.length} name="Cut" />}
        </>
      }
    />
  );
}

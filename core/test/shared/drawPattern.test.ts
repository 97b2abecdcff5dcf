import { expect } from 'chai';
import { correctionsInForce } from '../../src/workshop/calibration/chooseCalibration.ts';
import { correctPage } from '../../src/workshop/calibration/correctPage.ts';
import { calibrationMarks } from '../../src/workshop/calibration/marks.ts';
import type { Calibration } from '../../src/workshop/calibration/types.ts';
import { drawPattern } from '../../src/shared/drawPattern.ts';
import { ownPiece } from '../../src/shared/ownPiece.ts';
import { pageAsFed, sheetAsFed } from '../../src/shared/pageAsFed.ts';
import { sharedPieces } from '../../src/shared/sharedPieces.ts';
import type { SharedSheet, MixedPattern } from '../../src/shared/types.ts';
import { evenSides } from '../../src/ground/geometry/box.ts';
import type { Page, Shape } from '../../src/ground/scene/types.ts';
import { inkedWith, plan, sized, workshop } from '../support.ts';

const sheet: SharedSheet = {
  id: 's',
  widthMm: 297,
  heightMm: 210,
  marginsMm: { top: 4, right: 6, bottom: 8, left: 10 },
  cost: 1,
  most: null,
  quarterTurned: true,
};
const label = { number: 1, of: 1, date: null };
const tag = ownPiece({
  id: 't',
  name: 'Tag',
  widthMm: 50,
  heightMm: 90,
  wanted: 4,
  stockId: 'shell-300-a4',
  mayTurn: true,
});
const job = inkedWith(...sized('sideFold', 70, 100));
const [card] = sharedPieces('j', job, plan(job), 'respect');

/** Ends of the lines of one kind, as text. */
const lines = (shapes: readonly Shape[], role: string): readonly string[] =>
  shapes.flatMap((shape) =>
    shape.kind === 'path' && shape.role === role
      ? [
          shape.path
            .flatMap((part) => (part.kind === 'close' ? [] : [`${part.to.xMm.toFixed(1)} ${part.to.yMm.toFixed(1)}`]))
            .join(' to '),
        ]
      : [],
  );

describe('drawPattern', () => {
  const pattern = (...placements: MixedPattern['placements']): MixedPattern => ({ times: 2, sheetId: 's', placements });
  const at = (id: string, xMm: number, yMm: number, w: number, h: number, turned = false) => ({
    id,
    xMm,
    yMm,
    widthMm: w,
    heightMm: h,
    turned,
  });

  it('marks a fold above and below its card, and not where another card lies between', () => {
    const one = drawPattern(pattern(at('j/card', 30, 40, 140, 100)), sheet, [card!], 'front', 'long', label);
    // Fold at 30 + 70. The bleed of 3 and a hair of 0.3 lie between trim and tick of 4.
    expect(lines(one.scene.shapes, 'creaseAway')).to.deep.equal([
      '100.0 36.7 to 100.0 32.7',
      '100.0 143.3 to 100.0 147.3',
    ]);
    const two = drawPattern(
      pattern(at('j/card', 30, 60, 140, 100), at('own/t', 60, 16, 90, 40, true)),
      sheet,
      [card!, tag],
      'front',
      'long',
      label,
    );
    expect(lines(two.scene.shapes, 'creaseAway').map((line) => line.slice(0, 11))).to.deep.equal(['100.0 163.3']);
  });

  it('cuts a piece of one’s own from bare stock, by an outline', () => {
    const { scene } = drawPattern(pattern(at('own/t', 60, 16, 50, 90)), sheet, [tag], 'front', 'long', label);
    const use = scene.shapes.find((shape) => shape.kind === 'use');
    expect(use).to.deep.include({ transform: [1, 0, 0, 1, 60, 16] });
    expect(ownPiece({ ...tag, id: 't', name: '  ' }).name).to.equal('Piece');
  });

  it('is handed to the printer as the sheet is drawn in: turned back to the left', () => {
    const page = drawPattern(pattern(at('own/t', 60, 16, 50, 90)), sheet, [tag], 'front', 'long', label);
    const fed = pageAsFed(page, sheet);
    expect(fed.scene.box).to.deep.equal({ xMm: 0, yMm: 0, widthMm: 210, heightMm: 297 });
    // What was 16 from the top is 16 from the left; what ended 110 from the left ends 297 − 110 from the top.
    expect(fed.trimBox).to.deep.equal({ xMm: 16, yMm: 187, widthMm: 90, heightMm: 50 });
    expect(pageAsFed(page, { ...sheet, quarterTurned: false })).to.deep.equal(page);
    expect(sheetAsFed(sheet)).to.deep.equal({ widthMm: 210, heightMm: 297 });
  });

  it('is moved by what its stock’s calibration found', () => {
    const path = workshop.printers[0]!.paths[0]!;
    const moved = { rightMm: 0.6, lowMm: -0.4 };
    const marks = calibrationMarks({ widthMm: 210, heightMm: 297 }, evenSides(5));
    const calibration: Calibration = {
      id: 'c',
      day: '2026-11-20',
      gsm: 300,
      sheetWidthMm: 210,
      sheetHeightMm: 297,
      marginsMm: evenSides(5),
      flipEdge: 'long',
      laidBack: '',
      readings: {
        ruleAcrossMm: marks.ruleAcross.lengthMm,
        ruleDownMm: marks.ruleDown.lengthMm,
        crosses: { topLeft: moved, topRight: moved, bottomLeft: moved, bottomRight: moved },
        edges: null,
        arrows: 'same',
      },
      setAside: false,
    };
    const inForce = correctionsInForce({ ...path, calibrations: [calibration] }, 300, sheetAsFed(sheet));
    const page: Page = pageAsFed(
      drawPattern(pattern(at('j/card', 30, 40, 140, 100)), sheet, [card!], 'back', 'long', label),
      sheet,
    );
    const sent = correctPage(page, inForce, 'back');
    // The back prints 0.6 to the right as seen from the front, so to its own left; it is sent 0.6 to its right.
    expect(sent.trimBox.xMm - page.trimBox.xMm).to.be.closeTo(0.6, 1e-6);
    expect(sent.trimBox.yMm - page.trimBox.yMm).to.be.closeTo(0.4, 1e-6);
    const front = correctPage(page, inForce, 'front');
    expect(front.trimBox.xMm).to.be.closeTo(page.trimBox.xMm, 1e-6);
    expect(correctionsInForce({ ...path, calibrations: [calibration] }, 120, sheetAsFed(sheet))).to.equal(null);
  });
});

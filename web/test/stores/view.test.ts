import { expect } from 'chai';
import { useView } from '../../src/stores/view/index.ts';

describe('how things are looked at', () => {
  const start = useView.getState();
  const now = () => useView.getState();
  beforeEach(() => useView.setState(start, true));

  it('turns over and back, and lies front up when a page begins, whatever it was', () => {
    now().turnOver();
    expect(now().side).to.equal('inside');
    now().turnOver();
    expect(now().side).to.equal('outside');
    now().turnOver();
    now().toggleLight();
    now().zoomTo(3);
    now().goToStep(4);
    now().showOnSheet(true);
    now().lieFrontUp();
    const { side, light, zoom, step, onSheet } = now();
    expect({ side, light, zoom, step, onSheet }).to.deep.equal({
      ...{ side: 'outside', light: false, zoom: 1, step: 0, onSheet: false },
    });
  });

  it('folded: first as it was left, then shut or open in turn; a step, the slider and the table end each other', () => {
    now().toggleOpen();
    expect([now().folded, now().open]).to.deep.equal([true, 0.22]);
    now().toggleOpen();
    expect(now().open).to.equal(1);
    now().toggleOpen();
    expect(now().open).to.equal(0);
    now().foldTo(2);
    expect([now().folds, now().stands]).to.deep.equal([2, false]);
    now().standUp(true);
    expect([now().folds, now().stands]).to.deep.equal([null, true]);
    now().openTo(0.6);
    expect([now().open, now().folds, now().stands]).to.deep.equal([0.6, null, false]);
    now().turnTo(12, 34);
    now().holdShut();
    expect([now().open, now().yawDeg, now().pitchDeg]).to.deep.equal([0, 0, 0]);
  });

  it('at Art: another face is taken in hand with nothing picked out, or with what was just put there', () => {
    now().pickItems(['a', 'b']);
    now().pickFace('back');
    expect([now().face, now().itemIds]).to.deep.equal(['back', []]);
    now().pickFace('front', ['c']);
    expect(now().itemIds).to.deep.equal(['c']);
  });

  it('at Cut: a move is checked off and the next one shown, the last one stays, and unchecking goes back to it', () => {
    now().checkCut(1, 3);
    expect([now().cutsDone, now().step]).to.deep.equal([[1], 1]);
    now().checkCut(2, 3);
    now().checkCut(3, 3);
    expect([now().cutsDone, now().step]).to.deep.equal([[1, 2, 3], 2]);
    now().checkCut(2, 3);
    expect([now().cutsDone, now().step]).to.deep.equal([[1, 3], 1]);
    now().toggleDrift();
    now().showMove(0);
    expect([now().drift, now().step]).to.deep.equal([false, 0]);
  });

  it('keeps what was measured with a rule, part by part, and begins a job anew in all that is its own', () => {
    now().typeSample('width', '102');
    now().typeSample('height', '142');
    now().checkCut(1, 2);
    now().pickFace('back', ['x']);
    now().showCard(7);
    now().showSheet(3);
    now().showFolded(true);
    now().turnOver();
    now().openJob();
    expect(now().sample).to.deep.equal({ width: '102', height: '142', thickness: '' });
    const { face, itemIds, card, sheetNumber, folded, side, cutsDone } = now();
    expect({ face, itemIds, card, sheetNumber, folded, side, cutsDone }).to.deep.equal({
      ...{ face: 'front', itemIds: [], card: 0, sheetNumber: 1, folded: false, side: 'outside', cutsDone: [] },
    });
    now().showCard(2);
    now().showFirst();
    expect([now().card, now().sheetNumber]).to.deep.equal([0, 1]);
  });
});

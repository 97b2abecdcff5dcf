import { decide } from '../../../../src/job/decide.ts';
import { expect } from 'chai';
import { drawFace } from '../../../../src/stations/art/faces/drawCard.ts';
import { changeJob } from '../../../../src/job/changeJob.ts';
import type { FaceArt, Job } from '../../../../src/job/types.ts';
import type { Workshop } from '../../../../src/workshop/types.ts';
import { whitePlate, WHITE_INK } from '../../../../src/ground/scene/whitePlate.ts';
import type { Shape } from '../../../../src/ground/scene/types.ts';
import { jobWith, plan, sized, words, workshop } from '../../../support.ts';

const NAVY = '#1a2b4c';
const onNavy = (front: Partial<FaceArt>, printerId = 'gull', pathId = 'rear'): Job =>
  jobWith(
    ...sized('flat', 100, 70),
    decide((job) => job.stock, { stockId: 'night-270-a4', printerId, pathId }),
    decide((job) => job.art.faces.at('front'), { background: null, picture: null, texts: [], ...front }),
  );
const art = { background: NAVY, texts: [words('Night Sail', { colour: '#ffffff', topMm: 30 })] };

describe('art on coloured card', () => {
  it('leaves the card’s own colour bare, within three of it, and no farther', () => {
    const front = (background: string) => plan(onNavy({ background })).art.faces[0]!;
    expect(drawFace(front(NAVY))).to.deep.equal([]);
    expect(drawFace(front('#1b2b4c'))).to.deep.equal([]);
    expect(drawFace(front('#2e4a7a'))).to.have.length(1);
    // On white card a white background is drawn: nothing there is coloured.
    const white = jobWith(
      ...sized('flat', 100, 70),
      decide((job) => job.art.faces.at('front'), { background: '#ffffff', picture: null, texts: [] }),
    );
    expect(drawFace(plan(white).art.faces[0]!)).to.have.length(1);
    expect(plan(white).art.onStock).to.deep.include({ coloured: false, inks: [] });
  });

  it('says what vanishes without white, and a printer with white takes that away', () => {
    const job = onNavy(art);
    const made = plan(job).art;
    expect(made.onStock.inks.map(({ colour, fate }) => [colour, fate])).to.deep.equal([
      [NAVY, 'bare'],
      ['#ffffff', 'vanishes'],
    ]);
    const snag = made.snags.find((s) => s.id === 'art-vanishes')!;
    expect(snag.title).to.equal('1 colour vanishes on navy card');
    expect(snag.remedies.map((r) => r.label)).to.deep.equal([
      'Print it on the Skua with white toner, which lays white',
    ]);
    const after = plan(changeJob(job, snag.remedies[0]!.changes)).art;
    expect(after.snags.map((s) => s.id)).to.not.include('art-vanishes');
    expect(after.snags.map((s) => s.id).filter((id) => id.startsWith('art-contrast'))).to.deep.equal([]);
    expect(made.snags.map((s) => s.id).some((id) => id.startsWith('art-contrast'))).to.equal(true);
    expect(after.onStock.inks[1]).to.deep.include({ fate: 'shows', printed: '#ffffff' });
    const none: Workshop = { ...workshop, printers: workshop.printers.filter((p) => !p.printsWhite) };
    expect(plan(job, none).art.snags.find((s) => s.id === 'art-vanishes')!.remedies).to.deep.equal([]);
  });

  it('draws no symbol on a plate of which nothing is left there, nor one that holds nothing else', () => {
    const box = { xMm: 0, yMm: 0, widthMm: 10, heightMm: 10 };
    const use = (symbol: string) => ({ kind: 'use', symbol, transform: [1, 0, 0, 1, 0, 0] }) as const;
    const art = { kind: 'path', role: 'art', path: [], fill: '#123456' } as const;
    const cut = { kind: 'path', role: 'cut', path: [] } as const;
    const plate = whitePlate({
      box,
      symbols: {
        bare: { box, shapes: [cut] },
        around: { box, shapes: [use('bare')] },
        inked: { box, shapes: [art] },
      },
      shapes: [
        use('bare'),
        use('around'),
        { kind: 'group', transform: [1, 0, 0, 1, 0, 0], children: [use('bare')] },
        use('inked'),
      ],
    });
    expect(Object.keys(plate.symbols)).to.deep.equal(['inked-white']);
    expect(plate.shapes).to.deep.equal([use('inked-white')]);
  });

  it('makes a plate of everything that is art, and of nothing else', () => {
    const label: Shape = {
      kind: 'label',
      role: 'mark',
      text: 'slug',
      at: { xMm: 0, yMm: 0 },
      sizeMm: 2,
      anchor: 'start',
    };
    const mark: Shape = { kind: 'path', role: 'mark', path: [] };
    const red: Shape = { kind: 'path', role: 'art', path: [], fill: '#ff0000', fillOpacity: 0.5 };
    const picture: Shape = {
      kind: 'picture',
      role: 'art',
      pictureId: 'p',
      box: { xMm: 1, yMm: 2, widthMm: 3, heightMm: 4 },
      opacity: 0.3,
      tint: null,
    };
    const box = { xMm: 0, yMm: 0, widthMm: 9, heightMm: 9 };
    const plate = whitePlate({
      box,
      symbols: { outside: { box, shapes: [red, picture] } },
      shapes: [{ kind: 'use', symbol: 'outside', transform: [1, 0, 0, 1, 0, 0] }, mark, label],
    });
    expect(plate.shapes).to.deep.equal([{ kind: 'use', symbol: 'outside-white', transform: [1, 0, 0, 1, 0, 0] }]);
    const own = plate.symbols['outside-white']!.shapes;
    // A path in the plate’s ink; a picture as its own shape in it, solid however it is faded.
    expect(own).to.deep.equal([
      { kind: 'path', role: 'art', path: [], fill: WHITE_INK },
      { ...picture, opacity: 1, inked: { ink: WHITE_INK } },
    ]);
    const page = whitePlate({ box, symbols: {}, shapes: [red, mark, label] }, '#000000', { marks: true });
    expect(page.shapes).to.deep.equal([{ kind: 'path', role: 'art', path: [], fill: '#000000' }, mark, label]);
  });
});

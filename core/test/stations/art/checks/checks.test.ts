import { decide } from '../../../../src/job/decide.ts';
import { expect } from 'chai';
import { changeJob } from '../../../../src/job/changeJob.ts';
import { contrast, luminance, printedOn } from '../../../../src/stations/art/ink/colour.ts';
import {
  driftFacts,
  DRIFT_RUN,
  simulateDrift,
  WANTED_FAULT_SHARE,
} from '../../../../src/stations/art/drift/driftLab.ts';
import { USUAL_PRINT_SPREAD_MM } from '../../../../src/workshop/learnt/printSpread.ts';
import { colourDistance } from '../../../../src/stations/art/ink/colourDistance.ts';
import type { ArtObject, FaceArt, Job } from '../../../../src/job/types.ts';
import type { Snag } from '../../../../src/job/findings.ts';
import { jobWith, plan, sized, words, workshop } from '../../../support.ts';

const flat = (front: Partial<FaceArt>, stockId = 'shell-300-a4'): Job =>
  jobWith(
    ...sized('flat', 100, 70),
    decide((job) => job.stock.stockId, stockId),
    decide((job) => job.art.faces.at('front'), { background: null, picture: null, texts: [], ...front }),
  );
const snagsOf = (job: Job): readonly Snag[] => plan(job).art.snags;
const find = (job: Job, id: string): Snag | undefined => snagsOf(job).find((s) => s.id.startsWith(id));

/** The snag is there, and each of its remedies takes it away. */
function raised(front: Partial<FaceArt>, id: string): Snag {
  const job = flat(front);
  const snag = find(job, id);
  expect(
    snag,
    `no ${id} among ${snagsOf(job)
      .map((s) => s.id)
      .join(', ')}`,
  ).to.not.equal(undefined);
  for (const { label, changes } of snag!.remedies)
    expect(find(changeJob(job, changes), id), `${id} after “${label}”`).to.equal(undefined);
  return snag!;
}
const at = (leftMm: number, topMm: number, widthMm: number, heightMm: number) => ({ leftMm, topMm, widthMm, heightMm });
const star = (place: ReturnType<typeof at>): ArtObject => ({
  kind: 'ornament',
  id: 's',
  ornament: 'star',
  colour: '#7b2869',
  ...place,
});
const code = (part: Partial<ArtObject & { kind: 'code' }> = {}): ArtObject => ({
  kind: 'code',
  id: 'c',
  ...at(30, 20, 30, 30),
  colour: '#1d2930',
  ground: '#ffffff',
  content: { kind: 'link', url: 'https://saltmarsh.example/boats' },
  ...part,
});

describe('checks of art', () => {
  it('asks what crosses the trim to go on to the bleed’s edge: 1 mm over of 3', () => {
    const snag = raised({ objects: [star(at(-1, 20, 20, 20))] }, 'art-overhang');
    expect(snag.remedies[0]!.changes[0]!.value).to.deep.include({ leftMm: -3, widthMm: 22, topMm: 20, heightMm: 20 });
    expect(find(flat({ objects: [star(at(-3, 20, 20, 20))] }), 'art-overhang')).to.equal(undefined);
    expect(find(flat({ objects: [star(at(85, 60, 18, 13))] }), 'art-overhang')).to.equal(undefined);
  });

  it('keeps what does not cross inside safe, codes always', () => {
    raised({ objects: [star(at(1, 20, 20, 20))] }, 'art-object-safe');
    raised({ objects: [code(at(80, 45, 24, 24))] }, 'art-object-safe');
    expect(find(flat({ objects: [star(at(4, 20, 20, 20))] }), 'art-object-safe')).to.equal(undefined);
  });

  it('keeps a picture that is seen whole inside safe, and says where one ends short of the bleed', () => {
    const ref = { name: 'p.svg', sha256: 'a'.repeat(64), mime: 'image/svg+xml' as const, widthPx: 94, heightPx: 94 };
    const placed = (part: object): Job =>
      changeJob(
        flat({ picture: { pictureId: 'p', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false, ...part } }),
        [decide((job) => job.pictures, { p: ref })],
      );
    // 100 × 70 less 3 mm of safe leaves 94 × 64: a square of 64 in the middle.
    const [front] = plan(placed({ fit: 'whole' })).art.faces;
    expect(front!.picture!.box).to.deep.equal({ xMm: 18, yMm: 3, widthMm: 64, heightMm: 64 });
    expect(find(placed({ fit: 'whole' }), 'art-short')).to.equal(undefined);
    expect(find(placed({}), 'art-short')).to.equal(undefined);
    // At 105 % it ends 1.4 mm from the trim above and below; at 120 % it is past the bleed there.
    const short = placed({ fit: 'whole', zoom: 1.05 });
    const snag = find(short, 'art-short')!;
    expect(snag.title).to.match(/: top, foot$/);
    expect(snag.remedies).to.have.length(2);
    for (const { changes } of snag.remedies) expect(find(changeJob(short, changes), 'art-short')).to.equal(undefined);
    expect(find(placed({ fit: 'whole', zoom: 1.2 }), 'art-short')).to.equal(undefined);
  });

  it('finds borders that the maker’s own trimmer leaves uneven, with the drift lab’s figures', () => {
    const border = (part: object) => flat({ border: { widthMm: 1.5, insetMm: 0, colour: '#112233', ...part } });
    for (const part of [{}, { widthMm: 8, insetMm: 2 }]) {
      const snag = raised({ border: { widthMm: 1.5, insetMm: 0, colour: '#112233', ...part } }, 'art-border');
      expect(snag.level).to.equal('warn');
      expect(snag.remedies).to.have.length(2);
    }
    // The lab’s own run, on the same thousand cards.
    const p = plan(border({}));
    const facts = driftFacts(p.art.faces[0]!, p.size, 3);
    const model = {
      ...{ biasRightMm: 0, biasDownMm: 0, printSpreadMm: USUAL_PRINT_SPREAD_MM },
      cutSpreadMm: p.cut.drift.worst.fromTrueMm,
    };
    const run = simulateDrift(facts, model, { ...DRIFT_RUN, wanted: WANTED_FAULT_SHARE });
    const said = p.art.snags.find(({ id }) => id === 'art-border-front')!;
    expect(said.title).to.include(`${Math.round(run.perCause.border * 100)} % of cards`);
    const wide = Math.ceil(run.bandMm * 2) / 2;
    expect(said.remedies[0]!.label).to.equal(`Make it ${wide} mm wide at the trim`);
    // As wide as the lab asks, nothing is said.
    expect(find(border({ widthMm: wide }), 'art-border')).to.equal(undefined);
  });

  it('takes what ends on the trim, or within half a millimetre of it, for what crosses it', () => {
    const picture = (place: ReturnType<typeof at>): Partial<FaceArt> => ({
      objects: [
        {
          ...{ kind: 'picture', id: 'q', ...place },
          picture: { pictureId: 'p', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false },
        },
      ],
    });
    const withRef = (job: Job): Job =>
      changeJob(job, [
        decide((job) => job.pictures, {
          p: { name: 'p.svg', sha256: 'a'.repeat(64), mime: 'image/svg+xml' as const, widthPx: 90, heightPx: 60 },
        }),
      ]);
    for (const left of [0, 0.4, -1]) {
      const job = withRef(flat(picture(at(left, 20, 40, 30))));
      const snag = find(job, 'art-overhang')!;
      expect(snag.title, `${left}`).to.match(/ends short of the bleed on the front: left$/);
      expect(snag.why).to.match(/\d+ % of cards would show one|under 1 % of cards/);
      for (const { label, changes } of snag.remedies)
        expect(find(changeJob(job, changes), 'art-overhang'), label).to.equal(undefined);
      expect(snag.remedies[0]!.label).to.equal('Grow it to the bleed');
    }
    const near = withRef(flat(picture(at(1, 20, 40, 30))));
    const snag = find(near, 'art-object-safe')!;
    const grow = snag.remedies.find(({ label }) => label === 'Grow it to the bleed')!;
    expect(grow.changes[0]!.value).to.deep.include({ leftMm: -3, widthMm: 44, topMm: 20, heightMm: 30 });
    expect(snagsOf(changeJob(near, grow.changes)).filter(({ id }) => /object-safe|overhang/.test(id))).to.deep.equal(
      [],
    );
    // A band across the whole card that ends on the trim all round.
    expect(find(flat({ objects: [star(at(0, 30, 100, 10))] }), 'art-overhang')!.title).to.match(/: left, right$/);
  });

  it('says that a bleed is too small for the trimmer, with the drift lab’s share, and each remedy mends it', () => {
    const job = changeJob(flat({ background: '#1d5a68' }), [decide((job) => job.size.bleedMm, 0.3)]);
    const snag = find(job, 'art-bleed-small')!;
    expect(snag.title).to.match(/^A bleed of 0\.3 mm is small for .*: [4-9]\d % of cards would show a white sliver$/);
    expect(snag.remedies).to.not.be.empty;
    for (const { label, changes } of snag.remedies) {
      const then = plan(changeJob(job, changes));
      expect(
        then.art.snags.find(({ id }) => id === 'art-bleed-small'),
        label,
      ).to.equal(undefined);
      expect(label).to.include(`${then.sheet.up} up`);
    }
    expect(find(flat({ background: '#1d5a68' }), 'art-bleed-small')).to.equal(undefined);
    // Bare card at the edge shows no sliver.
    expect(find(changeJob(flat({}), [decide((job) => job.size.bleedMm, 0)]), 'art-bleed-small')).to.equal(undefined);
  });

  it('counts the pixels of every picture, framed and in a pattern, and each is among the pictures', () => {
    const ref = { name: 'small.png', sha256: 'b'.repeat(64), mime: 'image/png' as const, widthPx: 200, heightPx: 300 };
    const job = (front: Partial<FaceArt>): Job => changeJob(flat(front), [decide((job) => job.pictures, { p: ref })]);
    const placement = { pictureId: 'p', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false };
    // 200 pixels on 40 mm: 200 / (40 / 25.4) = 127 to the inch.
    const framed = job({ objects: [{ kind: 'picture', id: 'q', ...at(20, 5, 40, 60), picture: placement }] });
    expect(find(framed, 'art-ppi-front-q')).to.include({
      level: 'stop',
      title: 'small.png prints at 127 ppi on the front, in its frame',
    });
    for (const { changes } of find(framed, 'art-ppi-front-q')!.remedies)
      expect(find(changeJob(framed, changes), 'art-ppi-front-q')).to.equal(undefined);
    // The shorter side fills the tile: 200 / (25.4 / 25.4) = 200.
    const tiled = job({ pattern: { pictureId: 'p', tileMm: 25.4, brick: false, fade: 0 } });
    expect(find(tiled, 'art-ppi-front-pattern')).to.include({ level: 'note' });
    expect(find(tiled, 'art-ppi-front-pattern')!.title).to.include('200 ppi');
    for (const one of [framed, tiled]) {
      expect(plan(one).art.verdict).to.include('1 picture,');
      expect(plan(one).art.figures.find(({ id }) => id === 'ppi')).to.not.equal(undefined);
    }
  });

  it('measures contrast as printed on the stock, and offers an ink that is read there', () => {
    expect(contrast('#000000', '#ffffff')).to.be.closeTo(21, 1e-9);
    raised({ texts: [words('pale', { colour: '#e8e4d8', topMm: 30 })] }, 'art-contrast');
    raised({ background: '#14263c', texts: [words('dark', { colour: '#1d2930', topMm: 30 })] }, 'art-contrast');
    expect(find(flat({ texts: [words('dark', { topMm: 30 })] }), 'art-contrast')).to.equal(undefined);
    // Over a photograph nothing is known, so nothing is said.
    expect(
      find(
        flat({
          gradient: { from: '#ffffff', to: '#eeeeee', angleDeg: 0 },
          texts: [words('x', { colour: '#ffffff', topMm: 30 })],
        }),
        'art-contrast',
      ),
    ).to.equal(undefined);
  });

  it('wants 8 pt of letters left out of a dark ground, and half a point of rules', () => {
    const texts = [words('reversed', { colour: '#ffffff', sizePt: 7, topMm: 30 })];
    raised({ background: '#14263c', texts }, 'art-reversed');
    expect(find(flat({ texts: [words('dark', { sizePt: 7, topMm: 30 })] }), 'art-reversed')).to.equal(undefined);
    const rule = (weightPt: number): ArtObject => ({
      kind: 'rule',
      id: 'r',
      colour: '#ffffff',
      weightPt,
      ...at(10, 30, 60, 4),
    });
    raised({ background: '#14263c', objects: [rule(0.3)] }, 'art-hairline');
    expect(find(flat({ background: '#14263c', objects: [rule(0.5)] }), 'art-hairline')).to.equal(undefined);
    raised({ objects: [rule(0.1)] }, 'art-hairline');
    expect(find(flat({ objects: [rule(0.3)] }), 'art-hairline')).to.equal(undefined);
  });

  it('checks a code for size, contrast, ground, cover and content', () => {
    // 33 modules with the quiet zone: 0.4 mm each wants 13.2 mm and more.
    raised({ objects: [code(at(30, 20, 9, 9))] }, 'art-code-small');
    raised({ objects: [code({ colour: '#c0c0c0' })] }, 'art-code-pale');
    raised({ objects: [code({ colour: '#ffffff', ground: '#000000' })] }, 'art-code-pale');
    raised(
      { gradient: { from: '#ffffff', to: '#1d5a68', angleDeg: 0 }, objects: [code({ ground: null })] },
      'art-code-busy',
    );
    raised({ objects: [code({ content: { kind: 'link', url: 'https://' } })] }, 'art-code-empty');
    raised({ objects: [code({ content: { kind: 'text', text: 'x'.repeat(4000) } })] }, 'art-code-full');
    raised(
      { objects: [code()], texts: [words('over it', { leftMm: 32, topMm: 30, widthMm: 25 })] },
      'art-code-covered',
    );
    expect(snagsOf(flat({ objects: [code()] })).filter((s) => s.id.startsWith('art-code'))).to.deep.equal([]);
    // Beneath it, words do no harm.
    expect(
      find(
        flat({ objects: [code()], texts: [words('x', { leftMm: 32, topMm: 30, widthMm: 25 })], order: ['w', 'c'] }),
        'art-code-covered',
      ),
    ).to.equal(undefined);
  });

  it('asks for a test print of solids and gradients', () => {
    expect(find(flat({ background: '#14263c' }), 'art-test-print')!.title).to.match(/^A dark solid on the front/);
    expect(find(flat({ gradient: { from: '#ffffff', to: '#1d5a68', angleDeg: 0 } }), 'art-test-print')!.title).to.match(
      /^A gradient/,
    );
    expect(find(flat({ background: '#f4cfae' }), 'art-test-print')).to.equal(undefined);
  });
});

describe('colours on stock', () => {
  it('multiply: white shows the stock, black stays black, and any ink only darkens it', () => {
    expect(printedOn('#ffffff', '#1d5a68')).to.equal('#1d5a68');
    expect(printedOn('#000000', '#fffdf8')).to.equal('#000000');
    expect(printedOn('#1d5a68', '#ffffff')).to.equal('#1d5a68');
    for (const { colour } of workshop.stocks)
      for (const ink of ['#c2552f', '#f2b01e', '#cfe6e4'])
        expect(luminance(printedOn(ink, colour))).to.be.at.most(Math.min(luminance(ink), luminance(colour)) + 0.004);
  });
  it('are as far apart as the eye says: black from white a hundred, a hair of cream under one', () => {
    expect(colourDistance('#ffffff', '#ffffff')).to.equal(0);
    expect(colourDistance('#ffffff', '#000000')).to.be.closeTo(100, 0.01);
    expect(colourDistance('#fdf3d8', '#fdf3da')).to.be.below(1);
  });
});

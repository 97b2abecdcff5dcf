import { expect } from 'chai';
import {
  allSnags,
  changeJob,
  decide,
  newTool,
  planJob,
  TOOL_KINDS,
  type Job,
  type Tool,
  type Workshop,
} from '../../src/index.ts';
import { checkWorkshop } from '../../src/files/read/check.ts';
import { jobWith, plan, sized, workshop as saltmarsh } from '../support.ts';

const withTools = (...tools: readonly Tool[]): Workshop => ({ ...saltmarsh, tools });
/** A punch of two dies, which reaches 30 mm in and takes 0.9 mm of card. */
const punch: Tool = { id: 'p', name: 'the pier punch', kind: 'punch', holesMm: [4, 6], reachMm: 30, thickestMm: 0.9 };
const rollers: Tool = { id: 'r', name: 'the quay rollers', kind: 'laminator', widestMm: 235, thickestMm: 0.8 };

describe('tools for holes', () => {
  /** A tag with a hole so wide; its rim stands 5 mm in from the top edge. */
  const tag = (holeMm: number): Job =>
    changeJob(jobWith(...sized('flat', 60, 100)), [decide((job) => job.size.options.holeMm, holeMm)]);
  const stepOf = (job: Job, shop: Workshop): string =>
    plan(job, shop).make.steps.find(({ title }) => title === 'Punch the hole')!.detail;
  const snagOf = (job: Job, shop: Workshop) =>
    plan(job, shop).cut.snags.find(({ id }) => id === 'cut-no-punch-string') ?? null;

  it('are named at the bench, with how many cards go in at once and where the hole is', () => {
    const { caliperMicron } = plan(tag(6), withTools(punch)).stock.stock;
    const atOnce = Math.floor(900 / caliperMicron);
    expect(atOnce).to.be.at.least(2);
    // Its middle: 5 mm of card, and half of 6.
    expect(stepOf(tag(6), withTools(punch))).to.equal(
      `With the pier punch, 6 mm across, its middle 8 mm from the edge, by the template; up to ${atOnce} cards at a time.`,
    );
    expect(stepOf(tag(6), withTools({ ...punch, thickestMm: caliperMicron / 1000 }))).to.contain('one card at a time');
    expect(snagOf(tag(6), withTools(punch))).to.equal(null);
  });

  it('that make no such hole are said, with those that they make; where there is none nothing is', () => {
    const snag = snagOf(tag(5), withTools(punch))!;
    expect(snag.title).to.equal('No punch on the bench makes a hole of 5 mm');
    expect(snag.remedies.map(({ label }) => label)).to.deep.equal(['Make it 4 mm across', 'Make it 6 mm across']);
    for (const { changes } of snag.remedies)
      expect(snagOf(changeJob(tag(5), changes), withTools(punch))).to.equal(null);
    expect(snagOf(tag(5), withTools())).to.equal(null);
    expect(stepOf(tag(5), withTools())).to.contain('a paper punch does in light card');
    // A quarter of a millimetre is the same hole; the middle of one is as far in as it is, and card as thick.
    expect(snagOf(tag(6.2), withTools(punch))).to.equal(null);
    expect(snagOf(tag(6), withTools({ ...punch, reachMm: 7.9 }))!.remedies.map(({ label }) => label)).to.deep.equal([
      'Make it 4 mm across',
    ]);
    expect(snagOf(tag(6), withTools({ ...punch, thickestMm: 0.1 }))!.remedies).to.deep.equal([]);
  });
});

describe('tools for heat', () => {
  const shining = (): Job => {
    const ref = { name: 'ring.png', sha256: 'c'.repeat(64), mime: 'image/png', widthPx: 900, heightPx: 900 } as const;
    const laser = saltmarsh.printers.find(({ ink }) => ink === 'laser');
    // Light enough for any way through a laser.
    const stock = saltmarsh.stocks.find(({ gsm, sheetWidthMm }) => gsm <= 120 && sheetWidthMm === 210)!;
    return changeJob(jobWith(...sized('sideFold', 90, 120)), [
      decide((job) => job.pictures, { ring: ref }),
      decide(
        (job) => job.size.layers,
        [
          {
            ...{ id: 'panel', kind: 'mat', faces: ['front'], revealMm: 5, stockIds: [stock.id] },
            picture: { pictureId: 'ring', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false },
            foil: { name: 'Gold', colour: '#c9a227' },
            ...(laser ? { feed: { printerId: laser.id, pathId: laser.paths[0]!.id } } : {}),
          },
        ],
      ),
    ]);
  };
  const heatSnag = (shop: Workshop) =>
    allSnags(planJob(shining(), shop, { typefaces: new Map(), today: null })).find(({ id }) =>
      id.startsWith('sheet-foil-heat'),
    ) ?? null;
  const foilStep = (shop: Workshop): string =>
    plan(shining(), shop).make.steps.find(({ kind }) => kind === 'foil')!.detail;
  /** The demo has a laser of its own, or one is put beside its inkjets. */
  const shop = (...tools: readonly Tool[]): Workshop => {
    const made = withTools(...tools);
    return made.printers.some(({ ink }) => ink === 'laser')
      ? made
      : {
          ...made,
          printers: [...made.printers, { ...made.printers[0]!, id: 'laser', name: 'the laser', ink: 'laser' }],
        };
  };

  it('that take the sheet are named where foil is laid; the first of several', () => {
    expect(foilStep(shop(rollers))).to.contain('Through the quay rollers in a carrier');
    expect(foilStep(shop({ ...rollers, widestMm: 200 }, { ...rollers, kind: 'press', name: 'the plate' }))).to.contain(
      'Under the plate',
    );
    expect(heatSnag(shop(rollers))).to.equal(null);
  });

  it('that are too narrow for the sheet are said with their widths; with none on the bench it is a note', () => {
    const narrow = heatSnag(shop({ ...rollers, widestMm: 200 }))!;
    expect(narrow.level).to.equal('warn');
    expect(narrow.why).to.contain('200 mm and 0.8 mm (the quay rollers)');
    expect(heatSnag(shop())!.level).to.equal('note');
    expect(foilStep(shop())).to.contain('Through the laminator in a carrier, or under the press');
  });
});

describe('a workshop’s tools', () => {
  const { spoilLog: _, ...stored } = saltmarsh;

  it('begin as what its schema takes, whatever their kind', () => {
    const tools = TOOL_KINDS.map((kind) => ({ id: kind, ...newTool(kind) }));
    expect(checkWorkshop({ ...stored, tools })).to.have.property('ok', true);
  });

  it('are none in an older workshop, and one of no kind is refused by its field', () => {
    const { tools: __, ...older } = stored;
    const read = checkWorkshop(older);
    expect(read.ok && read.value.tools).to.deep.equal([]);
    const odd = checkWorkshop({ ...stored, tools: [{ ...punch, kind: 'chisel' }] });
    expect(!odd.ok && odd.why).to.match(/^tools\.0\.kind wants one of laminator, press, punch/);
    const holeless = checkWorkshop({ ...stored, tools: [{ ...punch, holesMm: [] }] });
    expect(!holeless.ok && holeless.why).to.match(/^tools\.0\.holesMm wants at least 1/);
  });
});

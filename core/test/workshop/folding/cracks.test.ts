import { expect } from 'chai';
import fc from 'fast-check';
import { normalFrom, randomFrom } from '../../../src/ground/random.ts';
import { cracksOf, outerStrain, type Fold } from '../../../src/workshop/folding/cracks.ts';
import { chances, learn, type Judged } from '../../../src/workshop/folding/ordinal.ts';
import type { FoldReading } from '../../../src/workshop/measuring/types.ts';
import type { Coating } from '../../../src/workshop/types.ts';

const fold = (part: Partial<Fold> = {}): Fold => ({
  ...{ school: 'firm', passes: 3, tipMm: 0.45, bead: 'inside', damp: false },
  ...{ fibres: 'along', ink: 'bare', closesDeg: 180 },
  ...part,
});
const stock = (caliperMicron: number, coating: Coating = 'uncoated', folds: readonly FoldReading[] = []) => ({
  ...{ caliperMicron, coating },
  measured: { stacks: [], weights: [], overhangs: [], folds },
});
const cracked = (of: ReturnType<typeof stock>, part: Partial<Fold> = {}, by: 'inkjet' | 'laser' = 'inkjet'): number =>
  cracksOf(of, fold(part), by).cracked;

describe('the outside of a fold', () => {
  it('stretches by half a caliper over the radius of its crease', () => {
    // 0.3 mm card in a crease of 0.6 + 1½ · 0.3 = 1.05 mm, shut: radius 1.05 ÷ π = 0.3342; 0.15 over that is 0.4488.
    expect(outerStrain(0.3, 0.6, 180)).to.be.closeTo(0.4488, 1e-4);
    expect(outerStrain(0.3, 0.6, 90)).to.be.closeTo(0.2244, 1e-4);
    // Folded bare all card is stretched alike: ½ · π ÷ 1½.
    expect(outerStrain(0.2, 0, 180)).to.be.closeTo(Math.PI / 3, 1e-12);
  });
});

describe('how many folds crack', () => {
  it('starts from what makers say', () => {
    // A bare fold of about 170 gsm cracks as often as it holds.
    expect(cracked(stock(200), { tipMm: 0, passes: 0 })).to.be.within(0.4, 0.6);
    // 1¾ calipers of tip: three firm passes keep 350 µm under a tenth, and thicker board wants four.
    expect(cracked(stock(350), { tipMm: 0.6125 })).to.be.below(0.1);
    expect(cracked(stock(370), { tipMm: 0.6475 })).to.be.above(0.1);
    expect(cracked(stock(370), { tipMm: 0.6475, passes: 4 })).to.be.below(0.1);
    // A skin splits under a firm tool.
    expect(cracked(stock(250, 'gloss'), { school: 'firm' })).to.be.above(
      2 * cracked(stock(250, 'gloss'), { school: 'light', passes: 2 }),
    );
  });

  it('is never less with what makes a fold worse, whatever else it is', () => {
    const any = fc.record({
      caliperMicron: fc.integer({ min: 80, max: 700 }),
      coating: fc.constantFrom<Coating>('uncoated', 'textured', 'matte', 'gloss', 'pearl'),
      passes: fc.integer({ min: 1, max: 6 }),
      tipMm: fc.double({ min: 0.2, max: 2, noNaN: true }),
      damp: fc.boolean(),
    });
    fc.assert(
      fc.property(any, ({ caliperMicron, coating, ...recipe }) => {
        const of = stock(caliperMicron, coating);
        const at = (part: Partial<Fold>, by?: 'laser') => cracked(of, { school: 'light', ...recipe, ...part }, by);
        const own = at({});
        expect(at({ fibres: 'across' })).to.be.above(own);
        expect(at({ ink: 'solid' })).to.be.above(at({ ink: 'print' }));
        expect(at({ ink: 'solid' }, 'laser')).to.be.above(at({ ink: 'solid' }));
        expect(at({ closesDeg: 90 })).to.be.below(own);
        expect(at({ passes: recipe.passes + 1 })).to.be.below(own);
        expect(at({ bead: 'intoGroove' })).to.be.above(own);
        const { rough } = cracksOf(of, fold({ ...recipe }), null);
        expect(rough).to.be.above(cracksOf(of, fold({ ...recipe }), null).cracked);
      }),
      { numRuns: 60 },
    );
  });

  it('comes to follow a maker’s own strips', () => {
    const judge = (judged: FoldReading['judged'], times: number): readonly FoldReading[] =>
      Array.from({ length: times }, () => ({ ...fold(), judged }));
    const [before, clean, split] = [[], judge('clean', 6), judge('cracked', 6)].map((folds) =>
      cracked(stock(300, 'uncoated', folds)),
    ) as [number, number, number];
    expect(clean).to.be.below(before / 2);
    expect(split).to.be.above(0.5);
    // What was seen along the grain says something of across it as well.
    expect(cracked(stock(300, 'uncoated', judge('cracked', 6)), { fibres: 'across' })).to.be.above(split);
  });
});

describe('an ordinal scale', () => {
  /** Ranks of a simulated maker whose weights are known. */
  function simulated(weights: readonly number[], times: number, seed: number): readonly Judged[] {
    const random = randomFrom(seed);
    const normal = normalFrom(random);
    return Array.from({ length: times }, (): Judged => {
      const features = [1, normal(), random() < 0.5 ? 1 : 0];
      const u = random();
      const sum = features.reduce((s, f, i) => s + f * weights[i]!, 0) + Math.log(u / (1 - u));
      return { features, rank: sum < 0 ? 0 : sum < 2 ? 1 : 2 };
    });
  }

  it('recovers the weights that made what it saw, within how sure it says it is', () => {
    const weights = [0.4, 1.5, -1];
    const vague = weights.map(() => ({ mean: 0, spread: 10 }));
    const learnt = learn(vague, simulated(weights, 4000, 7));
    for (const [i, weight] of weights.entries()) expect(learnt.weights[i], `${i}`).to.be.closeTo(weight, 0.15);
  });

  it('stands at its prior where nothing was seen, and its chances are those of a logistic blurred by it', () => {
    const learnt = learn([{ mean: 1, spread: 2 }], []);
    expect(learnt.weights).to.deep.equal([1]);
    // Blurred: the mean of 1 ÷ (1 + e^−(1 + 2z)) over a normal z, by adding it up.
    let [mean, whole] = [0, 0];
    for (let z = -8; z <= 8; z += 0.001) {
      const weight = Math.exp((-z * z) / 2);
      mean += weight / (1 + Math.exp(-(1 + 2 * z)));
      whole += weight;
    }
    expect(chances(learnt, [1])[0]).to.be.closeTo(mean / whole, 0.01);
  });

  it('stands where its sum is highest: a step to any side is lower', () => {
    // One cracked fold at a prior of 0 ± 1: the highest point of −w² ÷ 2 + ln(1 ÷ (1 + e^(2 − w))), by looking for it.
    const height = (w: number): number => -(w * w) / 2 - Math.log(1 + Math.exp(2 - w));
    let best = 0;
    for (let w = 0; w < 2; w += 1e-5) if (height(w) > height(best)) best = w;
    const { weights } = learn([{ mean: 0, spread: 1 }], [{ features: [1], rank: 2 }]);
    expect(weights[0]).to.be.closeTo(best, 2e-5);
    // And of a rough one: ln(1 ÷ (1 + e^(w − 2)) − 1 ÷ (1 + e^w)).
    const rough = (w: number): number => -(w * w) / 2 + Math.log(1 / (1 + Math.exp(w - 2)) - 1 / (1 + Math.exp(w)));
    let top = 0;
    for (let w = 0; w < 2; w += 1e-5) if (rough(w) > rough(top)) top = w;
    expect(learn([{ mean: 0, spread: 1 }], [{ features: [1], rank: 1 }]).weights[0]).to.be.closeTo(top, 2e-5);
  });
});

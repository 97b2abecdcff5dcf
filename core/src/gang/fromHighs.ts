import type { SolveProgramme } from './types.ts';

/** As much of HiGHS as is used here; whoever brings the solver loads it. */
interface Highs {
  withModel<Result>(
    source: { readonly format: 'lp'; readonly data: string },
    operation: (model: HighsModel) => Result,
  ): Result;
}
interface HighsModel {
  readonly options: { set(values: Readonly<Record<string, number>>): unknown };
  run(): unknown;
  getObjectiveValue(): number;
  getSolution(): { readonly colValue: Float64Array; readonly rowDual: Float64Array };
}

/**
 * Nodes that one integer programme may try; the best found by then is used. Nodes and not seconds: a busy machine gives
 * the same answer as an idle one.
 */
const MOST_NODES = 60;

/** HiGHS as the core asks for a solver: columns and rows by their numbers, in the order the text names them. */
export function fromHighs(highs: Highs): SolveProgramme {
  return (text, { target } = {}) =>
    highs.withModel({ format: 'lp', data: text }, (model) => {
      model.options.set({
        mip_max_nodes: MOST_NODES,
        mip_rel_gap: 0,
        random_seed: 1,
        ...(target === undefined ? {} : { objective_target: target }),
      });
      model.run();
      const { colValue, rowDual } = model.getSolution();
      return { objective: model.getObjectiveValue(), columns: [...colValue], duals: [...rowDual] };
    });
}

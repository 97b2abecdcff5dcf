import type { Programme, SolveProgramme } from './types.ts';

/** As much of HiGHS as is used here; whoever brings the solver loads it. */
interface Highs {
  withModel<Result>(source: HighsData, operation: (model: HighsModel) => Result): Result;
}
interface HighsData {
  readonly numCols: number;
  readonly numRows: number;
  readonly colCost: readonly number[];
  readonly colLower: readonly number[];
  readonly colUpper: readonly number[];
  readonly rowLower: readonly number[];
  readonly rowUpper: readonly number[];
  readonly matrix: {
    readonly format: 'csc';
    readonly numRows: number;
    readonly numCols: number;
    readonly starts: readonly number[];
    readonly indices: readonly number[];
    readonly values: readonly number[];
  };
  readonly integrality?: Int32Array;
}
interface HighsModel {
  readonly options: { set(values: Readonly<Record<string, number | string>>): unknown };
  readonly info: { get(name: string): number | bigint };
  run(): unknown;
  getObjectiveValue(): number;
  getSolution(): { readonly colValue: Float64Array; readonly rowDual: Float64Array };
}

/**
 * Nodes that one integer programme may try; the best found by then is used. Nodes and not seconds: a busy machine gives
 * the same answer as an idle one.
 */
const MOST_NODES = 20;

/** HiGHS as the core asks for a solver. */
export function fromHighs(highs: Highs): SolveProgramme {
  return (programme, { target } = {}) =>
    highs.withModel(dataOf(programme), (model) => {
      model.options.set({
        mip_max_nodes: MOST_NODES,
        mip_rel_gap: 0,
        random_seed: 1,
        // A relaxed programme of a dozen rows is solved sooner than it is made simpler.
        ...(programme.integer ? {} : { presolve: 'off' }),
        ...(target === undefined ? {} : { objective_target: target }),
      });
      model.run();
      if (model.info.get('primal_solution_status') !== FEASIBLE) return { objective: Infinity, columns: [], duals: [] };
      const { colValue, rowDual } = model.getSolution();
      return { objective: model.getObjectiveValue(), columns: [...colValue], duals: [...rowDual] };
    });
}

/** HiGHS’s code of a solution that keeps every limit. */
const FEASIBLE = 2;
/** HiGHS’s code of a variable in whole numbers. */
const WHOLE = 1;

function dataOf({ costs, columns, rows, integer }: Programme): HighsData {
  const entries = columns.flat();
  let start = 0;
  const starts = [0, ...columns.map((column) => (start += column.length))];
  const [numRows, numCols] = [rows.length, columns.length];
  return {
    ...{ numRows, numCols, colCost: costs },
    colLower: costs.map(() => 0),
    colUpper: costs.map(() => Infinity),
    rowLower: rows.map(({ least }) => least),
    rowUpper: rows.map(({ most }) => most),
    matrix: {
      ...{ format: 'csc', numRows, numCols, starts },
      indices: entries.map(({ row }) => row),
      values: entries.map(({ value }) => value),
    },
    ...(integer ? { integrality: new Int32Array(numCols).fill(WHOLE) } : {}),
  };
}

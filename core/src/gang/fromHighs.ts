import type { SolveProgramme } from './types.ts';

/** As much of HiGHS as is used here; whoever brings the solver loads it. */
interface Highs {
  solve(
    text: string,
    options: { readonly time_limit: number; readonly mip_rel_gap: number },
  ): {
    readonly ObjectiveValue: number;
    readonly Columns: Readonly<Record<string, object>>;
    readonly Rows: readonly object[];
  };
}

/** Seconds that one integer programme may take; the best found by then is used. */
const PATIENCE_S = 1.2;

const numberIn = (entry: object, field: string): number => {
  const value: unknown = (entry as Record<string, unknown>)[field];
  return typeof value === 'number' ? value : 0;
};

/** HiGHS as the core asks for a solver: columns and rows by their numbers. */
export function fromHighs(highs: Highs): SolveProgramme {
  return (text) => {
    const { ObjectiveValue, Columns, Rows } = highs.solve(text, { time_limit: PATIENCE_S, mip_rel_gap: 0 });
    const columns = new Array<number>(Object.keys(Columns).length).fill(0);
    for (const [name, column] of Object.entries(Columns)) columns[Number(name.slice(1))] = numberIn(column, 'Primal');
    const duals = new Array<number>(Rows.length).fill(0);
    for (const row of Rows)
      duals[Number(String((row as Record<string, unknown>).Name).slice(1))] = numberIn(row, 'Dual');
    return { objective: ObjectiveValue, columns, duals };
  };
}

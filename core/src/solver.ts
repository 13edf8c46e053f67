import loadHighs from 'highs';
import type { Solve, Solved } from './cuts/level-cuts';

/** The solver of mixed-integer programs: apart from the rest of the core, since who draws no plan of cuts need not load it. */
export async function highsSolver(): Promise<Solve> {
  const highs = await loadHighs();
  const { optimal } = highs.constants.modelStatus;
  const { feasible } = highs.constants.solutionStatus;
  return ({ columns, rows }, objective, withinMs, start) => {
    const colCost = columns.map(() => 0);
    for (const [factor, column] of objective) colCost[column] = (colCost[column] ?? 0) + factor;
    const starts = [0];
    for (const { sum } of rows) starts.push((starts.at(-1) ?? 0) + sum.length);
    const terms = rows.flatMap(({ sum }) => sum);
    const shape = { numCols: columns.length, numRows: rows.length };
    const data = {
      ...shape,
      colCost,
      colLower: columns.map(() => 0),
      colUpper: columns.map(({ most }) => most),
      rowLower: rows.map(({ least }) => least),
      rowUpper: rows.map(({ most }) => most),
      integrality: columns.map(({ whole }) => (whole ? (1 as const) : (0 as const))),
      matrix: {
        ...shape,
        format: 'csr' as const,
        starts,
        indices: terms.map(([, column]) => column),
        values: terms.map(([factor]) => factor),
      },
    };
    return highs.withModel(data, (model): Solved => {
      const time = { output_flag: false, time_limit: Math.max(0.05, withinMs / 1000), mip_rel_gap: 0 };
      model.options.set(time);
      model.setSolution({ colValue: Float64Array.from(start) });
      model.run();
      const values = model.getSolution().colValue;
      const value = model.getObjectiveValue();
      if (model.getModelStatus() === optimal)
        return { status: 'proven', objective: value, bound: value, values };
      const isFound = model.info.get('primal_solution_status') === feasible;
      const bound = Number(model.info.get('mip_dual_bound'));
      return { status: isFound ? 'found' : 'none', objective: value, bound, values };
    });
  };
}

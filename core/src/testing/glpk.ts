import loadGlpk from 'glpk.js';
import type { Solve } from '../cuts/level-cuts';

/** Another solver, which shares nothing with the first: only tests compare with it. */
export function glpkSolver(): Solve {
  const glpk = loadGlpk();
  const name = (column: number): string => `x${String(column)}`;
  const bounds = (least: number, most: number): { type: number; ub: number; lb: number } => {
    if (least === most) return { type: glpk.GLP_FX, ub: most, lb: least };
    if (least === -Infinity) return { type: glpk.GLP_UP, ub: most, lb: 0 };
    if (most === Infinity) return { type: glpk.GLP_LO, ub: 0, lb: least };
    return { type: glpk.GLP_DB, ub: most, lb: least };
  };
  return ({ columns, rows }, objective, withinMs) => {
    const terms = (sum: (typeof rows)[number]['sum']) =>
      sum.map(([coef, column]) => ({ name: name(column), coef }));
    const { result } = glpk.solve(
      {
        name: 'cuts',
        objective: { direction: glpk.GLP_MIN, name: 'level', vars: terms(objective) },
        subjectTo: rows.map(({ sum, least, most }, i) => ({
          name: `r${String(i)}`,
          vars: terms(sum),
          bnds: bounds(least, most),
        })),
        bounds: columns.map(({ most }, i) => ({ name: name(i), ...bounds(0, most) })),
        generals: columns.flatMap(({ whole }, i) => (whole ? [name(i)] : [])),
      },
      { msglev: glpk.GLP_MSG_OFF, presol: true, tmlim: Math.max(1, withinMs / 1000), mipgap: 0 },
    );
    const isProven = result.status === glpk.GLP_OPT;
    return {
      status: isProven ? 'proven' : 'none',
      objective: result.z,
      bound: result.z,
      values: columns.map((_, i) => result.vars[name(i)] ?? 0),
    };
  };
}

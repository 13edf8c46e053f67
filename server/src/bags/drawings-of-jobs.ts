import { JOB_OF_CUT } from '../db/joins';
import { parsed } from '../db/parsed';
import type { Drawing, LineOn } from '@yard-spool/contract';
import type { FillPlan, PlanInput } from '@yard-spool/core';
import type { Reading } from '../context/context';
import { drawingOfPlan } from '../record/drawings';

const NOTHING_DRAWN: Drawing = { lip: 1, arbor: 0.5, width: 1, layers: [] };

/** A job as a list shows it: drawn small, and its lines from the top down. */
export interface Sketch {
  readonly drawing: Drawing;
  readonly lines: LineOn[];
}

export const NO_SKETCH: Sketch = { drawing: NOTHING_DRAWN, lines: [] };

/** The plans of some jobs as lists show them, by job. */
export async function sketchesOfJobs(from: Reading, ids: readonly number[]): Promise<Map<number, Sketch>> {
  if (ids.length === 0) return new Map();
  const [jobs, cuts] = await Promise.all([
    from.query<{ readonly id: number; readonly planInput: PlanInput; readonly plan: FillPlan }>(
      'SELECT id, plan_input AS planInput, plan FROM jobs WHERE id IN (:ids)',
      { ids },
    ),
    from.query<{
      readonly jobId: number;
      readonly layer: string;
      readonly tint: string;
      readonly name: string;
    }>(
      `SELECT cuts.job_id AS jobId, cuts.layer, products.tint, products.name FROM cuts
         LEFT JOIN pieces ON pieces.id = cuts.piece_id
         JOIN products ON products.id = COALESCE(cuts.product_id, pieces.product_id)
         ${JOB_OF_CUT} AND jobs.state <> 'cancelled' WHERE cuts.job_id IN (:ids)`,
      { ids },
    ),
  ]);
  return new Map(
    jobs.map(({ id, planInput, plan }) => {
      const own = cuts.filter(({ jobId }) => jobId === id);
      const tints = new Map(own.map(({ layer, tint }) => [layer, tint]));
      const names = new Map(own.map(({ layer, name }) => [layer, name]));
      const made = parsed(plan);
      return [id, { drawing: drawingOfPlan(parsed(planInput), made, tints), lines: linesOf(made, names) }];
    }),
  );
}

/** The lines of a plan from the top down, as they are called: line that is not the shop's by what it is. */
const linesOf = ({ layers }: FillPlan, names: ReadonlyMap<string, string>): LineOn[] =>
  layers.toReversed().flatMap(({ id, request, length }): LineOn[] => {
    if (request.kind !== 'line' && request.kind !== 'retained') return [];
    const { material, diameter } = request.line;
    return [
      {
        role: request.kind === 'retained' ? 'kept' : request.role,
        name: names.get(id) ?? `${material.replace('-', ' ')} ${diameter.toFixed(2)}`,
        lengthMm: Math.round(1000 * length.value),
      },
    ];
  });

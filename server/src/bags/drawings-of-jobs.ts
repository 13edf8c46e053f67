import type { Drawing } from '@yard-spool/contract';
import type { FillPlan, PlanInput } from '@yard-spool/core';
import type { Reading } from '../context';
import { drawingOfPlan } from '../reels/drawings';

export const NOTHING_DRAWN: Drawing = { lip: 1, arbor: 0.5, width: 1, layers: [] };

/** The plans of some jobs as they are drawn small, by job. */
export async function drawingsOfJobs(from: Reading, ids: readonly number[]): Promise<Map<number, Drawing>> {
  if (ids.length === 0) return new Map();
  const [jobs, cuts] = await Promise.all([
    from.query<{ readonly id: number; readonly planInput: PlanInput; readonly plan: FillPlan }>(
      'SELECT id, plan_input AS planInput, plan FROM jobs WHERE id IN (:ids)',
      { ids },
    ),
    from.query<{ readonly jobId: number; readonly layer: string; readonly tint: string }>(
      `SELECT cuts.job_id AS jobId, cuts.layer, products.tint FROM cuts
         LEFT JOIN pieces ON pieces.id = cuts.piece_id
         JOIN products ON products.id = COALESCE(cuts.product_id, pieces.product_id) WHERE cuts.job_id IN (:ids)`,
      { ids },
    ),
  ]);
  return new Map(
    jobs.map(({ id, planInput, plan }) => {
      const tints = new Map(cuts.flatMap(({ jobId, layer, tint }) => (jobId === id ? [[layer, tint]] : [])));
      return [id, drawingOfPlan(parsed(planInput), parsed(plan), tints)];
    }),
  );
}

/** JSON of a query that spans tables comes as it is kept. */
const parsed = <T>(json: T): T => (typeof json === 'string' ? (JSON.parse(json) as T) : json);

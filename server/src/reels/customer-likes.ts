import { REEL_OF_FILL } from '../db/joins';
import type { CustomerPage } from '@yard-spool/contract';
import type { Reading } from '../context/context';

/** Fills that tell what somebody likes: older ones were of another season. */
const LOOK_BACK = 12;

interface Row {
  /** JSON, so a string when read. */
  readonly gap: string | null;
  readonly leader: string | null;
  readonly main: string | null;
}

/** What a customer had most among their last fills. What was wanted once is no liking. */
export async function customerLikes(
  from: Reading,
  customerId: number,
): Promise<Omit<CustomerPage['likes'], 'guides'>> {
  const rows = await from.query<Row>(
    `SELECT JSON_VALUE(jobs.plan_input, '$.request.gap') AS gap, JSON_VALUE(jobs.wants, '$.leader') AS leader,
       (SELECT fill_layers.line_name FROM fill_layers WHERE fill_layers.fill_id = fills.id AND fill_layers.role = 'main'
        ORDER BY fill_layers.position DESC LIMIT 1) AS main
     FROM fills ${REEL_OF_FILL}
       JOIN runs ON runs.id = fills.run_id JOIN jobs ON jobs.id = runs.job_id
     WHERE reels.customer_id = :customerId AND fills.taken_back_at IS NULL
     ORDER BY fills.id DESC LIMIT ${String(LOOK_BACK)}`,
    { customerId },
  );
  const gap = most(rows.map((row) => (row.gap === null ? null : Number(row.gap).toFixed(2))));
  const leader = most(rows.map((row) => (row.leader === '' ? null : row.leader)));
  const main = most(rows.map((row) => row.main));
  return {
    fills: rows.length,
    gap: gap && { mm: Number(gap.value), times: gap.times },
    leader: leader && { words: leader.value, times: leader.times },
    main: main && { name: main.value, times: main.times },
  };
}

/** What occurs most, where it occurs at least twice; the latest of those that occur alike. */
function most(values: readonly (string | null)[]): { readonly value: string; readonly times: number } | null {
  const times = new Map<string, number>();
  for (const value of values) if (value !== null) times.set(value, (times.get(value) ?? 0) + 1);
  const [first] = [...times].sort(([, a], [, b]) => b - a);
  return first && first[1] > 1 ? { value: first[0], times: first[1] } : null;
}

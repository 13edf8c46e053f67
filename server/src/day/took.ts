import { learnTimes, type DayTimes, type ReelType } from '@yard-spool/core';
import type { Reading } from '../context/context';
import type { Held } from '../context/held';
import { REEL_OF_FILL } from '../db/joins';

/** The last fills say how long the next one takes. */
const LAST = 120;
/** Hands are on a reel while something happens to it at least this often, seconds. */
const AT_IT_S = 900;

/** Whether an event is what a device counted. */
const BY_DEVICE = "(kind IN ('turns', 'metres') AND JSON_EXISTS(payload, '$.device'))";

interface HeldTimes {
  /** The fill that was closed last when they were learned. */
  upTo: number;
  times: DayTimes;
}

const TIMES: Held<HeldTimes> = {
  make: () => ({ upTo: -1, times: learnTimes([]) }),
  forget: (held) => (held.upTo = -1),
};

/** How long this shop's fills take: learned from the last of them, and again once another is closed. */
export async function timesOf(from: Reading): Promise<DayTimes> {
  const held = from.held.of(TIMES);
  const [last] = await from.query<{ id: number | null }>('SELECT MAX(id) AS id FROM fills', {});
  const upTo = last?.id ?? 0;
  if (held.upTo === upTo) return held.times;
  const fills = await from.query<{
    type: ReelType;
    turns: string;
    layers: string;
    took: string;
    counted: number | string;
  }>(
    `SELECT reels.type, wound.turns, wound.layers, hands.seconds / 60 AS took, hands.counted
     FROM (SELECT id, run_id, spool_id FROM fills ORDER BY id DESC LIMIT ${String(LAST)}) AS fills ${REEL_OF_FILL}
       JOIN (SELECT fill_id, SUM(handle_turns) AS turns, COUNT(*) AS layers FROM fill_layers WHERE handle_turns > 0 GROUP BY fill_id)
         AS wound ON wound.fill_id = fills.id
       JOIN (SELECT run_id, SUM(LEAST(GREATEST(gap, 0), ${String(AT_IT_S)})) AS seconds, MAX(counted) AS counted FROM (
           SELECT run_id, ${BY_DEVICE} AS counted, TIMESTAMPDIFF(SECOND, LAG(at) OVER (PARTITION BY run_id ORDER BY seq), at) AS gap FROM run_events
           WHERE run_id IN (SELECT run_id FROM (SELECT run_id FROM fills ORDER BY id DESC LIMIT ${String(LAST)}) AS newest)
         ) AS gaps GROUP BY run_id) AS hands ON hands.run_id = fills.run_id`,
    {},
  );
  held.times = learnTimes(
    fills.map(({ type, turns, layers, took, counted }) => ({
      type,
      turns: Number(turns),
      layers: Number(layers),
      counted: Number(counted) === 1,
      took: Number(took),
    })),
  );
  held.upTo = upTo;
  return held.times;
}

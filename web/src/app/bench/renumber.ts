import type { RunEvent } from '@yard-spool/core';

/**
 * Events that wait, put behind a log that went on meanwhile: those the log has already are dropped, the rest follow
 * its last place without a gap.
 */
export function renumber(log: readonly RunEvent[], waiting: readonly RunEvent[]): RunEvent[] {
  const known = new Set(log.map(({ id }) => id));
  const last = log.reduce((most, { seq }) => Math.max(most, seq), 0);
  return waiting.filter(({ id }) => !known.has(id)).map((event, i) => ({ ...event, seq: last + 1 + i }));
}

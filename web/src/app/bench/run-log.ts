import type { RunEvent } from '@yard-spool/core';
import { numbered } from '../data/outbox.service';

/**
 * A run's log as the server has it, with what it was heard to have beside: each event once, in order of its place. What
 * is known already stays the same object, so that whoever folds the log can go on from there.
 */
export function hearing(log: readonly RunEvent[], heard: readonly RunEvent[]): readonly RunEvent[] {
  const known = new Set(log.map(({ id }) => id));
  const fresh = heard.filter(({ id }, i) => !known.has(id) && heard.findIndex((one) => one.id === id) === i);
  if (fresh.length === 0) return log;
  const last = log.at(-1)?.seq ?? 0;
  const together = [...log, ...fresh];
  return fresh.every(({ seq }) => seq > last) ? inOrder(together, log.length) : inOrder(together, 0);
}

const inOrder = (events: readonly RunEvent[], from: number): RunEvent[] => [
  ...events.slice(0, from),
  ...events.slice(from).sort((a, b) => a.seq - b.seq),
];

/**
 * The log with what waits here put behind it: what the log has already is left out, the rest follow its last place
 * without a gap.
 */
export function withWaiting(log: readonly RunEvent[], waiting: readonly RunEvent[]): readonly RunEvent[] {
  const known = new Set(log.map(({ id }) => id));
  const last = log.at(-1)?.seq ?? 0;
  return [
    ...log,
    ...numbered(
      waiting.filter(({ id }) => !known.has(id)),
      last,
    ),
  ];
}

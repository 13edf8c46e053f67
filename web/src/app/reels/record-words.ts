import type { OnSpool } from '@yard-spool/contract';
import { counted } from '@yard-spool/core';
import { DateTime } from 'luxon';
import { dayText } from '../ui/day-text';

/** When line is due, as people say it: since when, by when, or only by trips. */
export function dueWords(
  { dueAt, by, trips }: Pick<OnSpool, 'dueAt' | 'by' | 'trips'>,
  now: DateTime = DateTime.now(),
): string {
  if (dueAt === null) return 'Due by trips; none were told yet';
  const at = DateTime.fromISO(dueAt);
  const because =
    by === 'loss'
      ? ': too little is left to cast'
      : by === 'trips' && trips !== null
        ? `, after ${counted(trips, 'trip')}`
        : '';
  return at <= now ? `Due since ${dayText(dueAt)}${because}` : `Due ${at.toFormat('LLL yyyy')}`;
}

export const isDue = ({ dueAt }: Pick<OnSpool, 'dueAt'>, now: DateTime = DateTime.now()): boolean =>
  dueAt !== null && DateTime.fromISO(dueAt) <= now;

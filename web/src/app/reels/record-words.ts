import type { Comeback, OnSpool } from '@yard-spool/contract';
import { counted } from '@yard-spool/core';
import { DateTime } from 'luxon';
import { dayText } from '../ui/day-text';

export const COMPLAINT_WORDS: Readonly<Record<Comeback['complaint'], string>> = {
  loops: 'throws loops',
  twist: 'twists and kinks',
  'digs-in': 'line digs in',
  slips: 'slips on the spool',
  breaks: 'broke',
  counter: 'counter is wrong',
  'too-little': 'too little line',
  'too-full': 'too full',
  other: 'something else',
};

export const CAUSE_WORDS: Readonly<Record<NonNullable<Comeback['cause']>, string>> = {
  'our-winding': 'our winding',
  'our-choice': 'what we chose for it',
  'the-line': 'the line itself',
  'the-reel': 'the reel',
  'how-it-is-fished': 'how it is fished',
  nothing: 'nothing was wrong',
  unknown: 'could not be told',
};

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

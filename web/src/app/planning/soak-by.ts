import type { Piece } from '@yard-spool/contract';
import { type HouseRules, soakAdvice, waterState } from '@yard-spool/core';
import { DateTime } from 'luxon';
import type { DraftPlan } from './draft-plan';
import { promisedText } from '../words/promised-text';

/** Kept for filling before the promise, hours. From memory. */
const TO_FILL = 1;
/** From so short before it is too late on, nobody is asked to hurry, minutes. */
const SOON = 5;

/** When line that is soaked has to be in the water for its promise; or that it cannot be any more. When it can be is for the day's order to say. */
export interface SoakBy {
  readonly possible: boolean;
  readonly words: string;
}

/**
 * What a promise means for line that the house soaks.
 *
 * @param hours it is soaked
 * @param wet whether it is in the water, or out of it and wet
 */
export function soakBy(promised: DateTime, hours: number, wet: boolean, now = DateTime.now()): SoakBy | null {
  if (!promised.isValid || hours === 0) return null;
  const by = promised.minus({ hours: hours + TO_FILL });
  const said = (at: DateTime): string => promisedText(at.toISO() ?? '', now);
  if (wet) return { possible: true, words: 'Its line is in the water already, or wet from it.' };
  if (by > now.minus({ minutes: SOON }))
    return {
      possible: true,
      words: `Into the tub by ${said(by)}, to be filled an hour before the promise.`,
    };
  return {
    possible: false,
    words: `Too late to soak it: it would have had to be in the tub by ${said(by)}. Wind it dry, or promise it later.`,
  };
}

/** The same for what a draft winds on top. */
export function soakOf(
  { made, cuts }: Pick<DraftPlan, 'made' | 'cuts'>,
  promised: string,
  rules: Pick<HouseRules, 'soak'>,
): SoakBy | null {
  const top = made?.plan.layers.findLast(({ request }) => request.kind === 'line');
  if (top?.request.kind !== 'line') return null;
  const piece: Piece | null | undefined = Object.entries(cuts).find(([layer]) => layer === top.id)?.[1].piece;
  const { hours } = soakAdvice(top.request.line, rules);
  return soakBy(DateTime.fromISO(promised), hours, piece ? waterState(piece) !== 'dry' : false);
}

import { counted } from '../quantities/counted';
import { fillWording } from './wording';

/** What a text to a customer is made from; a day as people write it. */
export interface DueFacts {
  readonly customer: string;
  readonly label: string;
  readonly tag: string;
  /** Empty where the reel has one spool. */
  readonly spool: string;
  readonly main: string;
  readonly filledOn: string;
  readonly by: 'months' | 'trips' | 'loss';
  readonly trips: number | null;
  /** Whether its line is worth turning end for end. */
  readonly reverse: boolean;
  readonly shop: string;
}

/**
 * Tells a customer that line is due: what, since when, what the shop would do, and that it is theirs to decide.
 *
 * @param wording the house's own; empty for the usual
 */
export function dueText(
  { customer, label, tag, spool, main, filledOn, by, trips, reverse, shop }: DueFacts,
  wording = '',
): string {
  const since =
    by === 'loss'
      ? `So much line is gone since we filled it on ${filledOn} that little is left to cast`
      : by === 'trips' && trips !== null
        ? `It has been out ${trips === 1 ? 'once' : counted(trips, 'time')} since we filled it on ${filledOn}`
        : `We filled it on ${filledOn}`;
  const advice = reverse
    ? 'Its inner end has not been used: we can turn it end for end for the price of winding only.'
    : 'We would put new line on it.';
  return fillWording('due', wording, {
    customer,
    since,
    advice,
    shop,
    reel: label,
    line: main,
    tag: spool === '' ? tag : `${tag}, ${spool} spool`,
  });
}

import { dueText } from '@yard-spool/core';
import type { DueRow } from './record';

/** What the house says in such a message, and how it writes a day. */
interface Said {
  readonly shop: string;
  /** Empty for the usual. */
  readonly wording: string;
  readonly day: (iso: string) => string;
}

/** The text for a customer whose line is due, for the screen that shows it and the message that is kept. */
export const dueMessage = (
  {
    customer,
    label,
    tag,
    spool,
    on,
  }: Pick<DueRow, 'label' | 'tag' | 'spool' | 'on'> & { readonly customer: { readonly name: string } },
  { shop, wording, day }: Said,
): string =>
  dueText(
    {
      customer: customer.name,
      label,
      tag,
      shop,
      spool: spool === 'own' ? '' : spool,
      main: on.lines.at(-1)?.name ?? 'line',
      filledOn: day(on.reversedAt ?? on.filledAt),
      by: on.by,
      trips: on.trips,
      reverse: on.reverse !== '',
    },
    wording,
  );

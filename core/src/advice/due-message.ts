import type { Words } from '../words/message';
import { dueText, type DueFacts } from './due-text';

/** Line on a reel that is due, as the record has it; times in ISO. */
interface DueLine {
  readonly label: string;
  readonly tag: string;
  readonly spool: string;
  readonly customer: { readonly name: string };
  readonly on: {
    readonly lines: readonly { readonly name: string }[];
    readonly filledAt: string;
    readonly reversedAt: string | null;
    readonly by: DueFacts['by'];
    readonly trips: number | null;
    readonly reverse: Words;
  };
}

/** What the house says in such a message, and how it writes a day. */
interface Said {
  readonly shop: string;
  /** Empty for the usual. */
  readonly wording: string;
  readonly day: (iso: string) => string;
}

/** The text for a customer whose line is due, for the screen that shows it and the message that is kept. */
export const dueMessage = (
  { customer, label, tag, spool, on }: DueLine,
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

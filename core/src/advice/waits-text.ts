import { fillWording } from './wording';

/** A bag some of whose line is not there; each reel that waits, with what it waits for in words. */
export interface WaitsFacts {
  readonly customer: string;
  readonly bag: number;
  readonly reels: readonly { readonly tag: string; readonly label: string; readonly waitsFor: string }[];
  readonly shop: string;
}

/**
 * Tells a customer that some of their line is not in stock, and asks what is to be done.
 *
 * @param wording the house's own; empty for the usual
 */
export const waitsText = ({ customer, bag, reels, shop }: WaitsFacts, wording = ''): string =>
  fillWording('waits', wording, {
    customer,
    bag: String(bag),
    shop,
    list: reels.map(({ tag, label, waitsFor }) => `${tag} ${label}: ${waitsFor}`).join('\n'),
  });

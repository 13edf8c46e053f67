import { fillWording } from './wording';

/** A bag that can be fetched; each reel with what went on it, in words. */
export interface ReadyFacts {
  readonly customer: string;
  readonly bag: number;
  readonly reels: readonly {
    readonly tag: string;
    readonly label: string;
    readonly on: string;
    /** What it came back with, in words for the customer; empty where it did not come back. */
    readonly was?: string;
  }[];
  readonly shop: string;
}

/**
 * Tells a customer that their reels can be fetched.
 *
 * @param wording the house's own; empty for the usual
 */
export const readyText = ({ customer, bag, reels, shop }: ReadyFacts, wording = ''): string =>
  fillWording('ready', wording, {
    customer,
    bag: String(bag),
    shop,
    reels: reels.length === 1 ? '1 reel' : `${String(reels.length)} reels`,
    list: reels
      .map(
        ({ tag, label, on, was = '' }) =>
          `${tag} ${label}${on === '' ? '' : `: ${on}`}${was === '' ? '' : `\n${was}`}`,
      )
      .join('\n'),
  });

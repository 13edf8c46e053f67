import { createHash, randomInt, timingSafeEqual } from 'node:crypto';
import { ProblemError } from '../problem-error';

/** How many words are to be typed: of 64 words each is worth 6 bits. */
const HOW_MANY = 5;
/** Wrong tries from wherever, then no words are right until the shop is started again. */
const MOST_WRONG = 100;
const WORDS =
  `amber anchor apple bark basin birch boat bread brick bridge candle canvas cedar chalk cherry cloud
   clover coast copper coral cotton cradle creek crow daisy delta dune feather fern flint forest garden
   ginger granite harbour heron hill honey island ivory kettle ladder lantern lemon maple marble meadow mill
   moss mussel needle oak orchard otter paper pebble pepper pine plum rain river saddle silver willow`.split(
    /\s+/,
  );

/**
 * Words that only whoever started the shop can read: they stand on that machine's console. Whoever makes the first manager
 * from another device types them, so that a stranger on the network cannot.
 */
export class FirstWords {
  readonly text = Array.from({ length: HOW_MANY }, () => WORDS[randomInt(WORDS.length)]).join(' ');
  private wrong = 0;

  /** @throws ProblemError not-allowed where they are others, too-many-tries where too many were */
  check(typed: string): void {
    if (this.wrong >= MOST_WRONG)
      throw new ProblemError(
        'too-many-tries',
        'Too many wrong words were typed. Start Yard Spool again: it shows other words then.',
      );
    if (timingSafeEqual(digest(typed), digest(this.text))) return;
    this.wrong += 1;
    throw new ProblemError('not-allowed', WRONG, [{ path: 'words', message: WRONG }]);
  }
}

const WRONG =
  'These are not the words shown where Yard Spool was started. Read them there and type them again.';

/** Of the words alone: capitals and what stands between them do not matter. */
const digest = (text: string): Buffer =>
  createHash('sha256')
    .update((text.toLowerCase().match(/\p{L}+/gu) ?? []).join(' '))
    .digest();

/** Two ends of a connection. */
interface Ends {
  readonly remoteAddress?: string | undefined;
  readonly localAddress?: string | undefined;
}

/** Whether a request comes from the machine the server runs on: by loopback, or by its own address on the network. */
export function isThisMachine({ remoteAddress = '', localAddress = '' }: Ends): boolean {
  const remote = bare(remoteAddress);
  return remote !== '' && (remote === '::1' || remote.startsWith('127.') || remote === bare(localAddress));
}

const bare = (address: string): string => address.replace(/^::ffff:/i, '');

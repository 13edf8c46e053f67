import type { FaultReel } from './cause';
import { authoredRates, causeOf, shopRates, type FaultCause } from './causes';
import { lookOf, type LookKey } from './looks';
import { after, chancesOver, openLooks, type LookOpen } from './next-look';
import { remedyKeyOf } from './remedy-keys';
import type { Symptom } from './symptoms';
import {
  accountsOf,
  causeShares,
  chanceOf,
  weighFaults,
  type Account,
  type CauseShare,
  type LookMade,
} from './weigh-faults';

/** What is known of a reel that is not right. */
export interface FaultCase {
  readonly reel: FaultReel;
  /** What is said or seen; the first is what it came for. */
  readonly symptoms: readonly Symptom[];
  /** Looks in the order they were made, those of the record first; a later answer to the same look takes its place. */
  readonly looks: readonly LookMade[];
  /** What the shop's own comebacks of such reels turned out to be, how often each. */
  readonly seen?: Readonly<Partial<Record<FaultCause, number>>>;
}

/** A look that speaks for a cause, or against it. */
export interface Reason {
  readonly look: LookKey;
  readonly answer: string;
  readonly speaks: 'for' | 'against';
}

export interface FaultFound {
  /** The one that is likeliest behind what was said first. */
  readonly ranked: readonly CauseShare[];
  /** The two that are there together, where that explains more than any one by a clear margin. */
  readonly both: readonly [FaultCause, FaultCause] | null;
  /** Chance that it is none of those known. */
  readonly unknown: number;
  /** What to ask or look at next; null where asking more would not change what to do. */
  readonly next: LookOpen | null;
  /** All that can still be asked, the best first. */
  readonly open: readonly LookOpen[];
}

/** Two together are told where they are so many times as likely as the likeliest alone. */
const CLEARLY = 1.5;
/**
 * The first cause is told once it is so many times as likely as the next. Four times, as first thought of, let one wrong look
 * decide: over 600 simulated comebacks, twice, it was right in four and in one and a half of a hundred fewer, for one question
 * less.
 */
const TIMES = 8;
/** An answer rarer than this is not waited for. */
const RARELY = 0.05;
/** A look that tells so much is worth making even where no one answer to it would change what is done, bits. */
const TELLS = 0.15;
/** A look whose answer is this much likelier one way speaks for a cause, or against it. */
const SPEAKS = 1.25;

/**
 * What is wrong with a reel: causes by how likely they are to be behind what was said, and what to ask next: the look that
 * tells most for each minute it takes. It stops when the first cause is far likelier than the next, or when no answer that
 * may come would change what is done about it. Exact over every cause, every two of them, and none.
 */
export function findFault({ reel, symptoms, looks, seen = {} }: FaultCase): FaultFound {
  const rates = shopRates(authoredRates(reel), seen);
  const made = latestLooks(looks);
  const accounts = weighFaults(rates, symptoms, made);
  const shares = causeShares(accounts, symptoms);
  const both = togetherIn(accounts);
  const open = openLooks(reel, symptoms, accounts, new Set(made.map(({ look }) => look)));
  const now = outcome(accounts, symptoms);
  const worth = ({ look, tells }: LookOpen): boolean =>
    tells >= TELLS || changes(look, accounts, symptoms, now);
  return {
    ranked: shares,
    both,
    unknown: accounts.find(({ causes }) => causes.length === 0)?.share ?? 0,
    next: isPlain(shares, both) ? null : (open.find(worth) ?? null),
    open,
  };
}

/** A look answered again counts as it was answered last. */
export function latestLooks(looks: readonly LookMade[]): LookMade[] {
  return [...new Map(looks.map((made) => [made.look, made])).values()];
}

function togetherIn(accounts: readonly Account[]): readonly [FaultCause, FaultCause] | null {
  const best = (of: number): Account | undefined =>
    accounts
      .filter(({ causes }) => causes.length === of)
      .reduce<Account | undefined>((top, one) => (one.share > (top?.share ?? 0) ? one : top), undefined);
  const [a, b] = best(2)?.causes ?? [];
  return a && b && (best(2)?.share ?? 0) > CLEARLY * (best(1)?.share ?? 0) ? [a, b] : null;
}

function isPlain(shares: readonly CauseShare[], both: FaultFound['both']): boolean {
  const told = both ?? [shares[0]?.cause];
  const least = Math.min(...shares.flatMap(({ cause, behind }) => (told.includes(cause) ? [behind] : [])));
  const next = Math.max(0, ...shares.flatMap(({ cause, behind }) => (told.includes(cause) ? [] : [behind])));
  return least >= TIMES * next;
}

/** What is done about a cause, and whose matter it is. */
const outcome = (accounts: readonly Account[], symptoms: readonly Symptom[]): string => {
  const [first] = causeShares(accounts, symptoms);
  return first ? `${remedyKeyOf(first.cause)} ${causeOf(first.cause).whose}` : '';
};

/** Whether any answer to a look that is not rare would change what is done now. */
const changes = (
  look: LookKey,
  accounts: readonly Account[],
  symptoms: readonly Symptom[],
  now: string,
): boolean =>
  [...chancesOver(look, accounts)].some(
    ([answer, chance]) => chance >= RARELY && outcome(after({ look, answer }, accounts), symptoms) !== now,
  );

/**
 * What was looked at, by how strongly it speaks for a cause or against it: how much likelier the answer is where the cause is
 * there than where it is not, over all such reels, whatever else is suspected by now.
 */
export function faultReasons({ reel, looks, seen = {} }: FaultCase, cause: FaultCause): Reason[] {
  const accounts = accountsOf(shopRates(authoredRates(reel), seen));
  const withIt = accounts.filter(({ causes }) => causes.includes(cause));
  const without = accounts.filter(({ causes }) => !causes.includes(cause));
  return latestLooks(looks)
    .flatMap(({ look, answer }) => {
      if (!Object.hasOwn(lookOf(look).answers, answer)) return [];
      const times = average({ look, answer }, withIt) / average({ look, answer }, without);
      return times >= SPEAKS || times <= 1 / SPEAKS ? [{ look, answer, times }] : [];
    })
    .sort((a, b) => Math.abs(Math.log(b.times)) - Math.abs(Math.log(a.times)))
    .map(({ look, answer, times }) => ({ look, answer, speaks: times > 1 ? 'for' : 'against' }));
}

/** Chance of a look as it was made over some accounts. */
function average(made: LookMade, accounts: readonly Account[]): number {
  const total = accounts.reduce((sum, { share }) => sum + share, 0);
  return accounts.reduce((sum, { causes, share }) => sum + share * chanceOf(made, causes), 0) / total;
}

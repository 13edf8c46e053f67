import type { CutsPlan } from '@yard-spool/contract';
import type { Reading } from '../context/context';
import type { Held } from '../context/held';
import { inWorker } from '../work/in-worker';
import { OnlyLast } from '../work/only-last';
import { cutsAtOnce, whereBetter } from './better-cuts';
import { FIND_CUTS } from './find-cuts';
import { keyFor, type FoundCuts } from './found-cuts';
import { gatherCuts, keyOf, layersIn } from './gather-cuts';
import { movedCuts, type MovedCut } from './moved-cuts';
import { savedSoFar } from './saved';
import { tellCuts } from './tell-cuts';

/** The longest a better plan is looked for, ms. */
const WITHIN = 5000;
/** What moved is told for so long, ms. */
const TOLD_FOR = 20 * 60_000;

/** Cuts at once prove nothing. */
const UNPROVEN = [{ level: 'unserved', gap: Infinity }] as const;

interface HeldCuts {
  last: FoundCuts | null;
  /** The last one that no better was looked for: what moved is told from it. */
  settled: FoundCuts | null;
  looking: Promise<void> | null;
  /** A plan that is overtaken is not looked for any longer. */
  readonly finder: OnlyLast;
  moved: readonly (MovedCut & { readonly at: number })[];
}

const CUTS: Held<HeldCuts> = {
  make: () => ({ last: null, settled: null, looking: null, finder: new OnlyLast(), moved: [] }),
  forget: (held) => {
    held.last = null;
    held.settled = null;
    held.moved = [];
  },
};

/** The plan of cuts as things are now: at once as a careful person makes it, then as good as it can be. */
export async function readCuts(from: Reading): Promise<CutsPlan> {
  const found = await cutsNow(from);
  const { moved, looking } = from.held.of(CUTS);
  return tellCuts(found, {
    looking: looking !== null,
    moved,
    saved: await savedSoFar(from),
  });
}

/** The plan there is, made where what it rests on has changed. */
export async function cutsNow(from: Reading): Promise<FoundCuts> {
  const held = from.held.of(CUTS);
  const gathered = await gatherCuts(from);
  const key = keyFor(gathered);
  if (held.last?.key === key) return held.last;
  const { stock, booked } = gathered;
  const first: FoundCuts = { key, gathered, cuts: cutsAtOnce(stock, booked), open: UNPROVEN };
  held.last = first;
  const at = from.clock().getTime();
  const looking = held.finder
    .begin((signal) => better(first, signal))
    .then((found) => {
      if (held.last !== first) return;
      held.moved = stillMoved(held, found, at);
      held.last = found;
      held.settled = found;
    })
    // A worker that ended leaves the plan that is there; it is looked for again when something changes.
    .catch(() => undefined)
    .finally(() => {
      if (held.looking === looking) held.looking = null;
    });
  held.looking = looking;
  return first;
}

/** The plan once no better one is looked for. */
export async function cutsFound(from: Reading): Promise<FoundCuts> {
  const now = await cutsNow(from);
  const held = from.held.of(CUTS);
  let waited = false;
  // What is waited for may be overtaken by another.
  for (let { looking } = held; looking; { looking } = held) {
    await looking;
    waited = true;
  }
  return waited ? cutsNow(from) : now;
}

async function better(first: FoundCuts, signal: AbortSignal): Promise<FoundCuts> {
  const { stock, booked } = first.gathered;
  const { cuts, open } = await inWorker(FIND_CUTS, { stock, within: WITHIN }, { signal });
  return { ...first, cuts: whereBetter(stock, cuts, booked), open };
}

function stillMoved({ moved, settled: before }: HeldCuts, found: FoundCuts, at: number): HeldCuts['moved'] {
  const fresh = before ? movedCuts(before, found).map((one) => ({ ...one, at })) : [];
  const keys = new Set(fresh.map(({ key }) => key));
  const waits = new Set(layersIn(...found.gathered.asks).map(keyOf));
  return [
    ...moved.filter((one) => !keys.has(one.key) && waits.has(one.key) && one.at > at - TOLD_FOR),
    ...fresh,
  ];
}

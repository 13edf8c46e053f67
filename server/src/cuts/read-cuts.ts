import { createHash } from 'node:crypto';
import type { CutsPlan } from '@yard-spool/contract';
import type { Reading } from '../context/context';
import type { Held } from '../context/held';
import { inWorker } from '../work/in-worker';
import { cutsAtOnce, whereBetter } from './better-cuts';
import { FIND_CUTS } from './find-cuts';
import type { FoundCuts } from './found-cuts';
import { gatherCuts, keyOf, type GatheredCuts } from './gather-cuts';
import { movedCuts, type MovedCut } from './moved-cuts';
import { savedSoFar } from './saved';
import { tellCuts } from './tell-cuts';

/** The longest a better plan is looked for, ms. */
const WITHIN = 5000;
/** What moved is told for so long, ms. */
const TOLD_FOR = 20 * 60_000;

interface HeldCuts {
  last: FoundCuts | null;
  looking: Promise<void> | null;
  moved: readonly (MovedCut & { readonly at: number })[];
}

const CUTS: Held<HeldCuts> = {
  make: () => ({ last: null, looking: null, moved: [] }),
  forget: (held) => {
    held.last = null;
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
  const before = held.last;
  const { stock, booked } = gathered;
  const first: FoundCuts = { key, gathered, cuts: cutsAtOnce(stock, booked), open: [] };
  held.last = first;
  const at = from.clock().getTime();
  const looking = better(first)
    .then((found) => {
      if (held.last !== first) return;
      held.last = found;
      held.moved = stillMoved(held, before, found, at);
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
  await cutsNow(from);
  await from.held.of(CUTS).looking;
  return cutsNow(from);
}

async function better(first: FoundCuts): Promise<FoundCuts> {
  const { stock, booked } = first.gathered;
  const { cuts, open } = await inWorker(FIND_CUTS, { stock, within: WITHIN });
  return { ...first, cuts: whereBetter(stock, cuts, booked), open };
}

function stillMoved(
  { moved }: HeldCuts,
  before: FoundCuts | null,
  found: FoundCuts,
  at: number,
): HeldCuts['moved'] {
  const fresh = before ? movedCuts(before, found).map((one) => ({ ...one, at })) : [];
  const keys = new Set(fresh.map(({ key }) => key));
  const waits = new Set(
    found.gathered.asks.flatMap(({ main, backing }) => [main, backing]).map((one) => one && keyOf(one)),
  );
  return [
    ...moved.filter((one) => !keys.has(one.key) && waits.has(one.key) && one.at > at - TOLD_FOR),
    ...fresh,
  ];
}

/** By which a plan is known: the same for all that is the same. */
export function keyFor({ stock, booked, coming }: GatheredCuts): string {
  return createHash('sha256')
    .update(JSON.stringify([stock, booked, coming]))
    .digest('base64url')
    .slice(0, 32);
}

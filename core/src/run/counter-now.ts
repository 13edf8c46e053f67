import {
  UNKNOWN_SPOOL,
  type CounterFace,
  type KnownCounter,
  type SpoolSpread,
} from '../counter/counter-beliefs';
import { counterMatch, type CounterMatch, type CounterRequest } from '../counter/counter-match';
import type { Walk } from '../counter/counter-fit';
import { metresPer, type CounterUnit } from '../counter/counter-unit';
import type { CounterSpool } from '../counter/paid-out';
import { USUAL_LIMITS, type Limits } from '../counter/out-of-reach';
import { woundArea } from '../lines/line';
import type { FillUnderWay } from '../plan/fill-under-way';
import type { Segments } from '../plan/segments';
import { woundSoFar, type WoundLayer } from '../plan/wound';
import { bulkIn } from '../spool/estimate';
import { lengthBetween } from '../winding/winding';
import type { RunFacts } from '../steps/run-facts';
import { isSwap, lineLayers } from '../steps/winding-order';
import { withByEye } from './by-eye';
import { finalFill } from './final-fill';
import { levelAt } from './judge-depth';
import type { RunState } from './run-state';
import type { RunUnderWay } from './under-way';

/** What is said of a counter before its first walk. */
export interface CounterSetup extends CounterFace {
  /** m */
  readonly match: number;
}

/** How unsure wound area to width is where a spool was planned and wound here, as a share. From memory. */
export const RATIO_SD = 0.05;
/** The same where its line went on elsewhere: nobody knows how tight it lies. */
const RATIO_FOREIGN = 0.12;
/** A lip that may be off by more than this says nothing of a reel filled elsewhere, mm. */
const UNMEASURED = 3;
/** A surface is never surer than this, mm: half of what a calliper tells. */
const LEAST_SURFACE = 0.1;

/** The layers as they lie on the reel, whichever way round they were wound. */
interface Lying {
  readonly request: FillUnderWay['request'];
  readonly wound: readonly WoundLayer[];
}

/** What is looked at to tell what lay on a reel at a walk: what was wound by eye is seen there too. */
type Walking = Pick<RunState, 'walks' | 'byEye' | 'depths'>;

/** What lies on the reel after what was counted; main first, after the swap. */
function lyingAfter(facts: RunFacts, under: RunUnderWay, state: Walking, segments: Segments): Lying {
  const { spool, request } = under;
  const seen = withByEye(under, { ...state, wound: segments });
  const wound = finalFill(facts, spool, woundSoFar(spool, request, seen));
  return { request: isSwap(facts) ? facts.request : request, wound };
}

const topOf = ({ request, wound }: Lying): WoundLayer | undefined => {
  const last = lineLayers(request).at(-1)?.id;
  return wound.find(({ id }) => id === last);
};

/** The walks that count, with the metres moved since the first of them; readings in one unit. */
export function walksOf(facts: RunFacts, under: RunUnderWay, state: Walking, unit: CounterUnit): Walk[] {
  const standing = state.walks.filter(({ left }) => !left);
  const on = (wound: Segments): number => topOf(lyingAfter(facts, under, state, wound))?.length ?? 0;
  const first = standing[0] ? on(standing[0].wound) : 0;
  return standing.map(({ tape, reading, began = 0, over, wound, unit: read, step }) => ({
    tape,
    over,
    step: (step * metresPer(read)) / metresPer(unit),
    moved: on(wound) - first,
    reading: ((reading - began) * metresPer(read)) / metresPer(unit),
  }));
}

/** What lies on a spool as its counter meets it, from the top down; null where nothing does. */
function counterSpool({ spool }: FillUnderWay, { request, wound }: Lying): CounterSpool | null {
  const { width, lipRadius, packing } = spool.spool;
  const layers = lineLayers(request).flatMap(({ id, line }) => {
    const on = wound.find((one) => one.id === id);
    const area = woundArea(line.diameter, bulkIn(spool, line), packing);
    if (!on || on.outerRadius <= on.innerRadius) return [];
    return [{ inner: on.innerRadius, area, outer: on.outerRadius }];
  });
  const top = layers.at(-1);
  if (!top) return null;
  const down = layers.toReversed().map(({ inner, area }) => ({ inner, area }));
  return { width, lip: lipRadius, outer: top.outer, layers: down };
}

/** What the counter of a run is matched with by now: its spool at the first walk, every walk, and the line moved since. */
export function counterRequest(
  facts: RunFacts,
  under: RunUnderWay,
  state: Walking,
  setup: CounterSetup,
  believed?: KnownCounter,
): CounterRequest {
  const now: Lying = lyingNow(facts, under);
  const first = state.walks.find(({ left }) => !left);
  const then = first ? lyingAfter(facts, under, state, first.wound) : now;
  const { sd } = levelAt(under, lineLayers(under.request).at(-1)?.id ?? '');
  const known = !facts.counterOnly || under.spool.deviation.lipRadius < UNMEASURED;
  return {
    face: { unit: setup.unit, step: setup.step },
    match: setup.match,
    spool: known ? counterSpool(under, then) : null,
    spread: known ? spreadOn(facts, under, sd) : UNKNOWN_SPOOL.spread,
    ...(believed?.unit === setup.unit ? { belief: believed } : {}),
    walks: walksOf(facts, under, state, setup.unit),
    moved: (topOf(now)?.length ?? 0) - (topOf(then)?.length ?? 0),
    limits: limitsOf(under.request.gap),
    ...(known ? roomOf(under, now, limitsOf(under.request.gap)) : {}),
  };
}

/** How unsure a spool is that was wound here to the count; or elsewhere, where only its lip was measured. */
const spreadOn = ({ counterOnly }: RunFacts, { spool }: RunUnderWay, sd: number): SpoolSpread =>
  counterOnly
    ? { surface: Math.hypot(LEAST_SURFACE, sd, spool.deviation.lipRadius), ratio: RATIO_FOREIGN }
    : { surface: Math.max(LEAST_SURFACE, sd), ratio: RATIO_SD };

/** Metres of the line on top that still reach the lip, by what lies there: no counter asks for more. */
function roomOf({ spool, request }: FillUnderWay, now: Lying, { least }: Limits): { readonly room?: number } {
  const top = topOf(now);
  const line = lineLayers(request).find(({ id }) => id === top?.id)?.line;
  if (!top || !line) return {};
  const { width, lipRadius, packing } = spool.spool;
  const area = woundArea(line.diameter, bulkIn(spool, line), packing);
  const room = lengthBetween(width, top.outerRadius, Math.max(top.outerRadius, lipRadius - least), area);
  return { room };
}

const lyingNow = (facts: RunFacts, { spool, request, wound }: FillUnderWay): Lying => ({
  request: isSwap(facts) ? facts.request : request,
  wound: finalFill(facts, spool, wound),
});

/** The spool of a run as its counter meets it now; null where nothing lies on it. */
export const counterSpoolNow = (facts: RunFacts, under: FillUnderWay): CounterSpool | null =>
  counterSpool(under, lyingNow(facts, under));

/** A level may come as near the lip as anybody leaves it, and stand a little deeper than was wanted. */
const limitsOf = (gap: number | undefined): Limits => ({
  least: Math.min(USUAL_LIMITS.least, gap ?? USUAL_LIMITS.least),
  most: Math.max(USUAL_LIMITS.most, (gap ?? 0) + 3),
});

/** Where the counter of a run stands; null where it cannot be said. */
export function counterNow(
  facts: RunFacts,
  under: RunUnderWay,
  state: Walking,
  setup: CounterSetup,
  known?: KnownCounter,
): CounterMatch | null {
  const match = counterMatch(counterRequest(facts, under, state, setup, known));
  return match.ok ? match.value : null;
}

/** What a counter was last said to show and to be matched at in a run; null before its first walk. */
export function setupOf({ walks }: Pick<RunState, 'walks'>): CounterSetup | null {
  const last = walks.at(-1);
  return last ? { unit: last.unit, step: last.step, match: last.match } : null;
}

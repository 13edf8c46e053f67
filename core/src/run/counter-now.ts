import type { CounterFace, KnownCounter } from '../counter/counter-beliefs';
import { counterMatch, type CounterMatch, type CounterRequest } from '../counter/counter-match';
import type { Walk } from '../counter/counter-fit';
import { metresPer, type CounterUnit } from '../counter/counter-unit';
import type { CounterSpool } from '../counter/paid-out';
import { USUAL_LIMITS, type Limits } from '../counter/out-of-reach';
import { woundArea } from '../lines/line';
import type { LayerRequest } from '../plan/fill-request';
import type { FillUnderWay } from '../plan/fill-under-way';
import type { Segments } from '../plan/segments';
import { woundSoFar, type WoundLayer } from '../plan/wound';
import { bulkIn } from '../spool/estimate';
import { levelAt } from './judge-depth';
import type { RunState } from './run-state';
import type { RunUnderWay } from './under-way';

/** What is said of a counter before its first walk. */
export interface CounterSetup extends CounterFace {
  /** m */
  readonly match: number;
}

/** How unsure wound area to width is where a spool was planned and wound here, as a share. From memory. */
const RATIO_SD = 0.05;
/** A surface is never surer than this, mm: half of what a calliper tells. */
const LEAST_SURFACE = 0.1;

/** The walks that count, with the metres moved since the first of them; readings in one unit. */
export function walksOf(under: FillUnderWay, { walks }: Pick<RunState, 'walks'>, unit: CounterUnit): Walk[] {
  const standing = walks.filter(({ left }) => !left);
  const on = (wound: Segments): number => topOf(under, wound)?.length ?? 0;
  const first = standing[0] ? on(standing[0].wound) : 0;
  return standing.map(({ tape, reading, over, wound, unit: read }) => ({
    ...{ tape, over, moved: on(wound) - first },
    reading: (reading * metresPer(read)) / metresPer(unit),
  }));
}

const topOf = ({ spool, request }: FillUnderWay, wound: Segments): WoundLayer | undefined => {
  const last = lines(request.layers).at(-1)?.id;
  return woundSoFar(spool, request, wound).find(({ id }) => id === last);
};

const lines = (layers: readonly LayerRequest[]): Extract<LayerRequest, { kind: 'line' }>[] =>
  layers.filter((layer) => layer.kind === 'line');

/** What lies on a spool as its counter meets it, from the top down; null where nothing does. */
export function counterSpool(
  { spool, request }: FillUnderWay,
  wound: readonly WoundLayer[],
): CounterSpool | null {
  const { width, lipRadius, packing } = spool.spool;
  const layers = lines(request.layers).flatMap(({ id, line }) => {
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
  under: RunUnderWay,
  state: Pick<RunState, 'walks' | 'wound'>,
  setup: CounterSetup,
  known?: KnownCounter,
): CounterRequest {
  const first = state.walks.find(({ left }) => !left);
  const at = first ? woundSoFar(under.spool, under.request, first.wound) : under.wound;
  const was = first ? (topOf(under, first.wound)?.length ?? 0) : undefined;
  const last = lines(under.request.layers).at(-1)?.id ?? '';
  const now = under.wound.find(({ id }) => id === last)?.length ?? 0;
  const { sd } = levelAt(under, last);
  return {
    face: { unit: setup.unit, step: setup.step },
    match: setup.match,
    spool: counterSpool(under, at),
    spread: { surface: Math.max(LEAST_SURFACE, sd), ratio: RATIO_SD },
    ...(known?.unit === setup.unit ? { belief: known } : {}),
    walks: walksOf(under, state, setup.unit),
    moved: was === undefined ? 0 : now - was,
    limits: limitsOf(under.request.gap),
  };
}

/** A level may come as near the lip as anybody leaves it, and stand a little deeper than was wanted. */
const limitsOf = (gap: number | undefined): Limits => ({
  least: Math.min(USUAL_LIMITS.least, gap ?? USUAL_LIMITS.least),
  most: Math.max(USUAL_LIMITS.most, (gap ?? 0) + 3),
});

/** Where the counter of a run stands; null where it cannot be said. */
export function counterNow(
  under: RunUnderWay,
  state: Pick<RunState, 'walks' | 'wound'>,
  setup: CounterSetup,
  known?: KnownCounter,
): CounterMatch | null {
  const match = counterMatch(counterRequest(under, state, setup, known));
  return match.ok ? match.value : null;
}

/** What a counter was last said to show and to be matched at in a run; null before its first walk. */
export function setupOf({ walks }: Pick<RunState, 'walks'>): CounterSetup | null {
  const last = walks.at(-1);
  return last ? { unit: last.unit, step: last.step, match: last.match } : null;
}

import { woundArea } from '../lines/line';
import { bulkIn } from '../spool/estimate';
import { lengthBetween, turnsBetween } from '../winding/winding';
import { AT_THE_GAP } from './depth-observations';
import { amountOf, type CountedAmount } from './counted-amount';
import type { DepthReading, RunState } from './run-state';
import { wantedGap, type WantedGap } from './wanted-gap';
import { isSwap, lineLayers, windingRequest } from '../steps/winding-order';
import { stepId, type RunFacts } from '../steps/run-facts';
import { goesSince, segmentsOf } from '../plan/segments';
import { sameEye, withByEye } from './by-eye';
import { woundSoFar } from '../plan/wound';
import type { RunUnderWay } from './under-way';

/** What to do about a level that is not where it was wanted. */
export interface GapRemedy {
  /** The layer on top, which is wound on or taken off. */
  readonly layer: string;
  readonly how: 'take-off' | 'add';
  /** Depth of the line now and as it is wanted, mm below the lip. */
  readonly now: number;
  readonly wanted: number;
  /** Whether that gap was asked for, or is the house's own. */
  readonly by: WantedGap['by'];
  /** Metres to take off or wind on, and the same as it is counted. */
  readonly length: number;
  readonly counted: CountedAmount;
  /** Metres of the layer there are then. */
  readonly comesTo: number;
  /** Whether its piece is used up: line to add comes off another, with a join so far below the top. */
  readonly ranOut: boolean;
  /** Steps to go back into; none where the spools were swapped over and the line is pulled off by hand. */
  readonly again: readonly string[];
}

/** A level this far from the wanted one is put right: what a calliper and an eye can tell, mm. */
const TELLS = { calliper: 0.3, eye: 0.6 } as const;

/** What the gap as it was read last asks for; null where it is as wanted, none is wanted, or none was read. */
export function gapRemedy(facts: RunFacts, underWay: RunUnderWay, state: RunState): GapRemedy | null {
  const { lipRadius, arborRadius } = underWay.spool.spool;
  const wanted = wantedGap(facts, underWay.request, lipRadius - arborRadius);
  const read = state.depths.findLast(({ after }) => after === AT_THE_GAP);
  // Where its counter is matched, that decides the level, and nothing takes it back.
  if (facts.counterOnly || state.walks.some(({ left }) => !left)) return null;
  if (!wanted || !read || Math.abs(read.depth - wanted.gap) <= TELLS[read.by]) return null;
  return stillSo(facts, state, read) ? levelRemedy(facts, underWay, state, read.depth, wanted) : null;
}

/** How far the level has moved since the gap was read, mm; null where it was not read. Up is positive. */
export function gapMoved(facts: RunFacts, underWay: RunUnderWay, state: RunState): number | null {
  const read = state.depths.findLast(({ after }) => after === AT_THE_GAP);
  if (!read || stillSo(facts, state, read)) return read ? 0 : null;
  const then = withByEye(underWay, { ...state, wound: read.wound, byEye: read.byEye });
  const surface = woundSoFar(underWay.spool, underWay.request, then).at(-1)?.outerRadius ?? 0;
  return (underWay.wound.at(-1)?.outerRadius ?? 0) - surface;
}

/** The gap as it was read, where line was neither wound on nor taken off since; else null. */
export function gapAsRead(facts: RunFacts, state: RunState): number | null {
  const at = state.depths.findLastIndex(({ after }) => after === AT_THE_GAP);
  const read = state.depths[at];
  const misread = state.settlings.some(({ cause, about }) => cause === 'depth' && about === String(at));
  return read && !misread && stillSo(facts, state, read) ? read.depth : null;
}

/** A level that moved by more than this since it was read is worth reading again, mm: what a calliper tells. */
export const GAP_MATTERS = TELLS.calliper;

/** Whether a reading still says where the level is: wound on or taken off since, it does not. */
function stillSo({ request }: RunFacts, state: RunState, read: DepthReading): boolean {
  const top = lineLayers(request).at(-1)?.id ?? '';
  if (!sameEye(state.byEye, read.byEye, top)) return false;
  return goesSince(segmentsOf(read.wound, top), segmentsOf(state.wound, top)).length === 0;
}

/** How much higher or lower line has to stand before the thumb feels a difference, mm. From memory. */
const THUMB = 0.5;

/** What the thumb asks for: a little more line where it feels metal, a little less where it cannot hold the spool. */
export function thumbRemedy(facts: RunFacts, underWay: RunUnderWay, state: RunState): GapRemedy | null {
  const felt = state.notes.thumb?.level;
  if (felt !== 'low' && felt !== 'full') return null;
  const read = state.depths.findLast(({ after }) => after === AT_THE_GAP);
  const seen = read && stillSo(facts, state, read) ? read.depth : undefined;
  const now = seen ?? underWay.wound.at(-1)?.depthAfter ?? 0;
  const gap = felt === 'low' ? now - THUMB : now + THUMB;
  return levelRemedy(facts, underWay, state, now, { gap, by: 'asked' });
}

function levelRemedy(
  facts: RunFacts,
  { request, spool, wound }: RunUnderWay,
  state: RunState,
  now: number,
  { gap: wanted, by }: WantedGap,
): GapRemedy | null {
  const top = facts.request.layers.findLast((layer) => layer.kind === 'line');
  const on = wound.find(({ id }) => id === top?.id);
  if (top?.kind !== 'line' || !on) return null;
  const { lipRadius, width, packing } = spool.spool;
  const area = woundArea(top.line.diameter, bulkIn(spool, top.line), packing);
  const low = lipRadius - Math.max(now, wanted);
  const high = lipRadius - Math.min(now, wanted);
  const how = now < wanted ? 'take-off' : 'add';
  const whole = lengthBetween(width, Math.max(0, low), high, area);
  const length = how === 'take-off' ? Math.min(whole, on.length) : whole;
  const share = whole > 0 ? length / whole : 0;
  const spoolTurns = share * turnsBetween(width, low, high, area);
  const swapped = isSwap(facts);
  return {
    layer: top.id,
    how,
    now,
    wanted,
    by,
    length,
    counted: swapped
      ? { unit: 'metres', amount: length, per: 1 }
      : amountOf(request, state, top.id, { length, spoolTurns }),
    comesTo: on.length + (how === 'add' ? length : -length),
    ranOut: how === 'add' && state.usedUp.has(top.id),
    again: swapped ? [] : stepsFrom(facts, top.id),
  };
}

/** The winding of a layer and everything behind it that looks at the level. */
const stepsFrom = (facts: RunFacts, layer: string): string[] =>
  windingRequest(facts).layers.at(-1)?.id === layer
    ? [stepId('wind', layer), stepId('gap'), stepId('thumb')]
    : [];

import { fail, succeed, type Result } from '../issue';
import type { Line } from '../lines/line';
import { woundArea } from '../lines/line';
import { bulkIn, type Estimate } from '../spool/estimate';
import { lengthAfterTurns } from '../winding/winding';
import type { FillPlan, PlanIssue } from './fill-plan';
import type { FillRequest } from './fill-request';
import { planFill } from './plan-fill';
import { USUAL_PLAN_RULES, type PlanRules } from './plan-rules';

/** Main first, backing on top to the lip, then all of it over to a second spool the other way round. */
export interface SwapRequest {
  readonly main: Line;
  readonly backing: Line;
  /** Metres of main. */
  readonly mainLength: number;
  /** mm below the lip. */
  readonly gap: number;
  readonly gear: number;
}

/** Both windings of a swap, and what happens to a count that is carried over unconverted. */
export interface SwapPlan {
  /** Main on the arbor, backing on top. */
  readonly first: FillPlan;
  /** The same lengths the other way round: backing on the arbor, main on top. */
  readonly second: FillPlan;
  /** Turns the backing takes at the arbor for each turn it took at the lip: (Rf + R1)/(Rx + R0). */
  readonly turnsFactor: number;
  /** Share of the backing's length missing where the count from the lip is used at the arbor. */
  readonly shortIfReused: number;
}

/**
 * Plans a fill that needs no arithmetic at the bench but a spare spool. Metres are what is kept; turns are derived for
 * where they will be wound, since a turn at the arbor brings in less line than one at the lip.
 */
export function planSwap(
  estimate: Estimate,
  { main, backing, mainLength, gap, gear }: SwapRequest,
  rules: PlanRules = USUAL_PLAN_RULES,
): Result<SwapPlan, PlanIssue> {
  const mainLayer = { kind: 'line', id: 'main', role: 'main', line: main, length: mainLength } as const;
  const backingLayer = { kind: 'line', id: 'backing', role: 'backing', line: backing } as const;
  const first = planFill(
    estimate,
    { layers: [mainLayer, { ...backingLayer, length: 'fits' }], gap, gear },
    rules,
  );
  if (!first.ok) return fail(...first.issues);
  const onTop = first.value.layers[1];
  const length = onTop?.length.value ?? 0;
  const second = planFill(estimate, { layers: [{ ...backingLayer, length }, mainLayer], gear }, rules);
  const atArbor = second.ok ? second.value.layers[0] : undefined;
  if (!second.ok || !onTop || !atArbor) return fail(...second.issues);
  const { spool } = estimate;
  const area = woundArea(backing.diameter, bulkIn(estimate, backing), spool.packing);
  const reused = lengthAfterTurns(spool.width, spool.arborRadius, area, onTop.spoolTurns);
  return succeed({
    first: first.value,
    second: second.value,
    turnsFactor: onTop.spoolTurns > 0 ? atArbor.spoolTurns / onTop.spoolTurns : 1,
    shortIfReused: length > 0 ? 1 - reused / length : 0,
  });
}

/**
 * The swap a fill comes to when its main is wound first: both windings of two layers of line, of which the backing fits.
 * Null for any other fill.
 */
export function swapOf(estimate: Estimate, { layers, gap, gear }: FillRequest): SwapPlan | null {
  const [backing, main, ...more] = layers;
  if (backing?.kind !== 'line' || main?.kind !== 'line' || more.length > 0 || gap === undefined) return null;
  if (typeof main.length !== 'number' || backing.length !== 'fits') return null;
  const swap = planSwap(estimate, {
    main: main.line,
    backing: backing.line,
    mainLength: main.length,
    gap,
    gear,
  });
  return swap.ok ? swap.value : null;
}

import { fail, succeed, type Issue, type Result } from '../issue';
import { fromHandleTurns } from './segments';
import { woundSoFar } from './wound';
import { inferSpool, type InferredSpool } from '../spool/infer-spool';
import type { Observation, WoundLength } from '../spool/observation';
import type { SpoolPriors } from '../spool/priors';
import type { FillPlan } from './fill-plan';
import type { FillRequest, LayerRequest } from './fill-request';
import { planFill } from './plan-fill';
import type { PlanRules } from './plan-rules';
import type { Ranged } from '../numeric/ranged';
import { isUnknown } from './stack';

/** A depth read during a fill, with what was on the spool when it was read. */
export interface DepthRead {
  readonly layers: readonly WoundLength[];
  /** mm below the lip. */
  readonly depth: number;
  readonly by: 'calliper' | 'eye';
}

/** What stands before a fill is corrected. */
export interface FillUnderWay {
  /** What was known of the spool before the fill. */
  readonly observations: readonly Observation[];
  /** Depths read since it began. */
  readonly reads: readonly DepthRead[];
  /** The fill as asked; finished layers with the lengths that went on, where those were measured. */
  readonly request: FillRequest;
  /** Id of the layer being wound, the one that can still be changed. */
  readonly current: string;
  /** Metres of it that are on already. */
  readonly soFar?: number;
  /**
   * Handle turns counted, by layer id. A count goes before a length: its metres are worked out again from what is known
   * of the spool after the readings.
   */
  readonly turns?: Readonly<Record<string, number>>;
}

/** What is left to do after a reading. */
export interface CorrectedPlan {
  readonly spool: InferredSpool;
  /** The layer being wound taken to the gap, whatever length that comes to. */
  readonly toGap: FillPlan;
  /** All lengths as asked, ending wherever they end. */
  readonly asAsked: FillPlan;
  /** Metres still to wind on of the current layer; 0 where enough or too much is on. */
  readonly toGo: Ranged;
  /** Metres and handle turns to take off where more is on than fits below the gap; null where it fits. */
  readonly takeOff: { readonly length: Ranged; readonly handleTurns: number } | null;
}

/**
 * Plans the rest of a fill from one more look: each depth read is an observation, the spool is inferred again from
 * all of them, and what remains is solved from there.
 *
 * @returns the corrected plan, with a caution where a reading does not fit the rest (it may be a misreading: read
 *   again before cutting); issues where nothing can be planned
 */
export function correctPlan(
  underWay: FillUnderWay,
  { priors, rules }: { readonly priors?: SpoolPriors; readonly rules?: PlanRules } = {},
): Result<CorrectedPlan> {
  const { observations, reads, current } = underWay;
  const problem = checkUnderWay(underWay);
  if (problem) return fail(problem);
  const depths = reads.map((read): Observation => ({ kind: 'depth', ...read }));
  const inferred = inferSpool([...observations, ...depths], priors);
  if (!inferred.ok) return inferred;
  const spool = inferred.value;
  const { request, soFar } = fromTurns(underWay, spool);
  const withCurrent = (length: number | 'fits'): FillRequest['layers'] =>
    request.layers.map((layer) => (layer.id === current ? withLength(layer, length) : layer));
  const toGap = planFill(spool, { ...request, layers: withCurrent('fits') }, rules);
  const asAsked = planFill(spool, request.layers.some(isUnknown) ? request : withoutGap(request), rules);
  if (!toGap.ok || !asAsked.ok) return fail(...toGap.issues, ...asAsked.issues);
  const layer = toGap.value.layers.find(({ id }) => id === current);
  if (!layer) throw new Error('A plan has a layer for each one asked.');
  const turnsOn = (): number => {
    const wound = planFill(spool, withoutGap({ ...request, layers: withCurrent(soFar) }), rules);
    return wound.ok ? (wound.value.layers.find(({ id }) => id === current)?.handleTurns.value ?? 0) : 0;
  };
  const corrected = {
    spool,
    toGap: toGap.value,
    asAsked: asAsked.value,
    toGo: shifted(layer.length, (fits) => fits - soFar),
    takeOff:
      soFar > layer.length.value
        ? {
            length: shifted(layer.length, (fits) => soFar - fits),
            handleTurns: turnsOn() - layer.handleTurns.value,
          }
        : null,
  };
  return succeed(corrected, inferred.issues);
}

function checkUnderWay({ request, current, soFar = 0, turns = {} }: FillUnderWay): Issue | null {
  const layer = request.layers.find(({ id }) => id === current);
  if (layer?.kind !== 'line')
    return {
      code: 'no-such-layer',
      severity: 'error',
      sentence: 'Only a layer of line that is part of this fill can be corrected.',
      at: 'current',
    };
  if (!(soFar >= 0 && soFar <= 5000))
    return {
      code: 'layer-out-of-range',
      severity: 'error',
      sentence: 'What is on of a layer must be from 0 to 5000 m.',
      at: 'soFar',
    };
  const wrong = Object.entries(turns).find(([, count]) => !(count >= 0 && count <= 60_000));
  if (!wrong) return null;
  return {
    code: 'layer-out-of-range',
    severity: 'error',
    sentence: 'A count must be from 0 to 60,000 handle turns.',
    at: wrong[0],
  };
}

/** Lengths of what was counted, under the spool as it is known now. */
function fromTurns(
  { request, current, soFar = 0, turns }: FillUnderWay,
  spool: InferredSpool,
): { readonly request: FillRequest; readonly soFar: number } {
  if (!turns) return { request, soFar };
  const wound = woundSoFar(spool, request, fromHandleTurns(turns, request.gear));
  const layers = request.layers.map((layer, i) =>
    layer.id !== current && layer.id in turns ? withLength(layer, wound[i]?.length ?? 0) : layer,
  );
  return {
    request: { ...request, layers },
    soFar: current in turns ? (wound.find(({ id }) => id === current)?.length ?? 0) : soFar,
  };
}

const withLength = (layer: LayerRequest, length: number | 'fits'): LayerRequest =>
  layer.kind === 'line' ? { ...layer, length } : layer;

const withoutGap = ({ layers, gear, guideBore }: FillRequest): FillRequest => ({
  layers,
  gear,
  ...(guideBore === undefined ? {} : { guideBore }),
});

/** A figure moved, its range with it, never below zero; `move` may turn the range round. */
function shifted({ value, sd, low, high }: Ranged, move: (figure: number) => number): Ranged {
  const [a, b] = [Math.max(0, move(low)), Math.max(0, move(high))];
  return { value: Math.max(0, move(value)), sd, low: Math.min(a, b), high: Math.max(a, b) };
}

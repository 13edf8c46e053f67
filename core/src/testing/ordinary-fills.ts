import { woundArea, type Line } from '../lines/line';
import { planFill } from '../plan/plan-fill';
import type { FillRequest } from '../plan/fill-request';
import type { DepthEvidence, FillEvidence, LayerEvidence } from '../settle/evidence';
import { inferSpool } from '../spool/infer-spool';
import type { Observation } from '../spool/observation';
import { READING_SD, STARTING_PRIORS } from '../spool/priors';
import { lengthBetween } from '../winding/winding';
import { normalFrom, seeded } from '../numeric/random';

const GAP = 1.5;
const GEAR = 5.2;

/** A fill as a bench leaves it, with nothing wrong but the usual errors, and what truly lies on the reel, m. */
export interface OrdinaryFill {
  readonly evidence: FillEvidence;
  readonly truth: readonly [backing: number, main: number];
}

/** What else may be wrong with a fill than the usual: mm, turns of the handle, or ln of a factor; 0 for nothing. */
export interface FillErrors {
  /** The lip diameter, always measured then. */
  readonly lip: number;
  /** All depths, as of a gauge that is not at zero; and the one at the join. */
  readonly depths: number;
  readonly join: number;
  /** Each layer’s count by hand, and by a device. */
  readonly handTurns: number;
  readonly device: number;
  /** The barrel at the end that is measured, beside its middle. */
  readonly taper: number;
  readonly prints: number;
  /** The braid’s bulk, in place of a usual one. */
  readonly bulk: number | null;
}

const NOTHING: FillErrors = {
  lip: 0,
  depths: 0,
  join: 0,
  handTurns: 0,
  device: 0,
  taper: 0,
  prints: 0,
  bulk: null,
};

/**
 * Fills wound to their plan on reels drawn from the starting priors: counted by a device, or by hand with a ten missed now
 * and then; read by a calliper mostly; some packs used up. Seeded.
 */
export function* ordinaryFills(
  seed: number,
  errors: Partial<FillErrors> = {},
): Generator<OrdinaryFill, never> {
  const uniform = seeded(seed);
  const normal = normalFrom(uniform);
  for (;;) {
    const fill = windOne(uniform, normal, { ...NOTHING, ...errors });
    if (fill) yield fill;
  }
}

function windOne(uniform: () => number, normal: () => number, errors: FillErrors): OrdinaryFill | null {
  const { aspect, arborShare, packing, ratingDepth, bulk } = STARTING_PRIORS;
  const spread = (median: number, sd: number): number => median * Math.exp(sd * normal());
  const lip = spread(24, 0.2);
  const width = lip * spread(aspect.median, aspect.sd);
  const odds = spread(arborShare.median / (1 - arborShare.median), 0.5);
  const arbor = (lip * odds) / (1 + odds);
  const dense = spread(packing.median, packing.sd);
  const depth = ratingDepth.median + ratingDepth.sd * normal();
  if (lip - arbor < 5 || depth > 3) return null;
  const material = errors.bulk !== null || uniform() < 0.5 ? ('braid' as const) : ('nylon' as const);
  const main: Line = { key: 'm', material, diameter: 0.22 };
  const backing: Line = { key: 'b', material: 'nylon', diameter: 0.25 };
  const area = {
    main: woundArea(0.22, errors.bulk ?? spread(bulk[material].median, bulk[material].sd), dense),
    backing: woundArea(0.25, spread(1, bulk.nylon.sd), dense),
  };
  const holds = lengthBetween(width, arbor, lip - depth, woundArea(0.3, 1, dense));
  const observations: Observation[] = [
    {
      kind: 'rating',
      length: holds * Math.exp(errors.prints + 0.06 * normal() + READING_SD.rating * normal()),
      diameter: 0.3,
    },
    ...(errors.lip !== 0 || uniform() < 0.5
      ? [{ kind: 'lip' as const, diameter: 2 * lip + errors.lip + READING_SD.lip * normal() }]
      : []),
    ...(errors.taper === 0
      ? []
      : [{ kind: 'arbor' as const, diameter: 2 * arbor + errors.taper + READING_SD.arbor * normal() }]),
  ];
  const usual = woundArea(0.22, bulk[material].median, packing.median);
  const request = requestOf(backing, main, 0.5 * lengthBetween(width, arbor, lip - GAP, usual));
  const turns = plannedTurns(observations, request);
  if (!turns) return null;
  const join = arbor + (turns.backing * area.backing) / width;
  const surface = join + (turns.main * area.main) / width;
  if (surface > lip + 1) return null;
  const truth = [
    lengthBetween(width, arbor, join, area.backing),
    lengthBetween(width, join, surface, area.main),
  ] as const;
  const hand = errors.device === 0 && (errors.handTurns !== 0 || uniform() < 0.6);
  const slip = (): number => (uniform() < 0.15 ? (uniform() < 0.5 ? -10 : 10) : 0);
  const count = (truly: number): number =>
    hand
      ? truly + GEAR * (errors.handTurns + slip() + (1 + (0.005 * truly) / GEAR) * normal())
      : truly * Math.exp(errors.device);
  const counted = { backing: count(turns.backing), main: count(turns.main) };
  const usedUp = uniform() < 0.3;
  const pack = { length: truth[1] / Math.exp(0.01 + 0.015 * normal()), sd: 1, sealed: true };
  const layer = (id: 'backing' | 'main'): LayerEvidence => ({
    id,
    goes: [{ spoolTurns: counted[id] }],
    per: GEAR,
    countedBy: hand ? 'hand' : 'device',
    ...(id === 'main' && usedUp
      ? { usedUp, piece: pack }
      : { usedUp: false, piece: { length: 3000, sd: 60, sealed: false } }),
  });
  const look = (after: string, at: number, wound: DepthEvidence['wound'], share: number): DepthEvidence[] => {
    const off = errors.depths + (after === 'backing' ? errors.join : 0);
    return uniform() < (off === 0 ? share : 1)
      ? [{ after, depth: lip - at + off + READING_SD.calliper * normal(), by: 'calliper', wound }]
      : [];
  };
  const onBacking = { backing: [{ spoolTurns: counted.backing }] };
  const depths = [
    ...look('backing', join, onBacking, 0.6),
    ...look('gap', surface, { ...onBacking, main: [{ spoolTurns: counted.main }] }, 0.8),
  ];
  const evidence: FillEvidence = {
    observations,
    beliefs: { type: 'fixed-spool' },
    request,
    depths,
    settlings: [],
    layers: [layer('backing'), layer('main')],
  };
  return { evidence, truth };
}

const requestOf = (backing: Line, main: Line, length: number): FillRequest => ({
  layers: [
    { kind: 'line', id: 'backing', role: 'backing', line: backing, length: 'fits' },
    { kind: 'line', id: 'main', role: 'main', line: main, length },
  ],
  gap: GAP,
  gear: GEAR,
});

function plannedTurns(
  observations: readonly Observation[],
  request: FillRequest,
): { readonly backing: number; readonly main: number } | null {
  const spool = inferSpool(observations);
  const plan = spool.ok ? planFill(spool.value, request) : null;
  const [backing, main] = plan?.ok ? plan.value.layers : [];
  return backing && main && backing.length.value > 20
    ? { backing: backing.spoolTurns, main: main.spoolTurns }
    : null;
}

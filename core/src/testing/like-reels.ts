import { woundArea, type Line } from '../lines/line';
import { KIND_SPREAD, kindFillsAsObservations } from '../learn/learn';
import { normalFrom, seeded } from '../numeric/random';
import type { FillPlan } from '../plan/fill-plan';
import { makePlan } from '../plan/make-plan';
import type { Observation } from '../spool/observation';
import { READING_SD, STARTING_PRIORS } from '../spool/priors';
import { lengthBetween } from '../winding/winding';

const BACKING: Line = { key: 'backing', material: 'nylon', diameter: 0.3 };
const MAIN: Line = { key: 'main', material: 'nylon', diameter: 0.28 };
const [GAP, GEAR] = [1.5, 5] as const;

/** The second of two like reels, planned without and with what the first one's fill showed: its range, and what came. */
export interface SecondReel {
  readonly alone: Came;
  readonly taught: Came;
}

interface Came {
  readonly sd: number;
  /** Whether the gap it came out at lies in the range the plan gave, which eight of ten are to. */
  readonly inside: boolean;
}

/**
 * Pairs of reels of one kind as they are made: they differ at the lip by the kind's spread. The first is wound to its plan
 * and its gap read; the second is planned from that and from its own print, and wound to its plan.
 *
 * @param measured whether lip, width and arbor of both are read with the calliper, too
 */
export function likeReels(pairs: number, measured: boolean, seed = 11): SecondReel[] {
  const normal = normalFrom(seeded(seed));
  return Array.from({ length: pairs }, () => onePair(normal, measured)).flatMap((pair) => pair ?? []);
}

function onePair(normal: () => number, measured: boolean): SecondReel | null {
  const spread = (median: number, sd: number): number => median * Math.exp(sd * normal());
  const { aspect, arborShare, bulk } = STARTING_PRIORS;
  const lip = spread(24, 0.2);
  const odds = spread(arborShare.median / (1 - arborShare.median), 0.4);
  const kind = { width: lip * spread(aspect.median, aspect.sd), arbor: (lip * odds) / (1 + odds) };
  const packing = spread(0.7, 0.08);
  const depth = 1.5 + 0.5 * normal();
  if (lip - kind.arbor < 4.5 || depth > 3 || depth < 0) return null;
  const length =
    lengthBetween(kind.width, kind.arbor, lip - depth, woundArea(0.3, 1, packing)) *
    Math.exp(0.067 * normal());
  const areas = [BACKING, MAIN].map(({ diameter, material }) =>
    woundArea(diameter, spread(1, bulk[material].sd), packing),
  );
  const wanted = lengthBetween(kind.width, kind.arbor, lip - GAP, woundArea(MAIN.diameter, 1, 0.7)) / 2;

  const readingsOf = (own: number): Observation[] => [
    { kind: 'rating', length, diameter: 0.3 },
    ...(measured
      ? [
          { kind: 'lip' as const, diameter: 2 * own + READING_SD.lip * normal() },
          { kind: 'width' as const, width: kind.width + READING_SD.width * normal() },
          { kind: 'arbor' as const, diameter: 2 * kind.arbor + READING_SD.arbor * normal() },
        ]
      : []),
  ];
  const gapOf = (own: number, { layers }: FillPlan): number =>
    own -
    kind.arbor -
    layers.reduce((sum, { spoolTurns }, i) => sum + spoolTurns * (areas[i] ?? 0), 0) / kind.width;

  const first = lip + KIND_SPREAD * normal();
  const second = lip + KIND_SPREAD * normal();
  const before = planFrom(readingsOf(first), wanted);
  const gap = before === null ? -1 : gapOf(first, before) + READING_SD.calliper * normal();
  // One that runs over the lip is stopped there, and teaches something else.
  if (before === null || gap < 0) return null;
  const layers = [BACKING, MAIN].map((line, i) => ({ line, spoolTurns: before.layers[i]?.spoolTurns ?? 0 }));
  const known = readingsOf(second);
  const cameOut = (observations: readonly Observation[]): Came | null => {
    const plan = planFrom(observations, wanted);
    if (!plan) return null;
    const got = gapOf(second, plan);
    return { sd: plan.gap.sd, inside: got >= plan.gap.low && got <= plan.gap.high };
  };
  const alone = cameOut(known);
  const taught = cameOut([...known, ...kindFillsAsObservations([{ layers, gap, by: 'calliper' }])]);
  return alone && taught ? { alone, taught } : null;
}

/** Backing as much as fits under half a spool of main; null where there is next to no room for it. */
function planFrom(observations: readonly Observation[], wanted: number): FillPlan | null {
  const made = makePlan({
    observations,
    request: {
      layers: [
        { kind: 'line', id: 'backing', role: 'backing', line: BACKING, length: 'fits' },
        { kind: 'line', id: 'main', role: 'main', line: MAIN, length: wanted },
      ],
      gap: GAP,
      gear: GEAR,
    },
    beliefs: { type: 'fixed-spool' },
  });
  const plan = made.ok ? made.value.plan : null;
  return plan && (plan.layers[0]?.spoolTurns ?? 0) >= 10 ? plan : null;
}

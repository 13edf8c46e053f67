import type { Line } from '../lines/line';
import { woundArea } from '../lines/line';
import type { FillPlan } from '../plan/fill-plan';
import { fillUnderWay, restAsAsked, restToGap } from '../plan/fill-under-way';
import type { FillRequest } from '../plan/fill-request';
import { planFill } from '../plan/plan-fill';
import type { Ranged } from '../numeric/ranged';
import { fillAsObservation } from '../learn/learn';
import { inferSpool } from '../spool/infer-spool';
import type { Observation } from '../spool/observation';
import { READING_SD, STARTING_PRIORS } from '../spool/priors';
import { lengthBetween, radiusAfter, turnsBetween } from '../winding/winding';
import { normalFrom, seeded } from '../numeric/random';

/** How true reels, lines and prints are made: each figure in turn from elsewhere than the beliefs. */
export interface WorldOf {
  readonly name: string;
  /** Share of the wound space line fills. */
  readonly packing: (random: Random) => number;
  /** Bulk of the braid main. */
  readonly bulk: (random: Random) => number;
  /** By how much a print is more than truly fits, ln; one call for a spool, one for each print. */
  readonly prints: { readonly spool: (random: Random) => number; readonly each: (random: Random) => number };
  /** Diameters the spool is printed for. */
  readonly printedFor: readonly number[];
  /** Difference between the end radii of the arbor, mm, of which a reading at one end knows nothing. */
  readonly taper: (random: Random) => number;
}

export interface Random {
  readonly uniform: (low: number, high: number) => number;
  readonly normal: () => number;
}

const AS_BELIEVED: WorldOf = {
  printedFor: [0.3],
  name: 'as believed',
  packing: ({ normal }) => 0.7 * Math.exp(0.1 * normal()),
  bulk: ({ normal }) => 1.15 * Math.exp(0.15 * normal()),
  prints: { spool: ({ normal }) => 0.06 * normal(), each: ({ normal }) => READING_SD.rating * normal() },
  taper: () => 0,
};

export const WORLDS: readonly WorldOf[] = [
  AS_BELIEVED,
  { ...AS_BELIEVED, name: 'packing 0.60 to 0.80 alike', packing: ({ uniform }) => uniform(0.6, 0.8) },
  { ...AS_BELIEVED, name: 'braid bulk 0.9 to 1.5 alike', bulk: ({ uniform }) => uniform(0.9, 1.5) },
  {
    ...AS_BELIEVED,
    name: 'prints off -8 to +12 %',
    prints: { spool: ({ uniform }) => Math.log(uniform(0.92, 1.12)), each: () => 0 },
  },
  {
    ...AS_BELIEVED,
    name: 'two prints, each off -8 to +12 %',
    printedFor: [0.25, 0.3],
    prints: { spool: () => 0, each: ({ uniform }) => Math.log(uniform(0.92, 1.12)) },
  },
  { ...AS_BELIEVED, name: 'tapered arbors, one end read', taper: ({ uniform }) => uniform(-2, 2) },
  {
    ...AS_BELIEVED,
    name: 'all of it at once',
    packing: ({ uniform }) => uniform(0.6, 0.8),
    bulk: ({ uniform }) => uniform(0.9, 1.5),
    prints: { spool: ({ uniform }) => Math.log(uniform(0.92, 1.12)), each: () => 0 },
    taper: ({ uniform }) => uniform(-2, 2),
  },
];

/** Where a fill stands when its figure is told. */
export const STAGES = [
  'no reading',
  'no reading, measured',
  'one depth',
  'second visit',
  'second visit, measured',
] as const;
export type Stage = (typeof STAGES)[number];

/** Of how many true values how many lay in their range, by stage. */
export type Coverage = Readonly<Record<Stage, { readonly inside: number; readonly of: number }>>;

const MAIN: Line = { key: 'braid', material: 'braid', diameter: 0.19 };
const BACKING: Line = { key: 'nylon', material: 'nylon', diameter: 0.28 };
const GAP = 1.2;
const GEAR = 5;

/** Fills many reels of a world and counts how often the truth lies in the 10 to 90 % range that was told. */
export function coverageOf(world: WorldOf, reels: number, seed = 4711): Coverage {
  const source = seeded(seed);
  const random: Random = {
    uniform: (low, high) => low + (high - low) * source(),
    normal: normalFrom(source),
  };
  const counts = Object.fromEntries(STAGES.map((stage) => [stage, { inside: 0, of: 0 }])) as Record<
    Stage,
    { inside: number; of: number }
  >;
  const note = (stage: Stage, { low, high }: Ranged, truth: number): void => {
    counts[stage].of += 1;
    if (truth >= low && truth <= high) counts[stage].inside += 1;
  };
  for (let made = 0; made < reels;) {
    const reel = makeReel(world, random);
    if (!reel) continue;
    made += 1;
    fill(reel, random, note);
  }
  return counts;
}

interface Reel {
  readonly lip: number;
  readonly width: number;
  readonly arbor: number;
  readonly areas: { readonly main: number; readonly backing: number };
  readonly printed: readonly Observation[];
  readonly measured: readonly Observation[];
  /** Metres of main wanted: half of what the room holds. */
  readonly wanted: number;
}

function makeReel(world: WorldOf, random: Random): Reel | null {
  const { normal } = random;
  const { lip: lips, aspect, arborShare, ratingDepth } = STARTING_PRIORS;
  const lip = lips.median * Math.exp(0.25 * normal());
  const width = lip * aspect.median * Math.exp(aspect.sd * normal());
  const odds =
    (arborShare.median / (1 - arborShare.median)) *
    Math.exp((arborShare.sd / (1 - arborShare.median)) * normal());
  const arbor = (lip * odds) / (1 + odds);
  const packing = world.packing(random);
  const depth = ratingDepth.median + ratingDepth.sd * normal();
  if (lip - arbor < GAP + 2.5 || depth > lip - arbor - 1) return null;
  const areas = {
    main: woundArea(MAIN.diameter, world.bulk(random), packing),
    backing: woundArea(BACKING.diameter, Math.exp(0.05 * normal()), packing),
  };
  const alike = world.prints.spool(random);
  const printed = world.printedFor.map((diameter): Observation => {
    const holds = lengthBetween(width, arbor, lip - depth, woundArea(diameter, 1, packing));
    return { kind: 'rating', length: holds * Math.exp(alike + world.prints.each(random)), diameter };
  });
  const taper = world.taper(random);
  return {
    lip,
    width,
    arbor,
    areas,
    printed,
    measured: [
      { kind: 'lip', diameter: 2 * lip + READING_SD.lip * normal() },
      { kind: 'width', width: width + READING_SD.width * normal() },
      { kind: 'arbor', diameter: 2 * arbor + taper + READING_SD.arbor * normal() },
    ],
    wanted: 0.5 * lengthBetween(width, arbor, lip - GAP, woundArea(MAIN.diameter, 1.15, 0.7)),
  };
}

const layersOf = (backing: number | 'fits', main: number | 'fits'): FillRequest => ({
  layers: [
    { kind: 'line', id: 'backing', role: 'backing', line: BACKING, length: backing },
    { kind: 'line', id: 'main', role: 'main', line: MAIN, length: main },
  ],
  gap: GAP,
  gear: GEAR,
});

type Note = (stage: Stage, told: Ranged, truth: number) => void;

function fill(reel: Reel, { normal }: Random, note: Note): void {
  const { lip, width, arbor, areas, printed, measured, wanted } = reel;
  const surface = (turns: { backing: number; main: number }): number =>
    arbor + (turns.backing * areas.backing + turns.main * areas.main) / width;
  const planned = (known: readonly Observation[]): FillPlan | null => {
    const spool = inferSpool(known);
    const plan = spool.ok ? planFill(spool.value, layersOf('fits', wanted)) : null;
    return plan?.ok ? plan.value : null;
  };
  const turnsOf = (plan: FillPlan): { backing: number; main: number } => ({
    backing: plan.layers[0]?.spoolTurns ?? 0,
    main: plan.layers[1]?.spoolTurns ?? 0,
  });
  /** Metres of backing that truly leave room for the main up to the gap. */
  const fits = (): number => {
    const under = (lip - GAP) ** 2 - (1000 * wanted * areas.main) / (Math.PI * width);
    return under <= arbor ** 2 ? 0 : lengthBetween(width, arbor, Math.sqrt(under), areas.backing);
  };
  const tell = (stage: Stage, known: readonly Observation[]): FillPlan | null => {
    const plan = planned(known);
    if (!plan) return null;
    const backing = plan.layers[0]?.length;
    if (backing && fits() > 0) note(stage, backing, fits());
    if (plan.layers.every(({ length }) => length.value > 0))
      note(stage, plan.gap, lip - surface(turnsOf(plan)));
    return plan;
  };
  const stages = [
    ['no reading', 'second visit', printed],
    ['no reading, measured', 'second visit, measured', [...printed, ...measured]],
  ] as const;
  for (const [first, second, known] of stages) {
    const plan = tell(first, known);
    if (!plan) continue;
    const turns = turnsOf(plan);
    if (first === 'no reading, measured') oneDepth(reel, known, turns.backing, normal, note);
    const stopped = Math.min(
      turns.main,
      turnsBetween(width, surface({ ...turns, main: 0 }), lip, areas.main),
    );
    if (stopped <= 0) continue;
    const closed = fillAsObservation({
      layers: [
        { line: BACKING, spoolTurns: turns.backing },
        { line: MAIN, spoolTurns: stopped },
      ],
      gap: lip - surface({ ...turns, main: stopped }) + READING_SD.calliper * normal(),
      by: 'calliper',
    });
    tell(second, [...known, closed]);
  }
}

/** A depth read after the backing: how much main truly fits above it, against what is told then. */
function oneDepth(
  { lip, width, arbor, areas, wanted }: Reel,
  known: readonly Observation[],
  backing: number,
  normal: () => number,
  note: Note,
): void {
  const join = arbor + (backing * areas.backing) / width;
  if (backing <= 0 || join > lip - GAP) return;
  const fill = fillUnderWay({
    observations: known,
    reads: [
      {
        kind: 'depth',
        layers: [{ line: BACKING, spoolTurns: backing }],
        depth: lip - join + READING_SD.calliper * normal(),
        by: 'calliper',
      },
    ],
    request: layersOf('fits', wanted),
    segments: { backing: [{ spoolTurns: backing }] },
  });
  if (!fill.ok) return;
  const toGap = restToGap(fill.value, 'main');
  const main = toGap.ok ? toGap.value.layers[1]?.length : undefined;
  if (main) note('one depth', main, lengthBetween(width, join, lip - GAP, areas.main));
  const asked = restAsAsked(fill.value, 'main');
  if (asked.ok) note('one depth', asked.value.gap, lip - radiusAfter(width, join, areas.main, wanted));
}

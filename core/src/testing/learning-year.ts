import { woundArea, type Line } from '../lines/line';
import { beliefsFor } from '../learn/beliefs-for';
import { kindFillsAsObservations, type ClosedFill } from '../learn/learn';
import { learnShop, type ShopLearning, type ShopLesson } from '../learn/learn-shop';
import { lessonOf } from '../learn/lesson';
import { makePlan, type PlanInput } from '../plan/make-plan';
import type { FillEvidence } from '../settle/evidence';
import { settleFill } from '../settle/settle-fill';
import type { Observation } from '../spool/observation';
import { READING_SD, STARTING_PRIORS } from '../spool/priors';
import { lengthBetween } from '../winding/winding';
import { normalFrom, percentile, seeded } from '../numeric/random';

const KINDS = 30;
const LINES = 12;
const HANDS = 3;
const GAP = 1.5;
const GEAR = 5;
/** Fills looked back at for a kind's depths. */
const LOOK_BACK = 6;

/** What a plan may know of a kind met before. */
export type Knowing = 'nothing' | 'learned' | 'learned and seen';

/** Error of the end gap of first-time spools of a known kind in one month, mm, and how many ranges held the truth. */
export interface MonthOfLearning {
  readonly month: number;
  readonly knowing: Knowing;
  readonly fills: number;
  readonly median: number;
  readonly ninetieth: number;
  readonly inside: number;
}

/** A shop's first year and what it has learned at its end. */
export interface LearningYear {
  readonly months: readonly MonthOfLearning[];
  readonly learning: ShopLearning;
  /** True bulk of each line, by key. */
  readonly bulk: Readonly<Record<string, number>>;
}

interface Kind {
  readonly key: string;
  readonly lip: number;
  readonly width: number;
  readonly arbor: number;
  readonly packing: number;
  readonly rating: Observation;
}

/** Everything about a shop that it does not know, and what it has seen so far. */
interface Shop {
  readonly uniform: () => number;
  readonly normal: () => number;
  readonly lines: readonly { readonly line: Line; readonly bulk: number }[];
  readonly hands: readonly number[];
  readonly kinds: readonly Kind[];
  readonly lessons: ShopLesson[];
  /** Closed fills by kind. */
  readonly seen: Map<string, ClosedFill[]>;
}

/**
 * A shop's first year: fills over some kinds of reel and some lines, by three people, each reel a spool that was never
 * here before, planned from its print alone and wound to its planned turns. Seeded.
 */
export function learningYear(fills: number, seed = 33): LearningYear {
  const shop = openShop(seed);
  const errors = new Map<string, { errors: number[]; inside: number }>();
  for (let done = 0; done < fills; done += 1) {
    const reel = nextReel(shop);
    if (!reel) continue;
    const month = Math.floor((12 * done) / fills) + 1;
    const plans = KNOWING.map((knowing) => planReel(shop, reel, knowing));
    plans.forEach(({ knowing, made, turns }) => {
      if (!made || reel.known.length === 0) return;
      const key = `${String(month)} ${knowing}`;
      const cell = errors.get(key) ?? { errors: [], inside: 0 };
      const gap = gapAfter(reel, turns);
      cell.errors.push(Math.abs(gap - GAP));
      if (gap >= made.plan.gap.low && gap <= made.plan.gap.high) cell.inside += 1;
      errors.set(key, cell);
    });
    const best = plans.at(-1);
    if (best?.made) close(shop, reel, best.input, best.turns);
  }
  return {
    months: [...errors].map(([key, { errors: found, inside }]): MonthOfLearning => {
      const [month = '', ...words] = key.split(' ');
      return {
        month: Number(month),
        knowing: words.join(' ') as Knowing,
        fills: found.length,
        median: percentile(found, 0.5),
        ninetieth: percentile(found, 0.9),
        inside: inside / found.length,
      };
    }),
    learning: learnShop(shop.lessons),
    bulk: Object.fromEntries(shop.lines.map(({ line, bulk }) => [line.key, bulk])),
  };
}

const KNOWING: readonly Knowing[] = ['nothing', 'learned', 'learned and seen'];

function openShop(seed: number): Shop {
  const uniform = seeded(seed);
  const normal = normalFrom(uniform);
  const spread = (median: number, sd: number): number => median * Math.exp(sd * normal());
  return {
    uniform,
    normal,
    lessons: [],
    seen: new Map(),
    lines: Array.from({ length: LINES }, (_, i) => {
      const material = i % 3 === 0 ? ('braid' as const) : ('nylon' as const);
      const { median, sd } = STARTING_PRIORS.bulk[material];
      const line = { key: `line-${String(i)}`, material, diameter: 0.16 + 0.02 * i };
      return { line, bulk: spread(median, sd) };
    }),
    hands: Array.from({ length: HANDS }, () => Math.exp(0.045 * normal())),
    kinds: Array.from({ length: KINDS }, (_, i) => makeKind(`kind-${String(i)}`, spread, normal)),
  };
}

/** One reel as it comes in, with what is to go on it. */
interface Reel {
  readonly kind: Kind;
  readonly lip: number;
  readonly lines: readonly [under: Line, above: Line];
  readonly areas: readonly [under: number, above: number];
  readonly hand: number;
  /** Metres of main wanted. */
  readonly wanted: number;
  readonly known: readonly ClosedFill[];
}

function nextReel({ uniform, normal, lines, hands, kinds, seen }: Shop): Reel | null {
  const kind = kinds[Math.floor(KINDS * uniform() ** 1.5)];
  const [under, above] = [1, 2].map(() => lines[Math.floor(LINES * uniform())]);
  const hand = Math.floor(HANDS * uniform());
  if (!kind || !under || !above || under === above) return null;
  const packing = kind.packing * (hands[hand] ?? 1) * Math.exp(0.04 * normal());
  const lip = kind.lip + 0.05 * normal();
  const area = ({ line, bulk }: typeof under): number => woundArea(line.diameter, bulk, packing);
  const holds = lengthBetween(kind.width, kind.arbor, lip - GAP, woundArea(above.line.diameter, 1, 0.7));
  return {
    kind,
    lip,
    hand,
    wanted: 0.5 * holds,
    known: seen.get(kind.key) ?? [],
    lines: [under.line, above.line],
    areas: [area(under), area(above)],
  };
}

const gapAfter = ({ lip, kind, areas }: Reel, [under = 0, above = 0]: readonly number[]): number =>
  lip - kind.arbor - (under * areas[0] + above * areas[1]) / kind.width;

function planReel({ lessons }: Shop, reel: Reel, knowing: Knowing) {
  const [under, above] = reel.lines;
  const of = { type: 'fixed-spool', kind: reel.kind.key, lines: [under.key, above.key] } as const;
  const seen = knowing === 'learned and seen' ? reel.known.slice(-LOOK_BACK) : [];
  const input: PlanInput = {
    observations: [reel.kind.rating, ...kindFillsAsObservations(seen)],
    request: {
      layers: [
        { kind: 'line', id: 'backing', role: 'backing', line: under, length: 'fits' },
        { kind: 'line', id: 'main', role: 'main', line: above, length: reel.wanted },
      ],
      gap: GAP,
      gear: GEAR,
    },
    beliefs: knowing === 'nothing' ? { type: 'fixed-spool' } : beliefsFor(learnShop(lessons), of),
  };
  const plan = makePlan(input);
  const made = plan.ok ? plan.value : null;
  return { knowing, input, made, turns: made?.plan.layers.map(({ spoolTurns }) => spoolTurns) ?? [] };
}

/** Winds a reel to its plan, looks at it, settles it and remembers it. */
function close(shop: Shop, reel: Reel, input: PlanInput, [under = 0, above = 0]: readonly number[]): void {
  const { kind, lip, areas, lines, hand, known } = reel;
  // A person stops at the lip, whatever the plan says.
  const room = ((lip - kind.arbor) * kind.width - under * areas[0]) / areas[1];
  const wound = [under, Math.min(above, room)];
  if (wound.some((turns) => turns < 10)) return;
  const look = (turns: readonly number[]): number =>
    gapAfter(reel, turns) + READING_SD.calliper * shop.normal();
  const gap = look(wound);
  const evidence = evidenceOf(input, wound, [look([under, 0]), gap]);
  const settled = settleFill(evidence);
  if (!settled.ok) return;
  const lesson = lessonOf(settled.value, evidence.request.layers);
  shop.lessons.push({ ...lesson, kind: kind.key, hand: `hand-${String(hand)}` });
  const layers = lines.map((line, i) => ({ line, spoolTurns: wound[i] ?? 0 }));
  shop.seen.set(kind.key, [...known, { layers, gap, by: 'calliper' }]);
}

function makeKind(key: string, spread: (median: number, sd: number) => number, normal: () => number): Kind {
  const { aspect, arborShare } = STARTING_PRIORS;
  for (;;) {
    const lip = spread(24, 0.25);
    const width = lip * spread(aspect.median, aspect.sd);
    const odds = spread(arborShare.median / (1 - arborShare.median), 0.4);
    const arbor = (lip * odds) / (1 + odds);
    const packing = spread(0.7, 0.08);
    const depth = 1.5 + 0.5 * normal();
    if (lip - arbor < 4.5 || depth > 3 || depth < 0) continue;
    const length =
      lengthBetween(width, arbor, lip - depth, woundArea(0.3, 1, packing)) * Math.exp(0.067 * normal());
    return { key, lip, width, arbor, packing, rating: { kind: 'rating', length, diameter: 0.3 } };
  }
}

const evidenceOf = (
  { observations, request }: PlanInput,
  [under = 0, above = 0]: readonly number[],
  [join = 0, gap = 0]: readonly number[],
): FillEvidence => ({
  observations: observations.filter(({ kind }) => kind === 'rating'),
  beliefs: { type: 'fixed-spool' },
  request,
  layers: [
    { id: 'backing', goes: [{ spoolTurns: under }] },
    { id: 'main', goes: [{ spoolTurns: above }] },
  ].map((layer) => ({ ...layer, per: GEAR, countedBy: 'device', usedUp: false, piece: null })),
  depths: [
    { after: 'backing', depth: join, by: 'calliper', wound: { backing: [{ spoolTurns: under }] } },
    {
      after: 'gap',
      depth: gap,
      by: 'calliper',
      wound: { backing: [{ spoolTurns: under }], main: [{ spoolTurns: above }] },
    },
  ],
  settlings: [],
});

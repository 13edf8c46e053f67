import type { CounterBelief, CounterFace, SpoolSpread } from '../counter/counter-beliefs';
import type { Walk } from '../counter/counter-fit';
import { counterMatch, type CounterMatch } from '../counter/counter-match';
import { levelFor } from '../counter/counter-model';
import { metresPer } from '../counter/counter-unit';
import { USUAL_LIMITS } from '../counter/out-of-reach';
import { withMoved, type CounterSpool } from '../counter/paid-out';
import { walkDoubts } from '../counter/walk-doubt';
import { READING_SD } from '../spool/priors';
import { valueOf } from './examples';
import { normalFrom, percentile, seeded } from '../numeric/random';
import { windTurns } from './turn-by-turn';

/**
 * A trolling reel unwound turn by turn, on a code path of its own: no closed form. Line comes off turn by turn, each from
 * round the radius the surface has then.
 */
export function turnsToPayOut(
  { width, layers }: { width: number; layers: readonly { inner: number; area: number }[] },
  outer: number,
  length: number,
): number {
  let radius = outer;
  let left = length;
  let turns = 0;
  for (const { inner, area } of layers) {
    const fall = area / width;
    while (left > 0 && radius > inner + 1e-12) {
      const down = Math.min(fall, radius - inner);
      const round = ((2 * Math.PI * (radius - down / 2)) / 1000) * (down / fall);
      const part = Math.min(1, left / round);
      turns += part * (down / fall);
      left -= part * round;
      radius -= part * down;
    }
    if (left <= 0) break;
  }
  return turns;
}

/** Where the surface stands after so many turns of so much line, mm. */
export const surfaceAfter = (width: number, start: number, area: number, turns: number): number =>
  windTurns(width, start, area, turns).radius;

const FT = 0.3048;
const WRONG_MARKS = [5, 10, -5, -10];
/** What three reels of a kind have taught of its counter, each to 0.7 %. */
const KIND = 0.004;
/** Nobody walks for ever. */
const MOST_WALKS = 12;

/** How a shop goes about a counter: what it does after the readings so far, as metres to move; null where it is content. */
export type WalkMethod = (shop: CounterShop) => number | null;

/** What a simulated day is made of. */
export interface CounterWorld {
  /** Match length and what the counter is marked in. */
  readonly match: number;
  readonly face: CounterFace;
  /** Share of walks taken at a wrong mark. */
  readonly wrongMarks?: number;
  /** Whether the first walk is at a wrong mark. */
  readonly firstWrong?: boolean;
  /** Whether the kind has been matched here before, and the fill was aimed by it. */
  readonly known?: boolean;
}

/** One reel as it really is, what the shop believes of it, and the walks so far. */
export class CounterShop {
  readonly believed: CounterSpool;
  /**
   * The gap read by calliper, together with what the counts say of the level: from the second fill of a kind on that is
   * known to 0.18 mm, at a first one with a depth read to 0.5 (both from the simulated visits of `npm run bench`).
   */
  readonly spread: SpoolSpread;
  readonly belief: CounterBelief | undefined;
  readonly walks: Walk[] = [];
  moved = 0;
  /** Walks made, those that were not believed included. */
  walked = 0;
  private truth: CounterSpool;
  private readonly perTurn: number;

  constructor(
    readonly world: CounterWorld,
    private readonly uniform: () => number,
    private readonly normal: () => number,
  ) {
    const between = (least: number, most: number): number => least + (most - least) * uniform();
    const inner = between(8, 13);
    const width = between(18, 34);
    const lip = between(19, 27);
    const area = (Math.PI * between(0.33, 0.5) ** 2) / 4 / between(0.68, 0.82);
    const full = { width, lip, outer: lip - 1.5, layers: [{ inner, area }] };
    const usual = this.units / turnsToPayOut(full, full.outer, world.match);
    this.perTurn = usual * Math.exp(0.06 * normal());
    const counts = world.known ? 0.18 : 0.5;
    const surface = 1 / Math.hypot(1 / READING_SD.calliper, 1 / counts);
    this.spread = { surface, ratio: 0.05 };
    const ratio = Math.exp(0.05 * normal());
    const known = { ...full, layers: [{ inner, area: area * ratio }] };
    this.belief = world.known
      ? { perTurn: this.perTurn * Math.exp(KIND * normal()), sd: KIND, from: 'kind' }
      : undefined;
    const target = { length: world.match, reading: this.units };
    const aimed = this.belief ? levelFor(known, this.belief.perTurn, target, lip - 0.5) : null;
    const outer = aimed ?? full.outer;
    this.believed = { ...known, outer };
    this.truth = { ...full, outer: outer + this.spread.surface * normal() };
  }

  get units(): number {
    return this.world.match / metresPer(this.world.face.unit);
  }

  /** What the counter would really show at the match, without any noise. */
  get trueReading(): number {
    return this.shows(this.world.match);
  }

  /** What it would really show with so many metres out. */
  shows(metres: number): number {
    return this.perTurn * turnsToPayOut(this.truth, this.truth.outer, metres);
  }

  /** Whether a level below the lip and not too far below it makes it agree. */
  get canAgree(): boolean {
    const target = { length: this.world.match, reading: this.units };
    const level = levelFor(this.truth, this.perTurn, target, this.truth.lip - USUAL_LIMITS.least);
    return level !== null && level >= this.truth.lip - USUAL_LIMITS.most;
  }

  /** Walks to the mark, or to one taken for it, and reads; between the figures where that is asked for. */
  walk(between = false): { readonly walk: Walk; readonly mark: number } {
    this.walked += 1;
    return this.readAt(this.world.match, between ? 0.25 : this.world.face.step);
  }

  /** Reads at a mark, or at one taken for it. */
  readAt(match: number, step: number): { readonly walk: Walk; readonly mark: number } {
    const { face, wrongMarks = 0, firstWrong = false } = this.world;
    const wrong = firstWrong && this.walks.length === 0 ? 1 : wrongMarks;
    const by = this.uniform() < wrong ? (WRONG_MARKS[Math.floor(4 * this.uniform())] ?? 0) : 0;
    const mark = match + by * metresPer(face.unit);
    const out = mark * (1 + 0.001 * this.normal()) + 0.06 * this.normal();
    const shown = this.perTurn * turnsToPayOut(this.truth, this.truth.outer, out);
    const reading = step * Math.round(shown / step);
    return { walk: { tape: match, reading, moved: this.moved, over: 'field', step }, mark };
  }

  /** Winds metres on or takes them off, to within a share of what was meant. */
  move(metres: number): void {
    this.moved += metres;
    this.truth = withMoved(this.truth, metres * (1 + 0.005 * this.normal()));
  }
}

/**
 * Our own way: the fit decides, a reading that cannot be is asked about and answered as it really was, and what is to be
 * checked is checked.
 */
export function byFit(shop: CounterShop): number | null {
  const before = fitted(shop);
  take(shop, before, shop.walk(before.check === 'between'));
  const first = fitted(shop);
  if (first.halfWay) take(shop, first, shop.readAt(first.halfWay.tape, shop.world.face.step));
  const after = first.halfWay ? fitted(shop) : first;
  if (after.verdict === 'agrees' || after.verdict === 'out-of-reach') return null;
  return after.verdict === 'walk' ? 0 : after.move.value;
}

/** What is believed of a shop’s counter by now. */
export function fitted({ world, believed, spread, belief, walks, moved }: CounterShop): CounterMatch {
  const request = { face: world.face, match: world.match, spool: believed, spread, walks, moved };
  return valueOf(counterMatch({ ...request, ...(belief ? { belief } : {}) }));
}

/** Believes a reading, or asks about it. */
function take(
  shop: CounterShop,
  { fit }: CounterMatch,
  { walk, mark }: { readonly walk: Walk; readonly mark: number },
): void {
  const { face } = shop.world;
  const expected = { spool: shop.believed, fit, face, walks: shop.walks, tapeUnit: face.unit };
  const doubts = walkDoubts(walk, { ...expected, joinAt: null });
  if (doubts.length > 0 && Math.abs(mark - walk.tape) > 1e-6) {
    // Asked, somebody looks at the mark again and sees which it was.
    shop.walks.push({ ...walk, tape: mark });
    return;
  }
  const earlier = doubts.find((doubt) => doubt.earlier)?.earlier;
  const doubted = earlier && shop.walks[earlier.index];
  if (earlier && doubted) shop.walks[earlier.index] = { ...doubted, tape: earlier.tape };
  shop.walks.push(walk);
}

/** So many feet of line to a foot of counter, whatever the reel. */
export const byEight: WalkMethod = (shop) => {
  const { walk } = shop.walk();
  const off = ((walk.reading - shop.units) * metresPer(shop.world.face.unit)) / FT;
  return Math.abs(off) <= 1 ? null : 8 * off * FT;
};

/** Guesses: a good piece first, half of it whenever the reading has crossed the mark. */
export const byHalving = (): WalkMethod => {
  let step = 40 * FT;
  let side = 0;
  return (shop) => {
    const { walk } = shop.walk();
    const off = ((walk.reading - shop.units) * metresPer(shop.world.face.unit)) / FT;
    if (Math.abs(off) <= 1) return null;
    if (side !== 0 && Math.sign(off) !== side) step /= 2;
    side = Math.sign(off);
    return side * step;
  };
};

/** How a way to match does on many reels: walks it takes until it is content, and how near the truth that is. */
export interface WalkScore {
  readonly median: number;
  readonly ninetieth: number;
  readonly most: number;
  /** Share of reels truly within one foot to a hundred where it was content. */
  readonly within: number;
}

/** Simulated reels that can be matched, each walked until the way to match it is content. */
export function* walkedShops(
  world: CounterWorld,
  method: () => WalkMethod,
  { reels, seed }: { readonly reels: number; readonly seed: number },
): Generator<CounterShop> {
  const uniform = seeded(seed);
  const normal = normalFrom(uniform);
  for (let i = 0; i < reels; i += 1) {
    let shop = new CounterShop(world, uniform, normal);
    while (!shop.canAgree) shop = new CounterShop(world, uniform, normal);
    const next = method();
    for (let moved = next(shop); moved !== null && shop.walked < MOST_WALKS; moved = next(shop))
      shop.move(moved);
    yield shop;
  }
}

export function scoreWalks(
  world: CounterWorld,
  method: () => WalkMethod,
  sample: { readonly reels: number; readonly seed: number },
): WalkScore {
  const walked: number[] = [];
  let within = 0;
  for (const shop of walkedShops(world, method, sample)) {
    walked.push(shop.walked);
    const off = Math.abs(shop.trueReading - shop.units) * metresPer(world.face.unit);
    if (off <= Math.max(FT, 0.01 * world.match)) within += 1;
  }
  return {
    median: percentile(walked, 0.5),
    ninetieth: percentile(walked, 0.9),
    most: Math.max(...walked),
    within: within / sample.reels,
  };
}

import type { LayReading } from '../lay/lay-advice';
import { MATERIALS, type Line } from '../lines/line';
import type { ReelType } from '../lines/reel-type';
import type { FillRequest, LayerRequest } from '../plan/fill-request';
import type { PlanInput } from '../plan/make-plan';
import { USUAL_HOUSE_RULES } from '../house-rules/house-rules';
import { SUPPLY_WAYS } from '../steps/supply-way';
import type { RunEvent, RunHappening } from '../run/run-event';
import type { RunFacts } from '../steps/run-facts';
import type { Belief } from '../spool/priors';
import type { Observation, WoundLength } from '../spool/observation';
import { seeded } from '../numeric/random';

/** Numbers a person can type or a file can hold, the reasonable ones often enough to get past the first check. */
const NUMBERS = [
  0,
  -0,
  -1,
  -5000,
  1e-12,
  1e-6,
  1e6,
  1e15,
  1e308,
  -1e308,
  Number('9'.repeat(400)),
  -Infinity,
  NaN,
];
const TEXTS = [
  '',
  ' ',
  '0',
  '-',
  '1/0',
  '1,2,3',
  '9'.repeat(400),
  '1e400',
  '٣',
  '8/140',
  '6/230 8/170',
  '\u0000',
  '½',
];
/** Names a layer or a line can have that an object has already. */
const NAMES = ['main', 'backing', 'top', '__proto__', 'constructor', 'toString', ''];

/** A seeded source of nasty things. */
export class Nasty {
  private readonly uniform: () => number;

  constructor(seed: number) {
    this.uniform = seeded(seed);
  }

  one<T>(list: readonly T[]): T {
    const found = list[Math.floor(list.length * this.uniform())];
    if (found === undefined) throw new Error('Nothing to choose from.');
    return found;
  }

  some<T>(most: number, make: () => T): T[] {
    return Array.from({ length: Math.floor((most + 1) * this.uniform()) }, make);
  }

  /** A number between two bounds, and one time in eight any number at all. */
  number(low: number, high: number): number {
    return this.uniform() < 0.125 ? this.one(NUMBERS) : low + (high - low) * this.uniform();
  }

  flag(): boolean {
    return this.uniform() < 0.5;
  }

  text(): string {
    return this.flag()
      ? this.one(TEXTS)
      : `${String(this.number(-10, 400))}${this.one(['', ' m', '/140', ' lb'])}`;
  }

  name(): string {
    return this.one(NAMES);
  }

  line(): Line {
    return { key: this.name(), material: this.one(MATERIALS), diameter: this.number(0.05, 0.8) };
  }

  woundLength(): WoundLength {
    const { line } = { line: this.line() };
    return this.one<() => WoundLength>([
      () => ({ line, length: this.number(0, 300) }),
      () => ({ line, spoolTurns: this.number(0, 3000) }),
      () => ({ rise: this.number(0, 2), sd: this.number(0, 1) }),
      () => ({ radius: this.number(5, 25), sd: this.number(0, 1) }),
      () => ({ below: this.number(0, 15), sd: this.number(0, 1) }),
    ])();
  }

  observation(): Observation {
    const layers = this.some(3, () => this.woundLength());
    return this.one<() => Observation>([
      () => ({ kind: 'rating', length: this.number(20, 400), diameter: this.number(0.1, 0.6) }),
      () => ({
        kind: 'rating',
        length: this.number(20, 400),
        diameter: this.number(0.1, 0.6),
        material: this.one(MATERIALS),
        printed: { system: this.one(['strength', 'size'] as const), figure: this.number(0.5, 20) },
      }),
      () => ({ kind: 'lip', diameter: this.number(20, 90) }),
      () => ({ kind: 'arbor', diameter: this.number(10, 60), farDiameter: this.number(10, 60) }),
      () => ({ kind: 'width', width: this.number(8, 50) }),
      () => ({ kind: 'retrieve', perTurn: this.number(0.4, 1.2), gear: this.number(3, 8) }),
      () => ({
        kind: 'depth',
        layers,
        depth: this.number(-1, 12),
        by: this.one(['calliper', 'eye'] as const),
      }),
      () => ({
        kind: 'stretch',
        layers,
        line: this.line(),
        spoolTurns: this.number(1, 900),
        length: this.number(1, 120),
        sd: this.number(0.01, 0.2),
        meter: this.name(),
      }),
    ])();
  }

  layer(): LayerRequest {
    const id = this.name();
    return this.one<() => LayerRequest>([
      () => this.lineLayer(id),
      () => this.lineLayer(id),
      () => this.lineLayer(id),
      () => ({
        kind: 'tape',
        id,
        thickness: this.number(0.1, 0.5),
        wraps: this.flag() ? 'fits' : this.number(0, 6),
      }),
      () => ({
        kind: 'retained',
        id,
        line: this.line(),
        left: this.flag() ? { length: this.number(0, 60) } : { depth: this.number(0, 12) },
      }),
      () => ({ kind: 'reducer', id, diameter: this.number(15, 40) }),
    ])();
  }

  private lineLayer(id: string): LayerRequest {
    return {
      kind: 'line',
      id,
      role: this.one(['backing', 'main', 'cushion', 'top-shot'] as const),
      line: this.line(),
      length: this.uniform() < 0.3 ? 'fits' : this.number(1, 200),
      ...(this.uniform() < 0.2 ? { overlap: this.number(0, 5) } : {}),
      ...(this.uniform() < 0.2 ? { soaked: this.number(0, 1) } : {}),
    };
  }

  request(): FillRequest {
    return {
      layers: [this.layer(), ...this.some(2, () => this.layer())],
      gear: this.number(3, 7),
      ...(this.uniform() < 0.8 ? { gap: this.number(0, 3) } : {}),
      ...(this.flag() ? { guideBore: this.number(0.5, 8) } : {}),
    };
  }

  belief(median: number): Belief {
    return { median: this.number(0.8 * median, 1.2 * median), sd: this.number(0.01, 0.2) };
  }

  input(): PlanInput {
    const type = this.one<ReelType>(['fixed-spool', 'baitcaster', 'spincast', 'trolling', 'big-game']);
    return {
      observations: this.some(4, () => this.observation()),
      request: this.request(),
      ...(this.flag() ? { beliefs: { type } } : {}),
    };
  }

  facts(request: FillRequest): RunFacts {
    const type = this.one<ReelType>(['fixed-spool', 'baitcaster', 'spincast', 'trolling', 'big-game']);
    return { request, type, rules: USUAL_HOUSE_RULES, mainFirst: this.flag(), leader: this.flag() };
  }

  lay(): LayReading {
    return { rear: this.number(0, 5), front: this.number(0, 5), centre: this.number(0, 5) };
  }

  happening(layers: readonly string[]): RunHappening {
    const layer = this.one(layers);
    return this.one<() => RunHappening>([
      () => ({ kind: 'turns', payload: { layer, turns: this.number(-20, 200), per: this.number(0.5, 7) } }),
      () => ({
        kind: 'turns',
        payload: { layer, turns: this.number(-20, 200), device: this.name(), count: this.number(0, 900) },
      }),
      () => ({ kind: 'metres', payload: { layer, metres: this.number(-5, 60) } }),
      () => ({ kind: 'count-set', payload: { layer, turns: this.number(0, 300) } }),
      () => ({ kind: 'step-done', payload: { step: `wind-${layer}`, by: 'eye' } }),
      () => ({ kind: 'step-done', payload: { step: `wind-${layer}`, usedUp: this.flag() } }),
      () => ({ kind: 'step-done', payload: { step: this.one(['strip', 'mount', 'tie-on', 'gap']) } }),
      () => ({ kind: 'step-again', payload: { steps: [`wind-${layer}`, 'gap'] } }),
      () => ({ kind: 'restarted', payload: { layer, why: 'loose' } }),
      () => ({
        kind: 'depth-read',
        payload: { after: this.flag() ? 'gap' : layer, depth: this.number(-1, 12), by: 'calliper' },
      }),
      () => ({
        kind: 'supply',
        payload: { layer, way: this.one(SUPPLY_WAYS), supplyTurns: null, reelTurns: 'clockwise' },
      }),
      () => ({ kind: 'tension-read', payload: { layer, holds: this.flag(), wound: this.number(0, 90) } }),
      () => ({ kind: 'chosen', payload: { layer, how: 'cut-short', length: this.number(0, 200) } }),
      () => ({ kind: 'chosen', payload: { layer, how: 'smaller-gap', gap: this.number(0, 3) } }),
      () => ({
        kind: 'settled',
        payload: {
          cause: this.one(['gear', 'count', 'depth', 'packing', 'piece', 'none'] as const),
          about: layer,
        },
      }),
      () => ({ kind: 'noted', payload: { step: 'thumb', values: { level: this.one(['low', 'full']) } } }),
    ])();
  }

  log(layers: readonly string[]): RunEvent[] {
    return this.some(14, () => this.happening(layers)).map((happening, i) => ({
      ...happening,
      id: `e${String(i)}`,
      run: '1',
      seq: i + 1,
      at: '',
      by: 'somebody',
    }));
  }
}

/** Where a value holds a number that is none, if it does: its place. Functions and kept inputs are passed over. */
export function badNumber(value: unknown, place = ''): string | null {
  if (typeof value === 'number') return Number.isFinite(value) ? null : place;
  if (value instanceof Set || value instanceof Map) return badNumber([...value], place);
  if (typeof value !== 'object' || value === null) return null;
  for (const [key, part] of Object.entries(value)) {
    // An event that may be taken back is told as it came in.
    if (key === 'undoable') continue;
    const found = badNumber(part, `${place}.${key}`);
    if (found !== null) return found;
  }
  return null;
}

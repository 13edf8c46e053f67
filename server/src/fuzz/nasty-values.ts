import type { Dice } from './dice';

/** What attackers, broken clients and slips of the finger put where something else belongs. */
const NASTY: readonly unknown[] = [
  null,
  true,
  false,
  0,
  -1,
  1,
  1.5,
  -0.0001,
  1e15,
  -1e15,
  1e300,
  2 ** 31,
  2 ** 53,
  4e-320,
  '',
  ' ',
  '\u0000',
  '\ud800',
  '0',
  '-1',
  '1e400',
  'NaN',
  'null',
  '__proto__',
  'constructor',
  'toString',
  "' OR 1=1 --",
  '"; DROP TABLE moves; --',
  '%',
  '_',
  '\\',
  '../../etc/passwd',
  '<script>alert(1)</script>',
  '${7*7}',
  '{{7*7}}',
  '=1+1',
  '\u202eevil',
  '🎣'.repeat(30),
  'x'.repeat(5000),
  '9'.repeat(400),
  '2031-02-30T10:00:00.000Z',
  '2031-13-01',
  '0000-00-00',
  '127.0.0.1:99999',
  'j:{"a":1}',
  [],
  [[]],
  [null],
  {},
  { length: 5 },
  { toString: 1 },
  { id: {} },
];

export function nasty(dice: Dice): unknown {
  if (dice.chance(0.04)) return deep(dice.whole(50, 400));
  if (dice.chance(0.04)) return Array.from({ length: dice.whole(100, 2000) }, () => dice.whole(0, 9));
  return dice.of(NASTY);
}

function deep(levels: number): unknown {
  let value: unknown = 1;
  for (let i = 0; i < levels; i += 1) value = i % 2 === 0 ? [value] : { a: value };
  return value;
}

/** A whole request's JSON with one or a few of its places put to something nasty. */
export function spoiled(value: unknown, dice: Dice): unknown {
  if (dice.chance(0.03)) return nasty(dice);
  const copy = structuredClone(value);
  const places = placesIn(copy);
  for (let left = dice.whole(1, 3); left > 0 && places.length > 0; left -= 1) {
    const { holder, key } = dice.of(places);
    if (dice.chance(0.15)) Reflect.deleteProperty(holder, key);
    else holder[key] = dice.chance(0.3) ? stretched(holder[key], dice) : nasty(dice);
  }
  return copy;
}

/** A value of the right sort at or beyond what it can be. */
function stretched(value: unknown, dice: Dice): unknown {
  if (typeof value === 'number') return value * dice.of([-1, 0, 10, 1000, 1e6, 1e12, 0.0001]);
  if (typeof value === 'string') return value + dice.of(['', ' ', 'x'.repeat(200), '\u0301', "'"]);
  if (Array.isArray(value))
    return Array.from({ length: dice.of([0, 2, 50, 600]) }, () => value[0] as unknown);
  return nasty(dice);
}

interface Place {
  readonly holder: Record<string | number, unknown>;
  readonly key: string;
}

function placesIn(value: unknown): Place[] {
  if (typeof value !== 'object' || value === null) return [];
  const holder = value as Record<string, unknown>;
  return Object.keys(holder).flatMap((key) => [{ holder, key }, ...placesIn(holder[key])]);
}

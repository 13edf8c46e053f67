import { api, files, streams, type Route } from '@yard-spool/contract';
import type { Dice } from './dice';
import { fromSchema, type Known } from './from-schema';
import { nastyFile } from './nasty-files';
import { nasty, spoiled } from './nasty-values';

/** One request of the fuzz. */
export interface Ask {
  readonly method: string;
  /** Below `/api`. */
  readonly path: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body?: string;
}

/** Left alone: they would end the session the fuzz asks with, or only wait for the network. */
const LEFT = new Set(['/session', '/scale']);

const ROUTES: readonly Route[] = Object.values(api).filter(({ path }) => !LEFT.has(path));

/** How often something is spoiled that came out right. */
const SPOILED = 0.6;

/** A request as somebody might send it: mostly nearly right, now and then nothing like it. */
export function ask(dice: Dice, known: Known, cookies: readonly string[]): Ask {
  const cookie = dice.chance(0.9) ? dice.of(cookies) : dice.of(badCookies(cookies[0]?.split('=')[0] ?? ''));
  if (dice.chance(0.04)) return fileOrStream(dice, cookie);
  if (dice.chance(0.06)) return importOf(nastyFile(dice, known), cookie);
  const { method, path, parts } = dice.of(ROUTES);
  const spoil = (value: unknown): unknown => (dice.chance(SPOILED) ? spoiled(value, dice) : value);
  // Those who ask stay who they are: somebody else leaves, or has another passcode.
  const there = path.startsWith('/people/') ? { ...known, id: OTHERS } : known;
  const params = parts.params && spoil(fromSchema(parts.params, dice, there));
  const query = parts.query ? spoil(fromSchema(parts.query, dice, known)) : undefined;
  const filled = path.replace(/:(\w+)/g, (_, name: string) => segment(entryOf(params, name), dice));
  const base = { method, path: `${filled}${queryText(query)}`, headers: { cookie } };
  if (!parts.body || method === 'GET') return base;
  return { ...base, ...bodyOf(spoil(fromSchema(parts.body, dice, known)), dice, cookie) };
}

const OTHERS = [9, 99, 999];

const entryOf = (of: unknown, name: string): unknown =>
  typeof of === 'object' && of !== null ? (of as Record<string, unknown>)[name] : of;

const badCookies = (name: string): readonly string[] => [
  '',
  `${name}=x`,
  `${name}=j:{"a":1}`,
  `${name}=%E0%A4%A`,
  `${name}=${'A'.repeat(4000)}`,
];

const segment = (value: unknown, dice: Dice): string =>
  encodeURIComponent(
    (typeof value === 'string' || typeof value === 'number' ? String(value) : dice.of(['1', 'x', '-1']))
      .replaceAll(/[\ud800-\udfff]/g, '?')
      .slice(0, 500) || '0',
  );

function queryText(query: unknown): string {
  if (typeof query !== 'object' || query === null) return '';
  const pairs = Object.entries(query).map(([name, value]): [string, string] => [
    name,
    typeof value === 'object' ? JSON.stringify(value) : String(value),
  ]);
  return pairs.length > 0 ? `?${new URLSearchParams(pairs).toString().slice(0, 4000)}` : '';
}

function bodyOf(value: unknown, dice: Dice, cookie: string): Pick<Ask, 'headers' | 'body'> {
  const json = { cookie, 'content-type': 'application/json' };
  if (dice.chance(0.02)) return { headers: { ...json, 'content-encoding': 'gzip' }, body: 'not packed' };
  if (dice.chance(0.02)) return { headers: { ...json, 'content-type': 'text/xml' }, body: '<a/>' };
  if (dice.chance(0.02))
    return { headers: { ...json, 'content-type': 'application/json; charset=koi8-r' }, body: '{}' };
  const text = JSON.stringify(value);
  if (dice.chance(0.02)) return { headers: json, body: text.slice(0, dice.whole(0, text.length)) };
  if (dice.chance(0.02))
    return { headers: json, body: text.replace('{', '{"__proto__":{"role":"manager"},') };
  if (dice.chance(0.01)) return { headers: json, body: `{"x":"${'y'.repeat(dice.of([70_000, 600_000]))}"}` };
  return {
    headers: { ...json, ...(dice.chance(0.02) ? { origin: 'http://elsewhere.example' } : {}) },
    body: text,
  };
}

/** The largest file that is taken: others are served while it is read. */
function largeFile(dice: Dice, cookie: string): Ask {
  const rows = Array.from(
    { length: 20_000 },
    (_, i) => `F-${String(i)},Line ${String(i)},nylon,0.3,7.2,#aabbcc\n`,
  );
  const text = dice.chance(0.5)
    ? `code,name,material,diameter_mm,strength_kg,tint\n${rows.join('')}`
    : 'x'.repeat(2_900_000);
  const base64 = Buffer.from(text).toString('base64');
  return importOf(JSON.stringify({ what: 'products', format: 'csv', preview: true, base64 }), cookie);
}

const importOf = (body: string, cookie: string): Ask => ({
  method: 'POST',
  path: '/rack-files',
  body,
  headers: { cookie, 'content-type': 'application/json' },
});

function fileOrStream(dice: Dice, cookie: string): Ask {
  const headers = { cookie };
  if (dice.chance(0.05)) return largeFile(dice, cookie);
  if (dice.chance(0.5))
    return {
      method: 'GET',
      path: `${files.exportRack.path}?what=${dice.of(['pieces', 'wishes', 'ledger'])}&format=csv`,
      headers,
    };
  // A stream that is right goes on for ever: only those that are not are asked.
  const wrong = JSON.stringify(nasty(dice))
    .replaceAll(/[\ud800-\udfff]/g, '?')
    .slice(0, 300);
  return { method: 'GET', path: `${streams.watchRuns.path}?runs=x${encodeURIComponent(wrong)}`, headers };
}

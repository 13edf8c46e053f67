import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';

const AREAS = ['access', 'bags', 'bench', 'cuts', 'day', 'house', 'paper', 'rack', 'record', 'reels'];
/** Where the routes of an area are beside the file of its name. */
const BESIDE: Readonly<Record<string, readonly string[]>> = { access: ['sign-in'], bench: ['live'] };

const read = (path: string): string => readFileSync(new URL(path, import.meta.url), 'utf8');
const namesIn = (text: string, pattern: RegExp): string[] =>
  [...text.matchAll(pattern)].map(([, name = '']) => name);

it.each(AREAS)('the routes of %s are served where their area says', (area) => {
  const promised = namesIn(read(`../../../contract/src/api/${area}.ts`), /^ {2}(\w+): route\(/gm);
  const served = [area, ...(BESIDE[area] ?? [])].flatMap((file) =>
    namesIn(read(`./routes/${file}.ts`), /\bapi\.(\w+)/g),
  );
  expect(promised.length).toBeGreaterThan(4);
  expect([...new Set(served)].sort()).toEqual(promised.sort());
});

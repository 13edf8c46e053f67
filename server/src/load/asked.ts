import { api } from '@yard-spool/contract';

/** What is put in place of what an address names. */
const PUT: readonly (readonly [RegExp, string])[] = [
  [/:tag/, 'R-00007'],
  [/:code/, 'N-7'],
  [/:\w+/g, '7'],
];
/** What is asked with an address. */
const ASKED: Readonly<Record<string, string>> = {
  '/customers': '?q=orla',
  '/reels': '?q=sker',
  '/search': '?q=skerrywind',
  '/got': '?line=L-3',
  '/bags': '?group=handed-back',
  '/due': `?by=${new Date(Date.now() + 30 * 86_400_000).toISOString()}`,
};

/** Every question the API answers, as it is asked in a shop that is written for this: its path and a whole address. */
export const questions = (): readonly { readonly path: string; readonly address: string }[] =>
  Object.values(api)
    .filter(({ method }) => method === 'GET')
    .map(({ path }) => ({
      path,
      address:
        PUT.reduce((address, [name, value]) => address.replace(name, value), path) + (ASKED[path] ?? ''),
    }));

/** Rows of an answer: itself, or the longest list in it. */
export const shownOf = (body: unknown): number =>
  Array.isArray(body)
    ? body.length
    : Math.max(0, ...Object.values(body ?? {}).map((part) => (Array.isArray(part) ? part.length : 0)));

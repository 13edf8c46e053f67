import type { Material } from '../lines/line';

/** Words a line's material is known by, the narrower before the wider. Common practice, no source. */
const MATERIAL_WORDS: readonly (readonly [Material, RegExp])[] = [
  ['hollow-braid', /\bhollow\b/],
  ['fluorocarbon', /\bfluoro(carbon)?\b|\bfc\b/],
  ['braid', /\bbraid(ed)?\b|\bpe\b|\bmultifil(ament)?\b/],
  ['nylon', /\bnylon\b|\bmono(filament)?\b|\bcopoly(mer)?\b/],
];

/** The material a text names; null where it names none. */
export const materialIn = (text: string): Material | null =>
  MATERIAL_WORDS.find(([, words]) => words.test(text.toLowerCase().replaceAll('-', ' ')))?.[0] ?? null;

const TINTS: Readonly<Record<string, string>> = {
  clear: '#d9e1e3',
  white: '#f2f2ee',
  grey: '#8d979c',
  gray: '#8d979c',
  smoke: '#77818a',
  black: '#2b2f33',
  green: '#4f8a57',
  blue: '#4a78b0',
  red: '#b04a48',
  pink: '#d58aa4',
  yellow: '#d8c14a',
  orange: '#d98a3d',
  brown: '#7d5f45',
};
/** A line of which nobody said its colour. */
const NO_TINT = '#aab7bd';

/** A colour as the rack keeps it: a hexadecimal one as it is, a name by its tint. */
export function tintOf(text: string): string {
  const said = text.trim().toLowerCase();
  if (/^#[\da-f]{6}$/.test(said)) return said;
  const named = said.split(/[^a-z]+/).find((word) => word in TINTS);
  return TINTS[named ?? ''] ?? NO_TINT;
}

/** The longest code there is, without what is put behind it here. */
const MOST_BEFORE = 15;

/** The next code of a line's spools that nobody has: `CLE-26-1`, `CLE-26-2`. */
export function nextPiece(line: string, taken: ReadonlySet<string>): string {
  const before = line.slice(0, MOST_BEFORE);
  for (let n = 1; ; n += 1) if (!taken.has(`${before}-${String(n)}`)) return `${before}-${String(n)}`;
}

/** A new code that nobody has, of a text's first letters and a number: `CLE-26`, then `CLE-26-2`. */
export function codeOf(text: string, number: string, taken: ReadonlySet<string>): string {
  const letters = text
    .normalize('NFD')
    .toUpperCase()
    .replace(/[^A-Z]/g, '')
    .slice(0, 3);
  const first = `${letters || 'L'}-${number}`;
  if (!taken.has(first)) return first;
  for (let n = 2; ; n += 1) if (!taken.has(`${first}-${String(n)}`)) return `${first}-${String(n)}`;
}

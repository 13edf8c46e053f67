import type { Material } from '../lines/line';
import { TO_BASE, UNIT_SPELLINGS } from '../quantities/units';
import { isWhole, SIZE_MARK } from './print-parts';

/** One print as it stands in what was typed. */
export interface PrintChunk {
  /** As it can be typed again, with the material that was said of it. */
  readonly text: string;
  /** Both its halves, with the sign between them. */
  readonly body: string;
  /** What it is for, where the print says so. */
  readonly of: Material | null;
}

/** Words a print's material is written with. "PE" is read with its size number. */
const MATERIALS: readonly (readonly [written: RegExp, of: Material, word: string])[] = [
  [/^(mono|monofil|monofilament|nylon|copoly|copolymer)$/, 'nylon', 'nylon'],
  [/^(fluoro|fluorocarbon|fc)$/, 'fluorocarbon', 'fluoro'],
  [/^(braid|braided|multifil|superline)$/, 'braid', 'braid'],
];
const materialIn = (word: string) =>
  MATERIALS.find(([written]) => written.test(word.toLowerCase().replace(/[():.]/g, '')));

/** The word for a material as a print is written again; empty for those no print is made for. */
export const materialWord = (of: Material): string =>
  MATERIALS.find(([, material]) => material === of)?.[2] ?? '';
/** Whether a print as it is written says what it is for. */
export const saysMaterial = (text: string): boolean => materialIn(text.split(' ')[0] ?? '') !== undefined;

/** Words that say nothing a print does not say by itself. */
const NOTHING = /^(of|about|approx|ca|cap|capacity|line|test|and|or|=|&)[.:]?$/i;
/** What both numbers below or behind it are in: `LB/YDS:`, `m mm`. */
const HEADING = /^([a-z]+)[/\s]+([a-z]+)\s*:?\s+(?=[\d.,])/i;

/**
 * Cuts what was typed into prints: `6/230 8/170 10/140` is three, `210 m × 0.25 mm` one, however much space stands about
 * the signs; two numbers side by side with no sign between them are one too (`8 lb 140 yds`, two columns of a table). A
 * word for the material holds for the prints behind it, where it leads them, or for those before it.
 */
export function printChunks(text: string): PrintChunk[] {
  return text.split(/[\n\r;|]+/).reduce<{ readonly units: Units | null; readonly chunks: PrintChunk[] }>(
    ({ units, chunks }, row) => {
      const [own, rest] = headingOf(row);
      const now = own ?? units;
      return { units: now, chunks: [...chunks, ...rowChunks(rest, now)] };
    },
    { units: null, chunks: [] },
  ).chunks;
}

type Units = readonly [first: string, second: string];

const isUnit = (word: string): boolean => {
  const unit = UNIT_SPELLINGS[word.toLowerCase()] ?? word.toLowerCase();
  return unit in TO_BASE['line-length'] || unit in TO_BASE.strength || unit in TO_BASE['small-length'];
};

/** The units a row begins with, and the rest of it. */
function headingOf(row: string): readonly [Units | null, string] {
  const clean = `${row.trim()} `;
  const found = HEADING.exec(clean) ?? /^([a-z]+)[/\s]+([a-z]+)\s*:?\s*$/i.exec(clean);
  const [, first = '', second = ''] = found ?? [];
  if (!found || !isUnit(first) || !isUnit(second)) return [null, row];
  return [[first, second], clean.slice(found[0].length)];
}

function rowChunks(row: string, units: Units | null): PrintChunk[] {
  const parts = closed(row)
    .split(/,\s|,$/)
    .map((part) => part.split(/\s+/).filter((word) => word !== '' && !NOTHING.test(word)));
  const bodies = paired(parts.flat()).map((word) => withUnits(word, units));
  return withMaterials(bodies, leadsItsPrints(parts));
}

/** Whether a word for the material stands before its prints: at the head of the row, or of each part between commas. */
function leadsItsPrints(parts: readonly (readonly string[])[]): boolean {
  const saying = parts.filter((words) => words.some((word) => materialIn(word)));
  const leads = (words: readonly string[]): boolean =>
    words.length > 1 && materialIn(words[0] ?? '') !== undefined;
  return materialIn(parts.flat()[0] ?? '') !== undefined || (saying.length > 0 && saying.every(leads));
}

/** What was typed with its signs and units close to their numbers. */
const closed = (text: string): string =>
  text
    .replace(/[\u00a0\u202f\t]+/g, ' ')
    .replace(/\b([a-z]{2,})\s*:/gi, (whole, word: string) => (materialIn(word) ? `${word} ` : whole))
    .replace(new RegExp(String.raw`(^|[\s/×*@:-])(${SIZE_MARK})\s+(?=[\d.,])`, 'gi'), '$1$2')
    // A test strength is often written out: "8 lb test".
    .replace(/\btest\b/gi, ' ')
    .replace(
      /(\d)\s+(m|mm|cm|yds?|yards?|ft|feet|in|inch|inches|lbs?|pounds?|kgs?|kilos?|metres?|meters?)\b\.?/gi,
      '$1$2',
    )
    .replace(/(\d)\s+(["″”'′])/g, '$1$2')
    .replace(/\s*([×*/@:–])\s*(?=[\d.,#pn])/gi, '$1')
    .replace(/\s+x\s+/gi, '×')
    .replace(/(?<=[\da-z"])\s*-\s*(?=[\d.,#pn])/gi, '-');

/** Halves that stand side by side with no sign between them, as one print. */
function paired(words: readonly string[]): string[] {
  const out: string[] = [];
  let half: string | null = null;
  for (const word of words) {
    if (materialIn(word) || isWhole(word)) {
      if (half !== null) out.push(half);
      half = null;
      out.push(word);
    } else if (half === null) half = word;
    else {
      out.push(`${half}/${word}`);
      half = null;
    }
  }
  return half === null ? out : [...out, half];
}

/** Bare numbers with the units their row or column was headed with. */
function withUnits(body: string, units: Units | null): string {
  const halves = body.split('/');
  if (!units || halves.length !== 2) return body;
  return halves.map((half, i) => (/[a-z"#]/i.test(half) ? half : `${half}${units[i] ?? ''}`)).join('/');
}

function withMaterials(words: readonly string[], before: boolean): PrintChunk[] {
  const chunks: PrintChunk[] = [];
  let said: Material | null = null;
  for (const word of words) {
    const of = materialIn(word)?.[1];
    if (of === undefined) chunks.push(chunk(word, before ? said : null));
    else if (before) said = of;
    else {
      // Behind its prints it holds for all that nothing was said of yet.
      for (const [i, one] of chunks.entries()) if (one.of === null) chunks[i] = chunk(one.body, of);
    }
  }
  return chunks;
}

const chunk = (body: string, of: Material | null): PrintChunk => ({
  body,
  of,
  text: of === null ? body : `${materialWord(of)} ${body}`,
});

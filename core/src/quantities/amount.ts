import { fail, succeed, type Issue, type Result } from '../issue';
import type { Level } from './level';
import { parseNumber } from './parse-number';
import { parseQuantity, type Allowed } from './parse-quantity';
import type { UnitSystem } from './units';

/**
 * How much of a line, the way people say it: a length in m; as much as fits; a share of the pack as it came; what is left
 * on the piece; or up to a level of the spool.
 */
export type Amount =
  | { readonly kind: 'length'; readonly metres: number }
  | { readonly kind: 'fits' }
  | { readonly kind: 'pack'; readonly share: number }
  | { readonly kind: 'rest' }
  | { readonly kind: 'level'; readonly level: Level };

/** The least and most a length or a depth may be, m and mm. */
export interface AmountAllowed {
  readonly length: Allowed;
  readonly depth: Allowed;
}

const WORDS: Readonly<Record<string, string>> = {
  ...{ 'three quarters': '3/4', 'two thirds': '2/3', 'five eighths': '5/8', 'three eighths': '3/8' },
  ...{ half: '1/2', third: '1/3', quarter: '1/4', fifth: '1/5', eighth: '1/8' },
};

const FITS = /^(as much as fits|what fits|fits?|fill( it)?( up)?|to the gap)$/;
const REST =
  /^(what is left|what's left|the rest|rest|left over)( (on|of) (it|this|the) ?(piece|pack|spool)?)?$/;
const WHOLE = /^(all( of (it|the pack))?|whole|(the )?whole pack|the pack|pack|1 pack)$/;
const SHARE = String.raw`(\d+\/\d+|[\d.,]+ ?%|[\d.,]+)`;
const SHARES = new RegExp(`^(up to |to )?${SHARE}(?: ?(?:to|-|–) ?${SHARE})?( pack| spool)?$`);
const BELOW = /^(?:up to |to )?(.+?)(?: (?:below|under)(?: the lip| lip| it)?)$/;
const TO_DEPTH = /^(?:up )?to (.+)$/;

const issue = (code: string, sentence: string): Issue => ({ code, severity: 'error', sentence });

/**
 * Reads how much of a line goes on: `120 m`, `100yd`, `as much as fits`, `whole pack`, `half the pack`, `a third of the
 * pack`, `what is left`, `a quarter of the spool`, `half to five eighths of the spool`, `15-20 %`, `3 mm below the lip`.
 *
 * @returns the amount; an issue where it cannot be read, or where a bare share may be of the pack or of the spool
 */
export function parseAmount(text: string, system: UnitSystem, allowed: AmountAllowed): Result<Amount> {
  const typed = plain(text);
  if (FITS.test(typed)) return succeed({ kind: 'fits' });
  if (REST.test(typed)) return succeed({ kind: 'rest' });
  if (WHOLE.test(typed)) return succeed({ kind: 'pack', share: 1 });
  const shares = SHARES.exec(typed);
  const share = shares && asShare(shares, text.trim());
  if (share) return share;
  const depth = (BELOW.exec(typed) ?? TO_DEPTH.exec(typed))?.[1];
  if (depth !== undefined) {
    const read = parseQuantity(depth, 'small-length', system, allowed.depth);
    return read.ok ? succeed({ kind: 'level', level: { depth: read.value.value } }) : read;
  }
  const read = parseQuantity(text, 'line-length', system, allowed.length);
  if (read.ok) return succeed({ kind: 'length', metres: read.value.value });
  return read.issues[0]?.code === 'not-a-number' ? fail(NOT_READ(text.trim())) : read;
}

const NOT_READ = (text: string): Issue =>
  issue(
    'not-an-amount',
    `"${text}" cannot be read. Write a length, "half the pack", "what is left", "a quarter of the spool", "as much as fits" or "3 mm below the lip".`,
  );

/** Lower case, without articles, with numbers for words. */
function plain(text: string): string {
  let typed = text
    .trim()
    .toLowerCase()
    .replace(/[\u00a0\u202f]/g, ' ')
    .replace(/\s+/g, ' ');
  if (FITS.test(typed) || REST.test(typed) || WHOLE.test(typed)) return typed;
  for (const [word, figure] of Object.entries(WORDS))
    typed = typed.replace(new RegExp(`\\b${word}\\b`, 'g'), figure);
  return typed
    .replace(/\bper ?cent\b/g, '%')
    .replace(/ full\b/, ' spool')
    .replace(/\b(a|an|the|of|its|depth)\b ?/g, '')
    .replace(/ +/g, ' ')
    .trim();
}

/** A share, or a range of shares; null where it is no share at all. */
function asShare(found: RegExpExecArray, text: string): Result<Amount> | null {
  const [, , first = '', second = '', of = ''] = found;
  // A bare figure is a length; beside a percentage it is one too ("15-20 %").
  if (!/[%/]/.test(first) && !second.includes('%')) return null;
  const percent = first.includes('%') || second.includes('%');
  const share = rangeOf(shareOf(first, percent), shareOf(second || first, percent));
  if (!share)
    return fail(issue('not-a-share', `"${text}" is not a share. Write it like half, 1/4 or 15–20 %.`));
  if (of.trim() === 'pack') return ofPack(share);
  if (of.trim() === 'spool' || percent || second !== '') return succeed({ kind: 'level', level: { share } });
  return fail(issue('share-of-what', `${text} of the pack, or ${text} of the spool? Add "pack" or "spool".`));
}

type Share = readonly [least: number, most: number];

const ofPack = ([least, most]: Share): Result<Amount> =>
  least === most
    ? succeed({ kind: 'pack', share: least })
    : fail(issue('not-a-share', 'A share of the pack is one figure: half, a third.'));

const rangeOf = (least: number | null, most: number | null): Share | null =>
  least === null || most === null || least <= 0 || most > 1 || least > most ? null : [least, most];

function shareOf(text: string, percent: boolean): number | null {
  const read = parseNumber(text.replace('%', '').trim());
  if (!read.ok) return null;
  return percent && !text.includes('/') ? read.value / 100 : read.value;
}

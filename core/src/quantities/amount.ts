import { MM_PER_INCH } from './units';
import { fail, succeed, type PlainIssue, type Result } from '../issue';
import type { Level } from './level';
import { parseNumber } from './parse-number';
import { parseQuantity, type Allowed } from './parse-quantity';
import type { UnitSystem } from './units';

/**
 * How much of a line, the way people say it: a length in m; as much as fits; as little as will do; a share of the pack as
 * it came, and what it held (m) where that was said; what is left on the piece; or up to a level of the spool.
 */
export type Amount =
  | { readonly kind: 'length'; readonly metres: number }
  | { readonly kind: 'fits' }
  | { readonly kind: 'least' }
  | { readonly kind: 'pack'; readonly share: number; readonly held?: number }
  | { readonly kind: 'rest' }
  | { readonly kind: 'level'; readonly level: Level };

/** The least and most a length or a depth may be, m and mm. */
export interface AmountAllowed {
  readonly length: Allowed;
  readonly depth: Allowed;
}

const WORDS: Readonly<Record<string, string>> = {
  'three quarters': '3/4',
  'two thirds': '2/3',
  'five eighths': '5/8',
  'three eighths': '3/8',
  half: '1/2',
  third: '1/3',
  quarter: '1/4',
  fifth: '1/5',
  eighth: '1/8',
};

const FITS = /^(as much as fits|what fits|fits?|full|fill(ed)?( it)?( up)?|to the gap)$/;
const LEAST =
  /^(as little as (i can get away with|possible|it takes|needed|will do)|the least( (that )?will do)?|as little as i can)$/;
/** Depths below the lip people have words for, mm; "just under" is a sixteenth of an inch. Common practice, no source. */
const LEVELS: readonly (readonly [said: RegExp, depth: number])[] = [
  [/^(flush|level|flush with the lip|level with the lip|(up )?to the (lip|brim)|brim ?full|to the top)$/, 0],
  [/^(just|nearly|right|almost|a (bit|touch|hair)) (under|below|at|to|up to) the lip$/, MM_PER_INCH / 16],
];
const EXACTLY = /^\s*(exactly|just|only|precisely)\s+(?=[\d.])/i;
const REST =
  /^(what is left|what's left|the rest|rest|left over)( (on|of) (it|this|the) ?(piece|pack|spool)?)?$/;
const WHOLE = /^(all( of (it|the pack))?|whole|(the )?whole pack|the pack|pack|1 pack)$/;
const SHARE = String.raw`(\d+\/\d+|[\d.,]+ ?%|[\d.,]+)`;
const SHARES = new RegExp(
  `^(up to |to )?${SHARE}(?: ?(?:to|-|–) ?${SHARE})?( pack| spool)?( by(?: length)?)?$`,
);
const BELOW = /^(?:up to |to )?(.+?)(?: (?:below|under)(?: the lip| lip| it)?)$/;
const TO_DEPTH = /^(?:up )?to (.+)$/;

const issue = (code: string, sentence: string): PlainIssue => ({ code, severity: 'error', sentence });

/**
 * Reads how much of a line goes on: `120 m`, `100yd`, `as much as fits`, `whole pack`, `half the pack`, `a third of the
 * pack`, `the 150 yd pack`, `as little as I can get away with`, `flush`, `just under the lip`, `a sixteenth`,
 * `between half and five eighths`, `what is left`, `a quarter of the spool`, `half of the spool by length`, `a third of what it
 * holds`, `half to five eighths of the spool`, `15-20 %`, `3 mm below the lip`.
 *
 * @returns the amount; an issue where it cannot be read, or where a bare share may be of the pack or of the spool
 */
export function parseAmount(
  text: string,
  system: UnitSystem,
  allowed: AmountAllowed,
): Result<Amount, PlainIssue> {
  const typed = plain(text);
  const said = SAID.find(([words]) => words.test(typed))?.[1];
  if (said) return succeed(said);
  const named = levelSaid(text, allowed) ?? packOfLength(typed, system, allowed);
  if (named) return named;
  const shares = SHARES.exec(typed);
  const share = shares && asShare(shares, text.trim());
  if (share) return share;
  const depth = (BELOW.exec(typed) ?? TO_DEPTH.exec(typed))?.[1];
  if (depth !== undefined) {
    const read = parseQuantity(depth, 'small-length', system, allowed.depth);
    return read.ok ? succeed({ kind: 'level', level: { depth: read.value.value } }) : read;
  }
  const read = parseQuantity(text.replace(EXACTLY, ''), 'line-length', system, allowed.length);
  if (read.ok) return succeed({ kind: 'length', metres: read.value.value });
  return read.issues[0]?.code === 'not-a-number' ? fail(NOT_READ(text.trim())) : read;
}

/** Amounts that are one saying. */
const SAID: readonly (readonly [words: RegExp, amount: Amount])[] = [
  [FITS, { kind: 'fits' }],
  [REST, { kind: 'rest' }],
  [LEAST, { kind: 'least' }],
  [WHOLE, { kind: 'pack', share: 1 }],
];

/** A level people have words for, or a bare share of an inch: `flush`, `just under the lip`, `a sixteenth`. */
function levelSaid(text: string, allowed: AmountAllowed): Result<Amount, PlainIssue> | null {
  const said = text.trim().toLowerCase().replace(/\s+/g, ' ');
  const depth = LEVELS.find(([words]) => words.test(said))?.[1];
  if (depth !== undefined) return succeed({ kind: 'level', level: { depth } });
  if (
    !/(eighth|sixteenth|thirty[- ]second)s?( (of )?(an )?inch)?$/.test(said) ||
    /five eighths?|three eighths?/.test(said)
  )
    return null;
  const read = parseQuantity(said, 'small-length', 'imperial', allowed.depth);
  return read.ok ? succeed({ kind: 'level', level: { depth: read.value.value } }) : null;
}

/** The pack that holds so much, or a share of it: `the 150 yd pack`, `half of the 150 yd pack`. */
function packOfLength(
  typed: string,
  system: UnitSystem,
  { length }: AmountAllowed,
): Result<Amount, PlainIssue> | null {
  const found = /^(?:1 (?=\d))?(?:(\d+\/\d+|[\d.]+ ?%) )?(\d[\d., ]* ?[a-z]*)[ -]pack$/.exec(typed);
  const [, part = '1', held = ''] = found ?? [];
  if (!found) return null;
  const share = shareOf(part, part.includes('%'));
  const read = parseQuantity(held, 'line-length', system, length);
  if (!read.ok) return read;
  if (share === null || share <= 0 || share > 1)
    return fail(issue('not-a-share', `"${part}" is no share of a pack.`));
  return succeed({ kind: 'pack', share, held: read.value.value });
}

const NOT_READ = (text: string): PlainIssue =>
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
  if (SAID.some(([words]) => words.test(typed))) return typed;
  typed = typed.replace(EXACTLY, '').replace(/^between (.+) and (.+)$/, '$1 to $2');
  for (const [word, figure] of Object.entries(WORDS))
    typed = typed.replace(new RegExp(`\\b${word}\\b`, 'g'), figure);
  return typed
    .replace(/\bper ?cent\b/g, '%')
    .replace(/ full\b/, ' spool')
    .replace(/\b(a|an|the|of|its|depth)\b ?/g, '')
    .replace(/ +/g, ' ')
    .replace(/\b(what (it|spool) (holds|takes)|capacity)\b/, 'spool by length')
    .trim();
}

/** A share, or a range of shares; null where it is no share at all. */
function asShare(found: RegExpExecArray, text: string): Result<Amount, PlainIssue> | null {
  const [, , first = '', second = '', of = '', by = ''] = found;
  // A bare figure is a length; beside a percentage it is one too ("15-20 %").
  if (!/[%/]/.test(first) && !second.includes('%')) return null;
  const percent = first.includes('%') || second.includes('%');
  const share = rangeOf(shareOf(first, percent), shareOf(second || first, percent));
  if (!share)
    return fail(issue('not-a-share', `"${text}" is not a share. Write it like half, 1/4 or 15–20 %.`));
  return of === ' pack'
    ? ofPack(share)
    : ofSpool(share, { said: of + by, plain: !percent && second === '' }, text);
}

/** A share of the spool, by its depth or by what it holds; a bare one asks what it is of. */
function ofSpool(
  share: Share,
  { said, plain: bare }: { readonly said: string; readonly plain: boolean },
  text: string,
): Result<Amount, PlainIssue> {
  if (said.endsWith(' by length')) return succeed({ kind: 'level', level: { share, of: 'length' } });
  if (said !== '' || !bare) return succeed({ kind: 'level', level: { share } });
  return fail(
    issue(
      'share-of-what',
      `${text} of what? Add "of the pack", "of the spool", which is by depth, or "of the spool by length".`,
    ),
  );
}

type Share = readonly [least: number, most: number];

const ofPack = ([least, most]: Share): Result<Amount, PlainIssue> =>
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

import { sizeDiameter } from '../quantities/said-quantity';
import { fail, succeed, type PlainIssue, type Result } from '../issue';
import type { Material } from '../lines/line';
import { formatDiameter, formatQuantity } from '../quantities/format-quantity';
import { DEFAULT_UNIT, TO_BASE, type UnitSystem } from '../quantities/units';
import { OBSERVATION_RANGE, type PrintedBy } from '../spool/observation';
import { materialWord, printChunks, type PrintChunk } from './print-chunks';
import { printParts, saysBraid, saysTimes, type PrintPart } from './print-parts';

/** One way to read a print. m and mm. */
export interface PrintReading {
  readonly length: number;
  /** Printed, or what the strength or size number usually stands for. */
  readonly diameter: number;
  readonly material: Material;
  /** Where no diameter is printed. */
  readonly printed?: PrintedBy;
  /** The same written so that it can be read in one way only. */
  readonly text: string;
  /** What it says, in words. */
  readonly words: string;
}

/** One print as it was typed, with its readings. */
export interface Print {
  readonly text: string;
  /** Likeliest first; one at least. */
  readonly readings: readonly [PrintReading, ...PrintReading[]];
  /** Whether the first is to be taken; otherwise a person has to choose. */
  readonly sure: boolean;
}

/** What a print is read by. */
export interface PrintContext {
  readonly system?: UnitSystem;
  /** What the prints are for, where nothing in them says so. */
  readonly material?: Material;
}

/**
 * Diameter a strength or size number stands for: nylon and fluorocarbon 0.145 √S mm with S in kg, braid 0.075 √S, size
 * number n 0.165 √n. All from memory; how far it is off is one unknown that all prints of a system on a spool share.
 */
export function printedDiameter({ system, figure }: PrintedBy, material: Material): number {
  const braid = material === 'braid' || material === 'hollow-braid';
  if (system === 'size') return sizeDiameter(figure);
  return (braid ? 0.075 : 0.145) * Math.sqrt(figure);
}

/**
 * Reads what is printed on a spool: `210 × 0.25`, `230 yd x .010 in`, `8/140`, `8lb/140yd`, `10-120 yd`, `PE 1.5/200`,
 * `#2-150m`, several in one go. Of two bare numbers the larger is the length, since no line is as thick as the shortest
 * fill is long.
 *
 * @returns each print with its readings; an issue for the first that cannot be read at all
 */
export function readPrints(text: string, context: PrintContext = {}): Result<readonly Print[], PlainIssue> {
  const chunks = printChunks(text.slice(0, LONGEST));
  if (chunks.length === 0 || chunks.length > MOST) return fail(unreadable(text));
  const prints: Print[] = [];
  for (const chunk of chunks) {
    const readings = readOne(chunk, context);
    const [likeliest, ...others] = readings.ways.map((way) => saying(way, chunk));
    if (!likeliest) return fail(readings.issue ?? unreadable(chunk.text));
    prints.push({ text: chunk.text, readings: [likeliest, ...others], sure: readings.sure });
  }
  return succeed(prints);
}

/** More than any spool carries. */
const LONGEST = 400;
const MOST = 12;

interface Ways {
  readonly ways: readonly PrintReading[];
  readonly sure: boolean;
  readonly issue?: PlainIssue;
}

const NONE: Ways = { ways: [], sure: false };

/** A reading written so that it says what it is for too, where the print did. */
const saying = (way: PrintReading, { of }: PrintChunk): PrintReading =>
  of === null ? way : { ...way, text: `${materialWord(of)} ${way.text}` };

function readOne(
  { body: chunk, of: said }: PrintChunk,
  { system = 'metric', material = 'nylon' }: PrintContext,
): Ways {
  const parts = printParts(chunk);
  if (!parts) return NONE;
  const of = said ?? (saysBraid(chunk) ? 'braid' : material);
  const [thing, length] = inOrder(parts);
  if (THICKNESS.has(length.unit) || STRENGTH.has(length.unit) || length.size) return NONE;
  if (THICKNESS.has(thing.unit)) return one(byDiameter(thing, length, thing.unit, system, of));
  if (STRENGTH.has(thing.unit)) return one(byStrength(thing, length, thing.unit, { system, of }));
  if (thing.size) return one(bySize(thing, length, { system, of }));
  return thing.unit === '' ? bare(thing, length, saysTimes(chunk), { system, of }) : NONE;
}

const THICKNESS: ReadonlySet<string> = new Set(['mm', 'in', 'um', 'cm']);
const STRENGTH: ReadonlySet<string> = new Set(['lb', 'kg', 'oz', 'n']);
const LENGTH: ReadonlySet<string> = new Set(['m', 'yd', 'ft']);

/** What the line is first, then how much of it. */
function inOrder([a, b]: readonly [PrintPart, PrintPart]): readonly [PrintPart, PrintPart] {
  if (LENGTH.has(a.unit)) return [b, a];
  if (LENGTH.has(b.unit)) return [a, b];
  const marked = ({ unit, size }: PrintPart): boolean => unit !== '' || size;
  if (marked(a) !== marked(b)) return marked(a) ? [a, b] : [b, a];
  return a.value <= b.value ? [a, b] : [b, a];
}

const one = (reading: PrintReading | PlainIssue): Ways =>
  'code' in reading ? { ...NONE, issue: reading } : { ways: [reading], sure: true };

/**
 * A bare number beside a length. With two decimals and more it is a diameter; a whole number is a strength in pounds, as
 * such prints mostly are; with one decimal it is a size number, except where the same number is also a common diameter, or
 * is written "times" the length, as diameters are.
 */
function bare(thing: PrintPart, length: PrintPart, times: boolean, { system, of }: Telling): Ways {
  const as = (reading: PrintReading | PlainIssue): PrintReading[] => ('code' in reading ? [] : [reading]);
  const metric = as(byDiameter(thing, length, 'mm', system, of));
  const inches = as(byDiameter(thing, length, 'in', system, of));
  const pounds = as(byStrength(thing, length, 'lb', { system, of }));
  const kilos = as(byStrength(thing, length, 'kg', { system, of }));
  const size = as(bySize(thing, length, { system, of }));
  const decimals = decimalsOf(thing);
  if (decimals >= 2) {
    const first = thing.value < 0.05 || system !== 'metric' ? [...inches, ...metric] : metric;
    return { ways: first.slice(0, 1), sure: true };
  }
  if (decimals === 1 && thing.value < 0.6)
    return { ways: [...metric, ...size].slice(0, times ? 1 : 2), sure: times };
  if (decimals === 1) {
    const strengths = thing.value >= 2 ? [...kilos, ...pounds] : [];
    return { ways: [...size, ...metric, ...strengths], sure: strengths.length === 0 && !times };
  }
  if (thing.value > 200) return { ...NONE, issue: unreadable(`${thing.digits}/${length.digits}`) };
  // Size numbers and strengths in kilos are written just like this too, and below four they are as common.
  if (length.unit === 'm') return { ways: [...kilos, ...pounds, ...size], sure: false };
  return { ways: [...pounds, ...size, ...kilos], sure: thing.value >= 4 };
}

const decimalsOf = ({ digits }: PrintPart): number => /[.,](\d+)$/.exec(digits)?.[1]?.length ?? 0;

const inMetres = ({ value, unit }: PrintPart, usual: string): number =>
  value * (TO_BASE['line-length'][unit || usual] ?? 1);

function byDiameter(
  thing: PrintPart,
  length: PrintPart,
  unit: string,
  system: UnitSystem,
  material: Material,
): PrintReading | PlainIssue {
  const metres = inMetres(length, DEFAULT_UNIT[system]['line-length']);
  const diameter = thing.value * (TO_BASE['small-length'][unit] ?? 1);
  const text = `${length.digits} ${length.unit || DEFAULT_UNIT[system]['line-length']} × ${thing.digits} ${unit}`;
  const words = `${sayLength(length, DEFAULT_UNIT[system]['line-length'])} of ${thing.digits} ${unit} ${MATERIAL[material]}`;
  return checked({ length: metres, diameter, material, text, words });
}

/** Whose units words are told in, and what the print is for. */
interface Telling {
  readonly system: UnitSystem;
  readonly of: Material;
}

function byStrength(
  thing: PrintPart,
  length: PrintPart,
  unit: string,
  telling: Telling,
): PrintReading | PlainIssue {
  const usual = unit === 'lb' || unit === 'oz' ? 'yd' : 'm';
  const printed = { system: 'strength', figure: thing.value * (TO_BASE.strength[unit] ?? 1) } as const;
  return withPrinted(printed, `${thing.digits} ${unit}`, { length, usual }, telling);
}

const bySize = (thing: PrintPart, length: PrintPart, telling: Telling): PrintReading | PlainIssue =>
  withPrinted({ system: 'size', figure: thing.value }, `#${thing.digits}`, { length, usual: 'm' }, telling);

function withPrinted(
  printed: PrintedBy,
  written: string,
  { length, usual }: { readonly length: PrintPart; readonly usual: string },
  { system, of: material }: Telling,
): PrintReading | PlainIssue {
  const diameter = printedDiameter(printed, material);
  const braid = material === 'braid' && printed.system === 'size';
  const said = printed.system === 'size' ? `size ${written.slice(1)}` : written;
  return checked({
    length: inMetres(length, usual),
    diameter,
    material,
    printed,
    text: `${braid ? `PE ${written.slice(1)}` : written} / ${length.digits} ${length.unit || usual}`,
    words: `${sayLength(length, usual)} of ${said} ${MATERIAL[material]}, about ${formatDiameter(diameter, system).text}`,
  });
}

const MATERIAL: Readonly<Record<Material, string>> = {
  nylon: 'nylon',
  fluorocarbon: 'fluorocarbon',
  braid: 'braid',
  'hollow-braid': 'hollow braid',
};

const sayLength = ({ digits, unit }: PrintPart, usual: string): string => `${digits} ${unit || usual}`;

/** The reading, or why no line and no spool are like that. */
function checked(reading: PrintReading): PrintReading | PlainIssue {
  const [shortest, longest] = OBSERVATION_RANGE.rating.length;
  const [thinnest, thickest] = OBSERVATION_RANGE.rating.diameter;
  if (!(reading.length >= shortest && reading.length <= longest))
    return wrong(
      `${reading.words} is outside what a spool holds: it must be from ${formatQuantity(shortest, 'line-length').text} to ${formatQuantity(longest, 'line-length').text}.`,
    );
  if (!(reading.diameter >= thinnest && reading.diameter <= thickest))
    return wrong(
      `${reading.words} is outside what line is: it must be from ${formatDiameter(thinnest).text} to ${formatDiameter(thickest).text}.`,
    );
  return reading;
}

const wrong = (sentence: string): PlainIssue => ({ code: 'not-a-rating', severity: 'error', sentence });

const unreadable = (text: string): PlainIssue =>
  wrong(
    `"${text.trim().slice(0, 60)}" is not a rating. Write length and diameter like 210 × 0.25, strength and length like 8 lb / 140 yd, or a size number like #2 / 150 m.`,
  );

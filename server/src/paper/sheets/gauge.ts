import { formatQuantity, MM_PER_INCH, PALETTE, type UnitSystem } from '@yard-spool/core';
import type { GaugeFacts } from '../facts';
import { A5, trueToScale, type Sheet } from '../sheet';
import type { House, Say } from '../say';
import { checkBar } from '../svg/check-bar';
import { INK, JOIN, STOP } from '../svg/colours';
import { drawing, element, words } from '../svg/element';

/** Width of a strip and of the words beside its marks, mm. */
const STRIP = 9;
const CELL = 31;
const PER_PAGE = 4;
/** Held between two fingers, mm. */
const HANDLE = 22;
/** Below the strips: their tags, and the bar. */
const BELOW = 24;
const LABEL = 3.8;
/** A scale goes at least so far, mm; and past its deepest mark by so much. */
const LEAST = 20;
const PAST = 5;
const MOST = 60;

/**
 * Strips to cut out and stand on the line inside the lip: true to scale, with the depths a reel waits for marked on them.
 * A bar of known length tells whether the printer kept the scale.
 */
export function gaugeSheet({ title, strips }: GaugeFacts, say: Say, { units }: House): Sheet {
  const width = A5.widthMm - 2 * A5.marginMm;
  const pages = Array.from({ length: Math.max(1, Math.ceil(strips.length / PER_PAGE)) }, (_, i) =>
    strips.slice(i * PER_PAGE, (i + 1) * PER_PAGE),
  );
  return {
    ...A5,
    title: `Depth gauge: ${title}`,
    content: [
      ...pages.flatMap((page, i) => [
        {
          ...(i > 0 ? { pageBreak: 'before' as const } : {}),
          text: `Depth gauge: ${title}`,
          bold: true,
          fontSize: 16,
        },
        {
          text: 'Cut a strip out along its edge. Stand its foot on the line inside the spool and read it at the lip: what stands there is the depth. At a mark, that layer is on.',
          margin: [0, 2, 0, 6] as [number, number, number, number],
        },
        trueToScale(pageOf(title, page, say, units), width),
      ]),
    ],
  };
}

const lengthOf = ({ marks }: Strip): number =>
  Math.min(MOST, Math.max(LEAST, Math.ceil(Math.max(0, ...marks.map(({ depth }) => depth)) + PAST)));

function pageOf(title: string, strips: readonly Strip[], say: Say, units: UnitSystem): string {
  const foot = 1 + HANDLE + Math.max(LEAST, ...strips.map(lengthOf));
  const height = foot + BELOW;
  return drawing(
    { width: A5.widthMm - 2 * A5.marginMm, height, title: `Depth gauge: ${title}` },
    ...strips.map((strip, k) => oneStrip(strip, { x: 0.2 + k * CELL, foot }, say, units)),
    checkBar(0.2, height - 10, units),
  );
}

type Strip = GaugeFacts['strips'][number];

function oneStrip(
  strip: Strip,
  { x, foot }: { readonly x: number; readonly foot: number },
  say: Say,
  units: UnitSystem,
): string {
  const { tag, name } = strip;
  const length = lengthOf(strip);
  const yOf = (depth: number): number => foot - depth;
  let above = Infinity;
  const marks = [...strip.marks]
    .sort((a, b) => a.depth - b.depth)
    .map(({ kind, depth }) => {
      // Words of marks close together keep apart: each above the one before.
      above = Math.min(yOf(depth) + 1, above - LABEL);
      return mark(x, yOf(depth), above, kind, say.small(depth));
    });
  return [
    words({ x, y: foot + 4.5, 'font-size': 3.4, 'font-weight': 700, fill: INK }, tag),
    words({ x, y: foot + 8, 'font-size': 2.6, fill: INK }, name.slice(0, 24)),
    element('rect', {
      x,
      y: yOf(length) - HANDLE,
      width: STRIP,
      height: length + HANDLE,
      fill: 'none',
      stroke: INK,
      'stroke-width': 0.25,
    }),
    ...ticks(length, units).map(({ depth, long, text }) =>
      [
        element('rect', { x, y: yOf(depth) - 0.06, width: long, height: 0.12, fill: INK }),
        text &&
          words(
            { x: x + STRIP - 0.6, y: yOf(depth) + 0.9, 'font-size': 2.6, fill: INK, 'text-anchor': 'end' },
            text,
          ),
      ].join(''),
    ),
    ...marks,
  ].join('');
}

interface Tick {
  readonly depth: number;
  readonly long: number;
  readonly text: string;
}

/** How a strip is divided, mm: its steps, and every how many of them are longer, and longest with their figure. */
const DIVIDED: Readonly<Record<UnitSystem, { step: number; middle: number; major: number }>> = {
  metric: { step: 0.5, middle: 2, major: 10 },
  imperial: { step: MM_PER_INCH / 32, middle: 4, major: 8 },
  thousandths: { step: MM_PER_INCH / 50, middle: 5, major: 10 },
};

/** A figure on a strip, which has no room for more of it than it needs. */
const figureAt = (depth: number, units: UnitSystem): string =>
  units === 'thousandths'
    ? (depth / MM_PER_INCH).toFixed(1)
    : formatQuantity(depth, 'small-length', units, units === 'metric' ? 0 : undefined).number;

/** Half millimetres, thirty-seconds or fiftieths of an inch, with a figure every so many. */
function ticks(length: number, units: UnitSystem): Tick[] {
  const { step, middle, major } = DIVIDED[units];
  return Array.from({ length: Math.floor(length / step + 1e-9) }, (_, i) => i + 1).map((i) => ({
    depth: i * step,
    long: i % major === 0 ? 4.5 : i % middle === 0 ? 3 : 1.6,
    text: i % major === 0 ? figureAt(i * step, units) : '',
  }));
}

/** A mark at its depth: a full tip to stop at, an open one to join at, with its words beside the strip. */
function mark(x: number, y: number, labelY: number, kind: 'stop' | 'join', depth: string): string {
  const colour = kind === 'stop' ? STOP : JOIN;
  const tip = `M${String(x + STRIP + 3)} ${String(y - 1.4)}l-3 1.4l3 1.4Z`;
  return [
    element('rect', { x, y: y - 0.09, width: STRIP, height: 0.18, fill: colour }),
    element('path', {
      d: tip,
      fill: kind === 'stop' ? colour : PALETTE.card,
      stroke: colour,
      'stroke-width': 0.3,
    }),
    words(
      { x: x + STRIP + 3.6, y: labelY, 'font-size': 2.7, 'font-weight': 700, fill: colour },
      `${kind} ${depth}`,
    ),
  ].join('');
}

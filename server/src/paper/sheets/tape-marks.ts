import { TABLE_SHARES, type CounterUnit } from '@yard-spool/core';
import type { TapeFacts } from '../facts';
import { A4, trueToScale, type Sheet } from '../sheet';
import { INK, MUTE } from '../svg/colours';
import { drawing, element, words } from '../svg/element';

/** A flag: its two halves meet round the tape, mm. */
const FLAG = { width: 60, height: 17, gap: 3 } as const;
const ACROSS = 2;
/** Where a counter is matched by most (common practice, no source), in each unit. */
const USUAL: Readonly<Record<CounterUnit, number>> = { m: 30, ft: 100, yd: 30 };

interface Flag {
  readonly big: string;
  readonly small: string;
  readonly more?: string;
}

/** Flags to fold round a tape laid out for a counter walk; for one reel they say what its counter shows there. */
export function tapeMarks({ tag, reel, counter, unit }: TapeFacts): Sheet {
  const flags = [
    { big: '0', small: 'rod tip, counter to zero' },
    ...(counter ? ofReel(counter, tag) : usual(unit)),
  ];
  const title = tag === '' ? `Tape marks, ${unit}` : `Tape marks for ${tag}`;
  const rows = Math.ceil(flags.length / ACROSS);
  const width = ACROSS * (FLAG.width + FLAG.gap) + 0.4;
  return {
    ...A4,
    title,
    content: [
      { text: title, bold: true, fontSize: 18 },
      {
        text: [
          ...(reel === '' ? [] : [`${reel}. `]),
          'Cut the flags apart, fold each along its dotted line round the tape at the length it says, and tape it shut. ',
          'Walk out with the rod tip along the tape and read the counter at each flag.',
        ],
        margin: [0, 2, 0, 10],
      },
      trueToScale(
        drawing(
          { width, height: rows * (FLAG.height + FLAG.gap) + 0.4, title },
          ...flags.map((flag, i) =>
            oneFlag(
              flag,
              0.2 + (i % ACROSS) * (FLAG.width + FLAG.gap),
              0.2 + Math.floor(i / ACROSS) * (FLAG.height + FLAG.gap),
            ),
          ),
        ),
        width,
      ),
    ],
  };
}

const shown = (value: number): string => String(Math.round(value * 10) / 10);

const ofReel = ({ unit, match, rows }: NonNullable<TapeFacts['counter']>, tag: string): Flag[] =>
  rows.map(({ length, reading }) => ({
    big: `${shown(length)} ${unit}`,
    small: `${tag} shows ${reading.value.toFixed(0)}`,
    more: Math.abs(length - match) < 1e-6 ? 'matched here' : '',
  }));

const usual = (unit: CounterUnit): Flag[] =>
  TABLE_SHARES.map((share) => ({
    big: `${shown(share * USUAL[unit])} ${unit}`,
    small: 'counter shows ______',
  }));

function oneFlag({ big, small, more = '' }: Flag, x: number, y: number): string {
  const half = FLAG.width / 2;
  const side = (from: number): string =>
    words({ x: from + 3, y: y + 8.5, 'font-size': 7, 'font-weight': 700, fill: INK }, big) +
    words({ x: from + 3, y: y + 12.4, 'font-size': 2.4, fill: MUTE }, small) +
    words({ x: from + 3, y: y + 15.4, 'font-size': 2.4, fill: MUTE }, more);
  return [
    element('rect', {
      x,
      y,
      width: FLAG.width,
      height: FLAG.height,
      fill: 'none',
      stroke: INK,
      'stroke-width': 0.25,
    }),
    element('line', {
      x1: x + half,
      x2: x + half,
      y1: y,
      y2: y + FLAG.height,
      stroke: INK,
      'stroke-width': 0.2,
      'stroke-dasharray': '1 1',
    }),
    side(x),
    side(x + half),
  ].join('');
}

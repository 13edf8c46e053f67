import { soakUptake } from '../index';
import { WORKED_READINGS } from './examples';
import { backingFrom } from './model-figures';
import type { GapError } from './shop-visits';

const INK = '#2b2f33';
const SOFT = '#9aa3ab';
const ROPE = '#b5652b';
const WATER = '#3d7f8f';
const WIDTH = 640;
const HEIGHT = 260;
const BOX = { left: 56, right: 620, top: 34, bottom: 212 };

interface Axis {
  readonly label: string;
  readonly ticks: readonly number[];
  readonly max: number;
}

const up = (value: number, { max }: Axis): number => BOX.bottom - (value / max) * (BOX.bottom - BOX.top);
const text = (x: number, y: number, what: string, anchor = 'middle'): string =>
  `<text x="${x.toFixed(1)}" y="${y.toFixed(1)}" text-anchor="${anchor}">${what}</text>`;

/** A chart's frame: title, rules across at each tick, and what is drawn inside. */
const frame = (title: string, axis: Axis, inside: readonly string[]): string =>
  [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${HEIGHT}" font-family="sans-serif" font-size="12" fill="${INK}" role="img">`,
    `<title>${title}</title>`,
    `<rect width="${WIDTH}" height="${HEIGHT}" fill="#fff"/>`,
    text(BOX.left, 18, axis.label, 'start'),
    ...axis.ticks.map(
      (tick) =>
        `<path d="M${BOX.left} ${up(tick, axis).toFixed(1)}H${BOX.right}" stroke="${SOFT}" stroke-width=".5"/>` +
        text(BOX.left - 8, up(tick, axis) + 4, String(tick), 'end'),
    ),
    ...inside,
    '</svg>',
    '',
  ].join('\n');

const bar = (x: number, width: number, top: number, colour: string): string =>
  `<rect x="${x.toFixed(1)}" y="${top.toFixed(1)}" width="${width}" height="${(BOX.bottom - top).toFixed(1)}" fill="${colour}"/>`;

/** Error of the end gap by visit and depths read: medians in front of 90th percentiles. */
export function visitsChart(visits: readonly GapError[]): string {
  const axis: Axis = { label: 'mm from the gap asked for', ticks: [0, 0.5, 1, 1.5], max: 1.6 };
  const across = (BOX.right - BOX.left) / visits.length;
  const inside = visits.flatMap(({ depthsRead, visit, median, ninetieth }, i) => {
    const x = BOX.left + across * i + 12;
    return [
      bar(x, 36, up(ninetieth, axis), SOFT),
      bar(x, 36, up(median, axis), ROPE),
      text(x + 18, BOX.bottom + 16, `visit ${visit}`),
      visit === 2 ? text(x + 18, BOX.bottom + 36, `${depthsRead} depths read`) : '',
    ];
  });
  return frame('Error of the end gap: median, and nine in ten behind it', axis, inside);
}

/** Water taken up by one strand over a day, with the range the diffusivity leaves for the thickest. */
export function soakChart(): string {
  const axis: Axis = { label: 'share of the water it can hold', ticks: [0, 0.25, 0.5, 0.75, 1], max: 1 };
  const hours = Array.from({ length: 49 }, (_, i) => i / 2);
  const x = (hour: number): number => BOX.left + ((BOX.right - BOX.left) * hour) / 24;
  const point = (hour: number, share: number): string =>
    `${x(hour).toFixed(1)} ${up(share, axis).toFixed(1)}`;
  const of = (diameter: number, part: 'share' | 'low' | 'high'): string[] =>
    hours.map((hour) => point(hour, soakUptake(diameter, hour)![part]));
  const band = [...of(0.6, 'low'), ...of(0.6, 'high').reverse()];
  return frame('Water in nylon by hours in the tub', axis, [
    `<path d="M${band.join('L')}Z" fill="${WATER}" opacity=".18"/>`,
    ...[0.2, 0.4, 0.6].flatMap((diameter) => [
      `<path d="M${of(diameter, 'share').join('L')}" fill="none" stroke="${WATER}" stroke-width="1.6"/>`,
      text(x(5), up(soakUptake(diameter, 5)!.share, axis) - 6, `${diameter.toFixed(1)} mm`, 'end'),
    ]),
    ...[0, 6, 12, 18, 24].map((hour) => text(x(hour), BOX.bottom + 16, `${hour} h`)),
  ]);
}

/** How each reading narrows the backing of the worked plan: 10th to 90th percentile. */
export function readingsChart(): string {
  const axis: Axis = { label: 'm of backing', ticks: [0, 40, 80, 120], max: 130 };
  const names = ['one rating', '+ second', '+ lip', '+ width', '+ arbor'];
  return frame(
    'The worked plan’s backing as more becomes known',
    axis,
    names.flatMap((name, i) => {
      const { length } = backingFrom(WORKED_READINGS.slice(0, i + 1));
      const x = BOX.left + 56 + i * 112;
      return [
        `<path d="M${x} ${up(length.low, axis).toFixed(1)}V${up(length.high, axis).toFixed(1)}" stroke="${ROPE}" stroke-width="10" opacity=".45"/>`,
        `<circle cx="${x}" cy="${up(length.value, axis).toFixed(1)}" r="4" fill="${ROPE}"/>`,
        text(x, BOX.bottom + 16, name),
        text(x + 12, up(length.value, axis) + 4, length.value.toFixed(0), 'start'),
      ];
    }),
  );
}

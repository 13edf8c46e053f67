import type { Content } from 'pdfmake/interfaces';
import type { CounterRows } from '../facts';
import { table } from './table';

const shown = (value: number): string => String(Math.round(value * 10) / 10);

/** What a counter shows at true lengths, side by side; past the join in brackets. */
export function counterTableOf({ unit, match, rows }: CounterRows): Content {
  const isMatch = (length: number): boolean => Math.abs(length - match) < 1e-6;
  return table(
    [62, ...rows.map(() => '*')],
    [`True, ${unit}`, ...rows.map(({ length }) => shown(length))],
    [
      [
        { text: 'Counter', bold: true, fontSize: 9 },
        ...rows.map(({ length, reading, pastJoin }) => ({
          text: pastJoin ? `(${reading.value.toFixed(0)})` : reading.value.toFixed(0),
          bold: isMatch(length),
        })),
      ],
    ],
  );
}

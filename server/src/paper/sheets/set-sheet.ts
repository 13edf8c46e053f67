import { metresPer, setTable, type CounterUnit } from '@yard-spool/core';
import type { Content } from 'pdfmake/interfaces';
import type { SetFacts } from '../facts';
import { A4, type Sheet } from '../sheet';
import type { House, Say } from '../say';
import { table } from './table';

/** Reels side by side on one page. */
const BESIDE = 8;
/** True lengths of the sheet, as shares of the farthest match. */
const SHARES = [0.25, 0.5, 0.75, 1, 1.25, 1.5, 2, 2.5];

/** What the counters of a boat's reels show at true lengths, side by side, to hang in the wheelhouse. */
export function setSheet({ customer, counters }: SetFacts, say: Say, { shop }: House): Sheet {
  const groups = Array.from({ length: Math.ceil(counters.length / BESIDE) }, (_, i) =>
    counters.slice(i * BESIDE, (i + 1) * BESIDE),
  );
  const title = `Counters of ${customer}`;
  return {
    ...A4,
    widthMm: A4.heightMm,
    heightMm: A4.widthMm,
    title,
    content: [
      ...(counters.length === 0 ? [{ text: `No counter of ${customer} was matched here yet.` }] : []),
      ...groups.flatMap((group, i) => page(customer, group, i, say)),
      ...(shop === '' ? [] : [{ text: shop, margin: [0, 8, 0, 0] } satisfies Content]),
    ],
  };
}

function page(customer: string, counters: SetFacts['counters'], i: number, say: Say): Content[] {
  const unit: CounterUnit = counters[0]?.counter.unit ?? 'm';
  const match = Math.max(...counters.map(({ counter }) => counter.match));
  const reels = counters.map(({ tag, counter }) => ({ name: tag, unit: counter.unit, counter }));
  const rows = setTable(
    reels,
    SHARES.map((share) => share * match),
  );
  return [
    {
      ...(i > 0 ? { pageBreak: 'before' as const } : {}),
      text: `Counters of ${customer}`,
      bold: true,
      fontSize: 22,
    },
    {
      text: 'At the true length in the first column, each reel’s counter shows what stands below its tag.',
      margin: [0, 2, 0, 8],
    },
    table(
      [96, ...counters.map(() => '*')],
      [`True length, ${unit}`, ...counters.map(({ tag, counter }) => `${tag} (${counter.unit})`)],
      rows.map(({ length, readings }) => [
        { text: String(Math.round((length / metresPer(unit)) * 10) / 10), bold: true, fontSize: 13 },
        ...readings.map((reading) => ({ text: reading.toFixed(0), fontSize: 13 })),
      ]),
    ),
    ...counters.map(({ tag, label, filledAt, counter }): Content => ({
      margin: [0, 6, 0, 0],
      text: [
        { text: tag, bold: true },
        ` ${label}, filled ${say.day(filledAt)}, ${counter.agrees ? 'agrees with the tape' : 'does not agree: go by the table'}.`,
      ],
    })),
    { text: 'After a break-off, or with other line on, ask for a new sheet.', margin: [0, 8, 0, 0] },
  ];
}

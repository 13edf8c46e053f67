import { rowInWords } from '@yard-spool/core';
import type { OrderFacts } from '../facts';
import { A4, type Sheet } from '../sheet';
import type { Say } from '../say';
import { box, table } from './table';

/** What is done at each bench, and elsewhere, in order of time: for whoever stands there. */
export function runningOrder({ title, places }: OrderFacts, say: Say): Sheet {
  return {
    ...A4,
    title: `Running order: ${title}`,
    content: [
      { text: `Running order: ${title}`, bold: true, fontSize: 18, margin: [0, 0, 0, 6] },
      ...(places.length === 0 ? [{ text: 'Nothing is to be done.' }] : []),
      ...places.map(({ name, rows }) => ({
        margin: [0, 4, 0, 10] as [number, number, number, number],
        stack: [
          { text: name, bold: true, fontSize: 13, margin: [0, 0, 0, 2] as [number, number, number, number] },
          table(
            [12, 34, '*', 70, 54],
            ['', 'At', 'What', 'By', 'Takes'],
            rows.map(({ row, at, takes, by }) => {
              const { what, more } = rowInWords(row, say.length);
              return [
                box(),
                { text: at === null ? 'now' : say.time(at), bold: true },
                {
                  stack: [
                    { text: what, bold: true },
                    { text: more, fontSize: 9 },
                  ],
                },
                by,
                takes,
              ];
            }),
          ),
        ],
      })),
    ],
  };
}

import type { OrderListFacts } from '../facts';
import { A4, type Sheet } from '../sheet';
import type { Say } from '../say';
import { box, table } from './table';

/** What a supplier is asked for, with what it should cost. */
export function orderList({ title, money, rows }: OrderListFacts, say: Say): Sheet {
  const price = (amount: number): string => `${money} ${amount.toFixed(2)}`.trim();
  const all = rows.reduce((sum, { total }) => sum + total, 0);
  const right = (text: string, bold = false) => ({ text, bold, alignment: 'right' as const });
  return {
    ...A4,
    title: `Order: ${title}`,
    content: [
      { text: `Order: ${title}`, bold: true, fontSize: 18, margin: [0, 0, 0, 6] },
      ...(rows.length === 0
        ? [{ text: 'Nothing needs to be ordered.' }]
        : [
            table(
              [12, 70, '*', 60, 40, 60, 60],
              ['', 'Code', 'Line', 'Pack', 'Count', 'Price of one', 'Price'],
              rows.map((row) => [
                box(),
                row.code,
                { text: row.name, bold: true },
                right(say.length(row.packMetres)),
                right(String(row.count), true),
                right(price(row.price)),
                right(price(row.total)),
              ]),
            ),
            {
              text: `In all ${price(all)}`,
              bold: true,
              alignment: 'right' as const,
              margin: [0, 8, 6, 0] as [number, number, number, number],
            },
            {
              text: 'Prices are those paid last. They may be different now.',
              fontSize: 9,
              margin: [0, 8, 0, 0] as [number, number, number, number],
            },
          ]),
    ],
  };
}

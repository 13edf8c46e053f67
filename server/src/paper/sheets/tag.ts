import { LABELS } from '@yard-spool/contract';
import type { TagFacts } from '../facts';
import { PT, type Sheet } from '../sheet';
import type { Say } from '../say';

const MARGIN = 2;
/** Widest letters of a code in bold, ems: it never breaks. */
const EM = 0.72;

/**
 * A reel's tag: its code for a scanner and for people, whose it is, and what lies on it.
 *
 * @param letters each line of words keeps at most, so that all of them fit on the label
 */
export function tagSheet({ tag, reel, customer, on, label }: TagFacts, say: Say, letters: number): Sheet {
  const { widthMm, heightMm } = LABELS[label];
  const side = Math.min(heightMm - 2 * MARGIN, widthMm * 0.4) * PT;
  const room = (widthMm - 3 * MARGIN) * PT - side;
  const small = label === 'small' ? 6 : label === 'middle' ? 8 : 10;
  const main = on?.lines.at(-1);
  const lines = [
    reel,
    customer,
    ...(on && main ? [`${say.length(main.lengthMm / 1000)} ${main.name}`, say.day(on.filledAt)] : []),
  ];
  return {
    title: `Tag ${tag}`,
    widthMm,
    heightMm,
    marginMm: MARGIN,
    fontSize: small,
    content: [
      {
        columnGap: MARGIN * PT,
        columns: [
          { width: side, qr: tag, fit: side, eccLevel: 'M' },
          {
            width: '*',
            lineHeight: 0.95,
            stack: [
              {
                text: tag,
                bold: true,
                fontSize: Math.min(small * 2.4, room / (tag.length * EM)),
                noWrap: true,
              },
              ...lines.map((text, i) => ({ text: shortened(text, letters), bold: i === 0 })),
            ],
          },
        ],
      },
    ],
  };
}

const shortened = (text: string, letters: number): string => {
  const all = Array.from(new Intl.Segmenter('en').segment(text), ({ segment }) => segment);
  return all.length <= letters ? text : `${all.slice(0, letters - 1).join('')}…`;
};

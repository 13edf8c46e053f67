import type { Content } from 'pdfmake/interfaces';
import type { CutsFacts, PlacedCut } from '../facts';
import { A4, type Sheet } from '../sheet';
import type { Say } from '../say';
import { box, table } from './table';

interface Fetched {
  readonly cut: PlacedCut;
  readonly metres: number;
  readonly tags: readonly string[];
}

/** The pieces to fetch before the bench is begun: by where they lie, each once. */
export function setOutList({ title, reels }: CutsFacts, say: Say): Sheet {
  const cuts = reels.flatMap(({ tag, layers }) =>
    layers.flatMap((one) => [one.cut, one.joined].flatMap((cut) => (cut ? [{ tag, cut }] : []))),
  );
  const fetched = cuts
    .filter(({ cut }) => cut.pieceCode !== null)
    .reduce((all, { tag, cut }) => {
      const before = all.get(cut.pieceCode ?? '');
      const metres = (before?.metres ?? 0) + (cut.lengthMm + cut.tailMm) / 1000;
      return all.set(cut.pieceCode ?? '', {
        cut,
        metres,
        tags: [...new Set([...(before?.tags ?? []), tag])],
      });
    }, new Map<string, Fetched>());
  const byPlace = [...fetched.values()].sort(
    (a, b) =>
      a.cut.place.localeCompare(b.cut.place) || (a.cut.pieceCode ?? '').localeCompare(b.cut.pieceCode ?? ''),
  );
  const coming = cuts.filter(({ cut }) => cut.pieceCode === null);
  return {
    ...A4,
    title: `To set out: ${title}`,
    content: [
      { text: `To set out: ${title}`, bold: true, fontSize: 18, margin: [0, 0, 0, 6] },
      byPlace.length === 0
        ? { text: 'Nothing is to be fetched.' }
        : table(
            [12, 76, 80, '*', 66, 100],
            ['', 'Place', 'Piece', 'Line', 'Taken of it', 'For'],
            byPlace.map(({ cut, metres, tags }) => [
              box(),
              cut.place || 'not said',
              { text: cut.pieceCode ?? '', bold: true },
              `${cut.productName}${cut.own ? ', the customer’s own' : ''}${cut.water === 'dry' ? '' : ` (${cut.water})`}`,
              say.length(metres),
              tags.join(', '),
            ]),
          ),
      ...coming.map(({ tag, cut }): Content => ({
        text: `Yet to come: ${say.length(cut.lengthMm / 1000)} ${cut.productName}, for ${tag}.`,
        margin: [0, 6, 0, 0],
      })),
    ],
  };
}

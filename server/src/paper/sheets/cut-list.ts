import type { TableCell } from 'pdfmake/interfaces';
import type { CutsFacts, PlacedCut } from '../facts';
import { A4, type Sheet } from '../sheet';
import type { Say } from '../say';
import { box, table } from './table';

type Reel = CutsFacts['reels'][number];

/** What is wound on at the bench, reel by reel, from the arbor out. */
export function cutList({ title, reels }: CutsFacts, say: Say): Sheet {
  return {
    ...A4,
    title: `Cut list: ${title}`,
    content: [
      { text: `Cut list: ${title}`, bold: true, fontSize: 18, margin: [0, 0, 0, 6] },
      ...(reels.length === 0 ? [{ text: 'Nothing waits to be filled.' }] : []),
      ...reels.map((reel) => ({
        margin: [0, 4, 0, 8] as [number, number, number, number],
        stack: [
          {
            text: [
              { text: reel.tag, bold: true, fontSize: 13 },
              `   ${reel.reel}${reel.spool === 'own' ? '' : `, ${reel.spool} spool`}`,
              `   bag ${String(reel.bag)}, ${reel.customer}, for ${say.moment(reel.promisedAt)}`,
            ],
          },
          table(
            [12, 62, '*', 74, 62, 58, 84],
            ['', 'Layer', 'Line', 'Piece', 'Length', 'Handle turns', 'Then at'],
            reel.layers.map((layer, i) => rowOf(reel, layer, i, say)),
          ),
        ],
      })),
    ],
  };
}

function rowOf({ gap, layers }: Reel, layer: Reel['layers'][number], i: number, say: Say): TableCell[] {
  const { cut, joined, role, metres, handleTurns, joinDepth } = layer;
  const last = i === layers.length - 1;
  const then = last
    ? `${say.small(gap)} gap, stop`
    : joinDepth === null
      ? ''
      : `${say.small(joinDepth)} deep, join`;
  return [
    box(),
    role,
    cut?.productName ?? '',
    cut ? pieceWords(cut, joined, say) : '',
    { text: say.length(metres), bold: true },
    handleTurns.toFixed(0),
    then,
  ];
}

function pieceWords({ pieceCode, lengthMm }: PlacedCut, joined: PlacedCut | null, say: Say): string {
  const code = pieceCode ?? 'not in stock yet';
  return joined ? `${say.length(lengthMm / 1000)} ${code}, then ${joined.pieceCode ?? ''}` : code;
}

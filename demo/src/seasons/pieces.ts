import type { LineCode } from '../lines';
import type { Dice } from './dice';
import { FULL_RACK } from './rack';

/** Metres a bulk spool of the seasons came with, and how long before its first cut it came. */
const BULK_MM = 3_000_000;
const CAME_BEFORE_MS = 6 * 86_400_000;

interface Drawn {
  readonly lengthMm: number;
  readonly tailMm: number;
  readonly runId: number;
  readonly at: Date;
  readonly byId: number;
  readonly why: string;
}

interface SeasonPiece {
  readonly id: number;
  readonly code: string;
  readonly line: LineCode;
  readonly productId: number;
  readonly came: Date;
  left: number;
  readonly drawn: Drawn[];
}

/** The pieces of the seasons: a line's next one is begun when the last is too short, and what is left of it is a remnant. */
export class Pieces {
  private readonly all: SeasonPiece[] = [];

  constructor(
    private readonly products: ReadonlyMap<string, number>,
    private readonly dice: Dice,
  ) {}

  /** Draws a length off the piece of its line that is begun, with the tail it loses. */
  draw(line: LineCode, drawn: Drawn): { readonly id: number; readonly productId: number } {
    const takes = drawn.lengthMm + drawn.tailMm;
    const begun = this.all.findLast((piece) => piece.line === line);
    const piece = begun && begun.left >= takes ? begun : this.begin(line, drawn.at);
    piece.left -= takes;
    piece.drawn.push(drawn);
    return piece;
  }

  private begin(line: LineCode, at: Date): SeasonPiece {
    const id = this.all.length + 1;
    const piece = {
      id,
      line,
      productId: this.products.get(line) ?? 0,
      left: BULK_MM,
      drawn: [],
      code: `${line.slice(0, 1)}-${String(500 + id)}`,
      came: new Date(at.getTime() - CAME_BEFORE_MS),
    };
    this.all.push(piece);
    return piece;
  }

  /** What is short is let go; some of the rest lies in a drawer. */
  rows() {
    return this.all.map((piece) => {
      const gone = piece.left < 25_000;
      const last = this.all.findLast(({ line }) => line === piece.line) === piece;
      const place = last
        ? this.dice.of(['Wall A', 'Wall B', 'Wall C'])
        : this.dice.of(['Drawer 1', 'Drawer 3']);
      return {
        id: piece.id,
        code: piece.code,
        productId: piece.productId,
        receivedMm: BULK_MM,
        kind: last ? ('bulk' as const) : ('remnant' as const),
        place: gone ? '' : place,
        opened: true,
        lengthMm: gone ? 0 : piece.left,
        lot: `L${String(300 + piece.id)}-${String(piece.id % 9)}`,
        writtenOff: gone,
        wound: 'rolled' as const,
        leaves: 'clockwise' as const,
        priceMinor: last ? priceOf(piece.line) : null,
      };
    });
  }

  moves(receivedBy: number) {
    return this.all.flatMap(({ id, came, left, drawn }) => {
      const end = drawn.at(-1)?.at ?? came;
      return [
        {
          pieceId: id,
          kind: 'received' as const,
          lengthMm: BULK_MM,
          why: '',
          at: came,
          byId: receivedBy,
          runId: null,
        },
        ...drawn.flatMap(({ lengthMm, tailMm, runId, at, byId, why }) => [
          { pieceId: id, kind: 'filled' as const, lengthMm: -lengthMm, why, at, byId, runId },
          { pieceId: id, kind: 'tail' as const, lengthMm: -tailMm, why, at, byId, runId },
        ]),
        ...(left < 25_000 && left > 0
          ? [
              {
                pieceId: id,
                kind: 'written-off' as const,
                lengthMm: -left,
                why: 'too short to use',
                at: end,
                byId: receivedBy,
                runId: null,
              },
            ]
          : []),
      ];
    });
  }
}

/** What a bulk spool of a line came for: a little less a metre than the one the shop has of it now. */
function priceOf(line: LineCode): number | null {
  const now = FULL_RACK.find(([, code, , kind]) => code === line && kind === 'bulk');
  const [, , metres, , , price] = now ?? [];
  return metres === undefined || typeof price !== 'number'
    ? null
    : Math.round((100 * CHEAPER * price * BULK_MM) / (1000 * metres));
}
const CHEAPER = 0.94;

import type { Piece } from '@yard-spool/contract';
import type { Reading } from '../context/context';

/** How long line counts as wet after it came out of the water, hours. From memory, no source. */
export const DRIES_IN = 24;
const HOUR = 3_600_000;

type Water = Pick<Piece, 'soaking' | 'wetUntil'>;

interface Soak {
  readonly id: number;
  readonly pieceId: number;
  readonly tub: string | null;
  readonly inAt: Date;
  readonly readyAt: Date;
  readonly tooLongAt: Date;
  readonly outAt: Date | null;
}

/** The water each piece is in, or came out of and is not dry from. */
export async function waterByPiece({ query, clock }: Reading): Promise<Map<number, Water>> {
  const since = new Date(clock().getTime() - DRIES_IN * HOUR);
  const soaks = await query<Soak>(
    `SELECT soaks.id, soaks.piece_id AS pieceId, tubs.name AS tub, soaks.in_at AS inAt, soaks.ready_at AS readyAt,
       soaks.too_long_at AS tooLongAt, soaks.out_at AS outAt
     FROM soaks LEFT JOIN tubs ON tubs.id = soaks.tub_id
     WHERE soaks.out_at IS NULL OR soaks.out_at > :since ORDER BY soaks.id`,
    { since },
  );
  return new Map(
    soaks.map(({ id, pieceId, tub, inAt, readyAt, tooLongAt, outAt }): [number, Water] => [
      pieceId,
      outAt
        ? { soaking: null, wetUntil: new Date(outAt.getTime() + DRIES_IN * HOUR).toISOString() }
        : {
            soaking: {
              id,
              tub: tub ?? '',
              inAt: inAt.toISOString(),
              readyAt: readyAt.toISOString(),
              tooLongAt: tooLongAt.toISOString(),
            },
            wetUntil: null,
          },
    ]),
  );
}

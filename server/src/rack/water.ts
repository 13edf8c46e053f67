import type { Piece } from '@yard-spool/contract';
import { Op } from 'sequelize';
import type { Reading } from '../context/context';

/** How long line counts as wet after it came out of the water, hours. From memory, no source. */
const DRIES_IN = 24;
const HOUR = 3_600_000;

type Water = Pick<Piece, 'soaking' | 'wetUntil'>;

/** The water each piece is in, or came out of and is not dry from. */
export async function waterByPiece({ tables, clock }: Reading): Promise<Map<number, Water>> {
  const since = new Date(clock().getTime() - DRIES_IN * HOUR);
  const soaks = await tables.soaks.findAll({
    where: { [Op.or]: [{ outAt: null }, { outAt: { [Op.gt]: since } }] },
    order: ['id'],
  });
  if (soaks.length === 0) return new Map();
  const tubs = new Map((await tables.tubs.findAll()).map(({ id, name }) => [id, name]));
  return new Map(
    soaks.map(({ id, pieceId, tubId, inAt, readyAt, tooLongAt, outAt }): [number, Water] => [
      pieceId,
      outAt
        ? { soaking: null, wetUntil: new Date(outAt.getTime() + DRIES_IN * HOUR).toISOString() }
        : {
            soaking: {
              id,
              tub: tubs.get(tubId) ?? '',
              inAt: inAt.toISOString(),
              readyAt: readyAt.toISOString(),
              tooLongAt: tooLongAt.toISOString(),
            },
            wetUntil: null,
          },
    ]),
  );
}

import type { Drawing } from '@yard-spool/contract';
import type { Reading } from '../context';
import { drawingOfFill } from './drawings';
import { layersOfFills, pieceKinds } from './on-spool';

/** What lay on the spools of some fills, as it is drawn small, by fill. */
export async function drawingsOfFills(from: Reading, ids: readonly number[]): Promise<Map<number, Drawing>> {
  if (ids.length === 0) return new Map();
  const [fills, layers] = await Promise.all([
    from.tables.fills.findAll({ where: { id: [...ids] }, attributes: ['id', 'spool'] }),
    layersOfFills(from, ids),
  ]);
  const kinds = await pieceKinds(from, layers);
  return new Map(
    fills.map(({ id, spool }) => [
      id,
      drawingOfFill(
        spool,
        layers.filter(({ fillId }) => fillId === id),
        kinds,
      ),
    ]),
  );
}

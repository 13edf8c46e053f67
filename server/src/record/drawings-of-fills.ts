import type { Drawing } from '@yard-spool/contract';
import type { Reading } from '../context/context';
import { drawingOfFill } from './drawings';
import { stillOn } from './lying';
import { layersOfFills, pieceKinds } from './on-spool';

/**
 * What lay on the spools of some fills, as it is drawn small, by fill.
 *
 * @param when as it was filled, or without what is gone since where it lies there still
 */
export async function drawingsOfFills(
  from: Reading,
  ids: readonly number[],
  when: 'then' | 'now' = 'now',
): Promise<Map<number, Drawing>> {
  if (ids.length === 0) return new Map();
  const [fills, layers, spools] = await Promise.all([
    from.tables.fills.findAll({ where: { id: [...ids] }, attributes: ['id', 'spool'] }),
    layersOfFills(from, ids),
    when === 'now' ? from.tables.spools.findAll({ where: { fillId: [...ids] } }) : [],
  ]);
  const off = new Map(spools.map(({ fillId, offMm }) => [fillId, offMm]));
  const kinds = await pieceKinds(from, layers);
  return new Map(
    fills.map(({ id, spool }) => [
      id,
      drawingOfFill(
        spool,
        stillOn(
          layers.filter(({ fillId }) => fillId === id),
          off.get(id) ?? 0,
        ),
        kinds,
      ),
    ]),
  );
}

import { message, type Correction } from '@yard-spool/core';
import { ProblemError } from '../problem-error';
import { layerAt, moveBack, type Correcting } from './correcting';
import { stackAgain } from './stack-again';

/** Another length of a layer: its piece gets back or gives the difference, what lies above moves; gives what it was, m. */
export async function correctLength(correcting: Correcting): Promise<Correction['was']> {
  const { u, fill, layers, asked } = correcting;
  const layer = layerAt(correcting);
  const { is } = asked;
  if (typeof is !== 'number' || is < 0 || is > 5000)
    throw new ProblemError(
      'bad-request',
      message('limit.from-m', { what: 'A length', range: { m: [0, 5000] } }),
    );
  const was = layer.lengthMm;
  const lengthMm = Math.round(is * 1000);
  if (layer.pieceId !== null) await moveBack(correcting, layer.pieceId, was - lengthMm);
  const share = was === 0 ? 1 : lengthMm / was;
  for (const { id, ...lies } of stackAgain(fill.spool, layers, { id: layer.id, share })) {
    const row = layers.find((one) => one.id === id);
    if (row) await u.tables.fillLayers.change(row, lies);
  }
  const restsOn = ['corrected' as const];
  await u.tables.fillLayers.change(layer, {
    lengthMm,
    likelyLowMm: lengthMm,
    likelyHighMm: lengthMm,
    restsOn,
  });
  const top = Math.max(...layers.map(({ outerRadius }) => outerRadius));
  await u.tables.fills.change(fill, { gapByCount: fill.spool.lipRadius - top });
  return was / 1000;
}

import type { Fill } from '@yard-spool/contract';
import { withoutTop } from '@yard-spool/core';

/**
 * A fill as it lies there once so many metres are gone off its top: layers shorter or gone, and the gap deeper by as much.
 *
 * @param lost m
 */
export function fillNow(fill: Fill, lost: number): Fill {
  const layers = withoutTop(
    fill.layers.map((layer) => ({ ...layer, length: layer.lengthMm / 1000 })),
    lost,
  ).map(({ length, ...layer }) => ({
    ...layer,
    lengthMm: Math.round(1000 * length),
    handleTurns: layer.lengthMm > 0 ? (layer.handleTurns * 1000 * length) / layer.lengthMm : 0,
  }));
  const then = fill.layers.at(-1)?.outerRadius ?? 0;
  const now = layers.at(-1)?.outerRadius ?? 0;
  const fallen = Math.max(0, then - now);
  return {
    ...fill,
    layers,
    gapRead: fill.gapRead === null ? null : fill.gapRead + fallen,
    gapByCount: fill.gapByCount + fallen,
  };
}

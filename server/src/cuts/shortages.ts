import type { CutsPlan } from '@yard-spool/contract';
import { message, type JobCut, type Words } from '@yard-spool/core';
import type { FoundCuts } from './found-cuts';
import { mayGive, type Ask, type CutLayer, type GatheredCuts } from './gather-cuts';

type Shortage = CutsPlan['shortages'][number];

/** A main is not asked to give up more than this share of it. From memory, no source. */
const MOST_GIVEN = 0.4;

/** What a plan cannot serve, or not in full, and what would cure it. */
export function shortagesOf({ gathered, cuts }: FoundCuts, left: ReadonlyMap<string, number>): Shortage[] {
  const cutOf = new Map(cuts.map((cut) => [cut.job, cut]));
  return gathered.asks.flatMap((ask) => {
    const cut = cutOf.get(ask.job.id);
    return cut ? givenUp(ask, cut) : lacking(ask, gathered, left);
  });
}

function givenUp({ main }: Ask, { main: off }: JobCut): Shortage[] {
  if (!main || off.lengthMm >= main.wantedMm) return [];
  const { jobId, tag } = main.reel.shown;
  const lengths = { given: { m: off.lengthMm / 1000 }, wanted: { m: main.wantedMm / 1000 } };
  return [
    { jobId, layer: main.layer.id, tag, what: message('cuts.gives-up', { tag, ...lengths }), cures: [] },
  ];
}

/** Each layer that no piece has enough for once the others are served. */
function lacking(ask: Ask, gathered: GatheredCuts, left: ReadonlyMap<string, number>): Shortage[] {
  const layers = [ask.main, ask.backing].flatMap((one) => one ?? []);
  const short = layers.filter((one) => longestLeft(one, gathered, left).mm < one.wantedMm);
  return (short.length > 0 ? short : layers.slice(0, 1)).map((layer) => {
    const { jobId, tag } = layer.reel.shown;
    const line = nameOf(layer, gathered);
    const wanted = { m: layer.wantedMm / 1000 };
    return {
      jobId,
      layer: layer.layer.id,
      tag,
      what: message('cuts.lacks', { tag, line, wanted }),
      cures: curesOf(ask, layer, gathered, left),
    };
  });
}

function curesOf(
  ask: Ask,
  layer: CutLayer,
  gathered: GatheredCuts,
  left: ReadonlyMap<string, number>,
): Words[] {
  const { piece, mm } = longestLeft(layer, gathered, left);
  const isShorter = layer === ask.main && mm < layer.wantedMm && mm >= (1 - MOST_GIVEN) * layer.wantedMm;
  const tail = gathered.stock.tailMm;
  return [
    ...(layer.pin === null ? [] : [message('cuts.unpin', { piece: layer.pin })]),
    ...(isShorter && mayGive(ask.main, ask.backing)
      ? [message('cuts.shorter', { piece, free: { m: mm / 1000 } })]
      : []),
    message('cuts.order', {
      line: nameOf(layer, gathered),
      metres: { m: Math.ceil((layer.wantedMm + tail) / 1000) },
    }),
  ];
}

function longestLeft(
  { product, role }: CutLayer,
  { stock }: GatheredCuts,
  left: ReadonlyMap<string, number>,
): { readonly piece: string; readonly mm: number } {
  const [longest] = stock.pieces
    .filter((piece) => piece.product === product && (piece.backingOnly !== true || role === 'backing'))
    .map(({ id }) => ({ piece: id, mm: left.get(id) ?? 0 }))
    .sort((a, b) => b.mm - a.mm);
  return longest ?? { piece: '', mm: 0 };
}

/** What a line is called; by its code where none of it is on the rack. */
const nameOf = ({ product }: CutLayer, { pieces }: GatheredCuts): string =>
  [...pieces.values()].find((piece) => piece.product.code === product)?.product.name ?? product;

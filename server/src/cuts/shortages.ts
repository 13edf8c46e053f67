import type { CutsPlan } from '@yard-spool/contract';
import { message, shareComing, type JobCut, type Words } from '@yard-spool/core';
import type { FoundCuts } from './found-cuts';
import { keyOf, mayGive, type Ask, type CutLayer, type GatheredCuts } from './gather-cuts';

type Shortage = CutsPlan['shortages'][number];

/** A main is not asked to give up more than this share of it. From memory, no source. */
const MOST_GIVEN = 0.4;

/** What a plan cannot serve, or not in full, and what would cure it. */
export function shortagesOf({ gathered, cuts }: FoundCuts, left: ReadonlyMap<string, number>): Shortage[] {
  const cutOf = new Map(cuts.map((cut) => [cut.job, cut]));
  const without = gathered.asks
    .filter(({ job }) => !cutOf.has(job.id))
    .flatMap((ask) => shortLayers(ask, gathered, left).map((layer) => ({ ask, layer })));
  const comes = shareComing(
    without.map(({ layer }) => ({
      id: keyOf(layer),
      product: layer.product,
      lengthMm: layer.wantedMm,
      due: new Date(layer.reel.shown.promisedAt).getTime(),
    })),
    gathered.coming,
    gathered.stock.tailMm,
  );
  return [
    ...without.map(({ ask, layer }) => {
      const pack = gathered.coming.find((one) => one === comes.get(keyOf(layer)));
      return lacking(ask, layer, gathered, { left, pack });
    }),
    ...gathered.asks.flatMap((ask) => {
      const cut = cutOf.get(ask.job.id);
      return cut ? givenUp(ask, cut) : [];
    }),
  ];
}

function givenUp({ main }: Ask, { main: off }: JobCut): Shortage[] {
  if (!main || off.lengthMm >= main.wantedMm) return [];
  const { jobId, tag } = main.reel.shown;
  const lengths = { given: { m: off.lengthMm / 1000 }, wanted: { m: main.wantedMm / 1000 } };
  return [
    {
      jobId,
      layer: main.layer.id,
      tag,
      what: message('cuts.gives-up', { tag, ...lengths }),
      cures: [],
      comesAt: null,
    },
  ];
}

/** Each layer of a reel that no piece has enough for once the others are served. */
function shortLayers(ask: Ask, gathered: GatheredCuts, left: ReadonlyMap<string, number>): CutLayer[] {
  const layers = [ask.main, ask.backing].flatMap((one) => one ?? []);
  const short = layers.filter((one) => longestLeft(one, gathered, left).mm < one.wantedMm);
  return short.length > 0 ? short : layers.slice(0, 1);
}

/** What is left on the rack, and the pack on order that has enough for a layer. */
interface There {
  readonly left: ReadonlyMap<string, number>;
  readonly pack: GatheredCuts['coming'][number] | undefined;
}

function lacking(ask: Ask, layer: CutLayer, gathered: GatheredCuts, there: There): Shortage {
  const { jobId, tag } = layer.reel.shown;
  const line = nameOf(layer, gathered);
  const wanted = { m: layer.wantedMm / 1000 };
  return {
    jobId,
    layer: layer.layer.id,
    tag,
    what: message('cuts.lacks', { tag, line, wanted }),
    cures: curesOf(ask, layer, gathered, there),
    comesAt: there.pack ? new Date(there.pack.readyAt).toISOString() : null,
  };
}

function curesOf(ask: Ask, layer: CutLayer, gathered: GatheredCuts, { left, pack }: There): Words[] {
  const { piece, mm } = longestLeft(layer, gathered, left);
  const isShorter = layer === ask.main && mm < layer.wantedMm && mm >= (1 - MOST_GIVEN) * layer.wantedMm;
  const line = nameOf(layer, gathered);
  const metres = { m: Math.ceil((layer.wantedMm + gathered.stock.tailMm) / 1000) };
  return [
    ...(layer.pin === null ? [] : [message('cuts.unpin', { piece: layer.pin })]),
    ...(isShorter && mayGive(ask.main, ask.backing)
      ? [message('cuts.shorter', { piece, free: { m: mm / 1000 } })]
      : []),
    pack ? onOrder(layer, pack, line) : message('cuts.order', { line, metres }),
  ];
}

function onOrder(
  layer: CutLayer,
  { lengthMm, readyAt, day }: NonNullable<There['pack']>,
  line: string,
): Words {
  const isLate = readyAt > new Date(layer.reel.shown.promisedAt).getTime();
  return message(isLate ? 'cuts.comes-late' : 'cuts.comes', { metres: { m: lengthMm / 1000 }, line, day });
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

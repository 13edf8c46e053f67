import type { CutsPlan } from '@yard-spool/contract';
import { message, shareComing, type ComingPack, type JobCut, type Words } from '@yard-spool/core';
import type { FoundCuts } from './found-cuts';
import {
  keyOf,
  layersIn,
  mayGive,
  type Ask,
  type ComingPiece,
  type CutLayer,
  type GatheredCuts,
} from './gather-cuts';
import { leftOver } from './left-over';
import { offsByLayer } from './moved-cuts';

type Shortage = CutsPlan['shortages'][number];

/** A main is not asked to give up more than this share of it. From memory, no source. */
const MOST_GIVEN = 0.4;

/** A pack on order, and how much of it nobody has. */
interface Pack extends ComingPack {
  readonly orderedMm: number;
  readonly day: string;
}

/** A layer that no piece on the rack has enough for once the others are served, and the pack on order that has. */
interface Without {
  readonly ask: Ask;
  readonly layer: CutLayer;
  readonly pack: Pack | undefined;
}

/** What a plan finds no line for on the rack: what it plans on line that is on order, and what it plans on none. */
export function withoutLine({ gathered, cuts }: FoundCuts): Without[] {
  const left = leftOver(gathered, cuts);
  const packs = new Map(gathered.coming.map((one) => [one.id, packOf(one, left.get(one.id) ?? 0)]));
  const served = new Set(cuts.map(({ job }) => job));
  const short = gathered.asks
    .filter(({ job }) => !served.has(job.id))
    .flatMap((ask) => shortLayers(ask, gathered, left).map((layer) => ({ ask, layer })));
  const comes = shareComing(
    short.map(({ layer }) => ({
      id: keyOf(layer),
      product: layer.product,
      lengthMm: layer.wantedMm,
      due: new Date(layer.reel.shown.promisedAt).getTime(),
    })),
    [...packs.values()],
    gathered.stock.tailMm,
  );
  const planned = offsByLayer({ gathered, cuts });
  const onItsWay = (layer: CutLayer): Pack | undefined =>
    (planned.get(keyOf(layer)) ?? []).map(({ piece }) => packs.get(piece)).find((pack) => pack !== undefined);
  return [
    ...short.map(({ ask, layer }) => ({ ask, layer, pack: comes.get(keyOf(layer)) })),
    ...gathered.asks.flatMap((ask) =>
      layersIn(ask)
        .map((layer) => ({ ask, layer, pack: onItsWay(layer) }))
        .filter(({ pack }) => pack !== undefined),
    ),
  ];
}

const packOf = ({ order: { product, lengthMm }, readyAt, day }: ComingPiece, leftMm: number): Pack => ({
  product: product.code,
  lengthMm: leftMm,
  orderedMm: lengthMm,
  readyAt,
  day,
});

/** What a plan cannot serve, or not in full, and what would cure it. */
export function shortagesOf(found: FoundCuts): Shortage[] {
  const { gathered, cuts } = found;
  const left = leftOver(gathered, cuts);
  const cutOf = new Map(cuts.map((cut) => [cut.job, cut]));
  return [
    ...withoutLine(found).map((without) => lacking(without, gathered, left)),
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
  const layers = layersIn(ask);
  const short = layers.filter((one) => longestLeft(one, gathered, left).mm < one.wantedMm);
  return short.length > 0 ? short : layers.slice(0, 1);
}

function lacking(without: Without, gathered: GatheredCuts, left: ReadonlyMap<string, number>): Shortage {
  const { layer, pack } = without;
  const { jobId, tag } = layer.reel.shown;
  const line = nameOf(layer, gathered);
  const wanted = { m: layer.wantedMm / 1000 };
  return {
    jobId,
    layer: layer.layer.id,
    tag,
    what: message('cuts.lacks', { tag, line, wanted }),
    cures: curesOf(without, gathered, left),
    comesAt: pack ? new Date(pack.readyAt).toISOString() : null,
  };
}

function curesOf(
  { ask, layer, pack }: Without,
  gathered: GatheredCuts,
  left: ReadonlyMap<string, number>,
): Words[] {
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

function onOrder(layer: CutLayer, { orderedMm, readyAt, day }: Pack, line: string): Words {
  const isLate = readyAt > new Date(layer.reel.shown.promisedAt).getTime();
  return message(isLate ? 'cuts.comes-late' : 'cuts.comes', { metres: { m: orderedMm / 1000 }, line, day });
}

function longestLeft(
  { product, role }: CutLayer,
  { stock }: GatheredCuts,
  left: ReadonlyMap<string, number>,
): { readonly piece: string; readonly mm: number } {
  const [longest] = stock.pieces
    .filter(({ coming }) => coming !== true)
    .filter((piece) => piece.product === product && (piece.backingOnly !== true || role === 'backing'))
    .map(({ id }) => ({ piece: id, mm: left.get(id) ?? 0 }))
    .sort((a, b) => b.mm - a.mm);
  return longest ?? { piece: '', mm: 0 };
}

/** What a line is called; by its code where none of it is on the rack or on order. */
const nameOf = ({ product }: CutLayer, { pieces, coming }: GatheredCuts): string =>
  [...[...pieces.values()].map((piece) => piece.product), ...coming.map(({ order }) => order.product)].find(
    ({ code }) => code === product,
  )?.name ?? product;

import type { CutsPlan, LayerOfPlan, PieceOfPlan } from '@yard-spool/contract';
import { firstComeCuts, waterState, wasteOf, type JobCut } from '@yard-spool/core';
import { figuresOf } from './figures';
import { revisionOf, type FoundCuts } from './found-cuts';
import {
  layersIn,
  mayGive,
  type Ask,
  type ComingPiece,
  type CutLayer,
  type GatheredCuts,
} from './gather-cuts';
import type { MovedCut } from './moved-cuts';
import { shortagesOf } from './shortages';

interface Beside extends Pick<CutsPlan, 'looking' | 'saved'> {
  readonly moved: readonly MovedCut[];
}

/** A plan as the screens have it. */
export function tellCuts(found: FoundCuts, { looking, moved, saved }: Beside): CutsPlan {
  const { gathered, cuts, open } = found;
  return {
    revision: revisionOf(found),
    looking,
    pieces: piecesOf(gathered, cuts),
    layers: layersOf(found),
    now: figuresOf(gathered, gathered.booked),
    planned: figuresOf(gathered, cuts),
    firstCome: figuresOf(gathered, firstComeCuts(gathered.stock)),
    open: open.map(({ level, gap }) => ({ level, gap: Number.isFinite(gap) ? gap : null })),
    shortages: shortagesOf(found),
    moved: moved.map(({ layer, was, is, why }) => ({
      jobId: layer.reel.shown.jobId,
      layer: layer.layer.id,
      tag: layer.reel.shown.tag,
      was,
      is,
      why,
    })),
    saved,
  };
}

/** Pieces by line and code, opened ones first, each with what would be cut from it. */
function piecesOf({ stock, asks, pieces, coming }: GatheredCuts, cuts: readonly JobCut[]): PieceOfPlan[] {
  const waste = new Map(wasteOf(stock, cuts).map((one) => [one.piece, one]));
  const askOf = new Map(asks.map((ask) => [ask.job.id, ask]));
  const onItsWay = new Map(coming.map((one) => [one.id, one]));
  const offs = new Map<string, PieceOfPlan['offs']>();
  const add = (code: string, layer: CutLayer | null | undefined, lengthMm: number): void => {
    if (!layer) return;
    const { jobId, tag } = layer.reel.shown;
    offs.set(code, [...(offs.get(code) ?? []), { jobId, layer: layer.layer.id, tag, lengthMm }]);
  };
  for (const { job, main, backing } of cuts) {
    add(main.piece, askOf.get(job)?.main, main.lengthMm);
    for (const { piece, lengthMm } of backing) add(piece, askOf.get(job)?.backing, lengthMm);
  }
  return stock.pieces
    .flatMap(({ id, freeMm, opened }): PieceOfPlan[] => {
      const of = offs.get(id) ?? [];
      const way = onItsWay.get(id);
      // Line on order is looked at where somebody waits for it.
      if (way) return of.length > 0 ? [comingPiece(way, of, waste.get(id)?.leftMm ?? freeMm)] : [];
      const piece = pieces.get(id);
      if (!piece) return [];
      const { tailsMm = 0, scrapMm = 0, leftMm = freeMm } = waste.get(id) ?? {};
      const { product, kind, place, lot, receivedMm } = piece;
      return [
        {
          code: id,
          product,
          kind,
          place,
          lot,
          opened,
          receivedMm,
          freeMm,
          offs: of,
          tailsMm,
          water: waterState(piece),
          leftMm,
          isScrap: scrapMm > 0,
          comesAt: null,
        },
      ];
    })
    .sort(
      (a, b) =>
        a.product.name.localeCompare(b.product.name) ||
        Number(b.opened) - Number(a.opened) ||
        a.code.localeCompare(b.code),
    );
}

const comingPiece = (
  { id, order, day }: ComingPiece,
  offs: PieceOfPlan['offs'],
  leftMm: number,
): PieceOfPlan => ({
  code: id,
  product: order.product,
  kind: 'bulk',
  place: day,
  lot: '',
  opened: false,
  receivedMm: order.lengthMm,
  freeMm: order.lengthMm,
  offs,
  tailsMm: 0,
  water: 'dry',
  leftMm,
  isScrap: false,
  comesAt: order.expectedAt,
});

function layersOf({ gathered, cuts }: FoundCuts): LayerOfPlan[] {
  const cutOf = new Map(cuts.map((cut) => [cut.job, cut]));
  return gathered.asks.flatMap((ask) =>
    layersIn(ask).map((layer) => layerOf(gathered, ask, layer, cutOf.get(ask.job.id))),
  );
}

function layerOf(
  gathered: GatheredCuts,
  { job, main, backing }: Ask,
  of: CutLayer,
  cut: JobCut | undefined,
): LayerOfPlan {
  const { jobId, tag, label, bagNumber, customer, promisedAt } = of.reel.shown;
  const isMain = of === main;
  return {
    jobId,
    tag,
    label,
    bag: bagNumber,
    customer,
    promisedAt,
    layer: of.layer.id,
    role: of.role,
    line: of.product,
    wantedMm: of.wantedMm,
    leastMm: isMain ? of.reel.wants.leastMm : null,
    mayGive: isMain && mayGive(main, backing),
    now: of.now,
    nowJoined: of.joined?.piece ?? null,
    ...plannedFor(gathered, cut, isMain),
    matches: isMain && job.match !== undefined,
    pinned: of.pin !== null,
  };
}

/** What a plan cuts a layer from. */
function plannedFor(
  { coming }: GatheredCuts,
  cut: JobCut | undefined,
  isMain: boolean,
): Pick<LayerOfPlan, 'planned' | 'plannedJoined' | 'givenMm' | 'comes'> {
  const offs = cut ? (isMain ? [cut.main] : cut.backing) : [];
  const [first, joined] = offs;
  return {
    // Nothing can be booked before all of it is there.
    comes: offs.some(({ piece }) => coming.some(({ id }) => id === piece)),
    planned: first?.piece ?? null,
    plannedJoined: joined?.piece ?? null,
    givenMm: offs.reduce((all, { lengthMm }) => all + lengthMm, 0),
  };
}

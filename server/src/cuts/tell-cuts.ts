import type { CutsPlan, LayerOfPlan, PieceOfPlan } from '@yard-spool/contract';
import { firstComeCuts, waterState, wasteOf, type JobCut } from '@yard-spool/core';
import { figuresOf } from './figures';
import { revisionOf, type FoundCuts } from './found-cuts';
import { keyOf, mayGive, type CutLayer, type GatheredCuts } from './gather-cuts';
import { pieceByLayer, type MovedCut } from './moved-cuts';
import { shortagesOf } from './shortages';

interface Beside extends Pick<CutsPlan, 'looking' | 'saved'> {
  readonly moved: readonly MovedCut[];
}

/** A plan as the screens have it. */
export function tellCuts(found: FoundCuts, { looking, moved, saved }: Beside): CutsPlan {
  const { gathered, cuts, open } = found;
  const pieces = piecesOf(gathered, cuts);
  const left = new Map(pieces.map(({ code, leftMm }) => [code, leftMm]));
  return {
    revision: revisionOf(found),
    looking,
    pieces,
    layers: layersOf(found),
    now: figuresOf(gathered, gathered.booked),
    planned: figuresOf(gathered, cuts),
    firstCome: figuresOf(gathered, firstComeCuts(gathered.stock)),
    open: open.map(({ level, gap }) => ({ level, gap: Number.isFinite(gap) ? gap : null })),
    shortages: shortagesOf(found, left),
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
function piecesOf({ stock, asks, pieces }: GatheredCuts, cuts: readonly JobCut[]): PieceOfPlan[] {
  const waste = new Map(wasteOf(stock, cuts).map((one) => [one.piece, one]));
  const askOf = new Map(asks.map((ask) => [ask.job.id, ask]));
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
      const piece = pieces.get(id);
      if (!piece) return [];
      const of = offs.get(id) ?? [];
      const { tailsMm = 0, scrapMm = 0 } = waste.get(id) ?? {};
      const taken = of.reduce((all, { lengthMm }) => all + lengthMm, 0);
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
          leftMm: Math.max(0, freeMm - taken - tailsMm),
          isScrap: scrapMm > 0,
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

function layersOf({ gathered, cuts }: FoundCuts): LayerOfPlan[] {
  const planned = pieceByLayer({ gathered, cuts });
  const codes = new Map([...gathered.pieces.values()].map(({ id, code }) => [id, code]));
  const cutOf = new Map(cuts.map((cut) => [cut.job, cut]));
  return gathered.asks.flatMap(({ job, main, backing }) =>
    [main, backing].flatMap((of): LayerOfPlan[] => {
      if (!of) return [];
      const { jobId, tag, label, bagNumber, customer, promisedAt } = of.reel.shown;
      const cut = cutOf.get(job.id);
      const off = of === main ? cut?.main : cut?.backing[0];
      return [
        {
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
          leastMm: of === main ? of.reel.wants.leastMm : null,
          mayGive: of === main && mayGive(main, backing),
          now: codes.get(of.cut.pieceId ?? 0) ?? null,
          planned: planned.get(keyOf(of)) ?? null,
          givenMm: off?.lengthMm ?? 0,
          matches: of === main && job.match !== undefined,
          pinned: of.pin !== null,
        },
      ];
    }),
  );
}

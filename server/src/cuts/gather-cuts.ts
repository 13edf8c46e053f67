import type { LineOrder, Piece } from '@yard-spool/contract';
import {
  LEAST_JOINED_MM,
  lotOf,
  REEL_TRAITS,
  soakAdvice,
  waterState,
  type CutJob,
  type CutOff,
  type HouseRules,
  type JobCut,
  type Line,
  type PlannedLayer,
  type Stock,
  type StockPiece,
} from '@yard-spool/core';
import type { Reading } from '../context/context';
import { heldAnswer } from '../context/held-answer';
import type { WaitingCut } from '../planning/try-plan';
import { readWaitingReels, type Waiting, type WaitingReel } from '../planning/waiting-reels';
import { listStock } from '../rack/rack';
import { readHouseRules } from '../shop/read-house-rules';
import { inZone } from '../shop/shop-day';
import { listOrders } from './line-orders';

/** A layer that is to be cut from the rack, and the cut that is booked for it. */
export interface CutLayer {
  readonly reel: WaitingReel;
  readonly layer: PlannedLayer;
  readonly role: string;
  readonly product: string;
  readonly wantedMm: number;
  readonly cut: WaitingCut;
  /** The piece somebody asked for, and the one it is booked on. */
  readonly pin: string | null;
  readonly now: string | null;
  /** What comes off a second piece, where it is joined from two. */
  readonly joined: { readonly piece: string; readonly lengthMm: number; readonly tailMm: number } | null;
}

/** What is planned together: a main with its backing, or a layer by itself. */
export interface Ask {
  readonly job: CutJob;
  /** None where its main comes from elsewhere: it is in the stock under the job's own name. */
  readonly main: CutLayer | null;
  readonly backing: CutLayer | null;
}

/** A pack that is on order, as a piece that is cut from once it comes. */
export interface ComingPiece {
  /** Its name in the stock. */
  readonly id: string;
  readonly order: LineOrder;
  readonly readyAt: number;
  /** The day it is here, in words. */
  readonly day: string;
}

/** What cuts are planned from. */
export interface GatheredCuts {
  readonly stock: Stock;
  readonly asks: readonly Ask[];
  readonly pieces: ReadonlyMap<string, Piece>;
  /** As it is booked. */
  readonly booked: readonly JobCut[];
  /** Packs that are on order, each with the day it is here in words. */
  readonly coming: readonly ComingPiece[];
}

/** A rest shorter than what can be joined is of use to nobody; common practice, no source. */
const LEAST_USE_MM = LEAST_JOINED_MM;
const HOUR = 3_600_000;

const PINS = heldAnswer(({ tables }) => tables.cutPins.findAll(), ['cutPins']);

/** All layers of waiting reels that are cut from the shop's own line, and the pieces there are for them. */
export async function gatherCuts(from: Reading, waiting?: Pick<Waiting, 'reels'>): Promise<GatheredCuts> {
  const [{ reels }, all, pins, orders, { rules, tailMm, zone }] = await Promise.all([
    waiting ?? readWaitingReels(from),
    listStock(from),
    PINS.ask(from),
    listOrders(from),
    readHouseRules(from),
  ]);
  const at = from.clock();
  const stockPieces = all.filter(({ broughtWith }) => broughtWith === null);
  const opened = await openedAt(from, stockPieces);
  const codeOf = new Map(stockPieces.map(({ id, code }) => [id, code]));
  const pinOf = (jobId: number, layer: string): string | null =>
    codeOf.get(pins.find((pin) => pin.jobId === jobId && pin.layer === layer)?.pieceId ?? 0) ?? null;
  const layers = reels.flatMap((reel) => layersOf(reel, codeOf, pinOf));
  const given = new Map<string, number>();
  for (const { piece, lengthMm, tailMm } of layers.flatMap(bookedOn))
    given.set(piece, (given.get(piece) ?? 0) + lengthMm + tailMm);
  const wanted = new Set(layers.map(({ product }) => product));
  const pieces = stockPieces.filter(({ product }) => wanted.has(product.code));
  const cuttable = pieces.map((piece) =>
    cuttableOf(piece, {
      given: given.get(piece.code) ?? 0,
      openedAt: opened.get(piece.id) ?? 0,
      rules,
      now: at,
    }),
  );
  const coming = comingOf(
    orders.filter(({ product }) => wanted.has(product.code)),
    zone,
  );
  const line = [...cuttable, ...coming.map((one) => onItsWay(one, rules))];
  const asks = inSets(inTime(asksOf(layers), line), line);
  const own = asks.flatMap(({ job, main }) => (main ? [] : [fromElsewhere(job)]));
  return {
    stock: { jobs: asks.map(({ job }) => job), pieces: [...line, ...own], tailMm },
    asks,
    pieces: new Map(pieces.map((piece) => [piece.code, piece])),
    coming,
    booked: asks.flatMap((ask) => bookedOf(ask) ?? []),
  };
}

function comingOf(orders: readonly LineOrder[], zone: string): ComingPiece[] {
  return orders.flatMap((order) => {
    const readyAt = new Date(order.expectedAt).getTime();
    const day = inZone(order.expectedAt, zone).toFormat('d LLL');
    return Array.from({ length: order.count }, (_, i) => ({
      id: `order ${String(order.id)}, ${String(i + 1)}`,
      order,
      readyAt,
      day,
    }));
  });
}

/** Line on order as a piece: sealed, and in its tub for as long as it has to be once it is here. */
function onItsWay({ id, order: { product, lengthMm }, readyAt }: ComingPiece, rules: HouseRules): StockPiece {
  const { hours } = soakAdvice(lineOf(product), rules);
  return {
    id,
    product: product.code,
    freeMm: lengthMm,
    opened: false,
    openedAt: null,
    usableMm: LEAST_USE_MM,
    readyAt: readyAt + hours * HOUR,
    coming: true,
  };
}

/** Layers of a reel that come from the shop's own line, none of them a part of a pack that is shared out. */
function layersOf(
  reel: WaitingReel,
  codeOf: ReadonlyMap<number, string>,
  pinOf: (jobId: number, layer: string) => string | null,
): CutLayer[] {
  return reel.cuts.flatMap((cut) => {
    const layer = reel.plan.layers.find(({ id }) => id === cut.layer);
    if (layer?.request.kind !== 'line' || cut.takes !== null || cut.nth > 0) return [];
    if (cut.pieceId !== null && !codeOf.has(cut.pieceId)) return [];
    const { line, role } = layer.request;
    const pin = pinOf(reel.shown.jobId, cut.layer);
    const now = codeOf.get(cut.pieceId ?? 0) ?? null;
    const joined = joinedOf(reel, cut, codeOf);
    const wantedMm = cut.lengthMm + (joined?.lengthMm ?? 0);
    return [{ reel, layer, role, product: line.key, wantedMm, cut, pin, now, joined }];
  });
}

function joinedOf(
  { cuts }: WaitingReel,
  { layer }: WaitingCut,
  codeOf: ReadonlyMap<number, string>,
): CutLayer['joined'] {
  const second = cuts.find((one) => one.layer === layer && one.nth > 0);
  const piece = codeOf.get(second?.pieceId ?? 0);
  return second && piece !== undefined ? { piece, lengthMm: second.lengthMm, tailMm: second.tailMm } : null;
}

/** What a layer has of the rack now. */
export function bookedOn({ now, cut, joined }: CutLayer): NonNullable<CutLayer['joined']>[] {
  if (now === null) return [];
  return [{ piece: now, lengthMm: cut.lengthMm, tailMm: cut.tailMm }, ...(joined ? [joined] : [])];
}

function asksOf(layers: readonly CutLayer[]): Ask[] {
  const byReel = new Map<WaitingReel, CutLayer[]>();
  for (const one of layers) byReel.set(one.reel, [...(byReel.get(one.reel) ?? []), one]);
  return [...byReel.values()].flatMap((of) => {
    const main = of.find(({ role }) => role === 'main') ?? null;
    const backing = of.find(({ role }) => role === 'backing') ?? null;
    const others = of.filter((one) => one !== main && one !== backing);
    return [...(main || backing ? [askOf(main, backing)] : []), ...others.map((one) => askOf(one, null))];
  });
}

function askOf(main: CutLayer | null, backing: CutLayer | null): Ask {
  const first = main ?? backing;
  if (!first) throw new Error('An ask has a layer.');
  const id = keyOf(first);
  const due = new Date(first.reel.shown.promisedAt).getTime();
  const only = (of: CutLayer): { only?: string; booked?: string } => ({
    ...(of.pin === null ? {} : { only: of.pin }),
    ...(of.now === null ? {} : { booked: of.now }),
  });
  const mainMm = main?.wantedMm ?? 0;
  const job: CutJob = {
    id,
    due,
    main: main
      ? { product: main.product, wantedMm: mainMm, leastMm: leastOf(main, backing), ...only(main) }
      : { product: id, wantedMm: 1, leastMm: 1 },
    backing: backing && {
      product: backing.product,
      lengthMm: backing.wantedMm,
      perMain: main ? perMain(main, backing) : 0,
      onePiece: false,
      ...only(backing),
      ...(backing.joined ? { bookedToo: backing.joined.piece } : {}),
    },
  };
  return { job, main, backing };
}

/** The layers of an ask, or of all of them. */
export const layersIn = (...asks: readonly Ask[]): CutLayer[] =>
  asks.flatMap(({ main, backing }) => [main, backing]).filter((layer) => layer !== null);

export const keyOf = ({ reel, layer }: Pick<CutLayer, 'reel' | 'layer'>): string =>
  `${String(reel.shown.jobId)}:${layer.id}`;

/** Whether backing makes up for main: it fills what is left, and the main is as long as somebody said. */
export const mayGive = (main: CutLayer | null, backing: CutLayer | null): boolean =>
  main?.layer.request.kind === 'line' &&
  typeof main.layer.request.length === 'number' &&
  backing?.layer.request.kind === 'line' &&
  backing.layer.request.length === 'fits';

function leastOf(main: CutLayer, backing: CutLayer | null): number {
  const { leastMm } = main.reel.wants;
  return leastMm !== null && mayGive(main, backing) ? Math.min(main.wantedMm, leastMm) : main.wantedMm;
}

/** mm of backing that fill what a millimetre of main does: what is wound is in proportion to the square of the diameter. */
function perMain(main: CutLayer, backing: CutLayer): number {
  if (!mayGive(main, backing)) return 0;
  const diameter = ({ layer }: CutLayer): number =>
    layer.request.kind === 'line' ? layer.request.line.diameter : 1;
  return (diameter(main) / diameter(backing)) ** 2;
}

/** What a reel's backing is cut beside where its main is none of the rack's. */
const fromElsewhere = ({ id }: CutJob): StockPiece => ({
  id,
  product: id,
  freeMm: 1,
  opened: true,
  openedAt: null,
  usableMm: LEAST_USE_MM,
});

interface Beside {
  /** What reels that wait have of it: it is shared out again. */
  readonly given: number;
  readonly openedAt: number;
  readonly rules: HouseRules;
  readonly now: Date;
}

function cuttableOf(piece: Piece, { given, openedAt: at, rules, now }: Beside): StockPiece {
  const { code, product, kind, soaking, opened } = piece;
  const { hours } = soakAdvice(lineOf(product), rules);
  const water = waterState(piece);
  // To the hour: a plan is not another because a minute has passed.
  const soaked = Math.ceil(now.getTime() / HOUR + hours) * HOUR;
  const readyAt = soaking ? new Date(soaking.readyAt).getTime() : soaked;
  return {
    id: code,
    product: product.code,
    freeMm: Math.max(0, piece.lengthMm - piece.promisedMm + given),
    opened: opened || kind === 'salvage' || kind === 'remnant',
    openedAt: opened ? at : null,
    usableMm: LEAST_USE_MM,
    ...(piece.lot === '' ? {} : { lot: piece.lot }),
    ...(kind === 'salvage' ? { backingOnly: true } : {}),
    ...(hours > 0 && water !== 'dry' ? { wet: true } : {}),
    ...(hours > 0 && water !== 'wet' ? { readyAt } : {}),
  };
}

const lineOf = ({ code, material, diameter, maker }: Piece['product']): Line => {
  const hours = maker?.soakHours ?? null;
  return { key: code, material, diameter, ...(hours === null ? {} : { soakHours: hours }) };
};

/** What no piece is ready for in time is late whatever it is cut from: its date chooses nothing. */
function inTime(asks: readonly Ask[], pieces: readonly StockPiece[]): Ask[] {
  return asks.map((ask) => {
    const { due, main, backing, ...job } = ask.job;
    if (due === undefined) return ask;
    const isReady = (product: string | undefined, mm: number): boolean =>
      pieces.some((piece) => piece.product === product && piece.freeMm >= mm && (piece.readyAt ?? 0) <= due);
    const ready =
      (ask.main === null || isReady(main.product, main.leastMm)) &&
      (backing === null || isReady(backing.product, backing.lengthMm));
    return ready ? ask : { ...ask, job: { ...job, main, backing } };
  });
}

/**
 * Counters that came in one bag are used together and have to agree: their mains are cut from one lot, as far as there is
 * one with enough for all of them.
 */
function inSets(asks: readonly Ask[], pieces: readonly StockPiece[]): Ask[] {
  const setOf = ({ main, job }: Ask): string =>
    main && REEL_TRAITS[main.reel.type].counter
      ? `${String(main.reel.shown.bagNumber)} ${job.main.product}`
      : '';
  const wantedMm = new Map<string, number[]>();
  for (const ask of asks) {
    const set = setOf(ask);
    if (set !== '') wantedMm.set(set, [...(wantedMm.get(set) ?? []), ask.job.main.leastMm]);
  }
  return asks.map((ask) => {
    const own = wantedMm.get(setOf(ask)) ?? [];
    if (own.length < 2 || !hasLotFor(own, ask.job.main.product, pieces)) return ask;
    return { ...ask, job: { ...ask.job, match: String(ask.main?.reel.shown.bagNumber) } };
  });
}

/** Whether some lot holds them all, each unbroken. */
function hasLotFor(lengths: readonly number[], product: string, pieces: readonly StockPiece[]): boolean {
  const own = pieces.filter((piece) => piece.product === product && piece.backingOnly !== true);
  return [...new Set(own.map(lotOf))].some((lot) => {
    const left = own.filter((piece) => lotOf(piece) === lot).map(({ freeMm }) => ({ mm: freeMm }));
    return [...lengths]
      .sort((a, b) => b - a)
      .every((mm) => {
        const piece = left.find((one) => one.mm >= mm);
        if (piece) piece.mm -= mm;
        return piece !== undefined;
      });
  });
}

/** As a job is booked; none while some of its line has yet to come. */
function bookedOf({ job, main, backing }: Ask): JobCut | null {
  const offs = (of: CutLayer | null): CutOff[] =>
    of ? bookedOn(of).map(({ piece, lengthMm }) => ({ piece, lengthMm })) : [];
  const [mainOff] = main ? offs(main) : [{ piece: job.id, lengthMm: 1 }];
  const backingOffs = offs(backing);
  if (!mainOff || (backing && backingOffs.length === 0)) return null;
  return { job: job.id, main: mainOff, backing: backingOffs };
}

/** When each piece that is open was cut from first: of those that are there, since the ledger only grows. */
async function openedAt({ query }: Reading, pieces: readonly Piece[]): Promise<ReadonlyMap<number, number>> {
  const only = pieces.filter(({ opened }) => opened).map(({ id }) => id);
  if (only.length === 0) return new Map();
  const rows = await query<{ readonly pieceId: number; readonly at: Date }>(
    `SELECT piece_id AS pieceId, MIN(at) AS at FROM moves
     WHERE kind IN ('filled', 'tail') AND piece_id IN (:only) GROUP BY piece_id`,
    { only },
  );
  return new Map(rows.map(({ pieceId, at }) => [pieceId, at.getTime()]));
}

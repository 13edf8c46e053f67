import type { Person } from '@yard-spool/contract';
import type { PlanInput } from '@yard-spool/core';
import { learnAgain, noteWhatIsOn, takeWords, unit, type ServerContext, type Unit } from '@yard-spool/server';
import { DEMO_LINES, type LineCode } from '../lines';
import { SEASON_KINDS } from './kinds';
import { SEASON_CUSTOMERS } from './names';
import { matchOf } from './counters';
import { Pieces } from './pieces';
import { comebackRows, tripRows } from './told';
import type { Seasons } from './make';
import { DAY_MS, tagOf, UNDER, type Dated } from './past-fills';
import { NO_WANTS } from './simulate';

/** What the seasons were made from: nobody in the shop knows it, and what is learned can be held against it. */
export interface HiddenTruth {
  readonly lines: ReadonlyMap<LineCode, number>;
  readonly kinds: ReadonlyMap<string, number>;
  /** Numbers of lines and customers, by code and name. */
  readonly products: ReadonlyMap<string, number>;
  readonly customers: ReadonlyMap<string, number>;
  /** Metres that truly went on, by fill and layer. */
  readonly metres: ReadonlyMap<number, Readonly<Record<string, number>>>;
}

/** A fill with whoever is at the bench as the shop knows them. */
type Kept = Omit<Dated, 'by'> & { readonly by: Person };
type Made = Omit<Seasons, 'fills'> & { readonly fills: readonly Kept[] };

/**
 * Writes two seasons of fills into a shop that has people, a bench and lines, and nothing else: each simulated from a hidden
 * truth of its spool and lines, settled by the core as the bench settles it, and written in bulk; what was learned, what
 * is due and what can be searched for is then worked out by the server's own services.
 */
export async function writeSeasons(
  context: ServerContext,
  people: readonly Person[],
  seasons: Seasons,
): Promise<HiddenTruth> {
  const { lines, kinds, reels } = seasons;
  const [manager] = people;
  if (!manager) throw new Error('The seasons need somebody.');
  const fills = seasons.fills.map((fill) => ({
    ...fill,
    by: people.find(({ name }) => name === fill.by) ?? manager,
  }));
  const products = new Map(DEMO_LINES.map(({ code }, i): [string, number] => [code, i + 1]));
  const pieces = new Pieces(products, seasons.dice);
  const made: Made = { ...seasons, fills };
  await unit(context, manager, async (u) => {
    await writeWho(u, made);
    await writeBags(u, made);
    await writeRuns(u, made);
    await writeRack(u, made, pieces);
    await writeTold(u, made);
    await learnAgain(u);
    await noteWhatIsOn(u, ...reels.map(({ id }) => id));
  });
  await takeWords(context);
  return {
    lines,
    kinds,
    products,
    metres: new Map(fills.map(({ id, truly }) => [id, truly])),
    customers: new Map(SEASON_CUSTOMERS.map(([name], i) => [name, i + 1])),
  };
}

/** Lines, customers, their reels, and the kinds of those. */
async function writeWho({ tables }: Unit, { reels, fills }: Made): Promise<void> {
  await tables.products.createAll(
    DEMO_LINES.map(({ diameter, strengthKg, ...line }, i) => ({
      ...line,
      id: i + 1,
      diameter: diameter.toFixed(3),
      strengthKg: strengthKg === null ? null : strengthKg.toFixed(2),
    })),
  );
  await tables.customers.createAll(
    SEASON_CUSTOMERS.map(([name, contact], i) => ({ id: i + 1, name, contact })),
  );
  await tables.reels.createAll(
    reels.map(({ id, customer, kind }) => ({
      id,
      tag: tagOf(id),
      customerId: customer,
      type: kind.type,
      label: kind.label,
    })),
  );
  await tables.spools.createAll(reels.map(({ id }) => ({ id, reelId: id })));
  await tables.reelKinds.createAll(
    SEASON_KINDS.map((kind) => ({
      type: kind.type,
      label: kind.label,
      gear: kind.gear,
      observations: fills.find(({ reel }) => reel.kind === kind)?.planInput.observations.slice() ?? [],
      met: fills.filter(({ reel }) => reel.kind === kind).length,
    })),
  );
}

/** Bags and what was booked in them. */
async function writeBags({ tables }: Unit, { fills }: Made): Promise<void> {
  await tables.bags.createAll(bagRows(fills));
  await tables.bagChanges.createAll(
    fills.map(({ bag, at, by, reel }) => ({
      bagId: bag,
      at,
      byId: by.id,
      what: `${tagOf(reel.id)} was filled`,
    })),
  );
  await tables.jobs.createAll(
    fills.map(({ id, bag, reel, planInput, plan }) => ({
      id,
      bagId: bag,
      spoolId: reel.id,
      position: placeInBag(fills, id, bag),
      state: 'handed-back' as const,
      planInput,
      plan,
      wants: NO_WANTS,
    })),
  );
}

/** Runs with their logs, and the fills they came to. */
async function writeRuns({ tables }: Unit, { fills, dice }: Made): Promise<void> {
  await tables.runs.createAll(
    fills.map(({ id, at }) => ({
      id,
      jobId: id,
      benchId: 1,
      state: 'closed' as const,
      openedAt: at,
      closedAt: at,
      madeUnder: UNDER,
    })),
  );
  await tables.runEvents.createAll(
    fills.flatMap(({ log, id, by }) =>
      log.map(({ seq, kind, at, payload, id: event }) => ({
        id: event,
        runId: id,
        seq,
        kind,
        at: new Date(at),
        byId: by.id,
        payload,
      })),
    ),
  );
  await tables.fills.createAll(
    fills.map(({ id, reel, at, by, gapRead, gapByCount, settled, lies, planInput }) => ({
      id,
      runId: id,
      spoolId: reel.id,
      closedAt: at,
      byId: by.id,
      gapRead: gapRead.toFixed(3),
      gapByCount,
      spool: settled.settled.spool.spool,
      depths: settled.depths,
      lesson: settled.lesson,
      counter:
        reel.kind.type === 'trolling'
          ? matchOf(lies, settled.settled.spool.spool, {
              at,
              by: by.name,
              dice,
              diameters: diametersOf(planInput),
            })
          : null,
    })),
  );
}

/** What was drawn off which piece, and lies on which reel. */
async function writeRack({ tables, actor }: Unit, { fills }: Made, pieces: Pieces): Promise<void> {
  const layers = fills.flatMap((fill) => layerRows(fill, pieces));
  await tables.pieces.createAll(pieces.rows());
  await tables.moves.createAll(pieces.moves(actor.id));
  await tables.fillLayers.createAll(layers);
  // A job keeps what it was cut from: the next booking of its reel begins with it.
  await tables.cuts.createAll(
    layers.map(({ fillId, layer, pieceId, productId, lengthMm }) => ({
      jobId: fillId,
      layer,
      pieceId,
      productId,
      lengthMm,
      tailMm: UNDER.tailMm,
      takes: null,
    })),
  );
}

/** What was told of fills since. */
async function writeTold({ tables }: Unit, { fills, dice, today }: Made): Promise<void> {
  await tables.comebacks.createAll(comebackRows(fills, today));
  await tables.fillMarks.createAll(tripRows(lastFills(fills), dice, today));
}

const diametersOf = ({ request }: PlanInput): ReadonlyMap<string, number> =>
  new Map(
    request.layers.flatMap((layer): [string, number][] =>
      layer.kind === 'line' ? [[layer.id, layer.line.diameter]] : [],
    ),
  );

/** What lies on each reel now. */
const lastFills = (fills: readonly Kept[]): Kept[] => [
  ...new Map(fills.map((fill) => [fill.reel.id, fill])).values(),
];

const placeInBag = (fills: readonly Kept[], id: number, bag: number): number =>
  1 + fills.filter((one) => one.bag === bag && one.id < id).length;

function bagRows(fills: readonly Kept[]) {
  const first = new Map<number, Kept>();
  for (const fill of fills) if (!first.has(fill.bag)) first.set(fill.bag, fill);
  return [...first.values()].map(({ bag, reel, at, by }) => ({
    id: bag,
    bookingKey: keyOf(bag),
    customerId: reel.customer,
    notes: '',
    bookedById: by.id,
    bookedAt: new Date(at.getTime() - DAY_MS),
    promisedAt: new Date(at.getTime() + DAY_MS),
  }));
}

const keyOf = (bag: number): string => `5ea5ba60-0000-4000-8000-${String(bag).padStart(12, '0')}`;

function layerRows(fill: Kept, pieces: Pieces) {
  const { id, settled, lies, planInput, at, by, reel } = fill;
  return planInput.request.layers.flatMap((layer, position) => {
    const lay = lies.find((one) => one.id === layer.id);
    const known = settled.settled.layers.find((one) => one.id === layer.id);
    if (layer.kind !== 'line' || !lay || !known) return [];
    const lengthMm = Math.round(lay.length * 1000);
    const code = layer.line.key as LineCode;
    const why = `${tagOf(reel.id)}, ${layer.role}`;
    const piece = pieces.draw(code, { lengthMm, tailMm: UNDER.tailMm, runId: id, at, byId: by.id, why });
    const line = DEMO_LINES.find((one) => one.code === code);
    return [
      {
        fillId: id,
        position: position * 1000,
        layer: layer.id,
        role: layer.role,
        line: layer.line,
        lineName: line?.name ?? code,
        tint: line?.tint ?? '#aabbcc',
        lengthMm,
        pieceId: piece.id,
        productId: piece.productId,
        likelyLowMm: Math.min(lengthMm, Math.round(1000 * known.length.low)),
        likelyHighMm: Math.max(lengthMm, Math.round(1000 * known.length.high)),
        restsOn: [...known.restsOn],
        handleTurns: lay.handleTurns,
        innerRadius: lay.innerRadius,
        outerRadius: lay.outerRadius,
      },
    ];
  });
}

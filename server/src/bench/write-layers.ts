import type { Unit } from '../context/context';
import type { Job } from '@yard-spool/contract';
import {
  askedIn,
  isSwap,
  type LayerRequest,
  lengthOn,
  type Line,
  LINE_TINTS,
  pieceStretches,
  type RunFacts,
  type RunState,
  type SettledFill,
  windingRequest,
  type WoundLayer,
} from '@yard-spool/core';
import type { ProductRow } from '../db/models/rack';
import type { FillLayerRow, RunRow } from '../db/models/runs';
import { drawLine } from '../rack/draw';
import { keptStretches, stayedStretches, turnedStretches, type Before, type OldStretch } from './from-record';
import { addMoves, lockPiece } from '../rack/move';

/** A fill as it is written: what lies where, and what each length rests on. */
export interface ToWrite {
  readonly fillId: number;
  readonly run: RunRow;
  readonly job: Job;
  /** Arbor first, as it lies on the reel. */
  readonly lies: readonly WoundLayer[];
  readonly settled: Pick<SettledFill, 'layers' | 'spool'>;
  /** The fill as it turned out. */
  readonly facts: RunFacts;
  /** What lay on the reel before it. */
  readonly before: Before;
  readonly state: RunState;
}

/** Writes each layer of line as it lies and draws it off its piece. */
export async function writeLayers(u: Unit, writing: ToWrite): Promise<void> {
  let kept = 0;
  for (const [position, layer] of writing.facts.request.layers.entries()) {
    const lay = writing.lies.find(({ id }) => id === layer.id);
    const at = { fillId: writing.fillId, position: position * MOST_STRETCHES };
    if (lay && layer.kind === 'retained') {
      await writeOld(u, { at, id: layer.id, role: 'kept' }, keptStretches(writing.before, lay, kept), {
        ...keptRow(at, layer, lay),
      });
      kept += lay.length;
    }
    if (lay && layer.kind === 'line') await writeLine(u, writing, { at, layer, lay });
  }
}

/** Old line is written as what the record says it is, stretch by stretch; as it is known here where nothing is on record. */
async function writeOld(
  u: Unit,
  { at, id, role }: { readonly at: Place; readonly id: string; readonly role: FillLayerRow['role'] },
  stretches: readonly OldStretch[],
  unknown: Parameters<Unit['tables']['fillLayers']['create']>[0],
): Promise<void> {
  if (stretches.length === 0) await u.tables.fillLayers.create(unknown);
  const whole = lengthOn(stretches);
  for (const [i, { length, ...stretch }] of stretches.entries()) {
    const lengthMm = Math.round(1000 * length);
    const share = whole > 0 ? length / whole : 0;
    const likely = [unknown.likelyLowMm, unknown.likelyHighMm].map((mm) =>
      mm === undefined || mm === null ? null : Math.round(mm * share),
    );
    await u.tables.fillLayers.create({
      ...unknown,
      ...stretch,
      fillId: at.fillId,
      position: at.position + i,
      layer: id,
      role,
      lengthMm,
      handleTurns: unknown.handleTurns * share,
      likelyLowMm: likely[0] === null ? null : Math.min(lengthMm, likely[0] ?? lengthMm),
      likelyHighMm: likely[1] === null ? null : Math.max(lengthMm, likely[1] ?? lengthMm),
    });
  }
}

/** Places a layer has: more pieces than anybody joins in one. */
const MOST_STRETCHES = 1000;

interface LineToWrite {
  readonly at: Place;
  readonly layer: Extract<LayerRequest, { kind: 'line' }>;
  readonly lay: WoundLayer;
}

/** A layer off more than one piece is written as one stretch for each. */
async function writeLine(u: Unit, writing: ToWrite, { at, layer, lay }: LineToWrite): Promise<void> {
  const { job, settled, state, facts } = writing;
  // Line turned end for end is the customer's own: it comes off no piece.
  const own = state.supplies[layer.id]?.way === 'reverse';
  const cut = own ? undefined : job.cuts.find((one) => one.layer === layer.id);
  const { length, restsOn } = settled.layers.find(({ id }) => id === layer.id) ?? UNKNOWN;
  const askedAfter = askedIn(job.planInput, facts, state);
  const under = { spool: settled.spool, request: windingRequest(facts), askedAfter };
  const asked = asWound(layer, state);
  for (const [i, stretch] of pieceStretches(under, state, lay).entries()) {
    const { innerRadius, outerRadius } = isSwap(facts) ? lay : stretch;
    const share = { length: lay.length * stretch.share, handleTurns: lay.handleTurns * stretch.share };
    const part = { ...lay, ...share, innerRadius, outerRadius };
    const pieceId = offWhich(stretch.pieceId, cut, facts);
    const lengthMm = await onTheBooks(u, pieceId, part, { state, layer: layer.id });
    const place = { ...at, position: at.position + i };
    const { asWritten, productId } = await lineWritten(u, asked, {
      pieceId: asked === layer ? pieceId : null,
      cut,
      place,
      part,
      counterOnly: facts.counterOnly === true,
    });
    const likely = likelyOf(lengthMm, length, stretch.share);
    const written = { ...asWritten, pieceId, productId, lengthMm, ...likely, restsOn: [...restsOn] };
    const old = oldStretches(writing, part, { own, pieceId });
    await writeOld(u, { at: place, id: layer.id, role: layer.role }, old, written);
    if (pieceId !== null && lengthMm > 0)
      await drawStretch(u, writing, layer, { pieceId, lengthMm, usedUp: stretch.usedUp });
  }
}

/** The piece a stretch comes off; line that stays on comes off none, whatever was booked. */
function offWhich(
  taken: number | null,
  cut: Job['cuts'][number] | undefined,
  { counterOnly }: RunFacts,
): number | null {
  if (counterOnly) return taken;
  return cut ? (taken ?? cut.pieceId) : null;
}

/** The likely range of a stretch, which what is written of it never lies outside of, mm. */
const likelyOf = (lengthMm: number, { low, high }: { low: number; high: number }, share: number) => ({
  likelyLowMm: Math.min(lengthMm, Math.round(1000 * low * share)),
  likelyHighMm: Math.max(lengthMm, Math.round(1000 * high * share)),
});

interface OffPiece {
  readonly pieceId: number | null;
  readonly cut: Job['cuts'][number] | undefined;
  readonly place: Place;
  readonly part: WoundLayer;
  /** Whether it went on line of the reel's own: then its line is its piece's, not the layer's. */
  readonly counterOnly: boolean;
}

/** A stretch as the line that came off its piece. */
async function lineWritten(
  u: Unit,
  layer: LineToWrite['layer'],
  { pieceId, cut, place, part, counterOnly }: OffPiece,
) {
  const product = await lineOff(u, pieceId, cut);
  const as = product && counterOnly ? { ...layer, line: await lineOf(u, product.id) } : layer;
  return { asWritten: layerRow(place, as, part, product), productId: product?.id ?? null };
}

/** What of a layer is line that was on the reel before: turned end for end, or left as it lay. */
function oldStretches(
  { before, facts }: ToWrite,
  lay: WoundLayer,
  { own, pieceId }: { readonly own: boolean; readonly pieceId: number | null },
): OldStretch[] {
  if (own) return turnedStretches(before, lay);
  return facts.counterOnly && pieceId === null ? stayedStretches(before, lay) : [];
}

/** A product as the line that is on record. */
async function lineOf({ tables }: Unit, productId: number): Promise<Line> {
  const product = await tables.products.findByPk(productId);
  if (!product) throw new Error(`A piece is of product ${String(productId)}, which is not there.`);
  const { code, material, diameter } = product;
  return { key: code, material, diameter: Number(diameter) };
}

/** Whether it was answered that it is another line than was said, and nobody knows which: no line of the shop's. */
const isUnknown = (layer: string, { settlings }: RunState): boolean =>
  settlings.some(({ cause, about }) => cause === 'line' && about === layer);

/** The layer with the line it is on record with. */
const asWound = (layer: LineToWrite['layer'], state: RunState): LineToWrite['layer'] =>
  isUnknown(layer.id, state)
    ? { ...layer, line: { ...layer.line, key: `not ${layer.line.key}`.slice(0, 40) } }
    : layer;

type Named = Pick<ProductRow, 'id' | 'name' | 'tint'>;

/** The line that came off a piece, as it is called: a customer's own as they called it. */
async function lineOff(
  { tables }: Unit,
  pieceId: number | null,
  cut: Job['cuts'][number] | undefined,
): Promise<Named | null> {
  if (pieceId === null) return null;
  if (cut?.pieceId === pieceId) return { id: cut.productId, name: cut.productName, tint: cut.tint };
  const piece = await tables.pieces.findByPk(pieceId);
  return piece && tables.products.findByPk(piece.productId);
}

/** Draws a stretch off its piece; one that ran out has nothing left, whatever the books said. */
async function drawStretch(
  u: Unit,
  { run, job }: ToWrite,
  { id, role }: Extract<LayerRequest, { kind: 'line' }>,
  { pieceId, lengthMm, usedUp }: { pieceId: number; lengthMm: number; usedUp: boolean },
): Promise<void> {
  const shared = job.cuts.find(({ layer }) => layer === id)?.takes;
  const tailMm = shared || usedUp ? 0 : run.madeUnder.tailMm;
  const why = `${job.tag}, ${role}`;
  await drawLine(u, { pieceId, lengthMm, tailMm, runId: run.id, why });
  if (!usedUp) return;
  const piece = await lockPiece(u, { id: pieceId });
  await addMoves(
    u,
    piece,
    [{ kind: 'counted', lengthMm: -piece.lengthMm, why: `ran out at ${why}` }],
    run.id,
  );
}

const UNKNOWN = { length: { low: 0, high: 0 }, restsOn: [] } as const;

/**
 * The length that is written and drawn, mm: what most likely lies there, bounded by what its piece held. More than that is
 * found line, and is booked only where the technician said that the books were wrong.
 */
async function onTheBooks(
  u: Unit,
  pieceId: number | null,
  { length }: Pick<WoundLayer, 'length'>,
  { state, layer }: { readonly state: RunState; readonly layer: string },
): Promise<number> {
  const lengthMm = Math.round(length * 1000);
  const found = state.settlings.some(({ cause, about }) => cause === 'piece' && about === layer);
  if (pieceId === null || found) return lengthMm;
  const piece = await lockPiece(u, { id: pieceId });
  return Math.min(lengthMm, piece.lengthMm);
}

interface Place {
  readonly fillId: number;
  readonly position: number;
}

/** Old line that stayed on is part of what is on the reel; it came off no piece. */
const keptRow = (
  at: Place,
  { id, line }: Extract<LayerRequest, { kind: 'retained' }>,
  { length, innerRadius, outerRadius }: WoundLayer,
) => ({
  ...at,
  layer: id,
  role: 'kept' as const,
  line,
  handleTurns: 0,
  innerRadius,
  outerRadius,
  lineName: `Old ${line.material} ${line.diameter.toFixed(2)}`,
  tint: LINE_TINTS.kept,
  pieceId: null,
  lengthMm: Math.round(length * 1000),
});

const layerRow = (
  at: Place,
  { id, role, line }: Extract<LayerRequest, { kind: 'line' }>,
  { handleTurns, innerRadius, outerRadius }: WoundLayer,
  product: Pick<ProductRow, 'name' | 'tint'> | null,
) => ({
  ...at,
  layer: id,
  role,
  line,
  handleTurns,
  innerRadius,
  outerRadius,
  lineName:
    product?.name ??
    (line.key.startsWith('not ') ? `Unknown, ${line.key}` : `${line.material} ${line.diameter.toFixed(2)}`),
  tint: product?.tint ?? LINE_TINTS.kept,
});

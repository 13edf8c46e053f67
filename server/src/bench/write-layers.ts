import type { Job } from '@yard-spool/contract';
import type { LayerRequest, RunState, SettledFill, WoundLayer } from '@yard-spool/core';
import type { RunRow } from '../db/models/runs';
import type { Unit } from '../unit';
import { drawLine } from '../rack/draw';
import { lockPiece } from '../rack/move';

/** A fill as it is written: what lies where, and what each length rests on. */
export interface ToWrite {
  readonly fillId: number;
  readonly run: RunRow;
  readonly job: Job;
  /** Arbor first, as it lies on the reel. */
  readonly lies: readonly WoundLayer[];
  readonly settled: Pick<SettledFill, 'layers'>;
  readonly state: RunState;
}

/** Writes each layer of line as it lies and draws it off its piece. */
export async function writeLayers(u: Unit, writing: ToWrite): Promise<void> {
  for (const [position, layer] of writing.job.planInput.request.layers.entries()) {
    const lay = writing.lies.find(({ id }) => id === layer.id);
    const at = { fillId: writing.fillId, position };
    if (lay && layer.kind === 'retained') await u.tables.fillLayers.create(keptRow(at, layer, lay));
    if (lay && layer.kind === 'line') await writeLine(u, writing, { at, layer, lay });
  }
}

interface LineToWrite {
  readonly at: Place;
  readonly layer: Extract<LayerRequest, { kind: 'line' }>;
  readonly lay: WoundLayer;
}

async function writeLine(
  u: Unit,
  { run, job, settled, state }: ToWrite,
  { at, layer, lay }: LineToWrite,
): Promise<void> {
  // Line turned end for end is the customer's own: it comes off no piece.
  const own = state.supplies[layer.id]?.way === 'reverse';
  const found = own ? undefined : job.cuts.find((one) => one.layer === layer.id);
  const cut = found && found.pieceId !== null ? { ...found, pieceId: found.pieceId } : undefined;
  const lengthMm = await onTheBooks(u, cut, lay, state);
  const { length, restsOn } = settled.layers.find(({ id }) => id === layer.id) ?? UNKNOWN;
  const known = {
    lengthMm,
    likelyLowMm: Math.min(lengthMm, Math.round(length.low * 1000)),
    likelyHighMm: Math.max(lengthMm, Math.round(length.high * 1000)),
    restsOn: [...restsOn],
  };
  await u.tables.fillLayers.create({ ...layerRow(at, layer, lay, cut), ...known });
  if (!cut || lengthMm <= 0) return;
  const drawn = {
    pieceId: cut.pieceId,
    lengthMm,
    tailMm: cut.takes ? 0 : run.madeUnder.tailMm,
    runId: run.id,
  };
  await drawLine(u, { ...drawn, why: `${job.tag}, ${layer.role}` });
}

const UNKNOWN = { length: { low: 0, high: 0 }, restsOn: [] } as const;

/**
 * The length that is written and drawn, mm: what most likely lies there, bounded by what its piece held. More than that is
 * found line, and is booked only where the technician said that the books were wrong.
 */
async function onTheBooks(
  u: Unit,
  cut: { readonly pieceId: number; readonly layer: string } | undefined,
  lay: WoundLayer,
  { settlings }: RunState,
): Promise<number> {
  const lengthMm = Math.round(lay.length * 1000);
  const found = settlings.some(({ cause, about }) => cause === 'piece' && about === cut?.layer);
  if (!cut || found) return lengthMm;
  const piece = await lockPiece(u, { id: cut.pieceId });
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
  ...{ ...at, layer: id, role: 'kept' as const, line, handleTurns: 0, innerRadius, outerRadius },
  lineName: `Old ${line.material} ${line.diameter.toFixed(2)}`,
  tint: '#b7b7b7',
  pieceId: null,
  lengthMm: Math.round(length * 1000),
});

const layerRow = (
  at: Place,
  { id, role, line }: Extract<LayerRequest, { kind: 'line' }>,
  { handleTurns, innerRadius, outerRadius }: WoundLayer,
  cut: { pieceId: number; productName: string; tint: string } | undefined,
) => ({
  ...{ ...at, layer: id, role, line, handleTurns, innerRadius, outerRadius },
  lineName: cut?.productName ?? `${line.material} ${line.diameter.toFixed(2)}`,
  tint: cut?.tint ?? '#b7b7b7',
  pieceId: cut?.pieceId ?? null,
});

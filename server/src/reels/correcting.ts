import type { Unit } from '../context/context';
import type { CorrectFill } from '@yard-spool/contract';
import {
  type Correction,
  foldRun,
  GAP_RANGE,
  kindOfStep,
  message,
  noteAt,
  noteProblem,
  runFacts,
} from '@yard-spool/core';
import { readJob } from '../bags/bags';
import { readLog } from '../bench/run-log';
import type { FillLayerRow, FillRow, RunRow } from '../db/models/runs';
import { ProblemError } from '../problem-error';
import { addMoves } from '../rack/move';

/** A correction under way: the fill and its run locked, its layers, and what is asked. */
export interface Correcting {
  readonly u: Unit;
  readonly run: RunRow;
  readonly fill: FillRow;
  readonly layers: readonly FillLayerRow[];
  readonly asked: CorrectFill;
}

type Value = Correction['was'];

/** The layer of line a correction is about. */
export function layerAt({ layers, asked: { about } }: Correcting): FillLayerRow {
  const layer = layers[Number(about)];
  if (!layer || layer.role === 'kept')
    throw new ProblemError('bad-request', 'There is no such layer of line in this fill.');
  return layer;
}

/** One line of the ledger that puts a piece right; one whose ledger was closed stays as it was. */
export async function moveBack(
  { u, run, asked: { why } }: Correcting,
  pieceId: number,
  lengthMm: number,
): Promise<void> {
  const piece = await u.tables.pieces.lock(pieceId);
  if (!piece || piece.writtenOff || lengthMm === 0) return;
  const said = `record put right: ${why}`.slice(0, 200);
  await addMoves(u, piece, [{ kind: lengthMm > 0 ? 'taken-back' : 'filled', lengthMm, why: said }], run.id);
}

const within = (gap: number): boolean => gap >= GAP_RANGE[0] && gap <= GAP_RANGE[1];

/** Another gap, or none; gives what it was. */
export async function correctGap({ u, fill, asked: { is } }: Correcting): Promise<Value> {
  if (is !== null && (typeof is !== 'number' || !within(is)))
    throw new ProblemError(
      'bad-request',
      message('limit.from-mm', { what: 'A gap', range: { mm: GAP_RANGE } }),
    );
  const was = fill.gapRead === null ? null : Number(fill.gapRead);
  await u.tables.fills.change(fill, { gapRead: is === null ? null : is.toFixed(3) });
  return was;
}

/** Something else written down at a step, or nothing; gives what it was. */
export async function correctNote({ u, run, asked: { about, is } }: Correcting): Promise<Value> {
  const job = await readJob(u, run.jobId);
  const facts = runFacts({ job, under: run.madeUnder });
  const [step, key] = noteAt(about);
  const kind = kindOfStep(step, facts);
  if (!kind) throw new ProblemError('bad-request', 'This fill has no such step.');
  const wrong = is === null ? '' : noteProblem(kind, { [key]: is });
  if (wrong !== '') throw new ProblemError('bad-request', wrong);
  const state = foldRun(facts, await readLog(u, run.id));
  return state.notes[step]?.[key] ?? null;
}

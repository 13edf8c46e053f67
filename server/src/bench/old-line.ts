import type { Unit } from '../context/context';
import { NewPieceSchema } from '@yard-spool/contract';
import { type NoteValue, type RunState, STREAMS } from '@yard-spool/core';
import * as v from 'valibot';
import type { RunRow } from '../db/models/runs';
import { noteChange } from '../history/bag-history';
import { createPiece } from '../rack/receive';

type Notes = Readonly<Record<string, NoteValue>>;

/** The reel it was stripped off, and its bag. */
interface StrippedOff {
  readonly tag: string;
  readonly bagId: number;
}

/**
 * Puts what was stripped where the technician said: into its bin, or on to the rack as salvage. Once a run: one that was
 * opened again has put its old line away already.
 */
export async function putOldLineAway(
  u: Unit,
  run: RunRow,
  off: StrippedOff,
  { notes, skipped }: RunState,
): Promise<void> {
  const noted = notes.strip;
  if (!noted || skipped.has('strip')) return;
  if (noted.to === 'bin') await intoBin(u, run, off.tag, noted);
  if (noted.to === 'rack') await ontoRack(u, run, off, noted);
}

async function intoBin(
  { tables, clock, actor }: Unit,
  { id: runId }: RunRow,
  tag: string,
  noted: Notes,
): Promise<void> {
  const stream = STREAMS.find((one) => one === noted.material);
  if (!stream || (await tables.recyclings.findOne({ where: { runId } }))) return;
  const grams = typeof noted.grams === 'number' ? noted.grams : 0;
  await tables.recyclings.create({
    stream,
    runId,
    pieceId: null,
    lengthMm: null,
    byId: actor.id,
    grams: grams.toFixed(1),
    estimated: typeof noted.grams !== 'number',
    tubes: noted.tubeFull === true ? 1 : 0,
    why: `stripped off ${tag}`,
    at: clock(),
  });
}

/** Salvage of more than this was never on a reel, m. */
const MOST_SALVAGE = 5000;

/** What is said of it may be wrong or missing: no count is lost for that, and the bag says what is left to do. */
async function ontoRack(u: Unit, { id }: RunRow, { tag, bagId }: StrippedOff, noted: Notes): Promise<void> {
  const code = `S-R${String(id)}`;
  if (await u.tables.pieces.findOne({ where: { code } })) return;
  const { line, metres } = noted;
  const product =
    typeof line === 'string' ? await u.tables.products.findOne({ where: { code: line } }) : null;
  if (!product || typeof metres !== 'number' || metres < 1 || metres > MOST_SALVAGE) {
    const what = `The old line of ${tag} was not put on the rack: nobody said which line it is, or how much. Receive it there.`;
    await noteChange(u, bagId, what);
    return;
  }
  const piece = v.parse(NewPieceSchema, {
    code,
    product: { id: product.id },
    kind: 'salvage',
    place: 'Salvage',
    fromReel: tag,
    lengthMm: Math.round(metres * 1000),
  });
  await createPiece(u, piece);
}

import type { NewRecycling, Person, RecyclingBook } from '@yard-spool/contract';
import { lineOf, solidMass, streamOf, STREAMS } from '@yard-spool/core';
import type { Reading, ServerContext, Unit } from '../context/context';
import { unit } from '../context/unit';
import { peopleNames } from '../people/people';
import { ProblemError } from '../problem-error';
import { refuseIfPromised } from '../rack/change-piece';
import { addMoves, lockPiece } from '../rack/move';
import { onePiece } from '../rack/rack';

const LATEST = 60;

/** Running totals by bin and the latest entries. */
export async function readRecycling(from: Reading): Promise<RecyclingBook> {
  const { tables, query } = from;
  const [sums, rows, nameOf] = await Promise.all([
    query<{ stream: string; grams: string; tubes: string }>(
      'SELECT stream, SUM(grams) AS grams, SUM(tubes) AS tubes FROM recyclings GROUP BY stream',
    ),
    tables.recyclings.findAll({ order: [['id', 'DESC']], limit: LATEST }),
    peopleNames(from),
  ]);
  return {
    totals: STREAMS.map((stream) => {
      const sum = sums.find((one) => one.stream === stream);
      return { stream, grams: Number(sum?.grams ?? 0), tubes: Number(sum?.tubes ?? 0) };
    }),
    entries: rows.map(({ id, stream, grams, estimated, tubes, lengthMm, why, at, byId }) => ({
      id,
      stream,
      tubes,
      lengthMm,
      why,
      grams: Number(grams),
      estimated,
      at: at.toISOString(),
      by: nameOf.get(byId) ?? '',
    })),
  };
}

/** Old line into its bin. Off a piece it takes all that is left, and the piece leaves the rack. */
export async function recycle(
  context: ServerContext,
  person: Person,
  asked: NewRecycling,
): Promise<RecyclingBook> {
  await unit(context, person, async (u) => {
    const off = asked.piece === null ? NOTHING : await offPiece(u, asked.piece, asked);
    const grams = asked.grams ?? off.grams;
    if (grams === null)
      throw new ProblemError('bad-request', 'Weigh it: what this line weighs a metre is not known.', [
        { path: 'grams', message: 'A weight is needed, in g.' },
      ]);
    await u.tables.recyclings.create({
      stream: asked.stream,
      grams: grams.toFixed(1),
      estimated: asked.grams === null,
      tubes: asked.tubes,
      lengthMm: off.lengthMm,
      pieceId: off.pieceId,
      why: asked.why,
      at: u.clock(),
      byId: u.actor.id,
    });
  });
  return readRecycling(context);
}

const NOTHING = { grams: null, lengthMm: null, pieceId: null } as const;

async function offPiece(
  u: Unit,
  code: string,
  { stream, why }: Pick<NewRecycling, 'stream' | 'why'>,
): Promise<{ grams: number | null; lengthMm: number; pieceId: number }> {
  const row = await lockPiece(u, { code });
  const { product } = await onePiece(u, { code });
  const belongs = streamOf(product.material);
  if (belongs !== stream)
    throw new ProblemError('bad-request', `${code} is ${product.name}: it goes to the ${belongs} bin.`, [
      { path: 'stream', message: `It goes to the ${belongs} bin.` },
    ]);
  await refuseIfPromised(u, code);
  const { lengthMm } = row;
  const perMetre = product.mass?.gramsPerMetre ?? solidMass(lineOf(product))?.gramsPerMetre;
  await addMoves(u, row, [{ kind: 'recycled', lengthMm: -lengthMm, why: why || `into the ${stream} bin` }]);
  await u.tables.pieces.change(row, { writtenOff: true, version: row.version + 1 });
  return {
    grams: perMetre === undefined ? null : (perMetre * lengthMm) / 1000,
    lengthMm,
    pieceId: row.id,
  };
}

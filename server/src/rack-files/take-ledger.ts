import type { Unit } from '../context/context';
import { MOST_ON_A_PIECE, type RowError } from '@yard-spool/contract';
import type { PieceRow } from '../db/models/rack';
import { brokenAt, brokenWords, promisesOf } from '../rack/broken-promises';
import type { Checked } from './check-rows';
import { inChunks } from './in-chunks';
import type { MoveFileRow } from './row-schemas';
import type { TakeIn } from './take-in-type';

type Row = Checked<MoveFileRow>;

/**
 * A ledger from a file. Whoever imports it stands behind it: each move is booked under their name, and says whose it is in
 * the file where that is another one. No row may lie before its piece came or in the time to come, be of a piece that was
 * written off, or leave less than is promised.
 */
export const takeLedger: TakeIn<'ledger'> = async (u, good) => {
  const { tables, actor } = u;
  const errors: RowError[] = [];
  const codes = [...new Set(good.map(({ value }) => value.piece))];
  const pieces = new Map(
    (await tables.pieces.lockAll({ where: { code: codes } })).map((row) => [row.code, row]),
  );
  const came = await whenTheyCame(u, [...pieces.values()]);
  for (const one of good) errors.push(...wrongWith(one, pieces.get(one.value.piece), came, u.clock()));
  const { lengths, below } = runningLengths(
    good.filter(({ value }) => pieces.get(value.piece)?.writtenOff === false),
    pieces,
  );
  errors.push(...below, ...(await promisedAway(u, good, pieces, lengths)));
  const write = async (): Promise<void> => {
    await inChunks(good, (chunk) =>
      tables.moves.createAll(
        chunk.map(({ value: { piece, kind, moved_m, at, by, why } }) => ({
          pieceId: pieces.get(piece)?.id ?? 0,
          kind,
          lengthMm: moved_m,
          at,
          runId: null,
          byId: actor.id,
          why:
            by === actor.name
              ? why
              : `${why}${why === '' ? '' : ', '}by ${by} in the imported file`.slice(0, 200),
        })),
      ),
    );
    for (const [code, lengthMm] of lengths) {
      const piece = pieces.get(code);
      if (piece) await tables.pieces.change(piece, { lengthMm });
    }
  };
  return { errors, write };
};

/** When each piece came on to the rack, by its number. */
async function whenTheyCame(
  { query }: Unit,
  pieces: readonly PieceRow[],
): Promise<ReadonlyMap<number, Date>> {
  if (pieces.length === 0) return new Map();
  const rows = await query<{ pieceId: number; at: string | Date }>(
    'SELECT piece_id AS pieceId, MIN(at) AS at FROM moves WHERE piece_id IN (:only) GROUP BY piece_id',
    { only: pieces.map(({ id }) => id) },
  );
  return new Map(rows.map(({ pieceId, at }) => [pieceId, new Date(at)]));
}

function wrongWith(
  { row, value }: Row,
  piece: PieceRow | undefined,
  came: ReadonlyMap<number, Date>,
  now: Date,
): RowError[] {
  const wrong = (column: string, message: string): RowError[] => [{ row, column, message }];
  if (!piece) return wrong('piece', `There is no piece ${value.piece} on the rack.`);
  if (piece.writtenOff)
    return wrong('piece', `${value.piece} was written off: nothing moves on it any more.`);
  if (value.at > now) return wrong('at', 'This lies in the time to come.');
  const first = came.get(piece.id);
  if (first && value.at < first)
    return wrong(
      'at',
      `${value.piece} came on ${first.toISOString().slice(0, 10)}: nothing moved on it before.`,
    );
  return [];
}

/** Lengths after all rows, and the rows after which a piece would hold less than zero, or more than one can. */
function runningLengths(
  rows: readonly Row[],
  pieces: ReadonlyMap<string, PieceRow>,
): { lengths: Map<string, number>; below: RowError[] } {
  const lengths = new Map<string, number>();
  const below: RowError[] = [];
  for (const { row, value } of rows) {
    const before = lengths.get(value.piece) ?? pieces.get(value.piece)?.lengthMm;
    if (before === undefined) continue;
    lengths.set(value.piece, before + value.moved_m);
    if (before + value.moved_m < 0)
      below.push({
        row,
        column: 'moved_m',
        message: `${value.piece} has ${String(before / 1000)} m before this row: it would hold less than zero.`,
      });
    else if (before + value.moved_m > MOST_ON_A_PIECE)
      below.push({
        row,
        column: 'moved_m',
        message: `${value.piece} would hold more than ${String(MOST_ON_A_PIECE / 1_000_000)} km after this row: no piece does.`,
      });
  }
  return { lengths, below };
}

/** The last row of each piece that is left with less than is promised off it, with whose promise that is. */
async function promisedAway(
  u: Unit,
  rows: readonly Row[],
  pieces: ReadonlyMap<string, PieceRow>,
  lengths: ReadonlyMap<string, number>,
): Promise<RowError[]> {
  const errors: RowError[] = [];
  for (const [code, lengthMm] of lengths) {
    const piece = pieces.get(code);
    if (!piece || lengthMm >= piece.lengthMm || lengthMm < 0) continue;
    const broken = brokenAt(await promisesOf(u, piece.id), lengthMm);
    const last = rows.findLast(({ value }) => value.piece === code);
    if (broken.length > 0 && last)
      errors.push({
        row: last.row,
        column: 'moved_m',
        message: `After this row ${code} has less than is promised off it: ${brokenWords(broken)}. Plan those again first.`,
      });
  }
  return errors;
}

import { OWNER_OF_REEL, REEL_OF_FILL } from '../db/joins';
import type { Comeback, ComebackChange, NewComeback, Page, Person } from '@yard-spool/contract';
import type { ServerContext, Reading } from '../context/context';
import { pageOf } from '../db/page-of';
import { parsed } from '../db/parsed';
import { ProblemError } from '../problem-error';
import { unit } from '../context/unit';

interface Row extends Omit<Comeback, 'at' | 'filledAt' | 'worked'> {
  readonly at: Date;
  readonly worked: number | null;
  readonly filledAt: Date;
}

const COMEBACKS = `SELECT STRAIGHT_JOIN comebacks.id, comebacks.fill_id AS fillId, reels.tag, reels.label, customers.name AS customer,
    fills.closed_at AS filledAt, fillers.name AS filledBy, comebacks.at, people.name AS \`by\`, comebacks.complaint,
    comebacks.saw, comebacks.cause, comebacks.found, comebacks.did, comebacks.fault, comebacks.second, comebacks.looks,
    comebacks.worked, comebacks.version
  FROM comebacks JOIN fills ON fills.id = comebacks.fill_id ${REEL_OF_FILL} ${OWNER_OF_REEL}
    JOIN people ON people.id = comebacks.by_id JOIN people AS fillers ON fillers.id = fills.by_id`;

const toComeback = (row: Row): Comeback => ({
  ...row,
  at: row.at.toISOString(),
  filledAt: row.filledAt.toISOString(),
  looks: parsed(row.looks),
  worked: row.worked === null ? null : row.worked === 1,
});

/** What came back with a complaint, of some fills, newest first. */
export async function comebacksOf(from: Reading, fillIds: readonly number[]): Promise<Comeback[]> {
  const rows = await from.query<Row>(
    `${COMEBACKS} WHERE comebacks.fill_id IN (:fillIds) ORDER BY comebacks.id DESC`,
    { fillIds },
  );
  return rows.map(toComeback);
}

const PAGE = 50;

/** All that came back, newest first. */
export async function listComebacks(
  from: Reading,
  { which, after }: { readonly which: 'all' | 'open'; readonly after: string },
): Promise<Page<Comeback>> {
  const where = [
    ...(after === '' ? [] : ['comebacks.id < :after']),
    ...(which === 'open' ? ['comebacks.cause IS NULL'] : []),
  ];
  const rows = await from.query<Row>(
    `${COMEBACKS} ${where.length > 0 ? `WHERE ${where.join(' AND ')}` : ''}
     ORDER BY comebacks.id DESC LIMIT ${String(PAGE + 1)}`,
    { after: Number(after) || 0 },
  );
  return pageOf(rows.map(toComeback), PAGE, ({ id }) => String(id));
}

async function readComeback(from: Reading, id: number): Promise<Comeback> {
  const [row] = await from.query<Row>(`${COMEBACKS} WHERE comebacks.id = :id`, { id });
  if (!row) throw new ProblemError('not-found', GONE);
  return toComeback(row);
}

const GONE = 'There is no such entry of something that came back.';

/** Books a reel that came back against the fill it is about: what its customer saw. */
export async function bookComeback(
  context: ServerContext,
  person: Person,
  fillId: number,
  { complaint, saw }: NewComeback,
): Promise<Comeback> {
  const id = await unit(context, person, async (u) => {
    const fill = await u.tables.fills.lock(fillId);
    if (!fill || fill.takenBackAt) throw new ProblemError('not-found', 'There is no such fill any more.');
    const row = await u.tables.comebacks.create({ fillId, at: u.clock(), byId: u.actor.id, complaint, saw });
    await u.happened.renamed('note', [fillId]);
    return row.id;
  });
  return readComeback(context, id);
}

/** What was found and done about it, on the entry as it was looked at. */
export async function changeComeback(
  context: ServerContext,
  person: Person,
  id: number,
  { version, ...values }: ComebackChange,
): Promise<Comeback> {
  await unit(context, person, async (u) => {
    const row = await u.lockVersioned(u.tables.comebacks, id, version, {
      gone: GONE,
      changed: 'Somebody wrote something else here meanwhile. Look again.',
    });
    await u.tables.comebacks.change(row, { ...values, version: version + 1 });
    await u.happened.renamed('note', [row.fillId]);
  });
  return readComeback(context, id);
}

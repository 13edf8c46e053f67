import { createHash, randomBytes } from 'node:crypto';
import type { Person, SignedIn } from '@yard-spool/contract';
import { Op } from 'sequelize';
import type { Reading, ServerContext } from '../context/context';
import type { SessionRow } from '../db/models/people';
import { readHouseRules } from '../shop/read-house-rules';
import { unit } from '../context/unit';
import { ProblemError } from '../problem-error';
import { noteAudit } from './audit';
import { checkPasscode, hashPasscode, isOfAnotherCost } from './passcode';
import { secondStep } from './second-step';

/** How long somebody stays signed in at the longest: a working day (OWASP ASVS 4.0.3, 3.3.2, from memory). */
export const SESSION_HOURS = 12;
/** A session's use is written down at most this often, ms. */
const SEEN_EACH_MS = 60_000;
const MINUTE_MS = 60_000;

/** How long it is known that a request was answered: longer than a tablet is without the server, ms. */
const ANSWERS_KEPT_MS = 7 * 24 * 3_600_000;

/** Sent when sessions may have ended: whoever is told something live looks whether they are still signed in. */
export const SESSIONS_TOPIC = 'sessions';

/** A token as it is kept. */
export const hashToken = (token: string): string => createHash('sha256').update(token).digest('hex');

/** A session's name in lists: tells it from others, and lets nobody in. */
const keyOf = ({ tokenHash }: Pick<SessionRow, 'tokenHash'>): string => hashToken(tokenHash).slice(0, 16);

/** Checked when nobody has the name, so that a wrong name takes as long as a wrong passcode. */
let nobody: Promise<string> | null = null;

/** What somebody signs in with. */
export interface SignInAsked {
  readonly name: string;
  readonly passcode: string;
  /** What their authenticator shows, where they have a second step. */
  readonly code?: string;
}

const olderThan = (step: number) => ({ [Op.or]: [{ stepLast: null }, { stepLast: { [Op.lt]: step } }] });

/** Signs a person in by name and passcode. The token is given out once and kept only as a hash. */
export async function signIn(
  context: ServerContext,
  { name, passcode, code }: SignInAsked,
  place: string,
): Promise<{ person: Person; token: string; expiresAt: Date }> {
  const { passcodeCost } = context;
  nobody ??= hashPasscode('nobody has this passcode', passcodeCost);
  const row = await context.tables.people.findOne({ where: { name, leftAt: null } });
  const right = await checkPasscode(passcode, row?.passcodeHash ?? (await nobody));
  if (!row || !right) {
    // What is typed for a name may be a passcode: only a name that is known is kept.
    await unit(context, null, (u) =>
      noteAudit(u, 'sign-in-failed', { name: row?.name ?? '', place, what: row ? '' : 'a name nobody has' }),
    );
    throw new ProblemError('wrong-passcode', 'Wrong passcode for this name. Try again.');
  }
  const step = await secondStep(row, code, context.clock);
  const better = isOfAnotherCost(row.passcodeHash, passcodeCost)
    ? await hashPasscode(passcode, passcodeCost)
    : null;
  const token = randomBytes(32).toString('base64url');
  const createdAt = context.clock();
  const expiresAt = new Date(createdAt.getTime() + SESSION_HOURS * 3_600_000);
  await unit(context, null, async (u) => {
    const { sessions, people, answeredRequests } = u.tables;
    await sessions.removeAll({ expiresAt: { [Op.lt]: createdAt } });
    await answeredRequests.removeAll({ at: { [Op.lt]: new Date(createdAt.getTime() - ANSWERS_KEPT_MS) } });
    await sessions.create({
      tokenHash: hashToken(token),
      personId: row.id,
      createdAt,
      expiresAt,
      seenAt: createdAt,
      provedAt: createdAt,
      place: place.slice(0, 80),
    });
    // Two with the same code at once: one of them is let in.
    if (
      step !== null &&
      (await people.changeAll({ stepLast: step }, { id: row.id, ...olderThan(step) })) === 0
    )
      throw new ProblemError('code-needed', 'This code was used already. Wait for the next one.');
    if (better !== null)
      await people.changeAll({ passcodeHash: better }, { id: row.id, passcodeHash: row.passcodeHash });
    await noteAudit(u, 'signed-in', { name: row.name, place });
  });
  return { person: { id: row.id, name: row.name, role: row.role }, token, expiresAt };
}

/** Who a session token belongs to, or null where it is unknown, over, or was not used for longer than the house allows. */
export async function personOfToken(from: Reading, token: string): Promise<Person | null> {
  return (await sessionOf(from, token))?.person ?? null;
}

/** Who asks with a session token; that it was used just now is written down, where that was not lately. */
export async function whoAsks(
  context: ServerContext,
  token: string,
): Promise<{ readonly person: Person; readonly provedAt: Date } | null> {
  const session = await sessionOf(context, token);
  if (!session) return null;
  const { person, seenAt, provedAt } = session;
  const now = context.clock();
  if (seenAt === null || now.getTime() - seenAt.getTime() > SEEN_EACH_MS)
    await unit(context, null, ({ tables }) =>
      tables.sessions.changeAll({ seenAt: now }, { tokenHash: hashToken(token) }),
    );
  return { person, provedAt };
}

/** The session of a token and whose it is. Asked before everything else that is asked, so in one go. */
async function sessionOf(
  from: Reading,
  token: string,
): Promise<{ readonly person: Person; readonly seenAt: Date | null; readonly provedAt: Date } | null> {
  const now = from.clock();
  const [row] = await from.query<Person & Pick<SessionRow, 'createdAt' | 'seenAt' | 'provedAt'>>(
    `SELECT people.id, people.name, people.role, sessions.created_at AS createdAt, sessions.seen_at AS seenAt,
            sessions.proved_at AS provedAt
       FROM sessions JOIN people ON people.id = sessions.person_id
      WHERE sessions.token_hash = :hash AND sessions.expires_at > :now AND people.left_at IS NULL`,
    { hash: hashToken(token), now },
  );
  if (!row) return null;
  const { createdAt, seenAt, provedAt, ...person } = row;
  const { idleMinutes } = await readHouseRules(from);
  const idle = now.getTime() - (seenAt ?? createdAt).getTime();
  // Used just before it is written down again, it may look a minute older than it is.
  return idleMinutes > 0 && idle > idleMinutes * MINUTE_MS + SEEN_EACH_MS
    ? null
    : { person, seenAt, provedAt: provedAt ?? createdAt };
}

export const signOut = (
  context: ServerContext,
  token: string,
  person: Person | null,
  place: string,
): Promise<void> =>
  unit(context, null, async (u) => {
    const ended = await u.tables.sessions.removeAll({ tokenHash: hashToken(token) });
    if (ended > 0 && person) await noteAudit(u, 'signed-out', { name: person.name, place });
    // Nobody who was not signed in makes every stream look again.
    if (ended > 0) u.afterCommit(() => u.notifier.emit(SESSIONS_TOPIC));
  });

/** Where people are signed in, the one used last first: all of them for a manager, else one's own. */
export async function listSignedIn(from: Reading, person: Person, token: string): Promise<SignedIn[]> {
  const people = await from.tables.people.findAll({ where: { leftAt: null } });
  const nameOf = new Map(people.map(({ id, name }) => [id, name]));
  const rows = await from.tables.sessions.findAll({
    where: {
      expiresAt: { [Op.gt]: from.clock() },
      ...(person.role === 'manager' ? {} : { personId: person.id }),
    },
    order: [['seenAt', 'DESC']],
  });
  return rows.map((row) => ({
    key: keyOf(row),
    name: nameOf.get(row.personId) ?? '',
    place: row.place,
    since: row.createdAt.toISOString(),
    seenAt: (row.seenAt ?? row.createdAt).toISOString(),
    here: row.tokenHash === hashToken(token),
  }));
}

/** Signs one device out: anybody's for a manager, else one's own. */
export const endSession = (
  context: ServerContext,
  person: Person,
  key: string,
  place: string,
): Promise<Record<string, never>> =>
  unit(context, person, async (u) => {
    const rows = await u.tables.sessions.findAll();
    const row = rows.find((one) => keyOf(one) === key);
    if (!row || (row.personId !== person.id && person.role !== 'manager'))
      throw new ProblemError('not-found', 'Nobody is signed in there any more.');
    const whose = await u.tables.people.findByPk(row.personId);
    await u.tables.sessions.removeAll({ tokenHash: row.tokenHash });
    await noteAudit(u, 'session-ended', {
      name: person.name,
      place,
      what: `${whose?.name ?? ''}, ${row.place}`,
    });
    u.afterCommit(() => u.notifier.emit(SESSIONS_TOPIC));
    return {};
  });

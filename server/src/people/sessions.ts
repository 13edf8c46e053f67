import { createHash, randomBytes } from 'node:crypto';
import type { Person } from '@yard-spool/contract';
import { Op } from 'sequelize';
import type { Reading, ServerContext } from '../context';
import { unit } from '../unit';
import { ProblemError } from '../problem-error';
import { checkPasscode, hashPasscode } from './passcode';

/** How long somebody stays signed in: a working day and the evening after it. */
export const SESSION_HOURS = 16;

/** Checked when nobody has the name, so that a wrong name takes as long as a wrong passcode. */
const nobody = hashPasscode('nobody has this passcode');

/** A token as it is kept. */
export const hashToken = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Signs a person in by name and passcode. The token is given out once and kept only as a hash. */
export async function signIn(
  context: ServerContext,
  name: string,
  passcode: string,
): Promise<{ person: Person; token: string; expiresAt: Date }> {
  const row = await context.tables.people.findOne({ where: { name, leftAt: null } });
  const right = await checkPasscode(passcode, row?.passcodeHash ?? (await nobody));
  if (!row || !right)
    throw new ProblemError('wrong-passcode', 'That name and passcode do not belong together. Try again.');
  const token = randomBytes(32).toString('base64url');
  const createdAt = context.clock();
  const expiresAt = new Date(createdAt.getTime() + SESSION_HOURS * 3_600_000);
  await unit(context, null, async ({ tables: { sessions } }) => {
    await sessions.removeAll({ expiresAt: { [Op.lt]: createdAt } });
    await sessions.create({
      tokenHash: hashToken(token),
      personId: row.id,
      createdAt,
      expiresAt,
    });
  });
  return { person: { id: row.id, name: row.name, role: row.role }, token, expiresAt };
}

/** Who a session token belongs to, or null where it is unknown or over. */
export async function personOfToken(from: Reading, token: string): Promise<Person | null> {
  const session = await from.tables.sessions.findOne({
    where: { tokenHash: hashToken(token), expiresAt: { [Op.gt]: from.clock() } },
  });
  const row =
    session && (await from.tables.people.findOne({ where: { id: session.personId, leftAt: null } }));
  return row ? { id: row.id, name: row.name, role: row.role } : null;
}

export const signOut = (context: ServerContext, token: string): Promise<number> =>
  unit(context, null, ({ tables }) => tables.sessions.removeAll({ tokenHash: hashToken(token) }));

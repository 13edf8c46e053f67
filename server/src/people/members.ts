import type { Member, NewPerson, Person, PersonChange } from '@yard-spool/contract';
import { Op } from 'sequelize';
import { NO_SECOND_STEP, type PersonRow } from '../db/models/people';
import type { Reading, ServerContext, Unit } from '../context/context';
import { unit } from '../context/unit';
import { managersOnly, noteHouseChange } from '../shop/house-changes';
import { ProblemError } from '../problem-error';
import { noteAudit } from './audit';
import { SESSIONS_TOPIC } from './sessions';
import { checkPasscode, hashPasscode } from './passcode';
import { mustBeStrong } from './strong';
import { toMember } from './to-member';

/** Everybody who is or was here, those who are first. */
export async function listPeople({ tables }: Reading): Promise<Member[]> {
  const people = (await tables.people.findAll({ order: ['name'] })).map(toMember);
  return [...people.filter(({ left }) => left === null), ...people.filter(({ left }) => left !== null)];
}

export async function addMember(
  context: ServerContext,
  person: Person,
  { name, role, passcode }: NewPerson,
  place: string,
): Promise<Member> {
  managersOnly(person, 'adds people');
  await mustBeStrong(context, passcode, name);
  const passcodeHash = await hashPasscode(passcode, context.passcodeCost);
  return unit(context, person, async (u) => {
    const row = await u.tables.people.create({ name, role, passcodeHash, createdAt: u.clock() });
    await noteHouseChange(u, { about: name, was: '', is: role });
    await noteAudit(u, 'person-added', { name: person.name, place, what: `${name}, ${role}` });
    return toMember(row);
  });
}

/**
 * Another name or role, leaving, or coming back. Whoever has left cannot sign in and keeps their name in every record.
 * The last manager stays a manager and stays here.
 */
export async function changeMember(
  context: ServerContext,
  person: Person,
  id: number,
  { version, name, role, here }: PersonChange,
  place: string,
): Promise<Member> {
  managersOnly(person, 'changes people');
  return unit(context, person, async (u) => {
    // All managers under their locks, so that two who leave at once cannot both be the last but one.
    const managers = await u.tables.people.lockAll({
      where: { role: 'manager', leftAt: null },
      order: ['id'],
    });
    const row = await u.lockVersioned(u.tables.people, id, version, {
      gone: GONE,
      changed: 'Somebody changed this person’s entry meanwhile. Look again.',
    });
    if (managers.length === 1 && managers[0]?.id === id && !(role === 'manager' && here))
      throw new ProblemError(
        'last-manager',
        `${row.name} is the only manager. Make somebody else one first, or nobody could change the shop.`,
      );
    const said = (who: { name: string; role: string }, there: boolean): string =>
      `${who.name}, ${there ? who.role : 'has left'}`;
    const change = { about: row.name, was: said(row, row.leftAt === null), is: said({ name, role }, here) };
    await noteHouseChange(u, change);
    const leftAt = here ? null : (row.leftAt ?? u.clock());
    await u.tables.people.change(row, { name, role, leftAt, version: version + 1 });
    await noteAudit(u, 'person-changed', { name: person.name, place, what: `${change.was} to ${change.is}` });
    if (!here) await u.tables.sessions.removeAll({ personId: id });
    u.afterCommit(() => u.notifier.emit(SESSIONS_TOPIC));
    return toMember(row);
  });
}

/** A new passcode. A manager's for anybody; one's own with the one that holds now. Other sessions of theirs end. */
export async function setPasscode(
  context: ServerContext,
  person: Person,
  id: number,
  { passcode, now }: { readonly passcode: string; readonly now: string },
  { keepSession, place }: { readonly keepSession: string; readonly place: string },
): Promise<Member> {
  if (id !== person.id) managersOnly(person, 'sets another’s passcode');
  const known = await context.tables.people.findByPk(id);
  if (id === person.id && !(await checkPasscode(now, known?.passcodeHash ?? '')))
    throw new ProblemError('wrong-passcode', 'The current passcode is not the one you typed.', [
      { path: 'now', message: 'This is not the current passcode.' },
    ]);
  if (known) await mustBeStrong(context, passcode, known.name);
  const passcodeHash = await hashPasscode(passcode, context.passcodeCost);
  const told = { said: 'A new passcode', by: person.name, place, keepSession };
  return unit(context, person, async (u) => toMember(await keepPasscode(u, id, passcodeHash, told)));
}

/** How a new passcode is told, and what of its person goes on. */
interface PasscodeTold {
  readonly said: string;
  readonly by: string;
  readonly place: string;
  /** The session that set it, by its token's hash; all others of theirs end. */
  readonly keepSession: string;
  /** Whether whoever has it set has lost their authenticator as well. */
  readonly endSecondStep?: boolean;
}

/**
 * Keeps a new passcode, ends the sessions begun with the old one, and writes both down.
 *
 * @throws ProblemError not-found where nobody has this number
 */
export async function keepPasscode(
  u: Unit,
  id: number,
  passcodeHash: string,
  { said, by, place, keepSession, endSecondStep = false }: PasscodeTold,
): Promise<PersonRow> {
  const row = await u.tables.people.lock(id);
  if (!row) throw new ProblemError('not-found', GONE);
  await u.tables.people.change(row, {
    passcodeHash,
    version: row.version + 1,
    ...(endSecondStep ? NO_SECOND_STEP : {}),
  });
  await u.tables.sessions.removeAll({ personId: id, tokenHash: { [Op.ne]: keepSession } });
  await noteHouseChange(u, { about: row.name, was: '', is: said });
  await noteAudit(u, 'passcode-set', { name: by, place, what: row.name });
  u.afterCommit(() => u.notifier.emit(SESSIONS_TOPIC));
  return row;
}

const GONE = 'Nobody here has this number.';

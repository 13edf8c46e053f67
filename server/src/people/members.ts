import type { Member, NewPerson, Person, PersonChange } from '@yard-spool/contract';
import { Op, type Transaction } from 'sequelize';
import type { PersonRow } from '../db/models/people';
import { inTransaction } from '../db/transaction';
import type { House } from '../house';
import { managersOnly, noteHouseChange } from '../house-rules/house-changes';
import { ProblemError } from '../problem-error';
import { checkPasscode, hashPasscode } from './passcode';

const toMember = ({ id, name, role, createdAt, leftAt, version }: PersonRow): Member => ({
  id,
  name,
  role,
  since: createdAt.toISOString(),
  left: leftAt?.toISOString() ?? null,
  version,
});

/** Everybody who is or was here, those who are first. */
export async function listPeople({ tables }: House): Promise<Member[]> {
  const people = (await tables.people.findAll({ order: ['name'] })).map(toMember);
  return [...people.filter(({ left }) => left === null), ...people.filter(({ left }) => left !== null)];
}

export async function addMember(
  house: House,
  person: Person,
  { name, role, passcode }: NewPerson,
): Promise<Member> {
  managersOnly(person, 'adds people');
  const passcodeHash = await hashPasscode(passcode);
  return inTransaction(house.sequelize, async (transaction) => {
    const row = await house.tables.people.create(
      { name, role, passcodeHash, createdAt: house.clock() },
      { transaction },
    );
    await noteHouseChange(house, person, { about: name, was: '', is: role }, transaction);
    return toMember(row);
  });
}

/**
 * Another name or role, leaving, or coming back. Whoever has left cannot sign in and keeps their name in every record.
 * The last manager stays a manager and stays here.
 */
export async function changeMember(
  house: House,
  person: Person,
  id: number,
  { version, name, role, here }: PersonChange,
): Promise<Member> {
  managersOnly(person, 'changes people');
  return inTransaction(house.sequelize, async (transaction) => {
    // All managers under their locks, so that two who leave at once cannot both be the last but one.
    const managers = await house.tables.people.findAll({
      where: { role: 'manager', leftAt: null },
      order: ['id'],
      transaction,
      lock: transaction.LOCK.UPDATE,
    });
    const row = await lockPerson(house, id, transaction);
    if (row.version !== version)
      throw new ProblemError('stale-version', `Somebody changed ${row.name} meanwhile. Look again.`);
    if (managers.length === 1 && managers[0]?.id === id && !(role === 'manager' && here))
      throw new ProblemError(
        'last-manager',
        `${row.name} is the only manager. Make somebody else one first, or nobody could change the house.`,
      );
    const said = (who: { name: string; role: string }, there: boolean): string =>
      `${who.name}, ${there ? who.role : 'has left'}`;
    const change = { about: row.name, was: said(row, row.leftAt === null), is: said({ name, role }, here) };
    await noteHouseChange(house, person, change, transaction);
    const leftAt = here ? null : (row.leftAt ?? house.clock());
    await row.update({ name, role, leftAt, version: version + 1 }, { transaction });
    if (!here) await house.tables.sessions.destroy({ where: { personId: id }, transaction });
    return toMember(row);
  });
}

/** A new passcode. A manager's for anybody; one's own with the one that holds now. Other sessions of theirs end. */
export async function setPasscode(
  house: House,
  person: Person,
  id: number,
  { passcode, now }: { readonly passcode: string; readonly now: string },
  keepSession: string,
): Promise<Member> {
  if (id !== person.id) managersOnly(person, 'sets another’s passcode');
  const known = await house.tables.people.findByPk(id);
  if (id === person.id && !(await checkPasscode(now, known?.passcodeHash ?? '')))
    throw new ProblemError('wrong-passcode', 'The passcode that holds now is not the one you typed.', [
      { path: 'now', message: 'This is not the passcode that holds now.' },
    ]);
  const passcodeHash = await hashPasscode(passcode);
  return inTransaction(house.sequelize, async (transaction) => {
    const row = await lockPerson(house, id, transaction);
    await row.update({ passcodeHash, version: row.version + 1 }, { transaction });
    await house.tables.sessions.destroy({
      where: { personId: id, tokenHash: { [Op.ne]: keepSession } },
      transaction,
    });
    await noteHouseChange(house, person, { about: row.name, was: '', is: 'A new passcode' }, transaction);
    return toMember(row);
  });
}

async function lockPerson({ tables }: House, id: number, transaction: Transaction): Promise<PersonRow> {
  const row = await tables.people.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE });
  if (!row) throw new ProblemError('not-found', 'Nobody here has this number.');
  return row;
}

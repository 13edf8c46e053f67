import { isTheirName, PasscodeSchema, type Person } from '@yard-spool/contract';
import * as v from 'valibot';
import type { ServerContext } from '../context';
import { noteHouseChange } from '../house-rules/house-changes';
import { unit } from '../unit';
import { noteAudit } from './audit';
import { hashPasscode } from './passcode';
import { SESSIONS_BELL } from './sessions';

/** What went wrong, in a sentence for whoever sits at the shop's machine. */
export class CannotSet extends Error {}

/**
 * A new passcode for somebody who forgot theirs, set by whoever may start the shop on its own machine. Wherever they were
 * signed in ends; both are written down, for the managers to see.
 *
 * @throws CannotSet where nobody here is called so, or the passcode is none that would be taken on the screen
 */
export async function setForgotten(
  context: ServerContext,
  { name, passcode }: { readonly name: string; readonly passcode: string },
): Promise<Pick<Person, 'name' | 'role'>> {
  const here = await context.tables.people.findAll({ where: { leftAt: null }, order: ['name'] });
  const wanted = plain(name);
  const who = here.find((one) => plain(one.name) === wanted);
  if (!who)
    throw new CannotSet(
      `Nobody here is called ${name.trim() || 'that'}. These are: ${here.map((one) => one.name).join(', ') || 'nobody yet'}.`,
    );
  const read = v.safeParse(PasscodeSchema, passcode);
  if (!read.success) throw new CannotSet(read.issues[0].message);
  if (isTheirName(passcode, who.name)) throw new CannotSet('A name is no passcode. Choose another.');
  const passcodeHash = await hashPasscode(passcode, context.passcodeCost);
  const { id, role } = who;
  await unit(context, { id, name: who.name, role }, async (u) => {
    const row = await u.tables.people.lock(id);
    if (!row) throw new CannotSet(`${who.name} is not here any more.`);
    await u.tables.people.change(row, { passcodeHash, version: row.version + 1 });
    await u.tables.sessions.removeAll({ personId: id });
    await noteHouseChange(u, { about: row.name, was: '', is: 'A new passcode, set on the shop’s machine' });
    await noteAudit(u, 'passcode-set', { name: row.name, place: 'the shop’s machine', what: row.name });
    u.afterCommit(() => u.bell.emit(SESSIONS_BELL));
  });
  return { name: who.name, role };
}

const plain = (name: string): string => name.normalize('NFKD').replace(/\p{M}/gu, '').trim().toLowerCase();

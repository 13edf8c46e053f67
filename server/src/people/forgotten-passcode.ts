import { PasscodeSchema, type Person } from '@yard-spool/contract';
import * as v from 'valibot';
import type { ServerContext } from '../context/context';
import { ProblemError } from '../problem-error';
import { unit } from '../context/unit';
import { keepPasscode } from './members';
import { hashPasscode } from './passcode';
import { mustBeStrong } from './strong';

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
  try {
    await mustBeStrong(context, passcode, who.name);
  } catch (error) {
    throw error instanceof ProblemError ? new CannotSet(error.message) : error;
  }
  const passcodeHash = await hashPasscode(passcode, context.passcodeCost);
  const { id, role } = who;
  const place = 'the shop’s machine';
  await unit(context, { id, name: who.name, role }, (u) =>
    keepPasscode(u, id, passcodeHash, {
      said: `A new passcode, set on ${place}`,
      by: who.name,
      place,
      keepSession: '',
      endSecondStep: true,
    }),
  );
  return { name: who.name, role };
}

const plain = (name: string): string => name.normalize('NFKD').replace(/\p{M}/gu, '').trim().toLowerCase();

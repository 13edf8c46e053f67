import type { BegunStep, Member, Person } from '@yard-spool/contract';
import { generateSecret, generateURI, verify } from 'otplib';
import type { Clock } from '../clock';
import type { ServerContext } from '../context/context';
import { NO_SECOND_STEP, type PersonRow } from '../db/models/people';
import { managersOnly, noteHouseChange } from '../shop/house-changes';
import { readHouseRules } from '../shop/read-house-rules';
import { ProblemError } from '../problem-error';
import { unit } from '../context/unit';
import { noteAudit } from './audit';
import { toMember } from './to-member';

/** How far the clocks of authenticator and server may be apart, s: one code before and after. */
const APART_S = 30;

const WRONG = 'This is not the code that is shown now. Look whether the clocks of both devices are right.';
const wrong = (): ProblemError => new ProblemError('code-needed', WRONG, [{ path: 'code', message: WRONG }]);

/**
 * The half-minute a code is of, since 1970 (RFC 6238, 4.2).
 *
 * @param last the half-minute of the last code that was taken: none is taken twice
 * @returns null where it is none of now
 */
export async function stepOf(
  secret: string,
  code: string,
  { clock, last }: { readonly clock: Clock; readonly last: number | null },
): Promise<number | null> {
  const epoch = Math.floor(clock().getTime() / 1000);
  const checked = await verify({ secret, token: code, epoch, epochTolerance: APART_S });
  if (!checked.valid || !('epoch' in checked)) return null;
  const step = Math.floor(checked.epoch / 30);
  return last !== null && step <= last ? null : step;
}

/**
 * Whether somebody's second step is done, for whoever has one.
 *
 * @returns the half-minute to write down; null where there is no second step
 * @throws ProblemError code-needed where there is one, and no code of now
 */
export async function secondStep(
  { stepSecret, stepLast }: PersonRow,
  code: string | undefined,
  clock: Clock,
): Promise<number | null> {
  if (stepSecret === null) return null;
  if (code === undefined)
    throw new ProblemError('code-needed', 'Type the six figures your authenticator shows.');
  const step = await stepOf(stepSecret, code, { clock, last: stepLast });
  if (step === null) throw wrong();
  return step;
}

/** Begins a manager's own second step: it is on once a code of it was typed. */
export async function beginSecondStep(
  context: ServerContext,
  person: Person,
  id: number,
): Promise<BegunStep> {
  mineAlone(person, id);
  const secret = generateSecret();
  const { shopName } = await readHouseRules(context);
  await unit(context, person, async ({ tables }) => {
    await tables.people.changeAll({ stepBegun: secret }, { id });
  });
  const issuer = shopName === '' ? 'Yard Spool' : shopName;
  return { secret, address: generateURI({ issuer, label: person.name, secret }) };
}

export const confirmSecondStep = (
  context: ServerContext,
  person: Person,
  id: number,
  { code, place }: { readonly code: string; readonly place: string },
): Promise<Member> => {
  mineAlone(person, id);
  return unit(context, person, async (u) => {
    const row = await u.tables.people.lock(id);
    if (!row?.stepBegun) throw new ProblemError('not-found', 'No second step was begun. Begin it again.');
    const step = await stepOf(row.stepBegun, code, { clock: u.clock, last: null });
    if (step === null) throw wrong();
    await u.tables.people.change(row, { stepSecret: row.stepBegun, stepBegun: null, stepLast: step });
    await noteHouseChange(u, { about: row.name, was: '', is: 'A second step when signing in' });
    await noteAudit(u, 'second-step', { name: person.name, place, what: `${row.name}, on` });
    return toMember(row);
  });
};

/** Ends one's own second step, or that of somebody who lost their authenticator. */
export const endSecondStep = (
  context: ServerContext,
  person: Person,
  id: number,
  place: string,
): Promise<Member> => {
  managersOnly(person, 'ends a second step');
  return unit(context, person, async (u) => {
    const row = await u.tables.people.lock(id);
    if (!row) throw new ProblemError('not-found', 'Nobody here has this number.');
    await u.tables.people.change(row, NO_SECOND_STEP);
    await noteHouseChange(u, { about: row.name, was: 'A second step when signing in', is: '' });
    await noteAudit(u, 'second-step', { name: person.name, place, what: `${row.name}, off` });
    return toMember(row);
  });
};

function mineAlone(person: Person, id: number): void {
  managersOnly(person, 'has a second step');
  if (person.id !== id)
    throw new ProblemError('not-allowed', 'Everybody begins their own second step, with their own device.');
}

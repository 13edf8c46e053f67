import { PROOF_MINUTES, type Person } from '@yard-spool/contract';
import type { ServerContext } from '../context/context';
import { ProblemError } from '../problem-error';
import { unit } from '../context/unit';
import { noteAudit } from './audit';
import { checkPasscode } from './passcode';
import { hashToken } from './sessions';

/**
 * Writes down that whoever is signed in typed their passcode again.
 *
 * @throws ProblemError wrong-passcode where it is another
 */
export async function proveAgain(
  context: ServerContext,
  { person, token, place }: { readonly person: Person; readonly token: string; readonly place: string },
  passcode: string,
): Promise<Record<string, never>> {
  const row = await context.tables.people.findByPk(person.id);
  if (!(await checkPasscode(passcode, row?.passcodeHash ?? ''))) {
    await unit(context, null, (u) =>
      noteAudit(u, 'sign-in-failed', { name: person.name, place, what: 'asked again' }),
    );
    throw new ProblemError('wrong-passcode', 'This is not your passcode. Try again.', [
      { path: 'passcode', message: 'This is not your passcode.' },
    ]);
  }
  await unit(context, null, ({ tables, clock }) =>
    tables.sessions.changeAll({ provedAt: clock() }, { tokenHash: hashToken(token) }),
  );
  return {};
}

/**
 * Refuses a manager's act where nobody typed the passcode lately.
 *
 * @param provedAt when it was last typed
 */
export function mustBeProved({ clock, proofMinutes }: ServerContext, provedAt: Date): void {
  if (clock().getTime() - provedAt.getTime() <= proofMinutes * 60_000) return;
  throw new ProblemError(
    'passcode-again',
    `Type your passcode again: it was last typed more than ${String(PROOF_MINUTES)} minutes ago. Nothing was changed yet.`,
  );
}

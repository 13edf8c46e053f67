import { isTheirName, NAME_AS_PASSCODE } from '@yard-spool/contract';
import type { Reading } from '../context/context';
import { readHouseRules } from '../shop/read-house-rules';
import { ProblemError } from '../problem-error';
import { WEAKNESS } from './tasks';
import { inWorker } from '../work/in-worker';

/**
 * Refuses a passcode that would be guessed soon, or is its person's name.
 *
 * @throws ProblemError bad-request, about the passcode, with why
 */
export async function mustBeStrong(from: Reading, passcode: string, name: string): Promise<void> {
  const { shopName } = await readHouseRules(from);
  const weakness = isTheirName(passcode, name)
    ? NAME_AS_PASSCODE
    : await inWorker(WEAKNESS, { passcode, about: [name, shopName].filter(Boolean) });
  if (weakness !== null)
    throw new ProblemError('bad-request', weakness, [{ path: 'passcode', message: weakness }]);
}

import type { Unit } from '../context/context';
import type { Ruling } from '../context/happened';
import { readHouseRules } from '../shop/read-house-rules';
import { listExceptions } from './list-exceptions';

/** The rules and exceptions as they are now. */
export async function rulingNow(u: Unit): Promise<Ruling> {
  return { rules: (await readHouseRules(u)).rules, exceptions: await listExceptions(u) };
}

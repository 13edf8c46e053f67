import { AsyncLocalStorage } from 'node:async_hooks';
import { UniqueConstraintError } from 'sequelize';
import type { Clock } from '../clock';
import type { Tables } from '../db/tables';
import { ProblemError } from '../problem-error';

/** A request that makes something once, and whether its key is kept by now. */
export interface OnceAsked {
  readonly keyHash: string;
  readonly askedHash: string;
  kept: boolean;
}

const asked = new AsyncLocalStorage<OnceAsked>();

/** Runs what a request asks for: the first change it makes keeps the request's key with it. */
export const askedOnce = <T>(once: OnceAsked, work: () => T): T => asked.run(once, work);

/** The request whose key the change that begins now keeps; null where there is none, or it is kept. */
export const keyToKeep = (): OnceAsked | null => {
  const once = asked.getStore();
  return once && !once.kept ? once : null;
};

export const DONE_BEFORE = 'This was asked before, and was done or is being done. Look before you ask again.';

/**
 * Keeps the key in the change it belongs to: both are there, or neither.
 *
 * @throws ProblemError already-exists where another server keeps it
 */
export async function keepKey({ answeredRequests }: Tables, once: OnceAsked, clock: Clock): Promise<void> {
  const { keyHash, askedHash } = once;
  try {
    await answeredRequests.create({ keyHash, askedHash, at: clock() });
  } catch (error) {
    if (error instanceof UniqueConstraintError) throw new ProblemError('already-exists', DONE_BEFORE);
    throw error;
  }
}

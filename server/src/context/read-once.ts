import { AsyncLocalStorage } from 'node:async_hooks';
import { isInsideChange } from '../db/inside-change';

const answering = new AsyncLocalStorage<Map<unknown, Promise<unknown>>>();

/** Answers a question: what several rooms read alike for it is read once, and is the same to all of them. */
export const whileAnswering = <T>(answer: () => Promise<T>): Promise<T> => answering.run(new Map(), answer);

/**
 * Reads what several rooms ask for alike: once while one question is answered; each time inside a change, which has to
 * see what it wrote itself, and wherever nobody waits for an answer.
 *
 * @param what stands for what is read
 */
export function readOnce<T>(what: unknown, read: () => Promise<T>): Promise<T> {
  const had = isInsideChange() ? undefined : answering.getStore();
  if (!had) return read();
  const there = had.get(what) as Promise<T> | undefined;
  if (there) return there;
  const now = read();
  had.set(what, now);
  return now;
}

/**
 * One page of this browser at a time does something, where the browser can tell: not on a plain address in the
 * shop's own network. There, and where the other page is frozen, the server sorts out what comes twice.
 *
 * @param what no two pages do at a time
 * @param patienceMs how long it waits for another page, ms; then it is done all the same
 */
export async function alone(what: string, patienceMs: number, work: () => Promise<void>): Promise<void> {
  const { locks } = navigator as { readonly locks?: LockManager };
  if (!locks) return work();
  const turn = { begun: false };
  const first = async (): Promise<void> => {
    turn.begun = true;
    await work();
  };
  try {
    await locks.request(what, { signal: AbortSignal.timeout(patienceMs) }, first);
  } catch (error) {
    if (turn.begun) throw error;
    await work();
  }
}

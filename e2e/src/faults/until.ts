import { setTimeout as pause } from 'node:timers/promises';

/** Longer than any recovery, ms. */
const PATIENCE_MS = 90_000;

/** Waits until something holds, doing something meanwhile. @throws where it does not come to hold */
export async function until(
  what: string,
  holds: () => boolean | Promise<boolean>,
  meanwhile: () => void = () => undefined,
): Promise<void> {
  const began = Date.now();
  while (!(await holds())) {
    if (Date.now() - began > PATIENCE_MS) throw new Error(`Waited in vain until ${what}.`);
    meanwhile();
    await pause(25);
  }
}

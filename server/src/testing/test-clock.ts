let aheadMs = 0;

/** So long went by, ms: a test waits neither for a hand that winds nor for a silence. */
export const timePasses = (ms: number): void => {
  aheadMs += ms;
};

/** The clock of a test that sets none of its own. */
export const testClock = (): Date => new Date(Date.now() + aheadMs);

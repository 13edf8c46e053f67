/**
 * What is known of the demo that the journeys of this file are gone through in: files that run beside each other have a
 * shop each.
 *
 * @param name a setting, such as `YARD_SPOOL_ADDRESS`
 * @throws where no demo runs
 */
export function shopHere(name: string): string {
  const value = process.env[`${name}_${process.env.VITEST_POOL_ID ?? '1'}`] ?? process.env[name];
  if (!value) throw new Error('Journeys need a running demo: run them with "npm test -- journeys".');
  return value;
}

import type { Bag } from '@yard-spool/contract';
import { wordsAsText, wordsFromText, type Words } from '@yard-spool/core';
import type { Reading, Unit } from '../context/context';

/** Writes down what was done to a bag. Never edited, never removed. */
export async function noteChange({ tables, clock, actor }: Unit, bagId: number, what: Words): Promise<void> {
  await tables.bagChanges.create({ bagId, at: clock(), byId: actor.id, what: wordsAsText(what) });
}

/** What was done to a bag, newest first. */
export async function historyOf({ query }: Reading, bagId: number): Promise<Bag['history']> {
  const rows = await query<{ readonly at: Date; readonly by: string; readonly what: string }>(
    `SELECT bag_changes.at, COALESCE(people.name, '') AS \`by\`, bag_changes.what FROM bag_changes
     LEFT JOIN people ON people.id = bag_changes.by_id WHERE bag_changes.bag_id = :bagId ORDER BY bag_changes.id DESC`,
    { bagId },
  );
  return rows.map(({ at, by, what }) => ({ at: at.toISOString(), by, what: wordsFromText(what) }));
}

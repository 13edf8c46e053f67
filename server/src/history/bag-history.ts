import type { Bag } from '@yard-spool/contract';
import { wordsAsText, wordsFromText, type Words } from '@yard-spool/core';
import type { Reading, Unit } from '../context/context';
import { peopleNames } from '../people/people';

/** Writes down what was done to a bag. Never edited, never removed. */
export async function noteChange({ tables, clock, actor }: Unit, bagId: number, what: Words): Promise<void> {
  await tables.bagChanges.create({ bagId, at: clock(), byId: actor.id, what: wordsAsText(what) });
}

/** What was done to a bag, newest first. */
export async function historyOf(from: Reading, bagId: number): Promise<Bag['history']> {
  const [rows, nameOf] = await Promise.all([
    from.tables.bagChanges.findAll({ where: { bagId }, order: [['id', 'DESC']] }),
    peopleNames(from),
  ]);
  return rows.map(({ at, byId, what }) => ({
    at: at.toISOString(),
    by: nameOf.get(byId) ?? '',
    what: wordsFromText(what),
  }));
}

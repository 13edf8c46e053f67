import type { HouseChange, Person } from '@yard-spool/contract';
import { sameWords, wordsAsText, wordsFromText } from '@yard-spool/core';
import type { Reading } from '../context';
import type { Unit } from '../unit';
import { peopleNames } from '../people/people';
import { ProblemError } from '../problem-error';

const LATEST = 300;

/** Refuses whoever is no manager. `does` says what only a manager does: "changes the house rules". */
export function managersOnly({ role }: Person, does: string): void {
  if (role !== 'manager') throw new ProblemError('not-allowed', `Only a manager ${does}.`);
}

/** Writes down what the house was changed in. Never edited, never removed. */
export async function noteHouseChange(
  { tables, clock, actor }: Unit,
  { about, was, is }: Pick<HouseChange, 'about' | 'was' | 'is'>,
): Promise<void> {
  if (sameWords(was, is)) return;
  const sentences = { was: wordsAsText(was), isNow: wordsAsText(is) };
  await tables.houseChanges.create({ at: clock(), byId: actor.id, about, ...sentences });
}

/** The latest changes of the house, newest first. */
export async function listHouseChanges(from: Reading): Promise<HouseChange[]> {
  const [rows, nameOf] = await Promise.all([
    from.tables.houseChanges.findAll({
      order: [
        ['at', 'DESC'],
        ['id', 'DESC'],
      ],
      limit: LATEST,
    }),
    peopleNames(from),
  ]);
  return rows.map(({ id, at, byId, about, was, isNow }) => ({
    id,
    about,
    was: wordsFromText(was),
    is: wordsFromText(isNow),
    at: at.toISOString(),
    by: nameOf.get(byId) ?? '',
  }));
}

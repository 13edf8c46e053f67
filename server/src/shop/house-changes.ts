import type { Unit } from '../context/context';
import type { HouseChange, Person } from '@yard-spool/contract';
import { sameWords, wordsAsText } from '@yard-spool/core';
import { ProblemError } from '../problem-error';

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

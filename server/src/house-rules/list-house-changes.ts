import type { HouseChange } from '@yard-spool/contract';
import { wordsFromText } from '@yard-spool/core';
import type { Reading } from '../context/context';
import { peopleNames } from '../people/people';

const LATEST = 300;

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

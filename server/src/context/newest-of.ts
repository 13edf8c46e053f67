import { IndexHints } from 'sequelize';

/**
 * The newest first of those that belong to one thing, found by the index that leads to them: left to itself the database
 * may as well walk back over the whole table until one turns up, and what it does changes with its guesses.
 *
 * @param index its name
 */
export const newestOf = (
  index: string,
): { order: [['id', 'DESC']]; indexHints: { type: IndexHints; values: string[] }[] } => ({
  order: [['id', 'DESC']],
  indexHints: [{ type: IndexHints.FORCE, values: [index] }],
});

import type { Sending } from '../data/outbox.service';

const things = (count: number): string => (count === 1 ? '1 thing' : `${String(count)} things`);

/**
 * How what happened at the bench stands with the server, in words.
 *
 * @param unheard what is wrong with the counter: what it counts is not saved
 */
export function savingWords(state: Sending, waiting: number, unheard = ''): string {
  switch (state) {
    case 'saved':
      return unheard === '' ? 'All saved' : `Saved so far; ${unheard}`;
    case 'sending':
      return 'Saving…';
    case 'away':
      return `The server is away: ${things(waiting)} kept here`;
    case 'signed-out':
      return `Nobody is signed in: ${things(waiting)} kept here`;
    case 'held':
      return `${things(waiting)} kept here that the server does not take`;
  }
}

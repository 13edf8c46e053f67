import type { Sending } from '../data/outbox.service';

const things = (count: number): string => (count === 1 ? '1 thing' : `${String(count)} things`);

/** How what happened at the bench stands with the server, in words. */
export function savingWords(state: Sending, waiting: number): string {
  switch (state) {
    case 'saved':
      return 'All saved';
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

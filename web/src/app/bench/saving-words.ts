import type { RunStore } from './run-store';

const things = (count: number): string => (count === 1 ? '1 thing' : `${String(count)} things`);

/**
 * How what happened at the bench stands with the server, in words.
 *
 * @param unheard what is wrong with the counter: what it counts is not saved
 */
export function savingWords(run: Pick<RunStore, 'saving' | 'waiting' | 'kept'>, unheard = ''): string {
  const waiting = run.waiting();
  const kept = run.kept();
  // Said once it is: the others are being written.
  const here = kept < waiting ? `${String(kept)} of ${things(waiting)}` : things(waiting);
  switch (run.saving()) {
    case 'saved':
      return unheard === '' ? 'All saved' : `Saved so far; ${unheard}`;
    case 'sending':
      return 'Saving…';
    case 'away':
      return `The server is away: ${here} kept here`;
    case 'signed-out':
      return `Nobody is signed in: ${here} kept here`;
    case 'held':
      return `${here} kept here that the server does not take`;
  }
}

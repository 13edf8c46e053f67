import type { Response } from 'express';
import PQueue from 'p-queue';
import { ProblemError } from '../problem-error';
import type { Turn } from '../work/turn';
import { personOf } from './serve';

/**
 * What takes long has lanes of its own, and how many of each are under way at once: small papers; papers of many pages and
 * imports; files on their way out.
 */
const LANES = { short: 1, long: 1, files: 3 } as const;
type Lane = keyof typeof LANES;

/** What one person may have waiting in a lane: more than anybody asks for by hand. */
const MOST_WAITING = 40;

/**
 * Everybody has a queue of their own in each lane, and the lane takes one of each in turn: whoever asks for a hundred
 * things waits for themselves, and the next person's label comes after one of them at most.
 */
export class Lanes {
  private readonly queues = new Map<string, PQueue>();

  /**
   * A turn in a lane for whoever asks. Nothing is begun for somebody who has left meanwhile.
   *
   * @throws ProblemError `too-much-work` where too much of theirs waits already
   */
  turn(lane: Lane, response: Response): Turn {
    return (work) => {
      const mine = this.queue(`${lane} ${String(personOf(response).id)}`, 1);
      if (mine.size >= MOST_WAITING)
        throw new ProblemError(
          'too-much-work',
          `${String(MOST_WAITING)} things you asked for are still to be made. Wait for them and ask again.`,
        );
      return mine.add(() =>
        this.queue(lane, LANES[lane]).add(() => {
          if (response.closed) throw new ProblemError('too-much-work', 'Whoever asked for this has left.');
          return work();
        }),
      );
    };
  }

  /** A turn among files on their way out. */
  readonly files = (response: Response): Turn => this.turn('files', response);

  private queue(name: string, concurrency: number): PQueue {
    const queue = this.queues.get(name) ?? new PQueue({ concurrency });
    this.queues.set(name, queue);
    return queue;
  }
}

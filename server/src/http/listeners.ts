import { ProblemError } from '../problem-error';

/** Streams of one session: more windows than anybody has open. */
const OF_A_SESSION = 20;
/** Streams of one person, wherever they are signed in. */
const OF_A_PERSON = 60;

/** Who listens to what happens live: a stream costs as long as it is open, so each may have only so many. */
export class Listeners {
  private readonly open = new Map<string, number>();

  /**
   * Counts a stream in.
   *
   * @param session the session it belongs to, by its token's hash
   * @returns counts it out again; once, however often it is called
   * @throws ProblemError `too-many-tries` where there are too many already
   */
  enter(session: string, person: number): () => void {
    const keys = [`session ${session}`, `person ${String(person)}`] as const;
    const bySession = this.count(keys[0]);
    const byPerson = this.count(keys[1]);
    if (bySession >= OF_A_SESSION || byPerson >= OF_A_PERSON)
      throw new ProblemError(
        'too-many-tries',
        'Too many windows of yours are open at once. Close some and load this one again.',
      );
    for (const key of keys) this.open.set(key, this.count(key) + 1);
    let inside = true;
    return () => {
      if (!inside) return;
      inside = false;
      for (const key of keys) this.leave(key);
    };
  }

  private count(key: string): number {
    return this.open.get(key) ?? 0;
  }

  private leave(key: string): void {
    const left = this.count(key) - 1;
    if (left > 0) this.open.set(key, left);
    else this.open.delete(key);
  }
}

/** Work of which only what was asked for last is wanted: what is overtaken is ended. */
export class OnlyLast {
  private readonly asked: AbortController[] = [];

  /** Begins work, and ends what was begun before it. */
  async begin<Made>(work: (signal: AbortSignal) => Promise<Made>): Promise<Made> {
    for (const before of this.asked.splice(0)) before.abort();
    const own = new AbortController();
    this.asked.push(own);
    return work(own.signal);
  }
}

/**
 * What follows from a change and nobody has to wait for: it is begun once the change is kept, one thing after the other,
 * whatever else is asked meanwhile. What fails in it is told and stops nothing.
 */
export class Behind {
  private last: Promise<void> = Promise.resolve();

  /** @param tellFailed is told what could not be done, and why */
  constructor(private readonly tellFailed: (what: string, error: unknown) => void) {}

  /** @param what is said where it fails */
  start(what: string, work: () => Promise<unknown>): void {
    this.last = this.last.then(work).then(
      () => undefined,
      (error: unknown) => this.tellFailed(what, error),
    );
  }

  /** Once all that was begun is done, also what was begun meanwhile. */
  async idle(): Promise<void> {
    for (let seen: Promise<void> | null = null; seen !== this.last;) {
      seen = this.last;
      await seen;
    }
  }
}

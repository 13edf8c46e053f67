/** What came of all fills: what went wrong, and what that did to the counts. Counts are turns. */
export class Tally {
  private lost = 0;
  private doubled = 0;
  private unaskedFor = 0;
  boundaries = 0;
  private readonly happened = new Map<string, number>();

  /** Something went wrong, once. */
  went(what: string): void {
    this.happened.set(what, (this.happened.get(what) ?? 0) + 1);
  }

  /** The end of a step, where a count ends and another begins. */
  boundary(): void {
    this.boundaries += 1;
  }

  /** A count is off for good: below what was wound it lost, above it counted twice. */
  off(turns: number): void {
    if (turns < 0) this.lost -= turns;
    else this.doubled += turns;
  }

  /** Turns that were shown as counted before anybody said so. */
  unasked(turns: number): void {
    this.unaskedFor += turns;
  }

  /** How often one of these went wrong. */
  times(whats: readonly string[]): number {
    return whats.reduce((sum, what) => sum + (this.happened.get(what) ?? 0), 0);
  }

  get isWhole(): boolean {
    return this.lost + this.doubled + this.unaskedFor === 0;
  }

  get verdict(): string {
    return `lost ${whole(this.lost)}, doubled ${whole(this.doubled)}, credited unasked ${whole(this.unaskedFor)}`;
  }

  /** Lines of a table: how often each of these went wrong. */
  rows(whats: readonly string[]): string[] {
    const wide = Math.max(...whats.map(({ length }) => length));
    return whats.map((what) => `  ${what.padEnd(wide)}  ${String(this.times([what])).padStart(4)}`);
  }
}

const whole = (turns: number): string => turns.toFixed(0);

/** A seeded source of chance (mulberry32, public domain): the same seed asks the same. */
export class Dice {
  constructor(private state: number) {}

  /** From 0 up to 1. */
  share(): number {
    this.state = (this.state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(this.state ^ (this.state >>> 15), this.state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  }

  /** A whole number from the least to the most. */
  whole(least: number, most: number): number {
    return least + Math.floor(this.share() * (most - least + 1));
  }

  chance(share: number): boolean {
    return this.share() < share;
  }

  of<T>(items: readonly T[]): T {
    const item = items[this.whole(0, items.length - 1)];
    if (item === undefined) throw new Error('There is nothing to choose from.');
    return item;
  }

  uuid(): string {
    const hex = (length: number): string =>
      Array.from({ length }, () => this.whole(0, 15).toString(16)).join('');
    return `${hex(8)}-${hex(4)}-4${hex(3)}-a${hex(3)}-${hex(12)}`;
  }
}

import { seeded } from '@yard-spool/core';

/** A seeded source of chance: the same seed asks the same. */
export class Dice {
  /** From 0 up to 1. */
  readonly share: () => number;

  constructor(seed: number) {
    this.share = seeded(seed);
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

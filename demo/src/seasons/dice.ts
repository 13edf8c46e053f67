import { normalFrom, seeded } from '@yard-spool/core';

/** A seeded source of chance, so that the seasons are the same each time. */
export class Dice {
  /** From 0 to below 1. */
  readonly next: () => number;
  /** Standard normal. */
  readonly normal: () => number;

  constructor(seed: number) {
    this.next = seeded(seed);
    this.normal = normalFrom(this.next);
  }

  whole(least: number, most: number): number {
    return least + Math.floor(this.next() * (most - least + 1));
  }

  of<T>(all: readonly [T, ...T[]]): T {
    return all[Math.floor(this.next() * all.length)] ?? all[0];
  }

  /** About a value, give or take a share of it. */
  about(value: number, share: number): number {
    return value * (1 + share * this.normal());
  }
}

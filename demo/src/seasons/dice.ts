/** A seeded source of chance, so that the seasons are the same each time (mulberry32, public domain). */
export class Dice {
  private state: number;

  constructor(seed: number) {
    this.state = seed >>> 0;
  }

  /** From 0 to below 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(this.state ^ (this.state >>> 15), this.state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  }

  whole(least: number, most: number): number {
    return least + Math.floor(this.next() * (most - least + 1));
  }

  of<T>(all: readonly [T, ...T[]]): T {
    return all[Math.floor(this.next() * all.length)] ?? all[0];
  }

  /** Standard normal (Box and Muller). */
  normal(): number {
    return Math.sqrt(-2 * Math.log(1 - this.next())) * Math.cos(2 * Math.PI * this.next());
  }

  /** About a value, give or take a share of it. */
  about(value: number, share: number): number {
    return value * (1 + share * this.normal());
  }
}

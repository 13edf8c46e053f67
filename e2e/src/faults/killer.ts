import { setTimeout as pause } from 'node:timers/promises';
import type { Ask } from './ask';
import { VICTIMS, type Shop, type Victim } from './shop';

/** Kills what a shop consists of, one at a time, and measures how soon it is whole again. */
export class Killer {
  kills = 0;
  /** From the kill until everything that waited was saved, ms. */
  readonly recoveries: number[] = [];
  readonly by = new Map<Victim, number>();
  private quietUntil = 0;
  private recovering: Promise<void> | null = null;

  constructor(
    private readonly shop: Shop,
    private readonly ask: Ask,
    private readonly options: {
      readonly most: number;
      /** A quiet time after each recovery, ms: most turns are wound, and not only waited for. */
      readonly quiet: number;
      readonly chance: () => number;
      readonly allSaved: () => boolean;
    },
  ) {}

  /** Kills something now, unless enough was killed or the shop is not whole. */
  readonly mayKill = (): void => {
    const { most, chance } = this.options;
    if (this.kills >= most || this.recovering || Date.now() < this.quietUntil) return;
    const victim = VICTIMS[Math.floor(VICTIMS.length * chance())] ?? 'server';
    this.kills += 1;
    this.by.set(victim, (this.by.get(victim) ?? 0) + 1);
    this.shop.kill(victim);
    this.recovering = this.untilWhole(Date.now());
  };

  /** Settles once the shop is whole. */
  async whole(): Promise<void> {
    await this.recovering;
  }

  private async untilWhole(killedAt: number): Promise<void> {
    const { quiet, chance, allSaved } = this.options;
    await pause(50);
    await this.ask.patiently('GET', '/benches');
    while (!allSaved()) await pause(20);
    this.recoveries.push(Date.now() - killedAt);
    this.quietUntil = Date.now() + quiet * chance();
    this.recovering = null;
  }
}

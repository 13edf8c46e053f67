import { setTimeout as pause } from 'node:timers/promises';
import type { Reel, Run } from '@yard-spool/contract';
import type { RunStep } from '@yard-spool/core';
import type { Ask } from './ask';
import { BenchAgent } from './bench-agent';

/** Faults that may change what a counter shows, and those that may not. */
const DOUBTFUL = ['jump', 'power'] as const;
const HARMLESS = ['jitter', 'drop', 'half', 'repeat', 'older', 'rubbish'] as const;
export const FAULTS = [...DOUBTFUL, ...HARMLESS];

/** What came of a fill. */
export interface Outcome {
  readonly lost: number;
  readonly doubled: number;
  /** Turns that were shown as counted before anybody said so. */
  readonly unasked: number;
  readonly faults: number;
  readonly boundaries: number;
}

/** How a fill is disturbed: what may happen between two turns, and at the end of a step. */
export interface Disturbed {
  /** A number from 0 to below 1. */
  readonly chance: () => number;
  /** Whether something is killed right now. */
  readonly mayKill: () => void;
  readonly faults: number;
}

/** How fast a hand winds, ms a turn. */
const TURN_MS = 140;
/** Longer than any recovery, ms. */
const PATIENCE_MS = 180_000;

async function until(
  what: string,
  holds: () => boolean,
  meanwhile: () => void = () => undefined,
): Promise<void> {
  const began = Date.now();
  while (!holds()) {
    if (Date.now() - began > PATIENCE_MS) throw new Error(`Waited in vain until ${what}.`);
    meanwhile();
    await pause(25);
  }
}

/** A fill whose turns are truly known, wound with a counter, or counted by hand where there is no counter. */
export class Fill {
  private readonly truth: Record<string, number> = {};
  /** What the counter itself shows, on the bench before the technician; null before it was looked at. */
  private stands: number | null = null;
  private readonly outcome = { lost: 0, doubled: 0, unasked: 0, faults: 0, boundaries: 0 };

  constructor(
    private readonly ask: Ask,
    private readonly agent: BenchAgent,
    private readonly counter: string | null,
    private readonly disturbed: Disturbed,
  ) {}

  async wind(turnsEach: number): Promise<Outcome> {
    try {
      // The page is open and shows its counter before anybody takes hold of the handle.
      if (this.counter !== null) {
        await this.panel('/turn?n=0');
        await until('the counter is shown', () => this.seen);
      }
      for (let step = this.step(); step && step.kind !== 'tag'; step = this.step()) {
        if (step.kind === 'wind' && step.layer !== undefined) await this.layer(step.layer, turnsEach);
        await this.end(step);
      }
      await this.settled();
      this.compare();
      await this.closed();
    } catch (error) {
      throw new Error(`${String(error)}\nTruly ${JSON.stringify(this.truth)}\n${this.agent.standing()}`, {
        cause: error,
      });
    } finally {
      await this.agent.close();
    }
    return this.outcome;
  }

  private step(): RunStep | null {
    return this.agent.state().current;
  }

  private async layer(layer: string, turns: number): Promise<void> {
    this.truth[layer] = 0;
    if (this.counter !== null && this.agent.heard)
      await until('the layer’s beginning is written down', () => this.agent.saved);
    for (let wound = 0; wound < turns;) {
      if (this.disturbed.chance() < 0.12) this.disturbed.mayKill();
      const by = 1 + Math.floor(6 * this.disturbed.chance());
      wound += by;
      this.truth[layer] += by;
      await this.turn(layer, by);
      if (
        this.counter !== null &&
        this.outcome.faults < this.disturbed.faults &&
        this.disturbed.chance() < 0.2
      )
        await this.goWrong(layer);
      await pause(TURN_MS * by);
    }
    // The technician looks before the step is ended: what a counter shows that can be heard, and is not in doubt.
    await until(
      'the count is shown',
      () =>
        !this.agent.heard ||
        (this.agent.odd === '' && Math.abs(this.agent.shown(layer) - this.truth[layer]!) < 0.01),
      this.answer,
    );
  }

  private async turn(layer: string, by: number): Promise<void> {
    const counts = this.disturbed.chance() < 0.5;
    if (this.counter !== null) await this.panel(`/turn?n=${String(by)}`);
    // Pressed as it is seen then: a counter that is heard again counts for itself.
    if (this.counter === null || (!this.agent.heard && counts))
      this.agent.happen({ kind: 'turns', payload: { layer, turns: by } });
    this.check(layer);
  }

  /** The counter does something wrong; what is asked is answered as it was. */
  private async goWrong(layer: string): Promise<void> {
    const kind = FAULTS[Math.floor(FAULTS.length * this.disturbed.chance())]!;
    this.outcome.faults += 1;
    await this.panel(`/fault?kind=${kind}`);
    if ((DOUBTFUL as readonly string[]).includes(kind)) {
      await until('the doubt is seen', () => this.agent.heard && this.seen);
      this.check(layer);
    }
    await this.settled();
    this.check(layer);
  }

  /** Until everything is saved, heard and answered. */
  private async settled(): Promise<void> {
    await until(
      'everything is settled',
      () =>
        this.agent.saved &&
        (this.counter === null || (this.agent.heard && this.seen && this.agent.odd === '')),
      this.answer,
    );
  }

  /** Whether the page shows what the counter itself shows. */
  private get seen(): boolean {
    return this.agent.count === this.stands;
  }

  /** Answers what is asked, once what the counter shows has come to the page: before that, what is asked is another thing. */
  private readonly answer = (): void => {
    if (this.seen) this.agent.answer(this.truth);
  };

  /** Nothing that was not wound is ever shown as counted. */
  private check(layer: string): void {
    const more = this.agent.state().turns[layer] ?? 0;
    if (more <= this.truth[layer]! + 1.01) return;
    this.outcome.unasked += more - this.truth[layer]!;
    process.stderr.write(
      `More than was wound: truly ${JSON.stringify(this.truth)}\n${this.agent.standing()}\n`,
    );
  }

  private async end(step: RunStep): Promise<void> {
    if (step.kind === 'wind' || step.kind === 'join' || step.kind === 'tie-on') {
      this.outcome.boundaries += 1;
      if (this.disturbed.chance() < 0.3) this.disturbed.mayKill();
    }
    this.agent.happen({ kind: 'step-done', payload: { step: step.id } });
    await until('the step is done', () => this.step()?.id !== step.id);
    // Turned a little between two layers, as a knot needs: nobody's turns.
    if (step.kind === 'depth' && this.counter !== null && this.agent.heard) {
      await this.panel('/turn?n=3');
      await until('those are shown', () => !this.agent.heard || this.seen);
    }
  }

  private compare(): void {
    const { turns } = this.agent.state();
    const wrong = Object.entries(this.truth).some(
      ([layer, truly]) => Math.abs((turns[layer] ?? 0) - truly) > 0.01,
    );
    if (wrong) process.stderr.write(`Truly ${JSON.stringify(this.truth)}\n${this.agent.standing()}\n`);
    for (const [layer, truly] of Object.entries(this.truth)) {
      const off = (turns[layer] ?? 0) - truly;
      if (off < -0.01) this.outcome.lost -= off;
      if (off > 0.01) this.outcome.doubled += off;
    }
  }

  /** Closed once, however often that is asked for. */
  private async closed(): Promise<void> {
    const { id, job } = this.agent.run;
    const step = this.step();
    if (step) this.agent.happen({ kind: 'step-done', payload: { step: step.id } });
    await until('the last step is saved', () => this.agent.saved);
    await this.ask.patiently('POST', `/runs/${String(id)}/close`, {});
    await this.ask.patiently('POST', `/runs/${String(id)}/close`, {});
    const { fills } = await this.ask.patiently<Reel>('GET', `/reels/${job.tag}`);
    if (fills.length !== 1) throw new Error(`${job.tag} has ${String(fills.length)} fills.`);
    const { state } = await this.ask.patiently<Run>('GET', `/runs/${String(id)}`);
    if (state !== 'closed') throw new Error(`${job.tag} is ${state}.`);
  }

  private async panel(path: string): Promise<void> {
    const told = await fetch(`${this.counter ?? ''}${path}`, { method: 'POST' });
    this.stands = ((await told.json()) as { readonly count: number }).count;
  }
}

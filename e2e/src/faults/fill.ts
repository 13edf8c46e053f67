import { setTimeout as pause } from 'node:timers/promises';
import type { Reel, Run } from '@yard-spool/contract';
import type { RunStep } from '@yard-spool/core';
import type { Ask } from './ask';
import { BenchAgent } from './bench-agent';
import type { CountedBench } from './counted-bench';
import { MISHAPS, type AtTheBench } from './mishaps';
import type { Tally } from './tally';
import { until } from './until';

/** How a fill is disturbed: what may happen between two turns, and at the end of a step. */
export interface Disturbed {
  /** A number from 0 to below 1. */
  readonly chance: () => number;
  /** Whether something is killed right now. */
  readonly mayKill: () => void;
  /** What goes wrong next at a counter; null where enough did. */
  readonly mishap: () => string | null;
}

/** How fast a hand winds, ms a turn. */
const TURN_MS = 140;
/** A count that is wrong for so long while nothing moves any more stays wrong, ms. */
const STAYS_MS = 3000;

/** A fill whose turns are truly known, wound with a counter, or counted by hand where there is no counter. */
export class Fill {
  private readonly truth: Record<string, number> = {};
  /** What the counter itself shows, on the bench before the technician; null before it was looked at. */
  private stands: number | null = null;
  /** Counts that may be taken for wound though they were not; and whether no answer has to say what was wound. */
  private allowed = 0;
  /** Pressed by hand while the counter could not be heard: what is asked about those has answers of its own. */
  private pressed = false;

  constructor(
    private readonly ask: Ask,
    private readonly agent: BenchAgent,
    private readonly bench: CountedBench | null,
    private readonly disturbed: Disturbed,
    private readonly tally: Tally,
  ) {}

  async wind(turnsEach: number): Promise<void> {
    try {
      // The page is open and shows its counter before anybody takes hold of the handle.
      if (this.bench) {
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
  }

  private step(): RunStep | null {
    return this.agent.state().current;
  }

  private async layer(layer: string, turns: number): Promise<void> {
    this.truth[layer] = 0;
    if (this.bench && this.agent.heard)
      await until('the layer’s beginning is written down', () => this.agent.saved);
    while (this.truth[layer] < turns) {
      if (this.disturbed.chance() < 0.12) this.disturbed.mayKill();
      const by = 1 + Math.floor(6 * this.disturbed.chance());
      await this.turn(layer, by);
      if (this.bench && this.disturbed.chance() < 0.2) await this.goWrong(layer, this.bench);
      await pause(TURN_MS * by);
    }
    await this.looked(layer);
  }

  /** Wound onto a layer; pressed by hand too, as it is seen then: a counter that is heard again counts for itself. */
  private async turn(layer: string, by: number): Promise<void> {
    const presses = this.disturbed.chance() < 0.5;
    this.truth[layer]! += by;
    if (this.bench) await this.panel(`/turn?n=${String(by)}`);
    // Of turns that are shown already, none is pressed.
    const missing = Math.min(by, this.truth[layer]! - this.agent.shown(layer));
    if ((!this.bench || (!this.agent.heard && presses)) && missing > 0.01) {
      this.pressed = this.bench !== null;
      this.agent.happen({ kind: 'turns', payload: { layer, turns: missing } });
    }
    this.check(layer);
  }

  private async goWrong(layer: string, bench: CountedBench): Promise<void> {
    const name = this.disturbed.mishap();
    if (name === null) return;
    await MISHAPS[name]!(this.atTheBench(layer, bench));
    this.tally.went(name);
    this.check(layer);
  }

  private atTheBench(layer: string, bench: CountedBench): AtTheBench {
    const { agent } = this;
    const { chance, mayKill } = this.disturbed;
    return {
      agent,
      bench,
      chance,
      mayKill,
      panel: (path) => this.panel(path),
      wind: (turns) => this.turn(layer, turns),
      were: (turns) => {
        this.truth[layer]! += turns;
      },
      seen: async (what, holds = () => true) => {
        await until(what, () => agent.heard && this.seen && holds());
        this.check(layer);
      },
      settled: () => this.settled(),
      allow: (turns) => (this.allowed = turns),
    };
  }

  /** Until everything is saved, heard and answered. */
  private async settled(): Promise<void> {
    await until('everything is settled', () => this.isSettled, this.answer);
    this.allowed = 0;
    this.pressed = false;
  }

  private get isSettled(): boolean {
    return this.agent.saved && (!this.bench || (this.agent.heard && this.seen && this.agent.odd === ''));
  }

  /** Whether the page shows what the counter itself shows. */
  private get seen(): boolean {
    return this.agent.count === this.stands;
  }

  /** Answers what is asked, once what the counter shows has come to the page: before that, what is asked is another thing. */
  private readonly answer = (): void => {
    if (!this.seen) return;
    this.agent.answer(this.truth, (off) => {
      if (this.allowed === 0 && !this.pressed) this.tell(`No answer says what was wound`, off);
    });
  };

  /** Nothing that was not wound is ever shown as counted, unless it is asked about: pressed by hand and counted both. */
  private check(layer: string): void {
    if (this.pressed && this.agent.choosesByHand) return;
    const more = (this.agent.state().turns[layer] ?? 0) - this.truth[layer]! - this.allowed;
    if (more <= 1.01) return;
    this.tally.unasked(more);
    this.explain(`Counted unasked ${more.toFixed(0)}`);
  }

  /**
   * The technician looks before the step is ended: what a counter shows that can be heard, and is not in doubt. What stays
   * wrong is told, and put right by hand, so that the fill goes on.
   */
  private async looked(layer: string): Promise<void> {
    let wrongSince = Infinity;
    const off = (): number => this.agent.shown(layer) - this.truth[layer]!;
    const isRight = (): boolean => !this.agent.heard || (this.isSettled && Math.abs(off()) < 0.01);
    await until(
      'the count is shown',
      () => {
        wrongSince = this.isSettled ? Math.min(wrongSince, Date.now()) : Infinity;
        return isRight() || Date.now() - wrongSince > STAYS_MS;
      },
      this.answer,
    );
    if (isRight()) return;
    this.tell(`The count of ${layer} stays wrong`, off());
    this.agent.putRight(this.truth);
  }

  private async end(step: RunStep): Promise<void> {
    if (step.kind === 'wind' || step.kind === 'join' || step.kind === 'tie-on') {
      this.tally.boundary();
      if (this.disturbed.chance() < 0.3) this.disturbed.mayKill();
    }
    this.agent.happen({ kind: 'step-done', payload: { step: step.id } });
    await until('the step is done', () => this.step()?.id !== step.id);
    // Turned a little between two layers, as a knot needs: nobody's turns.
    if (step.kind === 'depth' && this.bench && this.agent.heard) {
      await this.panel('/turn?n=3');
      await until('those are shown', () => !this.agent.heard || this.seen);
    }
  }

  private compare(): void {
    const { turns } = this.agent.state();
    for (const [layer, truly] of Object.entries(this.truth)) {
      const off = (turns[layer] ?? 0) - truly;
      if (Math.abs(off) > 0.01) this.tell(`The record of ${layer} is wrong`, off);
    }
  }

  private tell(what: string, off: number): void {
    this.tally.off(off);
    this.explain(`${what}: ${off < 0 ? 'lost' : 'doubled'} ${Math.abs(off).toFixed(0)}`);
  }

  private explain(what: string): void {
    process.stderr.write(`${what}. Truly ${JSON.stringify(this.truth)}\n${this.agent.standing()}\n`);
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
    const told = await fetch(`${this.bench?.panel ?? ''}${path}`, { method: 'POST' });
    this.stands = ((await told.json()) as { readonly count: number }).count;
  }
}

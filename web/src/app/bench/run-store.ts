import { computed, type Signal } from '@angular/core';
import type { CounterAtBench, Fill, Run } from '@yard-spool/contract';
import {
  countedSince,
  type CountersNow,
  factsNow,
  type RunEvent,
  type RunFacts,
  type RunHappening,
  type RunStep,
  sameSeen,
  spoolUnderWay,
  stateWith,
  windingOn,
} from '@yard-spool/core';
import type { Observable } from 'rxjs';
import type { Sending } from '../data/outbox.service';
import { GrowingFold } from './fold-growing';

/**
 * One run as the bench's panels see it and write to it. What is shown follows from what it was begun with, its log and its
 * counter; where those come from, and where what happens goes, is said by whoever stands behind it: the shop's server
 * (`ShopRun`), or nothing but this page.
 */
export abstract class RunStore {
  abstract readonly run: Signal<Run | null>;
  /** Whether what happens elsewhere is heard of: not while the server is away. */
  abstract readonly linked: Signal<boolean>;
  /** Why the run could not be read; empty where all is well. */
  abstract readonly problem: Signal<string>;
  /** How what happened stands with the server. */
  abstract readonly saving: Signal<Sending>;
  /** How many things wait for the server. */
  abstract readonly waiting: Signal<number>;
  /** How many of them outlast this page. */
  abstract readonly kept: Signal<number>;
  /** Why the server does not take what waits; empty where it may. */
  abstract readonly refusal: Signal<string>;
  /** Whether somebody else, or another bench, has it. */
  abstract readonly elsewhere: Signal<{ readonly by: string; readonly bench: string } | null>;
  /** What the run was begun with. */
  protected abstract readonly planned: Signal<RunFacts | null>;
  /** Everything that happened, what still waits for the server among it. */
  protected abstract readonly log: Signal<readonly RunEvent[]>;
  /** What the counter says; undefined until it was heard of. */
  protected abstract readonly frame: Signal<CounterAtBench | null | undefined>;

  private readonly folded = new GrowingFold();

  /** What its counter says, where its bench has one that was heard. */
  readonly counter = computed(() => this.frame() ?? null);
  /** What counts at its bench. */
  readonly device = computed(() => {
    const frame = this.frame();
    return frame === undefined ? (this.run()?.device ?? null) : (frame?.device ?? null);
  });

  /** Whether its counter is heard now: its link is up, and so is this page's. */
  readonly counterHeard = computed(() => this.linked() && this.frame()?.link === 'up');
  /** Whether its counter cannot be heard, although its bench has one that is this run's. */
  readonly counterLost = computed(
    () => this.device() !== null && !this.counterHeard() && this.frame()?.link !== 'taken',
  );

  readonly state = computed(() => {
    const facts = this.planned();
    return facts ? this.folded.state(facts, this.log()) : null;
  });
  /** The same as it turned out, with the lines that are really wound. */
  readonly facts = computed(() => {
    const facts = this.planned();
    const lines = this.lines();
    return facts && lines ? factsNow(facts, { lines }) : facts;
  });
  private readonly lines = computed(() => this.state()?.lines ?? null, {
    equal: (a, b) => JSON.stringify(a) === JSON.stringify(b),
  });
  /** The run and its counter as the technician sees both. */
  protected readonly sight = computed((): CountersNow | null => {
    const device = this.device();
    const facts = this.facts();
    const state = this.state();
    return facts && state && { device, facts, state, frame: this.counter(), heard: this.counterHeard() };
  });
  /** The state with what the counter went on by and the server has not written yet: what the technician sees. */
  readonly shown = computed(() => {
    const facts = this.planned();
    const state = this.state();
    const sight = this.sight();
    const happening = sight && countedSince(sight);
    if (!facts || !happening) return state;
    const seq = sight.state.seq + 1;
    const next = { ...happening, id: 'live', run: '', seq, at: '', by: '' } as RunEvent;
    return stateWith(this.folded.of(facts, this.log()), next);
  });
  /** What was seen of the spool. A count alone is no reason to infer it again. */
  private readonly seen = computed(() => this.state(), {
    equal: (a, b) => a === b || (a !== null && b !== null && sameSeen(a, b)),
  });
  /** The spool under the handle: worked out again where something was seen of it, not at each count. */
  readonly spool = computed(() => {
    const run = this.run();
    const facts = this.facts();
    const seen = this.seen();
    return run && facts && seen ? spoolUnderWay(run.job.planInput, facts, seen) : null;
  });
  /** The spool as it would be known without what a line meter measured. */
  readonly unmetered = computed(() => {
    const run = this.run();
    const facts = this.facts();
    const seen = this.seen();
    return run && facts && seen ? spoolUnderWay(run.job.planInput, facts, { ...seen, stretches: [] }) : null;
  });
  /** The spool under the handle, with every depth read so far. */
  readonly underWay = computed(() => {
    const spool = this.spool();
    const state = this.shown();
    return spool && state ? windingOn(spool, state) : null;
  });
  /** The winding now, where the current step winds; otherwise null. */
  readonly winding = computed(() =>
    this.shown()?.current?.kind === 'wind' ? (this.underWay()?.winding ?? null) : null,
  );

  /** What of it still waits in this browser is sent. */
  abstract open(id: string, options?: { readonly watched?: boolean }): Promise<void>;
  /** Takes the run up here, from whoever or wherever has it. */
  abstract takeUp(): Promise<void>;
  /** Says that it is wound here: from now on the counter of this bench counts it. */
  abstract takeHere(): Promise<void>;
  /** Something happened at the bench. Whoever it happens to has the run from then on. */
  abstract happen(happening: RunHappening): Promise<void>;
  /** What the counter was asked about is answered: written down as it is, where the counter stood with it. */
  abstract answer(happened: readonly RunHappening[]): Promise<void>;
  /** Marks the last step done, if there is one left, and tries to bring everything to the server. */
  abstract finishAll(step: RunStep | null): Promise<void>;
  /** Throws away what the server does not take. */
  abstract discardRefused(): Promise<void>;
  /** Opens a closed run again, with a reason. What waited for it is sent. */
  abstract reopen(why: string): Observable<Run>;
  /** Takes a piece out of its tub; the run is read again, since its supply is wet from then on. */
  abstract takeOutOfTub(soakId: number): Observable<Run>;
  /** Closes the run: the reel's record and the rack are written. */
  abstract close(): Observable<Fill>;

  /** Takes the latest happening back. */
  async undo(): Promise<void> {
    const event = this.state()?.undoable;
    if (event) await this.happen({ kind: 'undone', payload: { event: event.id } });
  }
}

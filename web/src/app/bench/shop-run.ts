import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { api, type CounterAtBench, type Fill, type Run } from '@yard-spool/contract';
import { type RunEvent, runFacts, type RunHappening, type RunStep, withCounters } from '@yard-spool/core';
import { filter, firstValueFrom, switchMap, tap, type Observable, type Subscription } from 'rxjs';
import { ApiService } from '../data/api.service';
import { BenchHere } from '../data/bench-here.service';
import { Outbox } from '../data/outbox.service';
import { RequestProblem, sentenceOf } from '../data/request-problem';
import { SessionService } from '../data/session.service';
import { Live } from '../live/live.service';
import { RunKeeper } from './run-keeper';
import { hearing, withWaiting } from './run-log';
import { RunStore } from './run-store';

/** How soon a run that could not be read is asked for again, ms. */
const AGAIN_MS = 3000;

/**
 * A run of the shop's. Everything that happens is an event: it counts at once and goes to the outbox, which brings it
 * to the server when it can. What is shown follows from the log as the server has it, with what still waits behind it.
 */
@Injectable()
export class ShopRun extends RunStore {
  private readonly api = inject(ApiService);
  private readonly outbox = inject(Outbox);
  private readonly session = inject(SessionService);
  private readonly live = inject(Live);
  private readonly here = inject(BenchHere);
  private readonly keeper = inject(RunKeeper);
  private readonly ended = inject(DestroyRef);

  private readonly loadedRun = signal<Run | null>(null);
  /** The log as the server has it. */
  private readonly confirmed = signal<readonly RunEvent[]>([]);
  private readonly trouble = signal('');
  /** What the counter says; undefined until it was heard of. */
  protected readonly frame = signal<CounterAtBench | null | undefined>(undefined);
  /** Whether what happens elsewhere is heard of: not while the server is away. */
  private readonly hears = signal(false);
  private watching: Subscription | undefined;
  private again: ReturnType<typeof setTimeout> | undefined;

  readonly run = this.loadedRun.asReadonly();
  readonly linked = this.hears.asReadonly();
  /** Why the run could not be read; empty where all is well. */
  readonly problem = this.trouble.asReadonly();
  private readonly key = computed(() => String(this.run()?.id ?? ''));

  /** How what happened stands with the server. */
  readonly saving = computed(() => this.outbox.stateOf(this.key()));
  /** How many things wait for the server. */
  readonly waiting = computed(() => this.outbox.of(this.key()).length);
  /** How many of them outlast this page. */
  readonly kept = computed(() => this.outbox.keptOf(this.key()));
  /** Why the server does not take what waits; empty where it may. */
  readonly refusal = computed(() => this.outbox.refusal(this.key()));
  protected readonly log = computed(() => withWaiting(this.confirmed(), this.outbox.of(this.key())));

  protected readonly planned = computed(() => {
    const run = this.run();
    return run ? runFacts(run) : null;
  });

  /** Whether somebody else, or another bench, has it. */
  readonly elsewhere = computed(() => {
    const run = this.run();
    const state = this.state();
    const me = this.session.person()?.name;
    const here = this.here.bench();
    if (!state || !me || run?.state !== 'open') return null;
    const by = state.hands.at(-1) ?? '';
    const atOther = here !== null && (state.benchId ?? run.benchId) !== here.id;
    return (by !== '' && by !== me) || atOther ? { by, bench: state.bench ?? run.bench } : null;
  });

  constructor() {
    super();
    this.ended.onDestroy(() => clearTimeout(this.again));
    this.outbox.confirmed$
      .pipe(
        filter(({ run }) => run === this.key()),
        takeUntilDestroyed(this.ended),
      )
      .subscribe(({ events }) => this.hear(events));
  }

  /**
   * Reads a run; what of it still waits in this browser is sent.
   *
   * @param watched whether what happens to it elsewhere is followed: not where many are open at once
   */
  async open(id: string, { watched = true } = {}): Promise<void> {
    try {
      const run = await firstValueFrom(this.api.callSaved(api.readRun, { params: { id } }));
      await this.outbox.ready;
      this.have(run, run.events);
      this.trouble.set('');
      if (run.state === 'open') {
        if (watched) this.watch(run.id);
        void this.outbox.tryAgain(id);
      }
    } catch (error) {
      this.trouble.set(sentenceOf(error));
      // Nothing of it is kept here: it is asked for again until the server is back, or somebody goes elsewhere. A server
      // that failed just then may have lost its database in the middle.
      const away = error instanceof RequestProblem && (error.away || error.code === 'server-error');
      if (away) this.again = setTimeout(() => void this.open(id, { watched }), AGAIN_MS);
    }
  }

  /** The run as the server has it, with the log that is known of it. */
  private have(run: Run, log: readonly RunEvent[]): void {
    this.confirmed.set(log);
    this.loadedRun.set(run);
    void this.outbox.knows(String(run.id), log);
  }

  private watch(id: number): void {
    const from = this.confirmed().at(-1)?.seq ?? 0;
    this.watching?.unsubscribe();
    this.watching = this.live
      .watch(id, from)
      .pipe(takeUntilDestroyed(this.ended))
      .subscribe((told) => {
        this.hears.set(told.kind !== 'lost');
        if (told.kind === 'counter') this.frame.set(told.counter);
        if (told.kind === 'log') this.hear(told.events);
      });
  }

  /** Takes in what the server has; what waits here stays behind it. */
  private hear(events: readonly RunEvent[]): void {
    this.confirmed.update((log) => hearing(log, events));
    const known = this.run();
    if (known) this.keeper.keep(known, this.confirmed());
    void this.outbox.knows(this.key(), events);
    const ended = events.findLast(({ kind }) => kind === 'closed' || kind === 'reopened');
    if (ended)
      this.loadedRun.update((run) => run && { ...run, state: ended.kind === 'closed' ? 'closed' : 'open' });
  }

  /** Takes the run up here, from whoever or wherever has it. */
  async takeUp(): Promise<void> {
    if (this.elsewhere()) await this.takeHere();
  }

  /** Says that it is wound here: from now on the counter of this bench counts it. */
  async takeHere(): Promise<void> {
    const run = this.run();
    const here = this.here.bench();
    if (!run) return;
    const at = here ? { bench: here.name, benchId: here.id } : { bench: run.bench, benchId: run.benchId };
    await this.write({ kind: 'taken-up', payload: at });
  }

  /** Something happened at the bench. Whoever it happens to has the run from then on. */
  async happen(happening: RunHappening): Promise<void> {
    await this.takeUp();
    await this.write(happening);
  }

  /** What the counter was asked about is answered: written down as it is, where the counter stood with it. */
  async answer(happened: readonly RunHappening[]): Promise<void> {
    await this.takeUp();
    await Promise.all(happened.map((one) => this.append(one)));
  }

  /** Writes down what happened, with where the counter stood as it is seen here. */
  private async write(happening: RunHappening): Promise<void> {
    const sight = this.sight();
    // Put down together: nothing that is heard meanwhile comes between.
    await Promise.all((sight ? withCounters(happening, sight) : [happening]).map((one) => this.append(one)));
  }

  private async append(happening: RunHappening): Promise<void> {
    const run = this.run();
    if (run?.state !== 'open') return;
    await this.outbox.put({
      ...happening,
      id: crypto.randomUUID(),
      run: String(run.id),
      seq: (this.log().at(-1)?.seq ?? 0) + 1,
      at: new Date().toISOString(),
      by: this.session.person()?.name ?? '',
    });
  }

  /** Marks the last step done, if there is one left, and tries to bring everything to the server. */
  async finishAll(step: RunStep | null): Promise<void> {
    if (step) await this.happen({ kind: 'step-done', payload: { step: step.id } });
    if (this.waiting() > 0) await this.outbox.send(this.key());
  }

  /** Throws away what the server does not take. */
  async discardRefused(): Promise<void> {
    await this.outbox.discard(this.key());
  }

  /** Opens a closed run again, with a reason. What waited for it is sent. */
  reopen(why: string): Observable<Run> {
    const id = this.run()?.id ?? 0;
    return this.api.call(api.reopenRun, { params: { id }, body: { why } }).pipe(
      tap((run) => {
        this.have(run, hearing(this.confirmed(), run.events));
        this.watch(run.id);
        void this.outbox.tryAgain(String(run.id));
      }),
    );
  }

  /** Takes a piece out of its tub; the run is read again, since its supply is wet from then on. */
  takeOutOfTub(soakId: number): Observable<Run> {
    const id = this.run()?.id ?? 0;
    return this.api.call(api.takeOut, { params: { id: soakId }, body: {} }).pipe(
      switchMap(() => this.api.call(api.readRun, { params: { id } })),
      tap((run) => this.have(run, hearing(this.confirmed(), run.events))),
    );
  }

  /** Closes the run: the reel's record and the rack are written. */
  close(): Observable<Fill> {
    return this.api.call(api.closeRun, { params: { id: this.run()?.id ?? 0 }, body: {} });
  }
}

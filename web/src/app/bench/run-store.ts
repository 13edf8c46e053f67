import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { api, runFacts, type Fill, type Run, type RunFrame } from '@yard-spool/contract';
import {
  creditCount,
  foldRun,
  gearAt,
  runUnderWay,
  type RunEvent,
  type RunHappening,
  type RunStep,
} from '@yard-spool/core';
import {
  catchError,
  concatMap,
  defer,
  EMPTY,
  firstValueFrom,
  from,
  retry,
  Subject,
  tap,
  throwError,
  timer,
  type Observable,
} from 'rxjs';
import { ApiService } from '../data/api.service';
import { BenchName } from '../data/bench-name.service';
import { EventOutbox } from '../data/event-outbox';
import { RequestProblem, sentenceOf } from '../data/request-problem';
import { SessionService } from '../data/session.service';
import { renumber } from './renumber';
import { watchRun } from './run-live';

/** Whether everything counted has reached the server. */
export type Saving = 'saved' | 'sending' | 'away';

type CounterFrame = Extract<RunFrame, { kind: 'counter' }>;

const RETRY_MS = 2000;

/**
 * One run at this bench. Everything that happens is an event: it counts at once, is kept in the browser, and goes to
 * the server in order; a lost server only delays it.
 */
@Injectable()
export class RunStore {
  private readonly api = inject(ApiService);
  private readonly outbox = inject(EventOutbox);
  private readonly session = inject(SessionService);
  private readonly here = inject(BenchName);
  private readonly ended = inject(DestroyRef);

  private readonly loadedRun = signal<Run | null>(null);
  private readonly log = signal<readonly RunEvent[]>([]);
  private readonly sendState = signal<Saving>('saved');
  private readonly trouble = signal('');
  private readonly toSend = new Subject<void>();
  /** Events of this screen that the server has not confirmed. */
  private readonly unsent = new Set<string>();

  readonly run = this.loadedRun.asReadonly();
  readonly saving = this.sendState.asReadonly();
  /** Why the run could not be read, or what the server refused; empty where all is well. */
  readonly problem = this.trouble.asReadonly();

  private readonly frame = signal<CounterFrame | null>(null);
  /** What its counter says, where its bench has one. */
  readonly counter = this.frame.asReadonly();

  readonly facts = computed(() => {
    const run = this.run();
    return run ? runFacts(run) : null;
  });
  readonly state = computed(() => {
    const facts = this.facts();
    return facts ? foldRun(facts, this.log()) : null;
  });
  /** The state with what the counter went on by and the server has not written yet: what the technician sees. */
  readonly shown = computed(() => {
    const [run, facts, state, frame] = [this.run(), this.facts(), this.state(), this.frame()];
    if (!run?.device || !facts || !state || frame?.count == null) return state;
    const gear = gearAt(facts.request, state.supplies, state.current?.layer ?? '');
    const { happening } = frame.odd
      ? { happening: null }
      : creditCount(run.device, state, frame.count, { gear });
    if (happening?.kind !== 'turns' && happening?.kind !== 'metres') return state;
    const next = { ...happening, id: 'live', run: '', seq: state.seq + 1, at: '', by: '' } as RunEvent;
    return foldRun(facts, [...this.log(), next]);
  });
  /** The spool under the handle, with every depth read so far. */
  readonly underWay = computed(() => {
    const [run, facts, state] = [this.run(), this.facts(), this.shown()];
    return run && facts && state ? runUnderWay(run.job.planInput, facts, state) : null;
  });
  /** The winding now, where the current step winds; otherwise null. */
  readonly winding = computed(() =>
    this.shown()?.current?.kind === 'wind' ? (this.underWay()?.winding ?? null) : null,
  );
  /** Whether somebody else, or another bench, has it. */
  readonly elsewhere = computed(() => {
    const [state, me] = [this.state(), this.session.person()?.name];
    if (!state || !me || this.run()?.state === 'closed') return null;
    const by = state.hands.at(-1) ?? '';
    return (by !== '' && by !== me) || state.bench !== this.here.name()
      ? { by, bench: state.bench ?? '' }
      : null;
  });

  constructor() {
    this.toSend
      .pipe(
        concatMap(() => this.send()),
        takeUntilDestroyed(this.ended),
      )
      .subscribe();
  }

  /** Reads a run and what of it still waits in this browser. */
  async open(id: string): Promise<void> {
    try {
      const run = await this.read(id);
      const waiting = renumber(run.events, await this.outbox.waiting(id));
      for (const event of waiting) this.unsent.add(event.id);
      await this.outbox.put(waiting);
      this.loadedRun.set(run);
      this.log.set([...run.events, ...waiting]);
      this.trouble.set('');
      if (waiting.length > 0) this.toSend.next();
      if (run.state === 'open') this.watch(run.id);
    } catch (error) {
      this.trouble.set(sentenceOf(error));
    }
  }

  private watch(id: number): void {
    watchRun(id)
      .pipe(takeUntilDestroyed(this.ended))
      .subscribe((frame) => {
        if (frame.kind === 'counter') this.frame.set(frame);
        else this.hear(frame.events);
      });
  }

  /** Takes in what was added to the log elsewhere; what waits here is put behind it. */
  private hear(events: readonly RunEvent[]): void {
    const log = this.log();
    const known = new Set(log.map(({ id }) => id));
    if (events.every(({ id }) => known.has(id))) return;
    const heard = new Map(events.map((event) => [event.id, event]));
    const mine = log.filter(({ id }) => this.unsent.has(id) && !heard.has(id));
    const settled = log.filter(({ id }) => !this.unsent.has(id) && !heard.has(id));
    const together = [...settled, ...events].sort((a, b) => a.seq - b.seq);
    const waiting = renumber(together, mine);
    this.log.set([...together, ...waiting]);
    if (waiting.length > 0) void this.outbox.put(waiting);
  }

  /** Takes the run up here, from whoever or wherever has it. */
  async takeUp(): Promise<void> {
    if (this.elsewhere()) await this.append({ kind: 'taken-up', payload: { bench: this.here.name() } });
  }

  /** Something happened at the bench. Whoever it happens to has the run from then on. */
  async happen(happening: RunHappening): Promise<void> {
    await this.takeUp();
    await this.append(happening);
  }

  private async append(happening: RunHappening): Promise<void> {
    const run = this.run();
    if (!run || run.state === 'closed') return;
    const event = {
      ...happening,
      id: crypto.randomUUID(),
      run: String(run.id),
      seq: (this.log().at(-1)?.seq ?? 0) + 1,
      at: new Date().toISOString(),
      by: this.session.person()?.name ?? '',
    } as RunEvent;
    this.unsent.add(event.id);
    this.log.update((log) => [...log, event]);
    await this.outbox.put([event]);
    this.toSend.next();
  }

  /** Takes the latest happening back. */
  async undo(): Promise<void> {
    const event = this.state()?.undoable;
    if (event) await this.happen({ kind: 'undone', payload: { event: event.id } });
  }

  /** Marks the last step done, if there is one left, and waits until the server has everything. */
  async finishAll(step: RunStep | null): Promise<void> {
    if (step) await this.happen({ kind: 'step-done', payload: { step: step.id } });
    const run = this.run();
    const waiting = await this.outbox.waiting(String(run?.id ?? ''));
    if (run && waiting.length > 0) await firstValueFrom(this.post(run.id, waiting), { defaultValue: null });
  }

  /** Opens a closed run again, with a reason. */
  reopen(why: string): Observable<Run> {
    const id = this.run()?.id ?? 0;
    return this.api.call(api.reopenRun, { params: { id }, body: { why } }).pipe(
      tap((run) => {
        this.loadedRun.set(run);
        this.log.set(run.events);
        this.watch(run.id);
      }),
    );
  }

  /** Closes the run: the reel's record and the rack are written. */
  close(): Observable<Fill> {
    return this.api.call(api.closeRun, { params: { id: this.run()?.id ?? 0 }, body: {} });
  }

  private send(): Observable<unknown> {
    const run = this.run();
    if (!run) return EMPTY;
    return defer(() => this.outbox.waiting(String(run.id))).pipe(
      concatMap((waiting) => (waiting.length === 0 ? EMPTY : this.post(run.id, waiting))),
      retry({ delay: (error: unknown) => this.delayAfter(error) }),
      catchError((error: unknown) => {
        this.trouble.set(sentenceOf(error));
        return EMPTY;
      }),
    );
  }

  private post(id: number, waiting: readonly RunEvent[]): Observable<unknown> {
    this.sendState.set('sending');
    return this.api.call(api.appendEvents, { params: { id }, body: { events: [...waiting] } }).pipe(
      concatMap(() => {
        for (const { id } of waiting) this.unsent.delete(id);
        return this.outbox.remove(waiting);
      }),
      tap(() => this.sendState.set('saved')),
    );
  }

  /** Tries again while the server is away; takes up the log again where it went on at another bench. */
  private delayAfter(error: unknown): Observable<unknown> {
    const code = error instanceof RequestProblem ? error.code : '';
    if (code === 'server-away' || code === 'database-away' || code === 'server-error') {
      this.sendState.set('away');
      return timer(RETRY_MS);
    }
    if (code === 'out-of-order') return from(this.takeUpAnew());
    return throwError(() => error);
  }

  private async takeUpAnew(): Promise<void> {
    const id = String(this.run()?.id ?? '');
    const run = await this.read(id);
    const waiting = renumber(run.events, await this.outbox.waiting(id));
    await this.outbox.put(waiting);
    this.loadedRun.set(run);
    this.log.set([...run.events, ...waiting]);
  }

  private read(id: string): Promise<Run> {
    return new Promise((resolve, reject) => {
      this.api.call(api.readRun, { params: { id } }).subscribe({ next: resolve, error: reject });
    });
  }
}

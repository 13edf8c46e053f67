import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { api, type Fill, type Run } from '@yard-spool/contract';
import {
  foldRun,
  inferSpool,
  runSteps,
  windingNow,
  woundSoFar,
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
import { EventOutbox } from '../data/event-outbox';
import { RequestProblem, sentenceOf } from '../data/request-problem';
import { SessionService } from '../data/session.service';
import { renumber } from './renumber';

/** Whether everything counted has reached the server. */
export type Saving = 'saved' | 'sending' | 'away';

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

  private readonly loadedRun = signal<Run | null>(null);
  private readonly log = signal<readonly RunEvent[]>([]);
  private readonly sendState = signal<Saving>('saved');
  private readonly trouble = signal('');
  private readonly toSend = new Subject<void>();

  readonly run = this.loadedRun.asReadonly();
  readonly saving = this.sendState.asReadonly();
  /** Why the run could not be read, or what the server refused; empty where all is well. */
  readonly problem = this.trouble.asReadonly();

  private readonly input = computed(() => this.run()?.job.planInput ?? null);
  readonly estimate = computed(() => {
    const input = this.input();
    const inferred = input ? inferSpool(input.observations) : null;
    return inferred?.ok ? inferred.value : null;
  });
  readonly state = computed(() => {
    const input = this.input();
    return input ? foldRun(runSteps(input.request), this.log()) : null;
  });
  /** The winding now, where the current step winds; otherwise null. */
  readonly winding = computed(() => {
    const [input, estimate, state] = [this.input(), this.estimate(), this.state()];
    const layer = state?.current?.kind === 'wind' ? state.current.layer : undefined;
    return input && estimate && state && layer !== undefined
      ? windingNow(estimate, input.request, state.turns, layer)
      : null;
  });
  /** What lies on the spool now, arbor first. */
  readonly wound = computed(() => {
    const [input, estimate, state] = [this.input(), this.estimate(), this.state()];
    return input && estimate && state ? woundSoFar(estimate, input.request, state.turns) : [];
  });

  constructor() {
    this.toSend
      .pipe(
        concatMap(() => this.send()),
        takeUntilDestroyed(inject(DestroyRef)),
      )
      .subscribe();
  }

  /** Reads a run and what of it still waits in this browser. */
  async open(id: string): Promise<void> {
    try {
      const run = await this.read(id);
      const waiting = renumber(run.events, await this.outbox.waiting(id));
      await this.outbox.put(waiting);
      this.loadedRun.set(run);
      this.log.set([...run.events, ...waiting]);
      this.trouble.set('');
      if (waiting.length > 0) this.toSend.next();
    } catch (error) {
      this.trouble.set(sentenceOf(error));
    }
  }

  /** Something happened at the bench. */
  async happen(happening: RunHappening): Promise<void> {
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
      concatMap(() => this.outbox.remove(waiting)),
      tap(() => this.sendState.set('saved')),
    );
  }

  /** Tries again while the server is away; takes up the log anew where it went on at another bench. */
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

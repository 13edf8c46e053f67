import { computed, inject, Injectable, signal } from '@angular/core';
import { api } from '@yard-spool/contract';
import type { RunEvent } from '@yard-spool/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { firstValueFrom, Subject, timeout } from 'rxjs';
import { alone } from './alone';
import { ApiService } from './api.service';
import { OutboxStore } from './outbox-store';
import { RequestProblem, sentenceOf } from './request-problem';
import type { Waiting } from './waiting';

/** How a run's events stand with the server. Held: the server does not take them until somebody does something. */
export type Sending = 'saved' | 'sending' | 'away' | 'signed-out' | 'held';

/** Events the server has, as it has them. */
export interface Confirmed {
  readonly run: string;
  readonly events: readonly RunEvent[];
}

/** Events in one request. */
const CHUNK = 200;
const AGAIN_MS = 2000;
/** How long an answer is waited for, ms. */
const PATIENCE_MS = 8000;
/** What only means that it has to be tried again. */
const AWAY = new Set(['server-away', 'database-away', 'server-error', 'too-much-work', 'too-many-tries']);

/**
 * Everything counted on this machine that the server does not have yet, for all runs: kept in the browser, sent in order
 * and in pieces, whichever page is open, under the name of whoever did it. What the server refuses is kept and shown
 * until somebody says what to do with it; it stops nothing else.
 */
@Injectable({ providedIn: 'root' })
export class Outbox {
  private readonly api = inject(ApiService);
  private readonly store = inject(OutboxStore);

  private readonly waiting = signal<readonly Waiting[]>([]);
  private readonly sendings = signal<ReadonlyMap<string, Sending>>(new Map());
  /** The last place of each run's log that is known here. */
  private readonly places = new Map<string, number>();
  private readonly busy = new Map<string, Promise<void>>();
  private readonly heard = new Subject<Confirmed>();
  private last = 0;

  /** Told as soon as the server has something. */
  readonly confirmed$ = this.heard.asObservable();
  /** Whether what waits outlasts this page. */
  readonly keeps = this.store.keeps;
  /** How many things wait, of all runs. */
  readonly count = computed(() => this.waiting().length);
  /** Settles once what was kept before this page is here. */
  readonly ready: Promise<void> = this.begin();

  constructor() {
    this.store.lost$.pipe(takeUntilDestroyed()).subscribe(() => void this.store.put(this.waiting()));
    this.store.elsewhere$.pipe(takeUntilDestroyed()).subscribe(() => void this.adopt());
  }

  /** What waits of one run, in order. */
  of(run: string): readonly RunEvent[] {
    return this.waiting().flatMap(({ event }) => (event.run === run ? [event] : []));
  }

  /** Why the server does not take what waits of a run; empty where it may. */
  refusal(run: string): string {
    return this.waiting().find(({ event, refused }) => event.run === run && refused !== '')?.refused ?? '';
  }

  stateOf(run: string): Sending {
    const state = this.sendings().get(run) ?? 'saved';
    if (this.of(run).length === 0) return 'saved';
    return state === 'saved' ? 'sending' : state;
  }

  /**
   * The log of a run has these, as it was read or heard. What waited of them waits no more: an answer that was cut off
   * leaves here what the server took, and sent once more it would take the place of what comes after it.
   */
  async knows(run: string, log: readonly RunEvent[]): Promise<void> {
    this.places.set(run, Math.max(log.at(-1)?.seq ?? 0, this.places.get(run) ?? 0));
    const mine = new Set(this.of(run).map(({ id }) => id));
    const there = mine.size === 0 ? [] : log.filter(({ id }) => mine.has(id));
    if (there.length > 0) await this.forget(there.map(({ id }) => id));
  }

  /** Something happened. It counts at once and is sent as soon as that can be. */
  async put(event: RunEvent): Promise<void> {
    const one = { event, place: this.placeNow(), refused: '' };
    this.waiting.update((all) => [...all, one]);
    await this.store.put([one]);
    void this.send(event.run);
  }

  /** How many of what waits of a run outlast this page. */
  keptOf(run: string): number {
    const written = this.store.written();
    return this.of(run).filter(({ id }) => written.has(id)).length;
  }

  /** One order for all pages of this browser: when it was done, by the clock of its machine. */
  private placeNow(): number {
    this.last = Math.max(this.last + 1, Math.round(1000 * (performance.timeOrigin + performance.now())));
    return this.last;
  }

  /** Tries what was refused again: the run was opened again, or somebody else is signed in. */
  async tryAgain(run: string): Promise<void> {
    const mine = this.waiting().filter(({ event }) => event.run === run);
    const freed = mine.map((one) => ({ ...one, refused: '' }));
    this.waiting.update((all) =>
      all.map((one) => freed.find(({ event }) => event.id === one.event.id) ?? one),
    );
    await this.store.put(freed);
    await this.send(run);
  }

  /** Throws away what the server does not take of a run. */
  async discard(run: string): Promise<void> {
    const refused = this.waiting().filter(({ event, refused: why }) => event.run === run && why !== '');
    await this.forget(refused.map(({ event }) => event.id));
  }

  /** Sends what waits of a run, or waits for it being sent. Done where it was tried, whatever came of it. */
  send(run: string): Promise<void> {
    const before = this.busy.get(run);
    if (before) return before;
    const sending = alone(`outbox ${run}`, PATIENCE_MS, () => this.sendAll(run)).finally(() => {
      this.busy.delete(run);
      if (this.stateOf(run) === 'away') setTimeout(() => void this.send(run), AGAIN_MS);
      else if (this.stateOf(run) === 'sending') void this.send(run);
    });
    this.busy.set(run, sending);
    return sending;
  }

  /** Sends what waits of all runs: somebody signed in, or the link is back. */
  async sendEverything(): Promise<void> {
    await this.ready;
    await Promise.all(
      [...new Set(this.waiting().map(({ event }) => event.run))].map((run) => this.send(run)),
    );
  }

  private async begin(): Promise<void> {
    const kept = await this.store.all();
    this.last = Math.max(this.last, kept.at(-1)?.place ?? 0);
    this.takeOver(kept);
    // What only a note was kept of is written as well.
    const noted = kept.filter(({ event }) => !this.store.written().has(event.id));
    if (noted.length > 0) await this.store.put(noted);
  }

  /** What a page left that is there no more is sent by this one. What that page sends itself, the server takes once. */
  private async adopt(): Promise<void> {
    await this.ready;
    const known = new Set(this.waiting().map(({ event }) => event.id));
    const left = (await this.store.all()).filter(({ event }) => !known.has(event.id));
    this.takeOver(left);
    await Promise.all([...new Set(left.map(({ event }) => event.run))].map((run) => this.send(run)));
  }

  /** What waits and is not known here takes its place among the rest. */
  private takeOver(kept: readonly Waiting[]): void {
    const known = new Set(this.waiting().map(({ event }) => event.id));
    const fresh = kept.filter(({ event }) => !known.has(event.id));
    if (fresh.length > 0) this.waiting.update((now) => [...now, ...fresh].sort((a, b) => a.place - b.place));
  }

  /**
   * What other pages of this browser have of a run is sent in one order with what this one has. What is kept no more was
   * sent by one of them: the server knows where it stands.
   */
  private async share(run: string): Promise<void> {
    const written = this.store.written();
    const mine = this.of(run).filter(({ id }) => written.has(id));
    const kept = (await this.store.all()).filter(({ event }) => event.run === run);
    const there = new Set(kept.map(({ event }) => event.id));
    const gone = mine.filter(({ id }) => !there.has(id));
    this.takeOver(kept);
    if (gone.length === 0) return;
    await this.read(run).catch(() => undefined);
    const ids = new Set(gone.map(({ id }) => id));
    const still = this.waiting().filter(({ event }) => ids.has(event.id));
    if (still.length > 0) await this.store.put(still);
  }

  private async sendAll(run: string): Promise<void> {
    if (this.of(run).length > 0) await this.share(run);
    let most = CHUNK;
    for (;;) {
      const sent = await this.next(run, most);
      if (sent.length === 0) break;
      // Away it is until something gets through: trying again is no news.
      if (this.stateOf(run) !== 'away') this.stands(run, 'sending');
      try {
        await this.post(run, sent);
      } catch (error) {
        const what = await this.afterRefusal(run, sent, error);
        if (what === 'stop') return;
        most = what === 'one-by-one' ? 1 : CHUNK;
      }
    }
    this.stands(run, this.refusal(run) === '' ? 'saved' : 'held');
  }

  private async post(run: string, sent: readonly RunEvent[]): Promise<void> {
    const asked = this.api.call(api.appendEvents, { params: { id: run }, body: { events: [...sent] } });
    // A server that does not answer is away; what it took all the same it takes no second time.
    const { events } = await firstValueFrom(asked.pipe(timeout(PATIENCE_MS)));
    if (events.length === sent.length) await this.has(run, events);
    // Sent before and confirmed only now: where they stand the server knows.
    else await this.read(run);
  }

  private async afterRefusal(
    run: string,
    sent: readonly RunEvent[],
    error: unknown,
  ): Promise<'again' | 'one-by-one' | 'stop'> {
    const code = error instanceof RequestProblem ? error.code : 'server-error';
    if (AWAY.has(code) || code === 'not-signed-in') {
      this.stands(run, code === 'not-signed-in' ? 'signed-out' : 'away');
      return 'stop';
    }
    if (code === 'out-of-order') return this.behind(run, sent);
    // One wrong event of many must not hold up the rest.
    if (code !== 'already-closed' && sent.length > 1) return 'one-by-one';
    if (code === 'already-closed' && !(await this.catchUp(run))) return this.later(run);
    await this.refuse(code === 'already-closed' ? this.of(run) : sent, sentenceOf(error));
    return 'again';
  }

  /** The log went on elsewhere: what waits is put behind it. The same once more would be refused once more. */
  private async behind(run: string, sent: readonly RunEvent[]): Promise<'again' | 'stop'> {
    if (!(await this.catchUp(run))) return this.later(run);
    const [first] = await this.next(run, 1);
    return first && first.seq === sent[0]?.seq ? this.later(run) : 'again';
  }

  private later(run: string): 'stop' {
    this.stands(run, 'away');
    return 'stop';
  }

  /**
   * Reads what the server has of a run.
   *
   * @returns whether it could be read
   */
  private async catchUp(run: string): Promise<boolean> {
    try {
      await this.read(run);
      return true;
    } catch {
      return false;
    }
  }

  /** What is sent next of a run, behind the log as it is known here. */
  private async next(run: string, most: number): Promise<RunEvent[]> {
    const mine = () => this.waiting().filter(({ event, refused }) => event.run === run && refused === '');
    if (mine().length > 0 && !this.places.has(run)) await this.read(run).catch(() => undefined);
    return numbered(
      mine()
        .slice(0, most)
        .map(({ event }) => event),
      this.places.get(run) ?? 0,
    );
  }

  private async refuse(events: readonly RunEvent[], why: string): Promise<void> {
    const ids = new Set(events.map(({ id }) => id));
    const refused = this.waiting()
      .filter(({ event }) => ids.has(event.id))
      .map((one) => ({ ...one, refused: why }));
    this.waiting.update((all) =>
      all.map((one) => refused.find(({ event }) => event.id === one.event.id) ?? one),
    );
    await this.store.put(refused);
  }

  private async forget(ids: readonly string[]): Promise<void> {
    const gone = new Set(ids);
    this.waiting.update((all) => all.filter(({ event }) => !gone.has(event.id)));
    await this.store.remove(ids);
  }

  private async read(run: string): Promise<void> {
    const { events } = await firstValueFrom(this.api.call(api.readRun, { params: { id: run } }));
    this.places.delete(run);
    await this.has(run, events);
  }

  /** The server has these: told first and then forgotten here, so that nothing is missing in between. */
  private async has(run: string, events: readonly RunEvent[]): Promise<void> {
    this.heard.next({ run, events });
    await this.knows(run, events);
  }

  private stands(run: string, state: Sending): void {
    this.sendings.update((before) => new Map(before).set(run, state));
  }
}

/** Events put behind a log's last place. */
export const numbered = (events: readonly RunEvent[], last: number): RunEvent[] =>
  events.map((event, i) => (event.seq === last + 1 + i ? event : { ...event, seq: last + 1 + i }));

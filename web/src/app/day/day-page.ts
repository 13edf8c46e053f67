import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { api, type BagInHand, type DayPlan, type DayRow, type DayTried } from '@yard-spool/contract';
import {
  catchError,
  debounceTime,
  EMPTY,
  filter,
  interval,
  merge,
  of,
  Subject,
  switchMap,
  timer,
  type Observable,
} from 'rxjs';
import { FirstSteps } from '../bags/first-steps';
import { ApiService } from '../data/api.service';
import { BenchHere } from '../data/bench-here.service';
import { load } from '../data/loaded';
import { UnitsService } from '../data/units.service';
import { useKeys } from '../keyboard/keyboard.service';
import { LoadState } from '../ui/load-state';
import { Sending } from '../ui/sending';
import { BenchCard } from './bench-card';
import { HandRule } from './hand-rule';
import { NoPlace } from './no-place';
import { dayWords, firstAt, rowWords } from './row-words';
import { clockText } from '../words/clock-text';
import type { AskedOf } from './row-wish';
import { RunningOrder } from './running-order';
import { TubCard } from './tub-card';

/** The day is looked at again this often: the clock goes on, and others work; sooner while a better order is looked for, ms. */
const AGAIN_MS = 30_000;
const SOON_MS = 2000;
/** What is next, the order, and what is in hand, beside each other as far as there is room. */
const COLUMNS =
  'grid-cols-[300px_minmax(0,1fr)_290px] max-xl:grid-cols-[minmax(0,1fr)_290px] max-md:grid-cols-1';
/** What is tried rests so long before it is asked: a row that is dragged passes others on its way, ms. */
const RESTS_MS = 120;

const DAY_KEYS = {
  N: 'Book a bag in',
  Q: 'Answer a question at the counter',
  R: 'Put the day in order again',
  B: 'Begin the next reel at this bench',
};

/** The day: what is next at each bench and tub, the running order, and how much time each bag has in hand. */
@Component({
  selector: 'ys-day-page',
  imports: [
    BenchCard,
    FirstSteps,
    HandRule,
    LoadState,
    NgTemplateOutlet,
    NoPlace,
    RouterLink,
    RunningOrder,
    TubCard,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './day-page.html',
  host: { class: 'block min-h-0 grow overflow-y-auto' },
})
export class DayPage {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly here = inject(BenchHere);
  protected readonly units = inject(UnitsService);

  protected readonly asked = load(() => this.api.call(api.readDay));
  /** The day as it came back from the last change made here; the next look takes its place. */
  private readonly changed = signal<DayPlan | null>(null);
  protected readonly day = computed(() => this.changed() ?? this.asked.value());
  protected readonly sending = new Sending();

  /** What is tried by hand, and what each bag would have in hand by it. */
  protected readonly trying = new Subject<AskedOf | null>();
  private readonly isTrying = signal(false);
  private readonly tried = toSignal(
    this.trying.pipe(
      debounceTime(RESTS_MS),
      switchMap((asked) =>
        asked
          ? this.api.call(api.tryWish, { body: asked }).pipe(catchError(() => of<DayTried | null>(null)))
          : of(null),
      ),
    ),
    { initialValue: null },
  );
  protected readonly triedOf = computed(() => {
    const bags = new Map((this.tried()?.bags ?? []).map((bag) => [bag.number, bag]));
    return (number: number): BagInHand | null => bags.get(number) ?? null;
  });
  protected readonly title = computed(() => {
    const day = this.day();
    return day ? dayWords(day) : 'The day';
  });
  /** A shop with one bench and nothing in water needs no more than the list. */
  protected readonly isPlain = computed(() => {
    const day = this.day();
    return day !== undefined && day.benches.length <= 1 && day.tubs.every(({ soaks }) => soaks.length === 0);
  });
  /** What can be begun from the list itself, where there are no cards to begin it from. */
  protected readonly startsAt = computed(() => {
    const day = this.day();
    const first = day && this.isPlain() ? firstAt(day, day.benches[0]?.id ?? null) : null;
    return first?.kind === 'fill' ? first.id : '';
  });
  protected readonly moved = computed(() => {
    const day = this.day();
    if (!day) return [];
    return day.moved.flatMap(({ id, wasAt, isAt, why }) => {
      const row = day.rows.find((one) => one.id === id);
      if (!row || row.kind === 'check') return [];
      const { what } = rowWords(row, (metres) => this.units.length(metres));
      const when = `${clockText(wasAt, day.now)} → ${clockText(isAt, day.now)}`;
      return [{ id, what, when, why: this.units.say(why) }];
    });
  });
  protected readonly isOrdered = computed(() => (this.day()?.rows ?? []).some(({ pinned }) => pinned));
  protected readonly counted = computed(() => {
    const { changes = 0, outings = 0 } = this.day() ?? {};
    const supply = `${String(changes)} ${changes === 1 ? 'change' : 'changes'} of supply`;
    return outings === 0 ? supply : `${supply}, ${String(outings)} ${outings === 1 ? 'outing' : 'outings'}`;
  });
  protected readonly benchId = computed(() => this.here.bench()?.id ?? null);
  protected readonly clock = clockText;
  protected readonly COLUMNS = COLUMNS;

  constructor() {
    merge(
      interval(AGAIN_MS),
      toObservable(this.day).pipe(switchMap((day) => (day?.improving ? timer(SOON_MS) : EMPTY))),
    )
      .pipe(
        // Whoever has a row in hand finds it where it was.
        filter(() => !this.isTrying()),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.lookAgain());
    this.trying.pipe(takeUntilDestroyed()).subscribe((asked) => this.isTrying.set(asked !== null));
    useKeys(
      {
        // Whoever comes by a key goes on typing.
        N: () => void this.router.navigate(['/bags/new'], { state: { typing: true } }),
        Q: () => void this.router.navigate(['/bags/question']),
        R: () => this.again(),
        B: () => this.beginHere(),
      },
      DAY_KEYS,
    );
  }

  protected lookAgain(): void {
    this.changed.set(null);
    this.asked.reload();
  }

  /** Puts the day in order from the beginning. */
  protected again(): void {
    this.send(this.api.call(api.orderDay, { body: {} }));
  }

  protected dropWishes(): void {
    this.send(this.api.call(api.dropWishes));
  }

  protected wish({ operation, wish }: AskedOf): void {
    this.send(this.api.call(api.wishOfDay, { params: { id: operation }, body: wish }));
  }

  protected isHere(id: number, here: boolean): void {
    this.send(this.api.call(api.isHere, { params: { id: String(id) }, body: { here } }));
  }

  /** Takes a reel to its bench, or goes on with the one that is on it. */
  protected begin({ reels, benchId, state }: DayRow): void {
    const [reel] = reels;
    if (!reel || benchId === null) return;
    if (state === 'now' && reel.runId !== null) void this.router.navigate(['/bench', reel.runId]);
    else
      this.sending.send(
        this.api.call(api.startRun, { body: { jobId: reel.jobId, benchId } }),
        ({ id }) => void this.router.navigate(['/bench', id]),
      );
  }

  private beginHere(): void {
    const day = this.day();
    const row = day && firstAt(day, this.isPlain() ? (day.benches[0]?.id ?? null) : this.benchId());
    if (row?.kind === 'fill') this.begin(row);
  }

  private send(change: Observable<DayPlan>): void {
    this.sending.send(change, (day) => this.changed.set(day));
  }
}

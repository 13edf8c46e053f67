import { CdkDrag, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { api, type DayPlan, type DayRow, type DayWish } from '@yard-spool/contract';
import { interval, type Observable } from 'rxjs';
import { FirstSteps } from '../bags/first-steps';
import { ApiService } from '../data/api.service';
import { BenchHere } from '../data/bench-here.service';
import { load } from '../data/loaded';
import { UnitsService } from '../data/units.service';
import { useKeys } from '../keyboard/keyboard.service';
import { LoadState } from '../ui/load-state';
import { Sending } from '../ui/sending';
import { BenchCard } from './bench-card';
import { DayRowView } from './day-row';
import { HandRule } from './hand-rule';
import { RowWish } from './row-wish';
import { clockText, dayWords, firstAt, listed, rowWords } from './row-words';
import { TubCard } from './tub-card';

/** The day is looked at again this often: the clock goes on, and others work. */
const AGAIN_MS = 30_000;
/** Rows shown before somebody asks for all. */
const FIRST_ROWS = 24;

/** The day: what is next at each bench and tub, the running order, and how much time each bag has in hand. */
@Component({
  selector: 'ys-day-page',
  imports: [
    BenchCard,
    CdkDrag,
    CdkDropList,
    DayRowView,
    FirstSteps,
    HandRule,
    LoadState,
    RouterLink,
    RowWish,
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
  protected readonly open = signal('');
  protected readonly all = signal(false);

  protected readonly title = computed(() => {
    const day = this.day();
    return day ? dayWords(day) : 'The day';
  });
  protected readonly listed = computed(() => listed(this.day()?.rows ?? []));
  protected readonly shown = computed(() =>
    this.all() ? this.listed() : this.listed().slice(0, FIRST_ROWS),
  );
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
  protected readonly isOrdered = computed(() => this.listed().some(({ pinned }) => pinned));
  protected readonly counted = computed(() => {
    const { changes = 0, outings = 0 } = this.day() ?? {};
    const supply = `${String(changes)} ${changes === 1 ? 'change' : 'changes'} of supply`;
    return outings === 0 ? supply : `${supply}, ${String(outings)} ${outings === 1 ? 'outing' : 'outings'}`;
  });
  protected readonly benchId = computed(() => this.here.bench()?.id ?? null);
  protected readonly clock = clockText;

  constructor() {
    interval(AGAIN_MS)
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.lookAgain());
    useKeys({
      // Whoever comes by a key goes on typing.
      N: () => void this.router.navigate(['/bags/new'], { state: { typing: true } }),
      Q: () => void this.router.navigate(['/bags/question']),
      R: () => this.again(),
      B: () => this.beginHere(),
    });
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

  protected wish({ id }: DayRow, body: DayWish): void {
    this.open.set('');
    this.send(this.api.call(api.wishOfDay, { params: { id }, body }));
  }

  protected isHere(id: number, here: boolean): void {
    this.send(this.api.call(api.isHere, { params: { id: String(id) }, body: { here } }));
  }

  /** A row that was let go at another takes that one's time, and its bench where both are done at one. */
  protected dropped({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    const row = this.shown()[previousIndex];
    const there = this.shown()[currentIndex];
    if (!row || !there || row === there || row.state !== 'next') return;
    const benchId = row.benchId !== null && there.benchId !== null ? there.benchId : row.benchId;
    const at = there.state === 'next' ? there.startAt : there.endAt;
    this.wish(row, { at, benchId, personId: null, earliestAt: null });
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
    const row = day && firstAt(day, this.benchId());
    if (row?.kind === 'fill') this.begin(row);
  }

  private send(change: Observable<DayPlan>): void {
    this.sending.send(change, (day) => this.changed.set(day));
  }
}

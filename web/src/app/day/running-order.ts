import { CdkDrag, CdkDropList, type CdkDragDrop, type CdkDragSortEvent } from '@angular/cdk/drag-drop';
import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  Injector,
  input,
  output,
  signal,
} from '@angular/core';
import type { DayPlan, DayRow } from '@yard-spool/contract';
import { listedRows } from '@yard-spool/core';
import { DayRowView } from './day-row';
import { stepFrom, wishAt, withMoved } from './moved-row';
import { clockText } from '../words/clock-text';
import { RowWish, type AskedOf } from './row-wish';

/** Rows shown before somebody asks for all, and how many of those that are done. */
const FIRST_ROWS = 24;
const LAST_DONE = 2;

/** The day's rows in order of time. One is moved by dragging it, or by keys; opened, it says what else can be asked. */
@Component({
  selector: 'ys-running-order',
  imports: [CdkDrag, CdkDropList, DayRowView, RowWish],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ol class="card" cdkDropList (cdkDropListDropped)="dropped($event)" (cdkDropListSorted)="dragged($event)">
      @for (row of shown(); track row.id) {
        <li
          class="border-b border-line bg-card last:border-0"
          cdkDrag
          cdkDragLockAxis="y"
          [cdkDragData]="row.id"
          [cdkDragDisabled]="row.state !== 'next'"
          [class.ring-2]="lifted()?.id === row.id"
          [attr.data-row]="row.id"
          (cdkDragEnded)="tried.emit(null)"
        >
          <ys-day-row
            [row]="row"
            [day]="day()"
            [plain]="plain()"
            [open]="open() === row.id"
            (chosen)="open.set(open() === row.id ? '' : row.id)"
          />
          @if (startsAt() === row.id) {
            <p class="px-3 pb-2">
              <button
                type="button"
                class="go w-full justify-between!"
                [disabled]="busy()"
                (click)="begin.emit(row)"
              >
                {{ row.state === 'now' ? 'Continue' : 'Start' }} <span class="key">B</span>
              </button>
            </p>
          }
          @if (open() === row.id) {
            <ys-row-wish [row]="row" [day]="day()" (asked)="ask($event)" (tried)="tried.emit($event)" />
          }
        </li>
      }
    </ol>
    <p class="sr-only" role="status">{{ liftedWords() }}</p>
    @if (rows().length > shown().length) {
      <button type="button" class="plain mt-2" (click)="all.set(true)">
        Show all {{ rows().length }} rows
      </button>
    }
    @if (day().later > 0) {
      <p class="pt-2 text-mute">
        {{ day().later }} more {{ day().later === 1 ? 'bag is' : 'bags are' }} promised later: they follow as
        these go.
      </p>
    }
  `,
  host: { class: 'relative block', '(keydown)': 'key($event)' },
})
export class RunningOrder {
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly injector = inject(Injector);

  readonly day = input.required<DayPlan>();
  /** Whether it is all there is: of a shop with one bench and nothing in water. */
  readonly plain = input(false);
  /** The row that can be begun from here; empty for none. */
  readonly startsAt = input('');
  readonly busy = input(false);
  readonly asked = output<AskedOf>();
  /** What would be asked if it was let go, or pressed, now. */
  readonly tried = output<AskedOf | null>();
  readonly begin = output<DayRow>();

  protected readonly open = signal('');
  protected readonly all = signal(false);
  /** A row that is being moved by keys, and to which place. */
  protected readonly lifted = signal<{ readonly id: string; readonly to: number } | null>(null);
  protected readonly rows = computed(() => listedRows(this.day().rows));
  private readonly inPlace = computed(() => {
    const rows = this.rows();
    if (this.all()) return rows;
    const done = rows.filter(({ state }) => state === 'done');
    return [...done.slice(-LAST_DONE), ...rows.slice(done.length)].slice(0, FIRST_ROWS);
  });
  protected readonly shown = computed(() => {
    const lifted = this.lifted();
    return lifted ? withMoved(this.inPlace(), lifted.id, lifted.to) : this.inPlace();
  });
  protected readonly liftedWords = computed(() => {
    const there = this.inPlace()[this.lifted()?.to ?? -1];
    return there ? `Moved to ${clockText(there.startAt, this.day().now)}. Enter leaves it there.` : '';
  });

  protected ask(asked: AskedOf): void {
    this.open.set('');
    this.lifted.set(null);
    this.tried.emit(null);
    this.asked.emit(asked);
  }

  protected dropped({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    const moved = this.moved(previousIndex, currentIndex);
    if (moved) this.ask(moved);
  }

  protected dragged({ item, currentIndex }: CdkDragSortEvent<unknown, string>): void {
    const home = this.inPlace().findIndex(({ id }) => id === item.data);
    this.tried.emit(this.moved(home, currentIndex));
  }

  /** Alt and an arrow lifts a row and moves it on; Enter leaves it there, Escape puts it back. */
  protected key(event: KeyboardEvent): void {
    const id = (event.target as Element).closest('[data-row]')?.getAttribute('data-row');
    const row = this.inPlace().find((one) => one.id === id);
    if (!row) return;
    const step = { ArrowUp: -1, ArrowDown: 1 } as const;
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault();
      this.move(row, step[event.key]);
    } else if (this.lifted()?.id === row.id && (event.key === 'Enter' || event.key === 'Escape')) {
      event.preventDefault();
      this.letGo(event.key === 'Enter');
    }
  }

  private move(row: DayRow, by: 1 | -1): void {
    if (row.state !== 'next') return;
    const lifted = this.lifted();
    const home = this.inPlace().findIndex(({ id }) => id === row.id);
    const to = stepFrom(this.shown(), lifted?.id === row.id ? lifted.to : home, by);
    this.lifted.set({ id: row.id, to });
    this.tried.emit(this.moved(home, to));
    // A row that is moved among the others loses the focus.
    afterNextRender(() => this.buttonOf(row.id)?.focus(), { injector: this.injector });
  }

  private letGo(leave: boolean): void {
    const lifted = this.lifted();
    const home = this.inPlace().findIndex(({ id }) => id === lifted?.id);
    const moved = leave && lifted ? this.moved(home, lifted.to) : null;
    this.lifted.set(null);
    if (moved) this.ask(moved);
    else this.tried.emit(null);
  }

  private moved(from: number, to: number): AskedOf | null {
    const row = this.inPlace()[from];
    const there = this.inPlace()[to];
    if (!row || !there || row === there || row.state !== 'next') return null;
    return { operation: row.id, wish: wishAt(row, there) };
  }

  private buttonOf = (id: string): HTMLElement | null =>
    [...this.element.nativeElement.querySelectorAll<HTMLElement>('[data-row]')]
      .find((one) => one.getAttribute('data-row') === id)
      ?.querySelector('button') ?? null;
}

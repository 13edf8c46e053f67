import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  untracked,
} from '@angular/core';
import { ScrollingModule } from '@angular/cdk/scrolling';
import { RouterLink } from '@angular/router';
import { api, type ReelRow } from '@yard-spool/contract';
import { dayText } from '../ui/day-text';
import { ApiService } from '../data/api.service';
import { pages } from '../data/pages';
import { SmallSection } from '../drawing/small-section';
import { LoadState } from '../ui/load-state';
import { FoundList } from './found-list';
import { ReelsTabs } from './reels-tabs';

/** Height of a row, px. */
const ROW = 57;
/** Rows before the end of what is here at which more is asked for. */
const AHEAD = 30;

/** All reels by tag; or, where something was typed into the box, whatever is called that. */
@Component({
  selector: 'ys-reel-search',
  imports: [FoundList, LoadState, ReelsTabs, RouterLink, ScrollingModule, SmallSection],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ys-reels-tabs />
    @if (q(); as words) {
      <h2 class="pt-3 text-[18px]">For “{{ words }}”</h2>
      <ys-found-list [q]="words" />
    } @else {
      <ys-load-state what="the reels" [of]="reels.now()" (again)="reels.reload()" />
      @if (reels.now().state === 'ready' && reels.rows().length === 0) {
        <p class="card p-6">
          No reel has come in yet.
          <a class="font-bold underline" routerLink="/bags/new">Book the first bag in.</a>
        </p>
      }
      @if (reels.rows().length > 0) {
        <cdk-virtual-scroll-viewport
          class="card min-h-0 grow"
          role="list"
          aria-label="Reels"
          [itemSize]="ROW"
          (scrolledIndexChange)="scrolled($event)"
        >
          <div
            *cdkVirtualFor="let reel of rows(); trackBy: tagOf"
            role="listitem"
            class="border-b border-line"
          >
            <a
              class="grid h-[56px] grid-cols-[64px_90px_minmax(0,1fr)_minmax(0,1fr)_160px] items-center gap-4 px-4 py-1.5 hover:bg-paper max-md:grid-cols-[64px_80px_minmax(0,1fr)]"
              [routerLink]="['/reels', reel.tag]"
            >
              @if (reel.drawing; as drawing) {
                <ys-small-section [drawing]="drawing" />
              } @else {
                <span></span>
              }
              <b>{{ reel.tag }}</b>
              <span class="min-w-0">
                <span class="block truncate font-semibold" [title]="reel.label">{{ reel.label }}</span>
                <span class="block truncate text-[13px] md:hidden">{{ reel.customer }}</span>
              </span>
              <span class="truncate max-md:hidden" [title]="reel.customer">{{ reel.customer }}</span>
              <span class="text-mute max-md:hidden">{{
                reel.filledAt ? 'filled ' + day(reel.filledAt) : 'not filled here yet'
              }}</span>
            </a>
          </div>
        </cdk-virtual-scroll-viewport>
      }
    }
  `,
  host: { class: 'flex min-h-0 grow flex-col p-4 px-5' },
})
export class ReelSearch {
  private readonly api = inject(ApiService);

  /** What was typed into the box, from the address. */
  readonly q = input<string | undefined>('');

  protected readonly reels = pages<ReelRow>((after) =>
    this.api.call(api.findReels, { query: { q: '', after } }),
  );
  protected readonly ROW = ROW;
  /** The rows as the list takes them. */
  protected readonly rows = computed(() => [...this.reels.rows()]);
  protected readonly tagOf = (_: number, { tag }: ReelRow): string => tag;
  protected readonly day = dayText;

  constructor() {
    effect(() => {
      if (!this.q()) untracked(() => this.reels.reload());
    });
  }

  /** Asks for more before the end of what is here is reached. */
  protected scrolled(first: number): void {
    if (first + AHEAD > this.reels.rows().length) this.reels.next();
  }
}

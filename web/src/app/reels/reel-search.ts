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
import { Router, RouterLink } from '@angular/router';
import { api, type ReelRow } from '@yard-spool/contract';
import { DateTime } from 'luxon';
import { ApiService } from '../data/api.service';
import { pages } from '../data/pages';
import { LoadState } from '../ui/load-state';

/** Height of a row, px. */
const ROW = 49;
/** Rows before the end of what is here at which more is asked for. */
const AHEAD = 30;

/** Reels by tag, name or customer. A tag that is just what was typed opens its reel at once. */
@Component({
  selector: 'ys-reel-search',
  imports: [LoadState, RouterLink, ScrollingModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="flex items-center justify-between pb-3">
      <h1>{{ q() ? 'Reels for “' + q() + '”' : 'Reels' }}</h1>
      <a class="plain" routerLink="/reels/book">Reel book</a>
    </div>
    <ys-load-state what="the reels" [of]="reels.now()" (again)="reels.reload()" />
    @if (reels.now().state === 'ready' && reels.rows().length === 0) {
      <p class="card p-6">
        {{
          q()
            ? 'No tag, reel or customer starts with “' + q() + '”. Look at the tag again.'
            : 'No reel has come in yet. Book the first bag in.'
        }}
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
        <div *cdkVirtualFor="let reel of rows(); trackBy: tagOf" role="listitem" class="border-b border-line">
          <a
            class="grid h-[48px] grid-cols-[90px_minmax(0,1fr)_minmax(0,1fr)_160px] items-center gap-4 px-4 py-2 hover:bg-paper max-md:grid-cols-[80px_minmax(0,1fr)]"
            [routerLink]="['/reels', reel.tag]"
          >
            <b>{{ reel.tag }}</b>
            <span class="truncate font-semibold" [title]="reel.label">{{ reel.label }}</span>
            <span class="truncate max-md:hidden" [title]="reel.customer">{{ reel.customer }}</span>
            <span class="text-mute max-md:hidden">{{
              reel.filledAt ? 'filled ' + day(reel.filledAt) : 'not filled here yet'
            }}</span>
          </a>
        </div>
      </cdk-virtual-scroll-viewport>
    }
  `,
  host: { class: 'flex min-h-0 grow flex-col p-4 px-5' },
})
export class ReelSearch {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);

  /** What was typed into the tag field, from the address. */
  readonly q = input<string | undefined>('');

  protected readonly reels = pages<ReelRow>((after) =>
    this.api.call(api.findReels, { query: { q: this.q() ?? '', after } }),
  );
  protected readonly ROW = ROW;
  /** The rows as the list takes them. */
  protected readonly rows = computed(() => [...this.reels.rows()]);
  protected readonly tagOf = (_: number, { tag }: ReelRow): string => tag;
  protected readonly day = (iso: string): string => DateTime.fromISO(iso).toFormat('d LLL yyyy');

  constructor() {
    effect(() => {
      this.q();
      untracked(() => this.reels.reload());
    });
    effect(() => {
      const exact = this.reels.rows().find(({ tag }) => tag === (this.q() ?? '').toUpperCase());
      if (exact) void this.router.navigate(['/reels', exact.tag], { replaceUrl: true });
    });
  }

  /** Asks for more before the end of what is here is reached. */
  protected scrolled(first: number): void {
    if (first + AHEAD > this.reels.rows().length) this.reels.next();
  }
}

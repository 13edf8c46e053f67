import { ChangeDetectionStrategy, Component, effect, inject, input } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { api, type ReelRow } from '@yard-spool/contract';
import { DateTime } from 'luxon';
import { switchMap } from 'rxjs';
import { ApiService } from '../data/api.service';
import { load } from '../data/loaded';
import { LoadState } from '../ui/load-state';

/** Reels by tag, name or customer. A tag that is just what was typed opens its reel at once. */
@Component({
  selector: 'ys-reel-search',
  imports: [RouterLink, LoadState],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="flex items-center justify-between pb-3">
      <h1>{{ q() ? 'Reels for “' + q() + '”' : 'Reels' }}</h1>
      <a class="plain" routerLink="/reels/book">Reel book</a>
    </div>
    <ys-load-state what="the reels" [of]="reels.now()" (again)="reels.reload()" />
    @if (reels.value()?.length === 0) {
      <p class="card p-6">
        {{
          q()
            ? 'No tag, reel or customer starts with “' + q() + '”. Look at the tag again.'
            : 'No reel has come in yet. Book the first bag in.'
        }}
      </p>
    }
    @if (reels.value()?.length) {
      <ul class="card">
        @for (reel of reels.value(); track reel.tag) {
          <li class="border-b border-line last:border-0">
            <a
              class="grid min-h-12 grid-cols-[90px_minmax(0,1fr)_minmax(0,1fr)_160px] items-center gap-4 px-4 py-2 hover:bg-paper max-md:grid-cols-2"
              [routerLink]="['/reels', reel.tag]"
            >
              <b>{{ reel.tag }}</b>
              <span class="truncate font-semibold" [title]="reel.label">{{ reel.label }}</span>
              <span class="truncate" [title]="reel.customer">{{ reel.customer }}</span>
              <span class="text-mute">{{
                reel.filledAt ? 'filled ' + day(reel.filledAt) : 'not filled here yet'
              }}</span>
            </a>
          </li>
        }
      </ul>
    }
  `,
  host: { class: 'block p-4 px-5' },
})
export class ReelSearch {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);

  /** What was typed into the tag field, from the address. */
  readonly q = input<string | undefined>('');

  private readonly q$ = toObservable(this.q);
  protected readonly reels = load<ReelRow[]>(() =>
    this.q$.pipe(switchMap((q) => this.api.call(api.findReels, { query: { q: q ?? '' } }))),
  );
  protected readonly day = (iso: string): string => DateTime.fromISO(iso).toFormat('d LLL yyyy');

  constructor() {
    effect(() => {
      const exact = this.reels.value()?.find(({ tag }) => tag === (this.q() ?? '').toUpperCase());
      if (exact) void this.router.navigate(['/reels', exact.tag], { replaceUrl: true });
    });
  }
}

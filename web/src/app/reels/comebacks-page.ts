import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api, type Comeback } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { pages } from '../data/pages';
import { LoadState } from '../ui/load-state';
import { dayText } from '../ui/day-text';
import { CAUSE_WORDS, complaintWords, faultWords } from '../words/comeback-words';
import { ComebackFiguresPanel } from './comeback-figures';
import { ReelsTabs } from './reels-tabs';

/** Everything that came back, newest first: those whose cause is not known stand out. */
@Component({
  selector: 'ys-comebacks-page',
  imports: [ComebackFiguresPanel, LoadState, ReelsTabs, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ys-reels-tabs />
    <div class="flex flex-wrap items-center gap-3 py-3">
      <p class="mr-auto max-w-2xl text-mute">
        What customers brought back, against the fill it is about. Book one from its reel’s page.
      </p>
      <label class="flex min-h-11 items-center gap-2">
        <input type="checkbox" class="size-5" [checked]="openOnly()" (change)="toggle()" />
        Only those not settled
      </label>
    </div>
    <ys-comeback-figures />
    <ys-load-state what="what came back" [of]="rows.now()" (again)="rows.reload()" />
    @if (rows.now().state === 'ready' && rows.rows().length === 0) {
      <p class="card p-6">
        {{ openOnly() ? 'All that came back is settled.' : 'Nothing has come back yet.' }}
      </p>
    }
    <ul class="grid gap-2">
      @for (one of rows.rows(); track one.id) {
        <li>
          <a
            class="card grid grid-cols-[110px_minmax(0,1.1fr)_minmax(0,2fr)] gap-4 px-4 py-3 hover:bg-paper max-md:grid-cols-1 max-md:gap-1"
            [class.bg-look]="one.cause === null"
            [routerLink]="['/reels', one.tag]"
          >
            <span
              >{{ day(one.at) }}<span class="block text-[13px] text-mute">{{ one.by }}</span></span
            >
            <span class="min-w-0">
              <b class="block truncate" [title]="one.label">{{ one.tag }} · {{ one.label }}</b>
              <span class="block truncate">{{ one.customer }}</span>
              <span class="text-[13px] text-mute">filled {{ day(one.filledAt) }} by {{ one.filledBy }}</span>
            </span>
            <span class="min-w-0">
              <b>{{ complaints(one.complaint) }}</b>{{ one.saw ? ': “' + one.saw + '”' : '' }}
              <span class="block text-mute">{{
                one.cause ? causes[one.cause] + faultOf(one) + '. ' + one.found : 'not settled yet'
              }}</span>
              <span class="block">{{ one.did }}</span>
            </span>
          </a>
        </li>
      }
    </ul>
    @if (rows.more()) {
      <button type="button" class="plain mt-2" (click)="rows.next()">Show more</button>
    }
  `,
  host: { class: 'block p-4 px-5' },
})
export class ComebacksPage {
  private readonly api = inject(ApiService);

  protected readonly openOnly = signal(false);
  protected readonly rows = pages<Comeback>((after) =>
    this.api.call(api.listComebacks, { query: { which: this.openOnly() ? 'open' : 'all', after } }),
  );
  protected readonly complaints = complaintWords;
  protected readonly causes = CAUSE_WORDS;
  protected readonly day = dayText;
  protected readonly faultOf = faultWords;

  constructor() {
    this.rows.reload();
  }

  protected toggle(): void {
    this.openOnly.update((only) => !only);
    this.rows.reload();
  }
}

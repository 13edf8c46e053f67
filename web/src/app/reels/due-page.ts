import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormGroup } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { api, type DueRow } from '@yard-spool/contract';
import { dueMessage } from '@yard-spool/core';
import { DateTime } from 'luxon';
import { ApiService } from '../data/api.service';
import { HouseService } from '../data/house.service';
import { pages } from '../data/pages';
import { UnitsService } from '../data/units.service';
import { SmallSection } from '../drawing/small-section';
import { LoadState } from '../ui/load-state';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { UNREAD } from '../ui/read-when';
import { WhenField } from '../ui/when-field';
import { dayText } from '../ui/day-text';
import { dueWords } from './record-words';
import { ReelsTabs } from './reels-tabs';

/** Whose line is due, the latest first, and the text for its customer. */
@Component({
  selector: 'ys-due-page',
  imports: [LoadState, ReelsTabs, RouterLink, SmallSection, WhenField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ys-reels-tabs />
    <div class="flex flex-wrap items-end gap-3 py-3">
      <ys-when-field class="w-48" label="Due by" [control]="form.controls.by" />
      <button type="button" class="plain" (click)="ask()">Show them</button>
      <label class="ml-auto flex min-h-11 items-center gap-2">
        <input type="checkbox" class="size-5" [checked]="told()" (change)="told.set(!told()); ask()" />
        Include customers already told
      </label>
    </div>
    <ys-load-state what="what is due" [of]="rows.now()" (again)="rows.reload()" />
    <div class="grid grid-cols-[minmax(0,1fr)_380px] items-start gap-4 max-lg:grid-cols-1">
      <ul class="grid gap-2">
        @for (row of rows.rows(); track row.tag + row.spool) {
          <li
            class="card grid grid-cols-[64px_minmax(0,1fr)_auto] items-center gap-4 px-4 py-2.5 max-md:grid-cols-[64px_minmax(0,1fr)]"
            [class.bg-oil-pale]="row === shown()"
            data-test="due-row"
          >
            <ys-small-section [drawing]="row.on.drawing" />
            <a class="min-w-0" [routerLink]="['/reels', row.tag]">
              <b class="block truncate" [title]="row.label"
                >{{ row.tag }} · {{ row.label
                }}{{ row.spool === 'own' ? '' : ', ' + row.spool + ' spool' }}</b
              >
              <span class="block truncate">{{ row.customer.name }} · {{ row.on.lines.at(-1)?.name }}</span>
              <span class="block truncate text-[13px] text-mute"
                >{{ words(row) }}{{ row.on.toldAt ? ', told ' + day(row.on.toldAt) : ''
                }}{{ row.here ? ', here in a bag' : '' }}</span
              >
            </a>
            <button
              type="button"
              class="plain max-md:col-span-2"
              [attr.aria-pressed]="row === shown()"
              (click)="open(row)"
            >
              Show the text
            </button>
          </li>
        } @empty {
          @if (rows.now().state === 'ready') {
            <li class="card p-6">
              Nothing is due by then. Trips told at the counter bring reels here earlier.
            </li>
          }
        }
      </ul>
      @if (shown(); as row) {
        <section
          class="card grid gap-3 p-4 max-lg:row-start-1"
          aria-label="Text for the customer"
          data-test="due-text"
        >
          <h2 class="text-[18px]">For {{ row.customer.name }}</h2>
          <p class="text-mute">{{ row.customer.contact || 'How they are reached is not written down.' }}</p>
          <textarea #words class="entry min-h-52" rows="8" [value]="message()" aria-label="Text"></textarea>
          <div class="flex flex-wrap gap-2.5">
            <button type="button" class="go grow" (click)="copy(words.value)">
              {{ copied() ? 'Copied' : 'Copy it' }}
            </button>
            <button type="button" class="plain" [disabled]="sending.busy()" (click)="later(row)">
              Add to messages
            </button>
            <button type="button" class="plain" [disabled]="sending.busy()" (click)="toldNow(row)">
              Mark as told
            </button>
          </div>
          @if (row.on.reverse) {
            <p class="text-[13px] text-mute">{{ units.say(row.on.reverse) }}</p>
          }
          @if (sending.problem(); as sentence) {
            <p class="look px-3.5 py-2.5 font-bold" role="alert">{{ sentence }}</p>
          }
        </section>
      }
    </div>
    @if (rows.more()) {
      <button type="button" class="plain mt-2" (click)="rows.next()">Show more</button>
    }
  `,
  host: { class: 'block p-4 px-5' },
})
export class DuePage {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly house = inject(HouseService);
  protected readonly units = inject(UnitsService);

  protected readonly form = new FormGroup({ by: text(DateTime.now().toISODate()) });
  protected readonly told = signal(false);
  protected readonly rows = pages<DueRow>((after) =>
    this.api.call(api.listDue, {
      query: { by: this.until(), told: this.told() ? 'show' : 'hide', after },
    }),
  );
  private readonly chosen = signal('');
  protected readonly shown = computed(
    () => this.rows.rows().find((row) => keyOf(row) === this.chosen()) ?? this.rows.rows()[0],
  );
  protected readonly copied = signal(false);
  protected readonly sending = new Sending();
  protected readonly day = dayText;
  protected readonly words = ({ on }: DueRow): string => dueWords(on);
  protected readonly message = computed(() => {
    const row = this.shown();
    if (!row) return '';
    const { shopName: shop = '', wordings } = this.house.house() ?? {};
    return dueMessage(row, { shop, wording: wordings?.due ?? '', day: dayText });
  });

  constructor() {
    this.rows.reload();
  }

  private until(): string {
    const day = DateTime.fromISO(this.form.getRawValue().by);
    return day.isValid ? day.endOf('day').toUTC().toISO() : '';
  }

  protected ask(): void {
    if (!this.form.getRawValue().by.startsWith(UNREAD)) this.rows.reload();
  }

  protected open(row: DueRow): void {
    this.chosen.set(keyOf(row));
    this.copied.set(false);
  }

  protected copy(words: string): void {
    void navigator.clipboard.writeText(words).then(() => this.copied.set(true));
  }

  /** Puts the text among the messages that wait to be sent. */
  protected later({ on }: DueRow): void {
    const ask = this.api.call(api.addMessage, { body: { fillId: on.fillId } });
    this.sending.send(ask, () => void this.router.navigate(['/bags/messages']));
  }

  protected toldNow({ on }: DueRow): void {
    const ask = this.api.call(api.markFill, { params: { id: on.fillId }, body: { kind: 'told' } });
    this.sending.send(ask, () => this.rows.reload());
  }
}

const keyOf = ({ tag, spool }: DueRow): string => `${tag} ${spool}`;

import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api } from '@yard-spool/contract';
import { recordedTable, metresPer } from '@yard-spool/core';
import { dayText } from '../ui/day-text';
import { markText } from '../words/counter-words';
import { ApiService } from '../data/api.service';
import { loadFor } from '../data/loaded';
import { CounterTable } from '../drawing/counter-table';
import { LoadState } from '../ui/load-state';

/** What hangs on a counter reel: its tag, where it agrees, and what it shows at other lengths. Small enough to cut out. */
@Component({
  selector: 'ys-counter-tag',
  imports: [CounterTable, LoadState, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ys-load-state [page]="true" what="the reel" [of]="reel.now()" (again)="reel.reload()" />
    @if (reel.value(); as shown) {
      <div class="mx-auto grid w-72 gap-3">
        @if (kept(); as kept) {
          <div class="flex gap-2 print:hidden">
            <button type="button" class="go grow" (click)="print()">Print it</button>
            <a class="plain" [routerLink]="['/reels', shown.tag]">The reel</a>
          </div>
          <div class="rounded-plate border-2 border-ink bg-card p-3" data-test="counter-tag">
            <h1 class="text-[24px] leading-tight">{{ shown.tag }}</h1>
            <span class="block font-semibold">{{ shown.label }}, {{ shown.customer.name }}</span>
            <span class="block pb-2 text-[14px]">
              {{ kept.agrees ? 'Agrees at' : 'Does not agree; read the table. Tried at' }} {{ mark() }},
              {{ day() }}
            </span>
            <ys-counter-table [rows]="table()" [unit]="kept.unit" [match]="kept.match / per()" />
            <span class="block pt-2 text-[13px]">{{ line() }}. After a break-off, ask for a new table.</span>
          </div>
        } @else {
          <h1>{{ shown.tag }}</h1>
          <p class="card p-6">
            The counter of {{ shown.tag }} was not matched here yet. Walk it at the bench first.
          </p>
        }
      </div>
    }
  `,
  host: { class: 'block p-4 px-5' },
})
export class CounterTag {
  private readonly api = inject(ApiService);

  /** From the address. */
  readonly tag = input.required<string>();

  protected readonly reel = loadFor(this.tag, (tag) => this.api.call(api.readReel, { params: { tag } }));
  private readonly fill = computed(() => this.reel.value()?.fills[0]);
  protected readonly kept = computed(() => this.fill()?.counter ?? null);
  protected readonly per = computed(() => metresPer(this.kept()?.unit ?? 'm'));
  protected readonly table = computed(() => {
    const kept = this.kept();
    return kept ? recordedTable(kept) : [];
  });
  protected readonly mark = computed(() => {
    const kept = this.kept();
    return kept ? markText(kept.match, kept.unit) : '';
  });
  protected readonly day = computed(() => dayText(this.fill()?.closedAt ?? ''));
  protected readonly line = computed(() => this.fill()?.layers.at(-1)?.lineName ?? '');

  protected print(): void {
    window.print();
  }
}

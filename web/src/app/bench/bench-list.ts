import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { BenchHere } from '../data/bench-here.service';
import { pages } from '../data/pages';
import { LoadState } from '../ui/load-state';

/** Reels that are on a bench, and where to take the next one from. */
@Component({
  selector: 'ys-bench-list',
  imports: [RouterLink, LoadState],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="flex flex-wrap items-end justify-between gap-3 pb-3">
      <h1>On the bench</h1>
      <a class="plain ml-auto" routerLink="/bench/walks">Counter walks</a>
      @if (here.benches().length > 0) {
        <label class="flex items-center gap-2">
          <span class="text-mute">This machine stands at</span>
          <select #at class="entry w-40!" (change)="choose(at.value)">
            @if (!here.bench()) {
              <option value="" selected disabled>choose a bench</option>
            }
            @for (bench of here.benches(); track bench.id) {
              <option [value]="bench.id" [selected]="bench.id === here.bench()?.id">{{ bench.name }}</option>
            }
          </select>
        </label>
      }
    </div>
    <ys-load-state what="the benches" [of]="runs.now()" (again)="runs.reload()" />
    @if (runs.now().state === 'ready' && runs.rows().length === 0) {
      <p class="card p-6">
        No reel is on a bench. Take one from its <a class="font-bold underline" routerLink="/bags">bag</a>.
      </p>
    }
    <ul class="grid gap-3">
      @for (run of runs.rows(); track run.id) {
        <li>
          <a
            class="card grid min-h-18 grid-cols-[1fr_auto] items-center gap-4 px-5 py-3 hover:bg-paper"
            [routerLink]="['/bench', run.id]"
          >
            <span>
              <b class="block text-[18px]">{{ run.label }}, {{ run.tag }}</b>
              <span class="text-mute"
                >{{ run.bench }} · bag {{ run.bagNumber }}, reel {{ run.position }} of {{ run.reelsInBag }} ·
                {{ run.customer }}</span
              >
            </span>
            <b>{{ run.aside ? 'Put aside: take it up' : 'Go on' }}</b>
          </a>
        </li>
      }
    </ul>
    @if (runs.more()) {
      <button type="button" class="plain mt-2" (click)="runs.next()">Show more</button>
    }
  `,
  host: { class: 'block p-4 px-5' },
})
export class BenchList {
  private readonly api = inject(ApiService);
  protected readonly here = inject(BenchHere);
  protected choose(id: string): void {
    this.here.choose(Number(id));
  }

  protected readonly runs = pages((after) => this.api.call(api.listOpenRuns, { query: { after } }));

  constructor() {
    this.runs.reload();
  }
}

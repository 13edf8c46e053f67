import { ChangeDetectionStrategy, Component, computed, effect, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { api, type OpenRun } from '@yard-spool/contract';
import { filter } from 'rxjs';
import { ApiService } from '../data/api.service';
import { BenchHere } from '../data/bench-here.service';
import { Outbox } from '../data/outbox.service';
import { pages } from '../data/pages';
import { promisedText } from '../words/promised-text';
import { SmallSection } from '../drawing/small-section';
import { LoadState } from '../ui/load-state';
import { PickField } from '../ui/pick-field';
import { text } from '../ui/text-control';
import { BenchNext } from './bench-next';

/** Reels that are on a bench, and where to take the next one from. */
@Component({
  selector: 'ys-bench-list',
  imports: [BenchNext, LoadState, PickField, RouterLink, SmallSection],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="flex flex-wrap items-end justify-between gap-3 pb-3">
      <h1>On the bench</h1>
      <a class="plain ml-auto" routerLink="/bench/walks">Counter walks</a>
      @if (here.benches().length > 0) {
        <ys-pick-field
          class="w-56"
          label="This computer is at"
          placeholder="choose a bench"
          [control]="at"
          [options]="benches()"
        />
      }
    </div>
    <ys-load-state what="the benches" [of]="runs.now()" (again)="runs.reload()" />
    @if (runs.now().state === 'ready' && runs.rows().length === 0) {
      <p class="card p-6">
        No reel is on a bench. Take the next one up below, or any from its
        <a class="font-bold underline" routerLink="/bags">bag</a>.
      </p>
    }
    <ul class="grid gap-3">
      @for (run of runs.rows(); track run.id) {
        <li [attr.data-bench]="run.bench" [attr.data-reel]="run.label">
          <a
            class="card grid min-h-18 grid-cols-[64px_minmax(0,1fr)_auto] items-center gap-4 px-5 py-3 hover:bg-paper"
            [routerLink]="['/bench', run.id]"
          >
            <ys-small-section [drawing]="run.drawing" />
            <span class="min-w-0">
              <b class="block truncate text-[18px] max-md:whitespace-normal"
                >{{ run.tag }} · {{ run.label }}</b
              >
              <span class="text-mute"
                >{{ run.bench }} · bag {{ run.bagNumber }}, reel {{ run.position }} of {{ run.reelsInBag }} ·
                {{ run.customer }} · promised {{ promised(run.promisedAt) }}</span
              >
            </span>
            <b>{{ aside(run) ? 'Put aside: take it up' : 'Go on' }}</b>
          </a>
        </li>
      }
    </ul>
    @if (runs.more()) {
      <button type="button" class="plain mt-2" (click)="runs.next()">Show more</button>
    }
    <ys-bench-next />
  `,
  host: { class: 'block p-4 px-5' },
})
export class BenchList {
  private readonly api = inject(ApiService);
  protected readonly here = inject(BenchHere);
  /** The bench this computer stands at, by its number. */
  protected readonly at = text();
  protected readonly benches = computed(() =>
    this.here.benches().map(({ id, name }) => ({ value: String(id), name })),
  );

  protected readonly promised = promisedText;
  protected readonly runs = pages((after) => this.api.call(api.listOpenRuns, { query: { after } }));

  private readonly outbox = inject(Outbox);
  /** What the server does not know yet counts here too: a reel put aside is put aside, sent or not. */
  protected aside(run: OpenRun): boolean {
    const last = this.outbox.of(String(run.id)).at(-1);
    return last ? last.kind === 'put-aside' : run.aside;
  }

  constructor() {
    effect(() => this.at.setValue(String(this.here.bench()?.id ?? '')));
    this.at.valueChanges.pipe(takeUntilDestroyed()).subscribe((id) => {
      if (Number(id) !== (this.here.bench()?.id ?? 0)) this.here.choose(Number(id));
    });
    this.runs.reload();
    this.outbox.confirmed$
      .pipe(
        filter(({ events }) => events.some(({ kind }) => kind === 'put-aside')),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.runs.reload());
  }
}

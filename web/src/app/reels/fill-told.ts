import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api } from '@yard-spool/contract';
import {
  factsNow,
  foldRun,
  runFacts,
  standingOf,
  tellFill,
  tellLog,
  tellWants,
  type ToldEvent,
} from '@yard-spool/core';
import { DateTime } from 'luxon';
import { ApiService } from '../data/api.service';
import { loadFor } from '../data/loaded';
import { UnitsService } from '../data/units.service';
import { LoadState } from '../ui/load-state';

/** A time as it is told: the day, the hour and the minute. */
const timeText = (iso: string): string => DateTime.fromISO(iso).toFormat('d LLL H:mm');

/** How a reel was filled, told as a colleague reads it in half a minute, with the whole log behind it. */
@Component({
  selector: 'ys-fill-told',
  imports: [LoadState, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ys-load-state what="how it was filled" [of]="run.now()" (again)="run.reload()" />
    @if (chapters(); as all) {
      <section class="card grid gap-2.5 px-4 py-3" data-test="told">
        <h2>How it was filled</h2>
        @for (chapter of all; track chapter.title) {
          <div>
            <h3 class="text-[13px] text-mute">{{ chapter.title }}</h3>
            @for (sentence of chapter.sentences; track $index) {
              <p>{{ sentence }}</p>
            }
          </div>
        } @empty {
          <p class="text-mute">Nothing was written down beside what lies on the reel.</p>
        }
      </section>
      <details class="card mt-3 px-4 py-2" data-test="whole-log">
        <summary class="min-h-11 cursor-pointer py-2 font-bold">
          The whole log, {{ log().length }} lines
        </summary>
        <ol class="grid pb-2">
          @for (row of log(); track $index) {
            <li class="grid grid-cols-[118px_1fr] gap-x-3 border-t border-line py-1.5 max-md:grid-cols-1">
              <span class="text-[13px] text-mute">{{ when(row) }}<br />{{ row.by }}</span>
              <span>{{ row.sentence }}</span>
            </li>
          }
        </ol>
        <a class="plain mb-2 inline-flex" [routerLink]="['/bench', runId()]">Open it again</a>
      </details>
    }
  `,
  host: { class: 'block' },
})
export class FillTold {
  private readonly api = inject(ApiService);
  protected readonly units = inject(UnitsService);

  /** The run it was filled in. */
  readonly runId = input.required<number>();
  /** Another one where something was put right meanwhile: the log is asked for again. */
  readonly version = input(0);

  readonly run = loadFor(
    computed(() => ({ id: this.runId(), version: this.version() })),
    ({ id }) => this.api.call(api.readRun, { params: { id } }),
  );
  protected readonly chapters = computed(() => {
    const run = this.run.value();
    if (!run) return null;
    const planned = runFacts(run);
    const state = foldRun(planned, run.events);
    const facts = factsNow(planned, state);
    const told = tellFill(facts, state, standingOf(run.events), {
      when: timeText,
      units: this.units.system(),
    });
    const wanted = tellWants(run.job.wants, this.units.system());
    return wanted.length === 0 ? told : [{ title: 'Wanted', sentences: wanted }, ...told];
  });
  protected readonly log = computed(() => {
    const run = this.run.value();
    return run ? tellLog(runFacts(run), run.events, this.units.system()) : [];
  });

  /** When it was, to the minute; from when to when where it took a while. */
  protected when({ at, until }: ToldEvent): string {
    const from = DateTime.fromISO(at);
    const to = DateTime.fromISO(until);
    const start = from.toFormat('d LLL, H:mm');
    return to.diff(from, 'minutes').minutes < 1 ? start : `${start}–${to.toFormat('H:mm')}`;
  }
}

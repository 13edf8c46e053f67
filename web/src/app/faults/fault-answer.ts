import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import {
  authoredRates,
  causeOf,
  faultReasons,
  type FaultCase,
  type FaultCause,
  type FaultFound,
  type LookKnown,
} from '@yard-spool/core';
import { percent } from '../ui/learned-words';
import { CAUSE_WORDS } from '../words/comeback-words';
import { UnitsService } from '../data/units.service';
import { answerWords } from './fault-case';

/** Causes shown beside the first. */
const OTHERS = 4;

/** What is most likely wrong: causes by how sure that is, and for one of them what speaks for it and against it. */
@Component({
  selector: 'ys-fault-answer',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="card grid gap-2.5 p-4" data-test="causes">
      <h2>{{ found().next ? 'Most likely, so far' : 'What it most likely is' }}</h2>
      @if (both(); as pair) {
        <p class="look px-3 py-2" data-test="both">{{ pair }}</p>
      }
      <ol class="grid gap-1">
        @for (one of shown(); track one.cause) {
          <li>
            <button
              type="button"
              class="relative grid min-h-11 w-full grid-cols-[minmax(0,1fr)_auto] items-center gap-3 overflow-hidden rounded-plate border border-line px-3 text-left"
              [class.border-ink]="one.cause === cause()"
              [attr.aria-pressed]="one.cause === cause()"
              (click)="chosen.emit(one.cause)"
            >
              <span
                class="absolute inset-y-0 left-0 bg-oil-pale"
                aria-hidden="true"
                [style.width.%]="100 * one.behind"
              ></span>
              <b class="relative">{{ one.name }}</b>
              <span class="relative">{{ one.sure }}</span>
            </button>
          </li>
        }
      </ol>
      @if (found().unknown > 0.1) {
        <p class="text-mute">It may be none of these: {{ share(found().unknown) }}.</p>
      }
      <div class="grid gap-1 border-t border-line pt-2.5" data-test="reasons">
        <p>
          <b>{{ name() }}</b>: {{ whose() }}. {{ rates() }}
        </p>
        @for (reason of reasons(); track reason.look) {
          <p class="grid grid-cols-[70px_minmax(0,1fr)] gap-2">
            <span class="text-mute">{{ reason.speaks }}</span> <span>{{ reason.words }}</span>
          </p>
        } @empty {
          <p class="text-mute">Nothing that was looked at speaks for it or against it.</p>
        }
      </div>
    </section>
  `,
  host: { class: 'block' },
})
export class FaultAnswerCard {
  private readonly units = inject(UnitsService);

  readonly of = input.required<FaultCase>();
  readonly found = input.required<FaultFound>();
  /** The cause that is looked at. */
  readonly cause = input.required<FaultCause>();
  /** What the record says, in its own words. */
  readonly known = input<readonly LookKnown[]>([]);
  readonly chosen = output<FaultCause>();

  protected readonly share = percent;
  protected readonly name = computed(() => causeOf(this.cause()).name);
  protected readonly whose = computed(() => `it would be ${CAUSE_WORDS[causeOf(this.cause()).whose]}`);
  protected readonly shown = computed(() =>
    this.found()
      .ranked.filter(({ behind, cause }, i) => (i <= OTHERS && behind >= 0.005) || cause === this.cause())
      .map(({ cause, behind }) => ({ cause, behind, name: causeOf(cause).name, sure: percent(behind) })),
  );
  protected readonly both = computed(() => {
    const pair = this.found().both;
    return pair
      ? `Two together explain it better than any one: ${pair.map((one) => causeOf(one).name.toLowerCase()).join(', and ')}.`
      : '';
  });
  protected readonly rates = computed(() => {
    const { reel, seen = {} } = this.of();
    const authored = authoredRates(reel).get(this.cause()) ?? 0;
    const all = Object.values(seen).reduce((sum, one) => sum + one, 0);
    const here = all > 0 ? `, seen here ${String(seen[this.cause()] ?? 0)} of ${String(all)} times` : '';
    return `Behind ${percent(authored)} of such comebacks by the table (common practice, no source)${here}.`;
  });
  protected readonly reasons = computed(() =>
    faultReasons(this.of(), this.cause()).map(({ look, answer, speaks }) => ({
      look,
      speaks,
      words: this.units.say(answerWords({ look, answer }, this.known()).words),
    })),
  );
}

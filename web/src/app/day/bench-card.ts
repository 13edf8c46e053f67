import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { DayPlan, DayRow } from '@yard-spool/contract';
import { linesInWords } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { SmallSection } from '../drawing/small-section';
import { firstAt, rowWords } from './row-words';
import { clockText } from '../words/clock-text';

/** What is at a bench now, or comes next there. */
@Component({
  selector: 'ys-bench-card',
  imports: [SmallSection],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 class="text-[14px] text-mute">{{ bench().name }}{{ who() }}</h2>
    @if (first(); as row) {
      <p class="py-1 text-[20px] leading-tight font-bold">{{ words()?.what }}</p>
      <div class="flex items-center gap-3">
        @if (row.reels[0]; as reel) {
          <ys-small-section [drawing]="reel.drawing" />
        }
        <p class="text-mute">
          @for (line of lines(); track line) {
            <span class="block whitespace-nowrap">{{ line }}</span>
          }
          {{ row.state === 'now' ? 'to be full by ' + end() : 'from ' + start() }}
        </p>
      </div>
      @if (row.kind === 'fill') {
        <button
          type="button"
          class="mt-3 w-full justify-between!"
          [class]="here() ? 'go' : 'plain'"
          [disabled]="busy()"
          (click)="begin.emit(row)"
        >
          {{ row.state === 'now' ? 'Continue there' : 'Start there' }}
          @if (here()) {
            <span class="key">B</span>
          }
        </button>
      }
    } @else {
      <p class="py-1 text-[20px] font-bold">Nothing waits here.</p>
    }
  `,
  host: { class: 'card block p-3.5', 'data-test': 'bench-card' },
})
export class BenchCard {
  private readonly units = inject(UnitsService);

  readonly bench = input.required<DayPlan['benches'][number]>();
  readonly day = input.required<DayPlan>();
  /** Whether this computer is at that bench. */
  readonly here = input(false);
  readonly busy = input(false);
  readonly begin = output<DayRow>();

  readonly first = computed(() => firstAt(this.day(), this.bench().id));
  protected readonly who = computed(() => {
    const id = this.first()?.personId;
    const person = this.day().people.find((one) => one.id === id);
    return person ? `, ${person.name}` : '';
  });
  protected readonly words = computed(() => {
    const row = this.first();
    return row && rowWords(row, (metres) => this.units.length(metres));
  });
  /** What goes on, the outermost first. */
  protected readonly lines = computed(() => {
    const row = this.first();
    return row ? linesInWords(row, (metres) => this.units.length(metres)) : [];
  });
  private readonly clock = (iso: string | undefined): string =>
    iso === undefined ? '' : clockText(iso, this.day().now);
  protected readonly start = computed(() => this.clock(this.first()?.startAt));
  protected readonly end = computed(() => this.clock(this.first()?.endAt));
}

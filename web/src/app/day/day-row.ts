import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { DayPlan, DayRow } from '@yard-spool/contract';
import { UnitsService } from '../data/units.service';
import { SmallSection } from '../drawing/small-section';
import { OperationIcon } from './operation-icon';
import { handOf, placeOf, rowWords } from './row-words';
import { clockText } from '../words/clock-text';

/** One row of the running order: when, what, where. Pressed, it is opened to be moved. */
@Component({
  selector: 'ys-day-row',
  imports: [OperationIcon, SmallSection],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let one = row();
    <button
      type="button"
      class="grid min-h-14 w-full grid-cols-[76px_64px_minmax(0,1fr)_auto] items-center gap-3 px-3 py-1.5 text-left max-md:grid-cols-[76px_minmax(0,1fr)]"
      [class.bg-ink]="one.state === 'now'"
      [class.text-oil]="one.state === 'now'"
      [class.text-mute]="one.state === 'done'"
      [disabled]="one.state !== 'next'"
      [attr.aria-expanded]="one.state === 'next' ? open() : null"
      (click)="chosen.emit()"
    >
      <b class="text-right whitespace-nowrap">{{ clock() }}</b>
      <span class="flex items-center justify-center overflow-hidden rounded-plate bg-card max-md:hidden">
        @if (one.kind === 'fill' && one.reels[0]; as reel) {
          <ys-small-section [drawing]="reel.drawing" />
        } @else {
          <ys-operation-icon [kind]="one.kind" />
        }
      </span>
      <span class="min-w-0 leading-tight">
        <span class="block" [class.line-through]="one.state === 'done'">{{ words().what }}</span>
        <small class="block text-[13px]" [class.text-mute]="one.state === 'next'">{{ words().more }}</small>
      </span>
      <b class="text-right text-[13px] max-md:hidden" [class.text-mute]="one.state === 'next'"
        >{{ place() }}
        @if (one.pinned) {
          <span class="block">pinned</span>
        }
      </b>
    </button>
  `,
  host: { class: 'block' },
})
export class DayRowView {
  private readonly units = inject(UnitsService);

  readonly row = input.required<DayRow>();
  readonly day = input.required<DayPlan>();
  readonly open = input(false);
  /** Of a shop with one bench every row is done there: its bag's time in hand stands in the place of where. */
  readonly plain = input(false);
  readonly chosen = output();

  protected readonly clock = computed(() =>
    this.row().state === 'now' ? 'now' : clockText(this.row().startAt, this.day().now),
  );
  protected readonly place = computed(() =>
    this.plain() ? handOf(this.row(), this.day()) : placeOf(this.row(), this.day()),
  );
  protected readonly words = computed(() => rowWords(this.row(), (metres) => this.units.length(metres)));
}

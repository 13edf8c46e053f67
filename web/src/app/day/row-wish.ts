import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { DayPlan, DayRow, DayWish } from '@yard-spool/contract';
import { DateTime } from 'luxon';

const NOTHING: DayWish = { benchId: null, personId: null, earliestAt: null, at: null, apart: false };

/** Something asked by hand, and of which operation. */
export interface AskedOf {
  readonly operation: string;
  readonly wish: DayWish;
}

/** What can be asked of one row: pinned to its time, put off, at another bench, by somebody. */
@Component({
  selector: 'ys-row-wish',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="flex flex-wrap items-center gap-2 bg-groove px-3 py-2">
      @for (one of wishes(); track one.name) {
        <button
          type="button"
          class="plain"
          (click)="asked.emit(one.asked)"
          (focus)="tried.emit(one.asked)"
          (blur)="tried.emit(null)"
          (mouseenter)="tried.emit(one.asked)"
          (mouseleave)="tried.emit(null)"
        >
          {{ one.name }}
        </button>
      }
      <span class="text-[13px] text-mute max-md:hidden">
        <span class="key">Alt ↑</span> <span class="key">Alt ↓</span> move it,
        <span class="key">Enter</span> leaves it there
      </span>
    </div>
  `,
  host: { class: 'block' },
})
export class RowWish {
  readonly row = input.required<DayRow>();
  readonly day = input.required<DayPlan>();
  /** What is asked, and of what: of the row itself, or of the set its reel belongs to. */
  readonly asked = output<AskedOf>();
  /** What would be asked if the button under the pointer was pressed; null where there is none. */
  readonly tried = output<AskedOf | null>();

  protected readonly wishes = computed((): readonly { readonly name: string; readonly asked: AskedOf }[] => {
    const { id, startAt, benchId, personId, pinned, set } = this.row();
    const { benches, people } = this.day();
    const of = (name: string, wish: Partial<DayWish>, operation = id) => ({
      name,
      asked: { operation, wish: { ...NOTHING, ...wish } },
    });
    const hourOn = new Date(Date.parse(startAt) + 3_600_000).toISOString();
    return [
      of(`Pin to ${DateTime.fromISO(startAt).toFormat('H:mm')}`, { at: startAt, benchId, personId }),
      of('Put off by an hour', { earliestAt: hourOn }),
      ...(benchId === null ? [] : benches.filter((one) => one.id !== benchId)).map((one) =>
        of(`To ${one.name}`, { benchId: one.id }),
      ),
      ...people
        .filter((one) => one.here && one.id !== personId)
        .map((one) => of(`Give to ${one.name}`, { personId: one.id })),
      ...(set
        ? [of(set.apart ? 'Fill it with its set' : 'Take the set apart', { apart: !set.apart }, set.id)]
        : []),
      ...(pinned ? [of('Undo what was asked', {})] : []),
    ];
  });
}

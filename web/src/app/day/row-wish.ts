import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { DayPlan, DayRow, DayWish } from '@yard-spool/contract';
import { DateTime } from 'luxon';

const NOTHING: DayWish = { benchId: null, personId: null, earliestAt: null, at: null };

/** What can be asked of one row: pinned to its time, put off, at another bench, by somebody. */
@Component({
  selector: 'ys-row-wish',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="flex flex-wrap items-center gap-2 bg-groove px-3 py-2">
      <button type="button" class="plain" (click)="pin()">Pin to {{ time() }}</button>
      <button type="button" class="plain" (click)="putOff()">Put off by an hour</button>
      @for (bench of otherBenches(); track bench.id) {
        <button type="button" class="plain" (click)="ask({ benchId: bench.id })">To {{ bench.name }}</button>
      }
      @for (person of otherPeople(); track person.id) {
        <button type="button" class="plain" (click)="ask({ personId: person.id })">
          Give to {{ person.name }}
        </button>
      }
      @if (row().pinned) {
        <button type="button" class="plain" (click)="ask({})">Undo what was asked</button>
      }
    </div>
  `,
  host: { class: 'block' },
})
export class RowWish {
  readonly row = input.required<DayRow>();
  readonly day = input.required<DayPlan>();
  readonly asked = output<DayWish>();

  protected readonly time = computed(() => DateTime.fromISO(this.row().startAt).toFormat('H:mm'));
  protected readonly otherBenches = computed(() => {
    const { benchId } = this.row();
    return benchId === null ? [] : this.day().benches.filter(({ id }) => id !== benchId);
  });
  protected readonly otherPeople = computed(() =>
    this.day().people.filter(({ id, here }) => here && id !== this.row().personId),
  );

  protected ask(wish: Partial<DayWish>): void {
    this.asked.emit({ ...NOTHING, ...wish });
  }

  protected pin(): void {
    const { startAt, benchId, personId } = this.row();
    this.ask({ at: startAt, benchId, personId });
  }

  protected putOff(): void {
    this.ask({ earliestAt: new Date(Date.parse(this.row().startAt) + 3_600_000).toISOString() });
  }
}

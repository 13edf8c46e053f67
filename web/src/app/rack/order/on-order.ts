import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import type { LineOrder } from '@yard-spool/contract';
import { HouseService } from '../../data/house.service';
import { UnitsService } from '../../data/units.service';
import { dayText } from '../../ui/day-text';

/** Line that is on order, what comes first foremost. */
@Component({
  selector: 'ys-on-order',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 class="px-4 py-2">On order</h2>
    @for (order of orders(); track order.id) {
      <div class="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line px-4 py-1.5">
        <p class="min-w-0 grow">
          <b>{{ order.count }} × {{ units.length(order.lengthMm / 1000) }}</b> {{ order.product.name }}
          @if (order.minor !== null) {
            <span class="text-mute">{{ house.money(order.minor * order.count) }}</span>
          }
          <span class="block text-[13px] text-mute"
            >Ordered on {{ day(order.at) }} by {{ order.by }}, to be here by {{ day(order.expectedAt) }}</span
          >
        </p>
        <button type="button" class="plain" [disabled]="busy()" (click)="come.emit(order)">
          It has come
        </button>
        <button type="button" class="plain" [disabled]="busy()" (click)="cancelled.emit(order)">
          Cancelled
        </button>
      </div>
    }
  `,
  host: { class: 'card block' },
})
export class OnOrder {
  protected readonly units = inject(UnitsService);
  protected readonly house = inject(HouseService);

  readonly orders = input.required<readonly LineOrder[]>();
  readonly busy = input(false);
  readonly come = output<LineOrder>();
  readonly cancelled = output<LineOrder>();

  protected readonly day = (iso: string): string => dayText(iso);
}

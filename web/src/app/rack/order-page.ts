import { METRES_PER_YARD } from '@yard-spool/core';
import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { api, type ReorderLine } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { HouseService } from '../data/house.service';
import { load } from '../data/loaded';
import { UnitsService } from '../data/units.service';
import { LineSwatch } from '../drawing/line-swatch';
import { LoadState } from '../ui/load-state';
import { RackTabs } from './rack-tabs';

/** Under so many days a line is looked at now. A shop's usual delivery time, from memory. */
const SOON_DAYS = 14;

/** What runs out first at the use of the last weeks, and in which size its metre is cheapest. */
@Component({
  selector: 'ys-order-page',
  imports: [LineSwatch, LoadState, RackTabs],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="flex min-h-full flex-col gap-3 p-4 px-5 lg:h-full">
      <ys-rack-tabs />
      <ys-load-state what="what was used" [of]="reorder.now()" (again)="reorder.reload()" />
      @if (reorder.value(); as found) {
        <p class="text-mute">
          By what was wound off, cut off or let go in the last {{ found.weeks }} weeks; what runs out first
          comes first.
        </p>
        @if (found.lines.length === 0) {
          <p class="card p-6">There is no line on the rack to run out of.</p>
        } @else {
          <div class="card min-h-0 overflow-auto" role="region" aria-label="What to order" tabindex="0">
            <table class="w-full">
              <thead class="text-left text-[13px] text-mute">
                <tr class="border-b border-line">
                  <th scope="col" class="py-2 pl-4" colspan="2">Line</th>
                  <th scope="col" class="px-3 py-2 text-right">Left</th>
                  <th scope="col" class="px-3 py-2 text-right">Promised</th>
                  <th scope="col" class="px-3 py-2 text-right">Used</th>
                  <th scope="col" class="px-3 py-2 text-right">Lasts</th>
                  <th scope="col" class="px-4 py-2">Price of 100 {{ unit() }} by size bought</th>
                </tr>
              </thead>
              <tbody>
                @for (line of found.lines; track line.product.id) {
                  <tr class="border-b border-line last:border-0">
                    <td class="py-1.5 pl-4"><ys-line-swatch [lineStyle]="styleOf(line)" /></td>
                    <th scope="row" class="px-3 py-1.5 text-left font-bold">
                      {{ line.product.name }}
                      <span class="block text-[13px] font-medium text-mute">{{ line.product.code }}</span>
                    </th>
                    <td class="px-3 text-right">{{ units.length(line.leftMm / 1000) }}</td>
                    <td class="px-3 text-right">
                      {{ line.promisedMm ? units.length(line.promisedMm / 1000) : '–' }}
                    </td>
                    <td class="px-3 text-right">
                      {{ line.usedMm ? units.length(line.usedMm / 1000) : '–' }}
                    </td>
                    <td class="px-3 text-right whitespace-nowrap">
                      <b [class.look]="isSoon(line)" [class.px-2]="isSoon(line)">{{ lasts(line) }}</b>
                    </td>
                    <td class="px-4">
                      @for (size of line.sizes; track size.lengthMm) {
                        <span class="mr-4 whitespace-nowrap"
                          ><span class="text-mute">{{ units.length(size.lengthMm / 1000) }}</span>
                          {{ house.money(size.minorPerMetre * 100 * factor()) }}</span
                        >
                      } @empty {
                        <span class="text-mute">no price written down</span>
                      }
                    </td>
                  </tr>
                }
              </tbody>
            </table>
          </div>
        }
      }
    </div>
  `,
  host: { class: 'block min-h-0 grow' },
})
export class OrderPage {
  private readonly api = inject(ApiService);
  protected readonly units = inject(UnitsService);
  protected readonly house = inject(HouseService);
  protected readonly reorder = load(() => this.api.call(api.readReorder));

  protected readonly unit = (): string => this.units.show(0, 'line-length').unit;
  /** Metres in the person's unit of line. */
  protected readonly factor = (): number => (this.units.system() === 'metric' ? 1 : METRES_PER_YARD);
  protected readonly styleOf = ({ product }: ReorderLine) => ({
    texture: product.material,
    tint: product.tint,
  });
  protected readonly isSoon = ({ daysLeft }: ReorderLine): boolean =>
    daysLeft !== null && daysLeft < SOON_DAYS;
  protected lasts({ daysLeft }: ReorderLine): string {
    if (daysLeft === null) return 'not used';
    return daysLeft > 730 ? 'over 2 years' : daysLeft === 1 ? '1 day' : `${String(daysLeft)} days`;
  }
}

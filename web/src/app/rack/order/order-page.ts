import { METRES_PER_YARD } from '@yard-spool/core';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { api, files, TO_ORDER, type LineOrder, type ReorderLine } from '@yard-spool/contract';
import { ApiService } from '../../data/api.service';
import { HouseService } from '../../data/house.service';
import { saveFile } from '../../data/file-bytes';
import { load } from '../../data/loaded';
import { UnitsService } from '../../data/units.service';
import { LineSwatch } from '../../drawing/line-swatch';
import { LoadState } from '../../ui/load-state';
import { Sending } from '../../ui/sending';
import { text } from '../../ui/text-control';
import { WhenField } from '../../ui/when-field';
import { concat, last, type Observable } from 'rxjs';
import { OnOrder } from './on-order';
import { RackTabs } from '../rack-tabs';

/** Under so many days a line is looked at now. A shop's usual delivery time, from memory. */
const SOON_DAYS = 14;

/** What reels lack and the next weeks will take of each line, how sure that is, and the cheapest packs to order for it. */
@Component({
  selector: 'ys-order-page',
  imports: [LineSwatch, LoadState, OnOrder, RackTabs, RouterLink, WhenField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="flex min-h-full flex-col gap-3 p-4 px-5 lg:h-full">
      <ys-rack-tabs />
      <ys-load-state what="what was used" [of]="reorder.now()" (again)="reorder.reload()" />
      @if (reorder.value(); as found) {
        <div class="flex flex-wrap items-start justify-between gap-3">
          <p class="max-w-xl min-w-0 text-mute">
            What reels that wait lack, what the next {{ found.ahead }} weeks will likely take, going by the
            last twelve, and what is due. Enough in nine of ten; the cheapest packs of sizes bought before.
          </p>
          @if (total(); as minor) {
            <div class="flex flex-wrap items-start gap-2">
              <b class="mt-8">{{ house.money(minor) }} in all</b>
              <ys-when-field class="w-44" label="To be here by" [control]="by" />
              <button
                type="button"
                class="plain mt-5"
                [disabled]="sending.busy() || !ready()"
                (click)="ordered()"
              >
                Mark as ordered
              </button>
              <a class="plain mt-5" [routerLink]="['/paper', 'order-list', TO_ORDER]">Print</a>
              <button type="button" class="plain mt-5" [disabled]="out.busy()" (click)="save()">
                Save as CSV
              </button>
            </div>
          }
        </div>
        @if (sending.problem() || out.problem(); as sentence) {
          <p class="font-bold text-stop" role="alert">{{ sentence }}</p>
        }
        @if (orders().length > 0) {
          <ys-on-order
            [orders]="orders()"
            [busy]="sending.busy()"
            (come)="come($event)"
            (cancelled)="end($event, 'cancelled')"
          />
        }
        @if (found.lines.length === 0) {
          <p class="card p-6">There is no line on the rack to run out of.</p>
        } @else {
          <div class="card min-h-0 overflow-auto" role="region" aria-label="What to order" tabindex="0">
            <table class="w-full max-md:min-w-[900px]">
              <thead class="text-left text-[13px] text-mute">
                <tr class="border-b border-line">
                  <th scope="col" class="py-2 pl-4" colspan="2">Line</th>
                  <th scope="col" class="px-3 py-2 text-right">Left</th>
                  <th scope="col" class="px-3 py-2 text-right">Promised</th>
                  <th scope="col" class="px-3 py-2 text-right">On order</th>
                  <th scope="col" class="px-3 py-2 text-right">Lacking</th>
                  <th scope="col" class="px-3 py-2 text-right">Next {{ found.ahead }} weeks</th>
                  <th scope="col" class="px-3 py-2 text-right">Lasts</th>
                  <th scope="col" class="px-4 py-2">Order today</th>
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
                      {{ line.onOrderMm ? units.length(line.onOrderMm / 1000) : '–' }}
                    </td>
                    <td class="px-3 text-right">
                      @if (line.lacksMm > 0) {
                        <b class="look px-2">{{ units.length(line.lacksMm / 1000) }}</b>
                      } @else {
                        –
                      }
                    </td>
                    <td class="px-3 text-right">
                      {{ line.expectedMm >= 500 ? units.length(line.expectedMm / 1000) : '–' }}
                    </td>
                    <td class="px-3 text-right whitespace-nowrap">
                      <b [class.look]="isSoon(line)" [class.px-2]="isSoon(line)">{{ lasts(line) }}</b>
                      <span class="block text-[13px] text-mute">{{ chance(line) }}</span>
                    </td>
                    <td class="px-4 py-1.5">
                      @for (pack of line.packs; track pack.lengthMm) {
                        <b class="block whitespace-nowrap"
                          >{{ pack.count }} × {{ units.length(pack.lengthMm / 1000) }}
                          <span class="font-medium text-mute">{{
                            house.money(pack.minor * pack.count)
                          }}</span></b
                        >
                      } @empty {
                        <span class="text-mute">{{ nothing(line) }}</span>
                      }
                      @if (line.sizes.length > 1) {
                        <span class="block text-[13px] text-mute">{{ prices(line) }}</span>
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

  private readonly router = inject(Router);
  private readonly open = load(() => this.api.call(api.listOrders));
  /** As they came back from the last change made here. */
  private readonly changed = signal<readonly LineOrder[] | null>(null);
  protected readonly orders = computed(() => this.changed() ?? this.open.value() ?? []);
  protected readonly sending = new Sending();
  protected readonly out = new Sending();
  protected readonly by = text();
  private readonly typed = toSignal(this.by.valueChanges, { initialValue: '' });
  protected readonly ready = (): boolean => /^\d{4}-\d\d-\d\d/.test(this.typed());
  protected readonly TO_ORDER = TO_ORDER;

  protected readonly total = computed(() =>
    (this.reorder.value()?.lines ?? [])
      .flatMap(({ packs }) => packs)
      .reduce((all, { minor, count }) => all + minor * count, 0),
  );
  protected readonly styleOf = ({ product }: ReorderLine) => ({
    texture: product.material,
    tint: product.tint,
  });
  /** What reels lack now does not last at all. */
  protected readonly isSoon = ({ daysLeft, lacksMm }: ReorderLine): boolean =>
    lacksMm > 0 || (daysLeft !== null && daysLeft < SOON_DAYS);

  protected lasts({ daysLeft, lacksMm }: ReorderLine): string {
    if (lacksMm > 0) return 'short now';
    if (daysLeft === null) return 'not used';
    return daysLeft > 730 ? 'over 2 years' : daysLeft === 1 ? '1 day' : `${String(daysLeft)} days`;
  }

  /** How likely what is left lasts until the next order, in tenths. */
  protected chance({ lasts, expectedMm, lacksMm }: ReorderLine): string {
    if (expectedMm < 500 || lacksMm > 0) return '';
    const tenths = Math.round(10 * lasts);
    if (tenths >= 10) return 'surely enough';
    return tenths <= 0 ? 'surely not enough' : `enough in ${String(tenths)} of 10`;
  }

  protected nothing({ needMm, sizes }: ReorderLine): string {
    if (needMm <= 0) return 'nothing';
    const needed = `${this.units.length(needMm / 1000)} needed`;
    return sizes.length === 0 ? `${needed}, no price written down` : `${needed}, in no size bought before`;
  }

  /** Prices of sizes side by side, by a length people compare. */
  protected prices({ sizes }: ReorderLine): string {
    const factor = this.units.system() === 'metric' ? 1 : METRES_PER_YARD;
    const each = sizes.map(
      ({ lengthMm, minorPerMetre }) =>
        `${this.house.money(minorPerMetre * 100 * factor)} by ${this.units.length(lengthMm / 1000)}`,
    );
    return `100 ${this.units.show(0, 'line-length').unit}: ${each.join(', ')}`;
  }

  /** All that is proposed, as ordered: one entry for each size of each line. */
  protected ordered(): void {
    const expectedOn = this.by.value.slice(0, 10);
    const packs = (this.reorder.value()?.lines ?? []).flatMap(({ product, packs: of }) =>
      of.map(({ lengthMm, count, minor }) => ({ productId: product.id, lengthMm, count, minor, expectedOn })),
    );
    const each = packs.map((body) => this.api.call(api.addOrder, { body }));
    this.change(concat(...each).pipe(last()));
  }

  protected end({ id }: LineOrder, how: 'come' | 'cancelled', done: () => void = () => undefined): void {
    this.change(this.api.call(api.endOrder, { params: { id: String(id) }, body: { how } }), done);
  }

  /** What has come is received piece by piece, with its code and lot. */
  protected come(order: LineOrder): void {
    this.end(order, 'come', () => void this.router.navigate(['/rack'], { queryParams: { receive: 'yes' } }));
  }

  private change(asking: Observable<readonly LineOrder[]>, done: () => void = () => undefined): void {
    const again = (orders: readonly LineOrder[] | null): void => {
      this.changed.set(orders);
      this.reorder.reload();
    };
    this.sending.send(
      asking,
      (orders) => {
        again(orders);
        done();
      },
      // Of several orders some may be written down: what is there is asked for again.
      () => {
        again(null);
        this.open.reload();
      },
    );
  }

  protected save(): void {
    this.out.send(this.api.file(files.order.path, {}), saveFile);
  }
}

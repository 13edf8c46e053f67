import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Habits } from '@yard-spool/contract';
import {
  compareSupply,
  type HouseRules,
  type SupplyAdvice,
  type SupplyOption,
  type SupplyStand,
} from '@yard-spool/core';
import { UnitsService } from '../data/units.service';

const NAMES: Readonly<Record<SupplyStand, string>> = {
  matched: 'Over its end, with the bail',
  mismatched: 'Over its end, against it',
  rolling: 'Rolling',
  rig: 'On a rig',
};

/** Both places line is looked at, for the shop's own commonest supply and reel. */
@Component({
  selector: 'ys-twist-columns',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="card px-3.5 py-3">
      @if (sizes(); as known) {
        <b>Turns of twist in a metre</b>
        <p class="text-[14px] text-mute">{{ known.words }}</p>
        <table class="mt-2 w-full text-[14px]">
          <thead>
            <tr class="text-left">
              <th scope="col" class="pb-1">Supply</th>
              <th scope="col" class="px-2 pb-1" [class.bg-look]="spool()">
                on the spool{{ spool() ? ', decides here' : '' }}
              </th>
              <th scope="col" class="px-2 pb-1" [class.bg-look]="!spool()">
                after a cast{{ spool() ? '' : ', decides here' }}
              </th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.way) {
              <tr class="border-t border-line" [class.font-bold]="row.way === said()?.best">
                <th scope="row" class="py-1.5 text-left" [class.font-medium]="row.way !== said()?.best">
                  {{ row.name }}
                </th>
                @for (cell of row.cells; track cell.column) {
                  <td class="px-2" [class.bg-look]="cell.decides">
                    <span class="grid grid-cols-[84px_minmax(0,1fr)] items-center gap-2">
                      <span class="whitespace-nowrap">{{ cell.text }}</span>
                      <svg
                        class="h-3 w-full"
                        preserveAspectRatio="none"
                        viewBox="0 0 100 10"
                        aria-hidden="true"
                      >
                        <rect class="fill-ink" height="10" [attr.width]="cell.share" />
                      </svg>
                    </span>
                  </td>
                }
              </tr>
            }
          </tbody>
        </table>
        <p class="pt-2" data-test="twist-says">
          <b>{{ said()?.sentence }}</b> {{ said()?.why }}
        </p>
        <p class="pt-1 text-[13px] text-mute">
          A still spool puts one turn in per coil, and so does a rotor winding round one; a turning spool puts
          in none. A cast takes the reel’s part out again.
        </p>
      } @else {
        <p class="text-mute">
          Once a fixed spool was booked in and cut for, its twist stands here in both places.
        </p>
      }
    </div>
  `,
})
export class TwistColumns {
  private readonly units = inject(UnitsService);

  readonly habits = input.required<Habits | null>();
  readonly rules = input.required<Pick<HouseRules, 'supply' | 'judgeTwistBy'>>();

  protected readonly spool = computed(() => this.rules().judgeTwistBy === 'spool');
  protected readonly sizes = computed(() => {
    const { reel, supply } = this.habits() ?? {};
    if (!reel || !supply) return null;
    const measured = supply.measured ? '' : ', not measured';
    return {
      reel,
      supply,
      words: `${reel.label}, main on ${this.units.small(reel.diameters[0])} to ${this.units.small(reel.diameters[1])} (booked in ${String(reel.times)}×), from ${supply.product} ${supply.code}, ${this.units.small(supply.diameters[0])} across${measured} (cut ${String(supply.times)}×). Start to end of the main.`,
    };
  });
  protected readonly said = computed(() => this.compare(this.rules().supply === 'rig'));
  /** Every way, a rig among them whether the house has one or not. */
  private readonly ways = computed(() => this.compare(true)?.options ?? []);

  private compare(rig: boolean): SupplyAdvice | null {
    const known = this.sizes();
    if (!known) return null;
    return compareSupply(
      {
        reel: { sense: 1, diameters: known.reel.diameters },
        supply: { diameters: known.supply.diameters },
        castOverLip: true,
        rig,
      },
      this.rules(),
    );
  }

  protected readonly rows = computed(() => {
    const options = this.ways();
    const value = (option: SupplyOption, column: 'onSpool' | 'hanging'): [number, number] => [
      Math.abs(option.start[column]),
      Math.abs(option.end[column]),
    ];
    const most = Math.max(
      0.1,
      ...options.flatMap((one) => [...value(one, 'onSpool'), ...value(one, 'hanging')]),
    );
    return options.map((option) => ({
      way: option.way,
      name: NAMES[option.way],
      cells: (['onSpool', 'hanging'] as const).map((column) => {
        const [start, end] = value(option, column);
        const a = start.toFixed(1);
        const b = end.toFixed(1);
        return {
          column,
          decides: (column === 'onSpool') === this.spool(),
          text: a === b ? a : `${a} to ${b}`,
          share: (100 * Math.max(start, end)) / most,
        };
      }),
    }));
  });
}

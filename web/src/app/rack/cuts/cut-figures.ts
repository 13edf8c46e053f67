import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { CutFigures, CutsPlan } from '@yard-spool/contract';
import { HouseService } from '../../data/house.service';
import { UnitsService } from '../../data/units.service';

/** What the plan comes to, beside what is booked and what a shop would waste that looks at one bag at a time. */
@Component({
  selector: 'ys-cut-figures',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table class="w-full text-right">
      <thead class="text-[13px] text-mute">
        <tr>
          <td></td>
          <th scope="col" class="pb-1 font-medium">Booked</th>
          <th scope="col" class="pb-1 pl-2 font-medium">Bag by bag</th>
          <th scope="col" class="pb-1 pl-2 font-bold text-ink">This plan</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.name) {
          <tr class="border-t border-line">
            <th scope="row" class="py-1.5 text-left font-medium">{{ row.name }}</th>
            <td>{{ row.now }}</td>
            <td class="pl-2">{{ row.first }}</td>
            <td class="pl-2">
              <b [class.text-pass]="row.better">{{ row.planned }}</b>
            </td>
          </tr>
        }
      </tbody>
    </table>
  `,
  host: { class: 'block' },
})
export class CutFiguresTable {
  private readonly units = inject(UnitsService);
  private readonly house = inject(HouseService);

  readonly plan = input.required<Pick<CutsPlan, 'now' | 'planned' | 'firstCome'>>();

  protected readonly rows = computed(() => {
    const { now, planned, firstCome } = this.plan();
    const length = (mm: number): string => (mm === 0 ? '–' : this.units.length(mm / 1000));
    const count = (n: number): string => (n === 0 ? '–' : String(n));
    const row = (name: string, of: (figures: CutFigures) => number, tell: (value: number) => string) => ({
      name,
      now: tell(of(now)),
      first: tell(of(firstCome)),
      planned: tell(of(planned)),
      better: of(planned) < of(now) && tell(of(planned)) !== tell(of(now)),
    });
    return [
      row('Without line', ({ unserved }) => unserved, count),
      row('Main given up', ({ shortMm }) => shortMm, length),
      row('Pieces opened', ({ opened }) => opened, count),
      row('Scrap', ({ scrapMm }) => scrapMm, length),
      row('Lost with cuts', ({ tailsMm }) => tailsMm, length),
      row(
        'Waste in money',
        ({ wasteMinor }) => wasteMinor,
        (minor) => (minor === 0 ? '–' : this.house.money(minor)),
      ),
    ];
  });
}

import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { formatCount } from '@yard-spool/core';
import type { Fill } from '@yard-spool/contract';
import { dayText } from '../ui/day-text';
import { UnitsService } from '../data/units.service';

/** Two fills of a reel side by side: what lay on it then and what does now. */
@Component({
  selector: 'ys-fill-beside',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table class="card w-full text-left" data-test="beside">
      <thead>
        <tr>
          <th scope="col" class="px-4 py-2.5">Side by side</th>
          @for (fill of fills(); track fill.id) {
            <th scope="col" class="px-2">{{ day(fill) }}</th>
          }
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.name) {
          <tr class="border-t border-line align-top">
            <th scope="row" class="px-4 py-2 font-normal text-mute">{{ row.name }}</th>
            @for (cell of row.cells; track $index) {
              <td class="px-2 py-2" [class.font-bold]="row.differs">{{ cell }}</td>
            }
          </tr>
        }
      </tbody>
    </table>
  `,
  host: { class: 'block' },
})
export class FillBeside {
  private readonly units = inject(UnitsService);

  /** The one shown, and the one beside it. */
  readonly fills = input.required<readonly [Fill, Fill]>();

  protected readonly rows = computed(() => {
    const fills = this.fills();
    const roles = [...new Set(fills.flatMap(({ layers }) => layers.map(({ role }) => role)))];
    const row = (name: string, cellOf: (fill: Fill) => string) => {
      const cells = fills.map(cellOf);
      return { name, cells, differs: cells[0] !== cells[1] };
    };
    const layer = (role: string) => (fill: Fill) =>
      fill.layers
        .filter((one) => one.role === role)
        .map(
          ({ lengthMm, lineName, pieceCode, handleTurns }) =>
            `${this.units.length(lengthMm / 1000)} of ${lineName}${pieceCode ? ` off ${pieceCode}` : ''}, ${formatCount(handleTurns)} turns`,
        )
        .join('; ') || '—';
    const gap = (mm: number | null): string => (mm === null ? 'not read' : this.units.small(mm));
    return [
      ...roles.map((role) =>
        row(role.charAt(0).toUpperCase() + role.slice(1).replace('-', ' '), layer(role)),
      ),
      row('Gap as read', ({ gapRead }) => gap(gapRead)),
      row('Gap, calculated', ({ gapByCount }) => gap(gapByCount)),
      row('Spool', ({ spoolName }) => spoolName),
      row('By', ({ by }) => by),
    ];
  });

  protected readonly day = ({ closedAt }: Fill): string => dayText(closedAt);
}

import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { PlannedCut } from '@yard-spool/contract';
import { UnitsService } from '../data/units.service';
import type { LineLook } from '../drawing/line-look';
import { LineSwatch } from '../drawing/line-swatch';

/** One cut as a list shows it. */
export interface CutRow {
  readonly layer: string;
  readonly line: string;
  readonly piece: string;
  readonly water: PlannedCut['water'];
  readonly look: LineLook;
  readonly metres: number;
  readonly handleTurns: number;
  /** Metres free on the piece after this cut and its tail; null where the cut is promised already. */
  readonly left: number | null;
}

/** What will be cut from which piece, with what stays on it. */
@Component({
  selector: 'ys-cut-list',
  imports: [LineSwatch],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (cut of cuts(); track cut.layer) {
      <div class="grid grid-cols-[14px_1fr_auto] gap-3 border-b border-line px-3.5 py-3 last:border-0">
        <ys-line-swatch [look]="cut.look" />
        <div class="min-w-0">
          <b class="block truncate" [title]="cut.line">{{ cut.line }}</b>
          <span class="text-mute"
            >{{ cut.piece }}{{ cut.water === 'dry' ? '' : ' (' + cut.water + ')' }},
            {{ cut.handleTurns.toFixed(0) }} handle turns</span
          >
          @if (cut.left !== null) {
            @if (cut.left >= 0) {
              <span class="block text-mute">{{ units.length(cut.left) }} free afterwards</span>
            } @else {
              <b class="block text-stop">{{ units.length(-cut.left) }} short</b>
            }
          }
        </div>
        @let shown = units.show(cut.metres, 'line-length');
        <div class="figure text-[40px] leading-none">
          {{ shown.number }}<small class="text-[20px]"> {{ shown.unit }}</small>
        </div>
      </div>
    }
  `,
  host: { class: 'card block' },
})
export class CutList {
  protected readonly units = inject(UnitsService);
  readonly cuts = input.required<readonly CutRow[]>();
}

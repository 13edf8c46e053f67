import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { DayRow } from '@yard-spool/contract';

/** What kind of thing a row is, drawn small: water, a lift out of it, a bare spool, a walk, a bag. */
@Component({
  selector: 'ys-operation-icon',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg width="26" height="26" viewBox="0 0 26 26" fill="none" class="stroke-ink" aria-hidden="true">
      @switch (kind()) {
        @case ('soak') {
          <path d="M3 6v16h20V6" />
          <path d="M4 12q3-4 6 0t6 0t6 0M4 17q3-4 6 0t6 0t6 0" />
        }
        @case ('out') {
          <path d="M3 12v10h20V12M13 17V3M8 8l5-5 5 5" stroke-width="1.6" />
        }
        @case ('strip') {
          <path d="M5 3v20M21 3v20" stroke-width="3" />
          <rect class="fill-arbor" x="6.5" y="17" width="13" height="6" stroke="none" />
        }
        @case ('relief') {
          <path d="M3 18q5-14 10 0t10 0" stroke-width="1.6" />
        }
        @case ('walk') {
          <path d="M3 22V8M23 22V8M2 22h22M3 12h20" stroke-width="1.6" />
        }
        @case ('check') {
          <path d="M4 14l6 6L22 6" stroke-width="2" />
        }
        @default {
          <path class="fill-oil-pale" d="M5 8h16v15H5z" />
          <path d="M9 8c0-6 8-6 8 0" />
        }
      }
    </svg>
  `,
  host: { class: 'block shrink-0' },
})
export class OperationIcon {
  readonly kind = input.required<DayRow['kind']>();
}

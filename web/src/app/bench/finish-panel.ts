import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { InView } from '../ui/in-view';

/** A layer that is finished below its count: why, with a second, different key each. */
@Component({
  selector: 'ys-finish-panel',
  hostDirectives: [InView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="look grid gap-2 px-3.5 py-2.5" role="alert">
      <b class="text-[18px]">{{ toGo() }} turns left</b>
      @if (counted()) {
        <button type="button" class="plain min-h-18! justify-between! text-left" (click)="act.emit('F')">
          Finish here: the count is right <span class="key">F</span>
        </button>
      }
      <button type="button" class="plain min-h-18! justify-between! text-left" (click)="act.emit('E')">
        Wound by eye: it was not all counted <span class="key">E</span>
      </button>
      @if (mayRunOut()) {
        <button type="button" class="plain min-h-18! justify-between! text-left" (click)="act.emit('U')">
          The supply ran out <span class="key">U</span>
        </button>
      }
    </div>
  `,
  host: { class: 'block' },
})
export class FinishPanel {
  readonly toGo = input.required<number>();
  /** Whether anything was counted of the layer. */
  readonly counted = input.required<boolean>();
  /** Whether its piece may have run out. */
  readonly mayRunOut = input.required<boolean>();
  readonly act = output<string>();
}

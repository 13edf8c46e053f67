import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormGroup, type FormControl } from '@angular/forms';
import { diameterByWraps } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { QuantityField } from './quantity-field';
import { quantityReader } from './read-quantity';
import { text } from './text-control';
import { typedValue } from './typed-value';

/** A line's diameter without a gauge: turns laid side by side on a pencil over a ruler. */
@Component({
  selector: 'ys-wraps-helper',
  imports: [QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <details>
      <summary class="min-h-11 cursor-pointer py-2.5 text-[14px] font-[650]">
        No gauge? Measure it on a pencil
      </summary>
      <div class="grid grid-cols-2 gap-2.5">
        <ys-quantity-field label="Number of turns" dimension="count" [control]="form.controls.turns" />
        <ys-quantity-field
          label="Total width"
          dimension="small-length"
          [placeholder]="units.like('3 mm', '1/8 in')"
          [control]="form.controls.width"
        />
      </div>
      @if (found(); as diameter) {
        <div class="flex items-center justify-between gap-3 pt-2">
          <span>
            <b>{{ units.diameter(diameter.value) }}</b>, likely {{ units.diameter(diameter.low) }} to
            {{ units.diameter(diameter.high) }}
          </span>
          <button type="button" class="plain" (click)="use(diameter.value)">Use it</button>
        </div>
      } @else if (wrong()) {
        <p class="pt-1 text-[13px] font-bold text-stop">{{ wrong() }}</p>
      }
    </details>
  `,
})
export class WrapsHelper {
  protected readonly units = inject(UnitsService);
  private readonly quantity = quantityReader();

  /** The field the diameter goes into. */
  readonly into = input.required<FormControl<string>>();

  protected readonly form = new FormGroup({ turns: text('10'), width: text() });
  private readonly typed = typedValue(this.form);
  private readonly result = computed(() => {
    this.typed();
    const turns = this.quantity(this.form.controls.turns, 'count');
    const width = this.quantity(this.form.controls.width, 'small-length');
    return turns === null || width === null ? null : diameterByWraps(width, turns);
  });
  protected readonly found = computed(() => {
    const result = this.result();
    return result?.ok ? result.value : null;
  });
  protected readonly wrong = computed(() => this.result()?.issues[0]?.sentence ?? '');

  protected use(diameter: number): void {
    this.into().setValue(`${diameter.toFixed(3)} mm`);
  }
}

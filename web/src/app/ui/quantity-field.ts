import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';
import { parseQuantity, type Allowed, type Dimension, type UnitSystem } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { toSignalOf } from './control-signal';

let fields = 0;

/** What was typed, with a unit of its own where it is a bare number and one is given. */
export const withUnit = (typed: string, unit: string): string =>
  unit !== '' && /^\s*[\d.,]+\s*$/.test(typed) ? `${typed.trim()} ${unit}` : typed;

/** A bare number with the unit it is read in; anything else as it was typed. */
export function withItsUnit(text: string, dimension: Dimension, system: UnitSystem): string {
  const read = parseQuantity(text, dimension, system);
  if (!read.ok || read.value.unit === '' || /[^\d\s.,/+-]/.test(text)) return text;
  return `${text.trim()} ${read.value.unit}`;
}

/**
 * One quantity as a person types it. A bare number gets its unit when the field is left, so that switching units later
 * cannot change what was meant. What is wrong is said below, what was typed stays.
 */
@Component({
  selector: 'ys-quantity-field',
  imports: [ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label class="caption block pb-0.5" [for]="id">{{ label() }}</label>
    <div class="relative">
      <input
        class="entry"
        autocomplete="off"
        [id]="id"
        [class.entry-wrong]="wrong()"
        [formControl]="control()"
        [placeholder]="placeholder()"
        [attr.aria-invalid]="wrong() !== ''"
        [attr.aria-describedby]="wrong() ? id + '-wrong' : null"
        (blur)="settle()"
      />
      @if (note()) {
        <span
          class="pointer-events-none absolute right-2.5 top-1/2 -translate-y-1/2 bg-card pl-1 text-[13px] text-mute"
          >{{ note() }}</span
        >
      }
    </div>
    @if (wrong(); as sentence) {
      <p class="pt-1 text-[13px] font-bold text-stop" [id]="id + '-wrong'">{{ sentence }}</p>
    }
  `,
  host: { class: 'block' },
})
export class QuantityField {
  private readonly units = inject(UnitsService);

  readonly control = input.required<FormControl<string>>();
  readonly label = input.required<string>();
  readonly dimension = input.required<Dimension>();
  readonly allowed = input<Allowed>({});
  readonly placeholder = input('');
  /** The unit a bare number is in here, where that is not the person's own: a tape's, a counter's. */
  readonly bare = input('');
  /** Said at the field's right end, for instance what the entry comes to. */
  readonly note = input('');
  /** A problem from elsewhere, said where the field's own is. */
  readonly problem = input('');

  protected readonly id = `quantity-${String((fields += 1))}`;
  private readonly text = toSignalOf(this.control);

  protected readonly wrong = (): string => {
    const text = withUnit(this.text(), this.bare());
    if (text.trim() === '') return this.problem();
    const read = parseQuantity(text, this.dimension(), this.units.system(), this.allowed());
    return read.ok ? this.problem() : (read.issues[0]?.sentence ?? '');
  };

  protected settle(): void {
    const typed = this.control().value;
    const text = withUnit(typed, this.bare());
    if (text !== typed) this.control().setValue(text);
    const whole = withItsUnit(text, this.dimension(), this.units.system());
    if (whole !== text) this.control().setValue(whole);
  }
}

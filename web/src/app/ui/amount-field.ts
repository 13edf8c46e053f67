import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';
import { parseAmount, type AmountAllowed } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { toSignalOf } from './control-signal';
import { withItsUnit } from './quantity-field';

let fields = 0;

/** What people say beside a length, for the field to offer. */
const SAYINGS = [
  'as much as fits',
  'as little as I can get away with',
  'flush with the lip',
  'just under the lip',
  'whole pack',
  'half of the pack',
  'a third of the pack',
  'what is left',
  'a quarter of the spool',
  'half of the spool',
  'half of the spool by length',
  'half to five eighths of the spool',
  '15 to 20 % of the spool',
] as const;
/** What can be said of old line that stays on. */
const KEPT = ['a quarter of the spool', 'half of the spool', 'half of the spool by length'] as const;

/**
 * How much of a line, the way people say it: a length, a share of the pack or of the spool, what is left, as much as fits,
 * or up to a depth. A bare number gets its unit when the field is left; a bare share asks what it is of.
 */
@Component({
  selector: 'ys-amount-field',
  imports: [ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label class="caption block pb-0.5" [for]="id">{{ label() }}</label>
    <input
      class="entry"
      autocomplete="off"
      [id]="id"
      [attr.list]="id + '-sayings'"
      [class.entry-wrong]="wrong()"
      [formControl]="control()"
      [placeholder]="placeholder()"
      [attr.aria-invalid]="wrong() !== ''"
      [attr.aria-describedby]="wrong() || note() ? id + '-said' : null"
      (blur)="settle()"
    />
    <datalist [id]="id + '-sayings'">
      @for (saying of kept() ? keptSayings : sayings; track saying) {
        <option [value]="saying"></option>
      }
    </datalist>
    @if (wrong(); as sentence) {
      <p class="pt-1 text-[13px] font-bold text-stop" [id]="id + '-said'">{{ sentence }}</p>
      @if (ambiguous()) {
        <div class="flex flex-wrap gap-2 pt-1">
          <button type="button" class="plain min-h-10! grow px-2!" (click)="of('pack')">of the pack</button>
          <button type="button" class="plain min-h-10! grow px-2!" (click)="of('spool')">
            of the spool’s depth
          </button>
          <button type="button" class="plain min-h-10! grow px-2!" (click)="of('spool by length')">
            of what it holds
          </button>
        </div>
      }
    } @else if (note(); as words) {
      <p class="pt-0.5 text-[13px] text-mute" [id]="id + '-said'">{{ words }}</p>
    }
  `,
  host: { class: 'block min-w-0' },
})
export class AmountField {
  private readonly units = inject(UnitsService);

  readonly control = input.required<FormControl<string>>();
  readonly label = input.required<string>();
  readonly allowed = input.required<AmountAllowed>();
  readonly placeholder = input('');
  /** What the amount comes to, said below. */
  readonly note = input('');
  /** Whether it is of old line: no pack, and never as much as fits. */
  readonly kept = input(false);

  protected readonly sayings = SAYINGS;
  protected readonly keptSayings = KEPT;
  protected readonly id = `amount-${String((fields += 1))}`;
  private readonly text = toSignalOf(this.control);
  private readonly read = (): ReturnType<typeof parseAmount> | null => {
    const text = this.text();
    return text.trim() === '' ? null : parseAmount(text, this.units.system(), this.allowed());
  };

  protected readonly wrong = computed(() => {
    const read = this.read();
    return read && !read.ok ? (read.issues[0]?.sentence ?? '') : '';
  });
  protected readonly ambiguous = computed(() => {
    const read = this.read();
    return read !== null && !read.ok && read.issues[0]?.code === 'share-of-what';
  });

  protected of(what: 'pack' | 'spool' | 'spool by length'): void {
    this.control().setValue(`${this.control().value.trim()} of the ${what}`);
  }

  protected settle(): void {
    const text = this.control().value;
    const withUnit = withItsUnit(text, 'line-length', this.units.system());
    if (withUnit !== text && this.read()?.ok) this.control().setValue(withUnit);
  }
}

import {
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { FormGroup } from '@angular/forms';
import { allowedIn, DEPTH_RANGE, judgeDepth } from '@yard-spool/core';
import { Choice } from '../ui/choice';
import { QuantityField } from '../ui/quantity-field';
import { quantityReader } from '../ui/read-quantity';
import { text } from '../ui/text-control';
import { typedValue } from '../ui/typed-value';
import { RunStore } from './run-store';
import { UnitsService } from '../data/units.service';

const DEPTH = allowedIn(DEPTH_RANGE);

/** A depth below the lip, judged before it is believed. What cannot be is refused; what is unlikely is asked twice. */
@Component({
  selector: 'ys-depth-panel',
  imports: [Choice, QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="grid gap-2.5" (submit)="$event.preventDefault(); submit()">
      <ys-quantity-field
        label="Depth below the lip"
        dimension="small-length"
        [placeholder]="units.like('6.1 mm', '1/4 in')"
        [control]="form.controls.depth"
        [allowed]="allowed"
      />
      <ys-choice label="Read" [control]="form.controls.by" [options]="ways" />
      @if (judged(); as said) {
        @if (said.verdict !== 'fits') {
          <p class="look px-3 py-2 font-bold" role="alert" data-test="depth-question">
            {{ units.say(said.sentence) }}
          </p>
        }
        @if (said.verdict === 'unlikely') {
          <label class="flex min-h-12 items-center gap-3 font-semibold">
            <input class="size-6 accent-ink" type="checkbox" #box (change)="certain.set(box.checked)" />
            I measured it again: it is so
          </label>
        }
      }
      <button class="go min-h-18!">{{ action() }} <span class="key">Enter</span></button>
    </form>
  `,
  host: { class: 'block' },
})
export class DepthPanel {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly store = inject(RunStore);
  protected readonly units = inject(UnitsService);
  private readonly quantity = quantityReader();

  /** The layer whose surface is measured, or `gap` at the end. */
  readonly after = input.required<string>();
  readonly action = input('Take this depth');
  readonly taken = output();

  protected readonly allowed = DEPTH;
  protected readonly ways = [
    { value: 'calliper', name: 'By calliper' },
    { value: 'eye', name: 'By eye' },
  ];
  protected readonly form = new FormGroup({ depth: text(), by: text('calliper') });
  private readonly typed = typedValue(this.form);
  protected readonly certain = signal(false);
  private readonly read = computed(() => {
    const by = this.typed().by === 'eye' ? ('eye' as const) : ('calliper' as const);
    const depth = this.quantity(this.form.controls.depth, 'small-length', DEPTH);
    return depth === null ? null : { depth, by };
  });
  protected readonly judged = computed(() => {
    const underWay = this.store.underWay();
    const read = this.read();
    return underWay && read ? judgeDepth(underWay, this.after(), read) : null;
  });
  private readonly ready = computed(() => {
    const verdict = this.judged()?.verdict;
    return verdict === 'fits' || (verdict === 'unlikely' && this.certain());
  });

  /** The keyboard goes to the field; a figure that was typed elsewhere goes into it. */
  begin(figure = ''): void {
    const field = this.host.querySelector('input');
    field?.focus();
    if (figure !== '') this.form.controls.depth.setValue(this.form.controls.depth.value + figure);
  }

  /** Whether anything stands in the field. */
  typedAnything(): boolean {
    return this.form.controls.depth.value.trim() !== '';
  }

  /** Writes the depth down; false where it is none, cannot be, or wants a second look. */
  submit(): boolean {
    const read = this.read();
    if (!read || !this.ready()) return false;
    void this.store.happen({ kind: 'depth-read', payload: { after: this.after(), ...read } }).then(() => {
      this.taken.emit();
    });
    return true;
  }
}

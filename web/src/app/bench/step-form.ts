import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { api } from '@yard-spool/contract';
import { parseQuantity, type NoteValue, type StepField } from '@yard-spool/core';
import { catchError, map, of, switchMap } from 'rxjs';
import { ApiService } from '../data/api.service';
import { UnitsService } from '../data/units.service';
import { Choice } from '../ui/choice';
import { PickField } from '../ui/pick-field';
import { QuantityField } from '../ui/quantity-field';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { lineOption } from '../words/line-finds';

/** What is written down at a step: choices, figures, words and checks, none of them in the way. */
@Component({
  selector: 'ys-step-form',
  imports: [Choice, PickField, QuantityField, ReactiveFormsModule, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (field of asked(); track field.key) {
      @let control = controls()[field.key];
      @if (control) {
        @switch (field.kind) {
          @case ('choice') {
            <ys-choice [label]="field.label" [control]="control" [options]="field.options" />
          }
          @case ('quantity') {
            <ys-quantity-field
              [label]="field.label"
              [dimension]="field.dimension"
              [allowed]="field.allowed"
              [control]="control"
            />
          }
          @case ('line') {
            @if (lines().length > 0) {
              <ys-pick-field
                [label]="field.label"
                [control]="control"
                [options]="lines()"
                [mayBeEmpty]="true"
              />
            } @else {
              <ys-text-field [label]="field.label" [control]="control" placeholder="its code" />
            }
          }
          @case ('text') {
            <ys-text-field [label]="field.label" [control]="control" />
          }
          @case ('check') {
            <label
              class="card flex min-h-12 cursor-pointer items-center gap-3 px-3 text-[17px] font-semibold"
            >
              <input class="size-6 accent-ink" type="checkbox" #box (change)="tick(field.key, box.checked)" />
              {{ field.label }}
            </label>
          }
        }
      }
    }
  `,
  host: { class: 'grid gap-2.5' },
})
export class StepForm {
  private readonly api = inject(ApiService);
  private readonly units = inject(UnitsService);

  /** Empty until it is told them: what stands typed is looked at from outside as soon as it is there. */
  readonly fields = input<readonly StepField[]>([]);

  protected readonly controls = computed(() =>
    Object.fromEntries(this.fields().map(({ key }): [string, FormControl<string>] => [key, text()])),
  );
  private readonly typed = signal<Readonly<Record<string, string>>>({});
  protected readonly asked = computed(() =>
    this.fields().filter(({ where }) => !where || this.typed()[where.key] === where.is),
  );

  /** The shop's lines, where one of them is asked for. */
  protected readonly lines = toSignal(
    toObservable(computed(() => this.fields().some(({ kind }) => kind === 'line'))).pipe(
      switchMap((asked) => (asked ? this.api.call(api.listProducts).pipe(catchError(() => of([]))) : of([]))),
      map((products) => products.map((line) => ({ ...lineOption(line), value: line.code }))),
    ),
    { initialValue: [] },
  );

  constructor() {
    effect((tidy) => {
      const form = new FormGroup(this.controls());
      this.typed.set({});
      const heard = form.valueChanges.subscribe((values) => {
        this.typed.set(values as Record<string, string>);
      });
      tidy(() => {
        heard.unsubscribe();
      });
    });
  }

  protected tick(key: string, on: boolean): void {
    this.controls()[key]?.setValue(on ? 'yes' : '');
  }

  /** What stands typed, read; null where something of it is no such quantity. */
  readonly read = computed(() => {
    this.typed();
    return this.values();
  });

  /** What was written down, read; null where something typed is no such quantity. */
  values(): Record<string, NoteValue> | null {
    const values: Record<string, NoteValue> = {};
    for (const field of this.asked()) {
      const typed = (this.controls()[field.key]?.value ?? '').trim();
      if (typed === '') continue;
      if (field.kind === 'check') values[field.key] = true;
      else if (field.kind !== 'quantity') values[field.key] = typed;
      else {
        const read = parseQuantity(typed, field.dimension, this.units.system(), field.allowed);
        if (!read.ok) return null;
        values[field.key] = read.value.value;
      }
    }
    return values;
  }
}

import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { api, type CorrectFill, type Fill, type Reel, type Run } from '@yard-spool/contract';
import { allowedIn, foldRun, GAP_RANGE, runFacts } from '@yard-spool/core';
import { ApiService } from '../data/api.service';
import { UnitsService } from '../data/units.service';
import { FormEnd } from '../ui/form-end';
import { QuantityField } from '../ui/quantity-field';
import { quantityReader } from '../ui/read-quantity';
import { SelectField } from '../ui/select-field';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';
import { wrongEntries, type Entry } from './wrong-entries';

const GAP = allowedIn(GAP_RANGE);
const LENGTH = { min: 0, max: 5000 } as const;

/** A wrong entry of a closed record put right, with a reason. What it was stays in the log. */
@Component({
  selector: 'ys-put-right',
  imports: [FormEnd, QuantityField, ReactiveFormsModule, SelectField, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form
      class="card grid gap-2.5 p-4"
      data-test="put-right"
      [formGroup]="form"
      (submit)="$event.preventDefault(); send()"
    >
      <h2 class="text-[18px]">Put the record right</h2>
      <ys-select-field label="What is wrong" [control]="form.controls.entry" [options]="options()" />
      @if (entry(); as wrong) {
        <p class="text-[13px] text-mute">It says: {{ wrong.says }}</p>
        @switch (wrong.kind) {
          @case ('small') {
            <ys-quantity-field
              label="It was"
              dimension="small-length"
              [control]="form.controls.is"
              [allowed]="GAP"
            />
          }
          @case ('length') {
            <ys-quantity-field
              label="It was"
              dimension="line-length"
              [control]="form.controls.is"
              [allowed]="LENGTH"
            />
          }
          @case ('quantity') {
            <ys-quantity-field
              label="It was"
              [dimension]="wrong.dimension"
              [control]="form.controls.is"
              [allowed]="wrong.allowed"
            />
          }
          @case ('choice') {
            <ys-select-field label="It was" [control]="form.controls.is" [options]="wrong.options" />
          }
          @default {
            <ys-text-field label="It was" [control]="form.controls.is" [code]="wrong.what === 'piece'" />
          }
        }
        <p class="text-[13px] text-mute">{{ empty(wrong) }}</p>
      }
      <ys-text-field label="Why" placeholder="read off the wrong edge" [control]="form.controls.why" />
      <ys-form-end
        action="Correct the record"
        [sending]="sending"
        [missing]="missing()"
        (left)="left.emit()"
      />
    </form>
  `,
  host: { class: 'block' },
})
export class PutRight {
  private readonly api = inject(ApiService);
  private readonly units = inject(UnitsService);
  private readonly quantity = quantityReader();

  readonly fill = input.required<Fill>();
  readonly run = input.required<Run>();
  readonly done = output<Reel>();
  readonly left = output();

  protected readonly GAP = GAP;
  protected readonly LENGTH = LENGTH;
  protected readonly sending = new Sending();
  protected readonly form = new FormGroup({ entry: text('gap'), is: text(), why: text() });
  private readonly typed = typedValue(this.form);
  protected readonly entries = computed(() => {
    const facts = runFacts(this.run());
    const { notes } = foldRun(facts, this.run().events);
    return wrongEntries(this.fill(), facts, notes, this.units);
  });
  protected readonly options = computed(() => this.entries().map(({ id, name }) => ({ value: id, name })));
  protected readonly entry = computed(() => this.entries().find(({ id }) => id === this.typed().entry));

  /** What it should say; undefined where nothing that can be was typed. */
  private readonly is = computed((): CorrectFill['is'] | undefined => {
    const entry = this.entry();
    const { is } = this.typed();
    if (!entry) return undefined;
    if (is.trim() === '') return entry.mayBeEmpty ? null : undefined;
    const field = this.form.controls.is;
    switch (entry.kind) {
      case 'small':
        return this.quantity(field, 'small-length', GAP) ?? undefined;
      case 'length':
        return this.quantity(field, 'line-length', LENGTH) ?? undefined;
      case 'quantity':
        return this.quantity(field, entry.dimension, entry.allowed) ?? undefined;
      case 'choice':
        return entry.isCheck ? is === 'yes' : is;
      default:
        return entry.what === 'piece' ? is.trim().toUpperCase() : is.trim();
    }
  });
  protected readonly missing = computed(() => {
    if (this.is() === undefined) return 'Type what it should have been.';
    return this.typed().why.trim() === '' ? 'Enter a reason: whoever reads it later wants to know.' : '';
  });
  protected readonly empty = (entry: Entry): string =>
    entry.mayBeEmpty ? 'Left empty: it was not read, or is not known.' : '';

  protected send(): void {
    const entry = this.entry();
    const is = this.is();
    if (!entry || is === undefined || this.missing() !== '') return;
    const body = { what: entry.what, about: entry.about, is, why: this.typed().why.trim() };
    const ask = this.api.call(api.correctFill, { params: { id: this.fill().id }, body });
    this.sending.send(ask, (reel) => this.done.emit(reel));
  }
}

import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { api, CAUSES, COMPLAINTS, type Comeback } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { changeOf } from '../faults/comeback-change';
import { FormEnd } from '../ui/form-end';
import { SelectField } from '../ui/select-field';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';
import { CAUSE_WORDS, COMPLAINT_OPTIONS } from '../words/comeback-words';

/** A reel that came back: what its customer saw; then what was found, and what was done. */
@Component({
  selector: 'ys-comeback-form',
  imports: [FormEnd, ReactiveFormsModule, SelectField, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form
      class="card grid gap-2.5 p-4"
      data-test="comeback"
      [formGroup]="form"
      (submit)="$event.preventDefault(); save()"
    >
      <h2 class="text-[18px]">{{ comeback() ? 'What was found' : 'Record a comeback' }}</h2>
      <ys-select-field
        label="What the customer sees"
        [control]="form.controls.complaint"
        [options]="complaints"
      />
      <ys-text-field
        label="In their words"
        placeholder="loops since the first cold day"
        [control]="form.controls.saw"
      />
      @if (comeback()) {
        <ys-select-field label="It comes down to" [control]="form.controls.cause" [options]="causes" />
        <ys-text-field label="What was found" [control]="form.controls.found" />
        <ys-text-field label="What was done" [control]="form.controls.did" />
      }
      <ys-form-end
        [action]="comeback() ? 'Write it down' : 'Book it as come back'"
        [sending]="sending"
        [missing]="missing()"
        (left)="left.emit()"
      />
    </form>
  `,
  host: { class: 'block' },
})
export class ComebackForm {
  private readonly api = inject(ApiService);

  readonly fillId = input.required<number>();
  /** The entry to go on with; null for a new one. */
  readonly comeback = input<Comeback | null>(null);
  readonly done = output<Comeback>();
  readonly left = output();

  protected readonly sending = new Sending();
  protected readonly complaints = [{ value: '', name: 'choose what it is' }, ...COMPLAINT_OPTIONS];
  protected readonly causes = [
    { value: '', name: 'not known yet' },
    ...CAUSES.map((value) => ({ value, name: CAUSE_WORDS[value] })),
  ];
  protected readonly form = new FormGroup({
    complaint: text(),
    saw: text(),
    cause: text(),
    found: text(),
    did: text(),
  });
  private readonly typed = typedValue(this.form);
  protected readonly missing = computed(() =>
    this.typed().complaint === '' ? 'Say what the customer sees.' : '',
  );

  constructor() {
    effect(() => {
      const known = this.comeback();
      if (!known) return;
      const { complaint, saw, cause, found, did } = known;
      this.form.setValue({ complaint, saw, cause: cause ?? '', found, did });
    });
  }

  protected save(): void {
    const { complaint, saw, cause, found, did } = this.form.getRawValue();
    const seen = COMPLAINTS.find((one) => one === complaint);
    if (!seen) return;
    const known = this.comeback();
    const whose = CAUSES.find((one) => one === cause) ?? null;
    const ask = known
      ? this.api.call(api.changeComeback, {
          params: { id: known.id },
          body: changeOf(known, {
            complaint: seen,
            saw,
            found,
            did,
            cause: whose,
            // What it was found to be before is not so where it comes down to something else.
            ...(whose === known.cause ? {} : { fault: null, second: null }),
          }),
        })
      : this.api.call(api.bookComeback, { params: { id: this.fillId() }, body: { complaint: seen, saw } });
    this.sending.send(ask, (comeback) => this.done.emit(comeback));
  }
}

import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { api, type Bag } from '@yard-spool/contract';
import { DateTime } from 'luxon';
import { ApiService } from '../data/api.service';
import { FormEnd } from '../ui/form-end';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';
import { WhenField } from '../ui/when-field';
import { PastPromise, promiseMissing } from './past-promise';
import { promisedText } from '../words/promised-text';

const FORMAT = "yyyy-MM-dd'T'HH:mm";

/** Another promise, other notes; where somebody else was quicker, both versions are in sight. */
@Component({
  selector: 'ys-bag-edit',
  imports: [FormEnd, PastPromise, ReactiveFormsModule, TextField, WhenField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="card grid gap-2.5 p-3.5" [formGroup]="form" (submit)="$event.preventDefault(); save()">
      <ys-when-field label="Promised" [time]="true" [control]="form.controls.promised" />
      <ys-past-promise [promised]="newPromise()" [(meant)]="meant" />
      <ys-text-field label="Notes" [control]="form.controls.notes" />
      @if (overtaken(); as now) {
        <div class="look grid gap-1 px-3.5 py-2.5">
          <b>Meanwhile it says:</b>
          <span>promised {{ promised(now.promisedAt) }}</span>
          <span>{{ now.notes || 'no notes' }}</span>
          <button type="button" class="plain" (click)="take(now)">Use the saved version</button>
        </div>
      }
      <ys-form-end
        [action]="overtaken() ? 'Save mine over it' : 'Save it'"
        [sending]="sending"
        [missing]="missing()"
        (left)="left.emit()"
      />
    </form>
  `,
})
export class BagEdit {
  private readonly api = inject(ApiService);

  readonly bag = input.required<Bag>();
  readonly done = output();
  readonly left = output();
  /** The save was refused because somebody else was quicker. */
  readonly stale = output();

  protected readonly sending = new Sending();
  protected readonly form = new FormGroup({ promised: text(), notes: text() });
  private readonly typed = typedValue(this.form);
  /** The version the fields were filled from. */
  private readonly from = signal<number | null>(null);
  protected readonly overtaken = computed(() => (this.bag().version === this.from() ? null : this.bag()));
  /** A promise in the past that is meant; the bag's own stays without asking. */
  protected readonly meant = signal('');
  protected readonly newPromise = computed(() => this.typed().promised);
  protected readonly missing = computed(() => promiseMissing(this.newPromise(), this.meant()));
  protected readonly promised = promisedText;

  constructor() {
    effect(() => {
      const bag = this.bag();
      if (this.from() === null) this.take(bag);
    });
  }

  protected take(bag: Bag): void {
    const promised = DateTime.fromISO(bag.promisedAt).toFormat(FORMAT);
    this.meant.set(promised);
    this.form.setValue({ promised, notes: bag.notes });
    this.from.set(bag.version);
  }

  protected save(): void {
    const { promised, notes } = this.form.getRawValue();
    const promisedAt = DateTime.fromISO(promised).toUTC().toISO();
    if (promisedAt === null) return;
    const { number, version } = this.bag();
    // With both versions in sight, saving is meant for the one that is there now.
    const body = { version: this.overtaken() ? version : (this.from() ?? version), promisedAt, notes };
    const ask = this.api.call(api.changeBag, { params: { number }, body });
    this.sending.send(
      ask,
      () => this.done.emit(),
      ({ code }) => {
        if (code === 'stale-version') this.stale.emit();
      },
    );
  }
}

import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output } from '@angular/core';
import { FormGroup } from '@angular/forms';
import { api, type Comeback } from '@yard-spool/contract';
import { causeOf, latestLooks, type FaultCause, type LookMade, type Symptom } from '@yard-spool/core';
import { of, switchMap, tap } from 'rxjs';
import { ApiService } from '../data/api.service';
import { FormEnd } from '../ui/form-end';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { CAUSE_WORDS } from '../words/comeback-words';
import { changeOf } from './comeback-change';

/** Writes down what it turned out to be, with the looks that led there, against the fill it is about. */
@Component({
  selector: 'ys-settle-fault',
  imports: [FormEnd, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="card grid gap-2.5 p-4" data-test="settle" (submit)="$event.preventDefault(); save()">
      <h2>Write it down as: {{ name() }}</h2>
      <p class="text-mute">
        It comes down to {{ whose() }}. The looks are kept with it; at the next visit you are asked whether it
        helped.
      </p>
      <ys-text-field label="In their words" [control]="form.controls.saw" />
      <ys-text-field label="What was found" [control]="form.controls.found" />
      <ys-text-field label="What was done" [control]="form.controls.did" />
      <ys-form-end action="Write it down" [sending]="sending" (left)="left.emit()" />
    </form>
  `,
  host: { class: 'block' },
})
export class SettleFault {
  private readonly api = inject(ApiService);

  readonly fillId = input.required<number>();
  /** The entry to go on with; null where it is booked now. */
  readonly comeback = input<Comeback | null>(null);
  readonly symptom = input<Symptom | null>(null);
  /** What was typed of their words already. */
  readonly words = input('');
  readonly cause = input.required<FaultCause>();
  readonly second = input<FaultCause | null>(null);
  readonly looks = input.required<readonly LookMade[]>();
  readonly done = output<Comeback>();
  readonly left = output();

  /** Booked by an attempt whose second half was refused: the next one goes on with it, and books none beside it. */
  private booked: Comeback | null = null;
  protected readonly sending = new Sending();
  protected readonly form = new FormGroup({ saw: text(), found: text(), did: text() });
  protected readonly name = computed(() => {
    const second = this.second();
    const name = causeOf(this.cause()).name.toLowerCase();
    return second ? `${name}, and ${causeOf(second).name.toLowerCase()}` : name;
  });
  protected readonly whose = computed(() => CAUSE_WORDS[causeOf(this.cause()).whose]);

  constructor() {
    effect(() => {
      const known = this.comeback();
      if (known) this.form.setValue({ saw: known.saw, found: known.found, did: known.did });
      else this.form.controls.saw.setValue(this.words());
    });
  }

  protected save(): void {
    const { saw, found, did } = this.form.getRawValue();
    const known = this.comeback() ?? this.booked;
    const complaint = this.symptom() ?? known?.complaint ?? 'other';
    const entry$ = known
      ? of(known)
      : this.api
          .call(api.bookComeback, { params: { id: this.fillId() }, body: { complaint, saw } })
          .pipe(tap((booked) => (this.booked = booked)));
    const ask = entry$.pipe(
      switchMap((entry) =>
        this.api.call(api.changeComeback, {
          params: { id: entry.id },
          body: changeOf(entry, {
            complaint,
            saw,
            found,
            did,
            cause: causeOf(this.cause()).whose,
            fault: this.cause(),
            second: this.second(),
            looks: latestLooks(this.looks()),
            worked: null,
          }),
        }),
      ),
    );
    this.sending.send(ask, (comeback) => this.done.emit(comeback));
  }
}

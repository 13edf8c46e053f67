import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { api, type Piece } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { UnitsService } from '../data/units.service';
import { FormEnd } from '../ui/form-end';
import { QuantityField } from '../ui/quantity-field';
import { quantityReader } from '../ui/read-quantity';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';

const RANGE = { min: 0, max: 100_000 } as const;

/** Setting the books to what was counted: a correcting move, never an edit. */
@Component({
  selector: 'ys-count-piece',
  imports: [FormEnd, QuantityField, ReactiveFormsModule, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="grid gap-2.5" [formGroup]="form" (submit)="$event.preventDefault(); count()">
      <h2 class="text-[20px]">Count {{ piece().code }}</h2>
      <ys-quantity-field
        label="Line on it, as counted"
        dimension="line-length"
        [control]="form.controls.length"
        [allowed]="range"
        [note]="difference()"
      />
      <ys-text-field
        label="How it was counted"
        placeholder="measured against the bench"
        [control]="form.controls.why"
      />
      <p class="text-[13px] text-mute">
        The books say {{ units.length(piece().lengthMm / 1000) }}. The difference becomes a line of the
        ledger.
      </p>
      @if (breaks()) {
        <label class="flex min-h-11 items-center gap-2.5" data-test="anyway">
          <input type="checkbox" class="size-5" [checked]="known()" (change)="known.set(!known())" />
          Set the books all the same; those bags are told
        </label>
      }
      <ys-form-end action="Set the books" [sending]="sending" [missing]="missing()" (left)="left.emit()" />
    </form>
  `,
})
export class CountPiece {
  private readonly api = inject(ApiService);
  private readonly quantity = quantityReader();
  protected readonly units = inject(UnitsService);

  readonly piece = input.required<Piece>();
  readonly done = output<Piece>();
  readonly left = output();

  protected readonly range = RANGE;
  protected readonly sending = new Sending();
  /** Whether the count was refused since it breaks a promise, and whether that is known. */
  protected readonly breaks = signal(false);
  protected readonly known = signal(false);
  protected readonly form = new FormGroup({ length: text(), why: text() });
  private readonly typed = typedValue(this.form);
  private readonly counted = computed(() => {
    this.typed();
    return this.quantity(this.form.controls.length, 'line-length', RANGE);
  });
  protected readonly difference = computed(() => {
    const metres = this.counted();
    if (metres === null) return '';
    const more = metres - this.piece().lengthMm / 1000;
    return Math.abs(more) < 0.5
      ? 'as the books'
      : `${this.units.length(Math.abs(more))} ${more > 0 ? 'more' : 'less'}`;
  });
  protected readonly missing = computed(() =>
    this.counted() === null ? 'Type how much line is on the piece.' : '',
  );

  protected count(): void {
    const metres = this.counted();
    if (metres === null) return;
    const { why } = this.form.getRawValue();
    const body = { lengthMm: Math.round(metres * 1000), why, anyway: this.known() };
    const { code } = this.piece();
    this.sending.send(
      this.api.call(api.countPiece, { params: { code }, body }),
      (piece) => this.done.emit(piece),
      ({ code: why }) => this.breaks.set(why === 'not-enough-line'),
    );
  }
}

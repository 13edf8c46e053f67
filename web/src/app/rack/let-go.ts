import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { api, type Piece } from '@yard-spool/contract';
import { streamOf } from '@yard-spool/core';
import { ApiService } from '../data/api.service';
import { Undo } from '../ui/undo.service';
import { UnitsService } from '../data/units.service';
import { Choice } from '../ui/choice';
import { FormEnd } from '../ui/form-end';
import { QuantityField } from '../ui/quantity-field';
import { quantityReader } from '../ui/read-quantity';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { typedValue } from '../ui/typed-value';

const RANGE = { grams: { min: 0, max: 50_000 }, tubes: { min: 0, max: 500 } } as const;

/** Taking a piece off the rack for good: into its recycling bin, or written off with a reason. */
@Component({
  selector: 'ys-let-go',
  imports: [Choice, FormEnd, QuantityField, ReactiveFormsModule, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="grid gap-2.5" [formGroup]="form" (submit)="$event.preventDefault(); letGo()">
      <h2 class="text-[20px]">Let {{ piece().code }} go</h2>
      <p>{{ units.length(piece().lengthMm / 1000) }} leave the rack with it.</p>
      <ys-choice label="Where to" [control]="form.controls.how" [options]="ways()" />
      @if (recycles()) {
        <div class="grid grid-cols-2 gap-2.5">
          <ys-quantity-field
            label="Weight, if weighed"
            dimension="mass"
            [control]="form.controls.grams"
            [allowed]="range.grams"
            [problem]="sending.at('grams')"
          />
          <ys-quantity-field
            label="Tubes filled"
            dimension="count"
            [control]="form.controls.tubes"
            [allowed]="range.tubes"
          />
        </div>
        <p class="text-[13px] text-mute">
          Wound on a tube or cut short, never loose. Follow the local recycling scheme.
        </p>
      }
      <ys-text-field [label]="recycles() ? 'Note' : 'Why'" [control]="form.controls.why" />
      <ys-form-end
        [action]="recycles() ? 'Into the bin' : 'Write it off'"
        [sending]="sending"
        [missing]="missing()"
        (left)="left.emit()"
      />
    </form>
  `,
})
export class LetGo {
  private readonly api = inject(ApiService);
  private readonly undo = inject(Undo);
  private readonly quantity = quantityReader();
  protected readonly units = inject(UnitsService);

  readonly piece = input.required<Piece>();
  readonly done = output();
  readonly left = output();

  protected readonly range = RANGE;
  protected readonly sending = new Sending();
  protected readonly form = new FormGroup({
    how: text('recycle'),
    grams: text(),
    tubes: text('0'),
    why: text(),
  });
  private readonly typed = typedValue(this.form);
  private readonly stream = computed(() => streamOf(this.piece().product.material));
  protected readonly ways = computed(() => [
    { value: 'recycle', name: `The ${this.stream()} bin` },
    { value: 'write-off', name: 'Written off' },
  ]);
  protected readonly recycles = computed(() => this.typed().how === 'recycle');
  protected readonly missing = computed(() => {
    const { why, tubes } = this.typed();
    if (!this.recycles()) return why.trim() === '' ? 'Enter why it goes.' : '';
    const whole = Number(tubes);
    return Number.isInteger(whole) && whole >= 0 ? '' : 'Tubes are whole.';
  });

  protected letGo(): void {
    if (this.missing() !== '') return;
    const { code } = this.piece();
    const why = this.form.controls.why.value;
    const done = (): void => {
      this.done.emit();
      this.undo.tell({
        words: `${code} is off the rack.`,
        back: () => this.api.call(api.restorePiece, { params: { code }, body: {} }),
      });
    };
    if (!this.recycles()) {
      this.sending.send(this.api.call(api.writeOffPiece, { params: { code }, body: { why } }), done);
      return;
    }
    const grams = this.quantity(this.form.controls.grams, 'mass', RANGE.grams);
    const body = {
      stream: this.stream(),
      grams,
      tubes: Number(this.form.controls.tubes.value),
      why,
      piece: code,
    };
    this.sending.send(this.api.call(api.recycle, { body }), done);
  }
}

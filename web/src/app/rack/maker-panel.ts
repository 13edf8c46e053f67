import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { api, type Piece } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { FormEnd } from '../ui/form-end';
import { Sending } from '../ui/sending';
import { MakerFields } from './maker-fields';
import { makerForm, makerWrong, readMaker } from './maker-form';

/** Writing down what its maker says of a piece's line; it holds for every piece of it. */
@Component({
  selector: 'ys-maker-panel',
  imports: [FormEnd, MakerFields, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="grid gap-2.5" [formGroup]="form()" (submit)="$event.preventDefault(); write()">
      <h2 class="text-[20px]">On the box of {{ piece().product.name }}</h2>
      <p class="text-mute">It holds for every piece of this line, and goes before what the shop does.</p>
      <ys-maker-fields [form]="form()" [nylon]="piece().product.material === 'nylon'" />
      <ys-form-end action="Save" [sending]="sending" [missing]="wrong()" (left)="left.emit()" />
    </form>
  `,
})
export class MakerPanel {
  private readonly api = inject(ApiService);

  readonly piece = input.required<Piece>();
  readonly done = output();
  readonly left = output();

  protected readonly sending = new Sending();
  protected readonly form = computed(() => makerForm(this.piece().product.maker));
  protected readonly wrong = (): string => makerWrong(this.form().getRawValue());

  protected write(): void {
    if (this.wrong() !== '') return;
    const ask = this.api.call(api.writeMaker, {
      params: { id: this.piece().product.id },
      body: readMaker(this.form()),
    });
    this.sending.send(ask, () => {
      this.done.emit();
    });
  }
}

import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  Injector,
  input,
  output,
  runInInjectionContext,
} from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { api, type Piece } from '@yard-spool/contract';
import { ApiService } from '../data/api.service';
import { FormEnd } from '../ui/form-end';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { TextField } from '../ui/text-field';
import { FactsFields } from './facts-fields';
import { factsForm, factsReader } from './piece-facts';

/** Moving or renaming a piece, or writing down what is printed on it. */
@Component({
  selector: 'ys-change-piece',
  imports: [FactsFields, FormEnd, ReactiveFormsModule, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let parts = editing();
    <form class="grid gap-2.5" [formGroup]="parts.form" (submit)="$event.preventDefault(); change()">
      <h2 class="text-[20px]">Change {{ piece().code }}</h2>
      <div class="grid grid-cols-2 gap-2.5">
        <ys-text-field label="Code" [code]="true" [control]="parts.form.controls.code" />
        <ys-text-field label="Place" [control]="parts.form.controls.place" />
      </div>
      <ys-facts-fields [form]="parts.form.controls.facts" />
      <ys-form-end action="Save it" [sending]="sending" (left)="left.emit()" />
    </form>
  `,
})
export class ChangePiece {
  private readonly api = inject(ApiService);
  private readonly injector = inject(Injector);

  readonly piece = input.required<Piece>();
  readonly done = output<Piece>();
  readonly left = output();

  protected readonly sending = new Sending();
  protected readonly editing = computed(() => {
    const piece = this.piece();
    const facts = factsForm(piece);
    const form = new FormGroup({ code: text(piece.code), place: text(piece.place), facts });
    return {
      form,
      version: piece.version,
      facts: runInInjectionContext(this.injector, () => factsReader(facts)),
    };
  });

  protected change(): void {
    const { form, version, facts } = this.editing();
    const body = {
      version,
      code: form.controls.code.value,
      place: form.controls.place.value,
      ...facts.read(),
    };
    const { code } = this.piece();
    if (facts.wrong() !== '') return;
    this.sending.send(this.api.call(api.changePiece, { params: { code }, body }), (piece) =>
      this.done.emit(piece),
    );
  }
}

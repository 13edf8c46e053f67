import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { api, type Piece } from '@yard-spool/contract';
import { lineOf, soakAdvice } from '@yard-spool/core';
import { ApiService } from '../data/api.service';
import { HouseService } from '../data/house.service';
import { load } from '../data/loaded';
import { UnitsService } from '../data/units.service';
import { FormEnd } from '../ui/form-end';
import { SelectField } from '../ui/select-field';
import { Sending } from '../ui/sending';
import { text } from '../ui/text-control';
import { typedValue } from '../ui/typed-value';

/** Putting a piece in the water, with what the house does and what that does to the line. */
@Component({
  selector: 'ys-soak-piece',
  imports: [FormEnd, ReactiveFormsModule, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="grid gap-2.5" [formGroup]="form" (submit)="$event.preventDefault(); soak()">
      <h2 class="text-[20px]">Soak {{ piece().code }}</h2>
      @if (advice(); as said) {
        <p class="font-semibold">{{ units.say(said.sentence) }}</p>
        <p class="text-[13px] text-mute">{{ said.why }}</p>
      }
      <ys-select-field label="Tub" [control]="form.controls.tub" [options]="tubs()" />
      <ys-form-end action="Put it in" [sending]="sending" [missing]="missing()" (left)="left.emit()" />
    </form>
  `,
})
export class SoakPiece {
  private readonly api = inject(ApiService);
  private readonly house = inject(HouseService);
  protected readonly units = inject(UnitsService);

  readonly piece = input.required<Piece>();
  readonly done = output();
  readonly left = output();

  protected readonly sending = new Sending();
  protected readonly form = new FormGroup({ tub: text() });
  private readonly typed = typedValue(this.form);
  private readonly listed = load(() => this.api.call(api.listTubs));
  protected readonly tubs = computed(() => [
    { value: '', name: 'Choose a tub' },
    ...(this.listed.value() ?? []).map(({ id, name, soaks }) => ({
      value: String(id),
      name: soaks.length > 0 ? `${name}, ${String(soaks.length)} in it` : `${name}, empty`,
    })),
  ]);
  protected readonly advice = computed(() => {
    const rules = this.house.house()?.rules;
    return rules && soakAdvice(lineOf(this.piece().product), rules);
  });
  protected readonly missing = computed(() => {
    if (this.advice()?.hours === 0) return 'This line stays dry in this shop.';
    if (this.listed.value()?.length === 0) return 'There is no tub yet. Add one under Soak tubs.';
    return this.typed().tub === '' ? 'Choose a tub.' : '';
  });

  protected soak(): void {
    if (this.missing() !== '') return;
    const params = { id: this.form.controls.tub.value };
    const body = { code: this.piece().code };
    this.sending.send(this.api.call(api.soakPiece, { params, body }), () => this.done.emit());
  }
}

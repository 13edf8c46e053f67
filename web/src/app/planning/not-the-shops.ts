import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { reelForm } from './reel-draft';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select-field';
import { TextField } from '../ui/text-field';
import { WrapsHelper } from '../ui/wraps-helper';
import { FIELD_RANGE } from './quantity-fields';

/** Line that is not the shop's: what it is, how thick, and how much of it was brought. */
@Component({
  selector: 'ys-not-the-shops',
  imports: [QuantityField, SelectField, TextField, WrapsHelper],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <fieldset class="grid grid-cols-2 gap-2.5 border-l-4 border-oil pl-2.5">
      <legend class="caption pb-0.5">{{ legend() }}</legend>
      <ys-text-field label="What it is called" [control]="form().controls.ownName" />
      <ys-select-field label="Made of" [control]="form().controls.ownMaterial" [options]="materials" />
      <ys-quantity-field
        label="Diameter"
        dimension="small-length"
        [control]="form().controls.ownDiameter"
        [allowed]="range.ownDiameter"
      />
      @if (brought()) {
        <ys-quantity-field
          label="How much they brought"
          dimension="line-length"
          [control]="form().controls.ownLength"
          [allowed]="range.ownLength"
        />
      }
      <ys-wraps-helper class="col-span-2" [into]="form().controls.ownDiameter" />
    </fieldset>
  `,
  host: { class: 'block' },
})
export class NotTheShops {
  readonly form = input.required<ReturnType<typeof reelForm>>();
  readonly legend = input.required<string>();
  /** Whether it is a spool they brought, which has a length. */
  readonly brought = input(false);

  protected readonly range = FIELD_RANGE;
  protected readonly materials = [
    { value: 'nylon', name: 'nylon' },
    { value: 'fluorocarbon', name: 'fluorocarbon' },
    { value: 'braid', name: 'braid' },
    { value: 'hollow-braid', name: 'hollow braid' },
  ];
}

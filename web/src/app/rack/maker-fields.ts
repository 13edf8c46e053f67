import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { SelectField } from '../ui/select-field';
import { TextField } from '../ui/text-field';
import type { MakerForm } from './maker-form';

/** What its maker says of a line, as it stands on box and spool; none of it is needed to wind it. */
@Component({
  selector: 'ys-maker-fields',
  imports: [SelectField, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let fields = form().controls;
    <ys-text-field label="Strength as printed" placeholder="20 lb test" [control]="fields.strength" />
    <ys-text-field label="Diameter as printed" placeholder='.31 mm / .012"' [control]="fields.diameter" />
    @if (nylon()) {
      <ys-text-field label="Soak, hours" placeholder="as its box says" [control]="fields.soakHours" />
    }
    <ys-select-field label="Label" [control]="fields.labelSide" [options]="sides" />
    <ys-text-field class="col-span-2" label="What else it says" [control]="fields.says" />
  `,
  host: { class: 'grid grid-cols-2 gap-2.5' },
})
export class MakerFields {
  readonly form = input.required<MakerForm>();
  /** Only nylon is soaked. */
  readonly nylon = input.required<boolean>();
  protected readonly sides = [
    { value: '', name: 'nothing said' },
    { value: 'up', name: 'up' },
    { value: 'down', name: 'down' },
  ];
}

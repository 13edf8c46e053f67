import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';

/** One of a list, with its caption. */
@Component({
  selector: 'ys-select-field',
  imports: [ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label class="block">
      <span class="caption block pb-0.5">{{ label() }}</span>
      <select class="entry" [formControl]="control()">
        @for (option of options(); track option.value) {
          <option [value]="option.value">{{ option.name }}</option>
        }
      </select>
    </label>
    @if (problem(); as sentence) {
      <p class="pt-1 text-[13px] font-bold text-stop">{{ sentence }}</p>
    }
  `,
  host: { class: 'block min-w-0' },
})
export class SelectField {
  readonly control = input.required<FormControl<string>>();
  readonly label = input.required<string>();
  readonly options = input.required<readonly { readonly value: string; readonly name: string }[]>();
  readonly problem = input('');
}

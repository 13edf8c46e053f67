import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';

let choices = 0;

/** One of a few, all in sight: radio buttons drawn as a bar. */
@Component({
  selector: 'ys-choice',
  imports: [ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <fieldset>
      <legend class="caption pb-0.5">{{ label() }}</legend>
      <div class="flex overflow-hidden rounded-plate border border-edge">
        @for (option of options(); track option.value) {
          <label
            class="grid min-h-11 grow cursor-pointer place-items-center bg-card px-2 text-center text-[14px] font-semibold leading-tight has-checked:bg-ink has-checked:text-oil has-focus-visible:outline-3 has-focus-visible:-outline-offset-3 has-focus-visible:outline-oil"
          >
            <input
              class="sr-only"
              type="radio"
              [attr.name]="id"
              [name]="id"
              [value]="option.value"
              [formControl]="control()"
            />
            {{ option.name }}
          </label>
        }
      </div>
    </fieldset>
  `,
  host: { class: 'block' },
})
export class Choice {
  readonly control = input.required<FormControl<string>>();
  readonly label = input.required<string>();
  readonly options = input.required<readonly { readonly value: string; readonly name: string }[]>();

  /** Told to the forms library too: bars without a name of their own would be one group for it, across the whole page. */
  protected readonly id = `choice-${String((choices += 1))}`;
}

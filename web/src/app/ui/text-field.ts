import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';

/** A line of text with its caption. */
@Component({
  selector: 'ys-text-field',
  imports: [ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label class="block">
      <span class="caption block pb-0.5">{{ label() }}</span>
      <input
        class="entry"
        autocomplete="off"
        [class.uppercase]="code()"
        [type]="type()"
        [attr.inputmode]="inputmode()"
        [formControl]="control()"
        [placeholder]="placeholder()"
      />
    </label>
    @if (problem(); as sentence) {
      <p class="pt-1 text-[13px] font-bold text-stop">{{ sentence }}</p>
    }
  `,
  host: { class: 'block min-w-0' },
})
export class TextField {
  readonly control = input.required<FormControl<string>>();
  readonly label = input.required<string>();
  readonly placeholder = input('');
  readonly type = input<'text' | 'color' | 'password'>('text');
  /** What an on-screen keyboard shows; its usual keys where nothing is said. */
  readonly inputmode = input<'numeric' | null>(null);
  /** A code people say, shown in capitals. */
  readonly code = input(false);
  readonly problem = input('');
}

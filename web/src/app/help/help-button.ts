import { ChangeDetectionStrategy, Component, model } from '@angular/core';

/** Says what the screen is for, and stops saying it. */
@Component({
  selector: 'ys-help-button',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button
      type="button"
      class="min-h-11 min-w-11 text-[18px] font-extrabold"
      aria-label="What this screen is for"
      title="What this screen is for"
      [attr.aria-expanded]="open()"
      (click)="open.set(!open())"
    >
      ?
    </button>
  `,
  host: { class: 'flex items-stretch' },
})
export class HelpButton {
  readonly open = model.required<boolean>();
}

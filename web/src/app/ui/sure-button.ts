import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';

/** A button for what cannot be undone: the first press asks, the second does it. */
@Component({
  selector: 'ys-sure-button',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (asking()) {
      <span class="flex flex-wrap items-center gap-2" role="group" [attr.aria-label]="asks()">
        <span class="text-[14px]" role="status">{{ asks() }}</span>
        <button type="button" class="plain" [disabled]="busy()" (click)="go()">{{ label() }}</button>
        <button type="button" class="plain" (click)="asking.set(false)">Cancel</button>
      </span>
    } @else {
      <button type="button" class="plain" [disabled]="busy()" (click)="asking.set(true)">
        {{ label() }}
      </button>
    }
  `,
  host: { class: 'block' },
})
export class SureButton {
  readonly label = input.required<string>();
  /** What it does, as a question. */
  readonly asks = input.required<string>();
  readonly busy = input(false);
  readonly sure = output();

  protected readonly asking = signal(false);

  protected go(): void {
    this.asking.set(false);
    this.sure.emit();
  }
}

import { DOCUMENT } from '@angular/common';
import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  inject,
  input,
  output,
} from '@angular/core';
import { OpenedForm } from './opened-form';
import type { Sending } from './sending';

/** The end of a form in a side panel: what is still missing or was refused, the one action, and a way out. */
@Component({
  selector: 'ys-form-end',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (sending().problem(); as sentence) {
      <p class="look px-3.5 py-2.5" role="alert">
        <b>{{ sentence }}</b> Nothing you typed is lost.
      </p>
    } @else if (missing()) {
      <p class="text-mute">{{ missing() }}</p>
    }
    <div class="flex gap-2.5">
      <button class="go grow" [disabled]="missing() !== '' || sending().busy()">
        {{ action() }} <span class="key">Enter</span>
      </button>
      <button type="button" class="plain" (click)="left.emit()">{{ leaving() }}</button>
    </div>
  `,
  hostDirectives: [OpenedForm],
  host: { class: 'grid gap-2.5' },
})
export class FormEnd {
  readonly sending = input.required<Sending>();
  readonly action = input.required<string>();
  /** What is still to be typed; empty when it can be sent. */
  readonly missing = input('');
  /** What the way out is called, where what is done here is a cancelling itself. */
  readonly leaving = input('Cancel');
  readonly left = output();

  private readonly document = inject(DOCUMENT);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  constructor() {
    inject(OpenedForm).escaped.subscribe(() => this.left.emit());
    // A button that may not be pressed for a moment loses the keyboard; what was refused is put right from within.
    afterRenderEffect(() => {
      if (this.sending().busy() || this.sending().problem() === '') return;
      if (this.document.activeElement !== this.document.body) return;
      const wrong = this.host.closest('form')?.querySelector<HTMLElement>('[aria-invalid=true]');
      (wrong ?? this.host.querySelector('button'))?.focus();
    });
  }
}

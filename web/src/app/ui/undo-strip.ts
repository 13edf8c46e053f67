import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Undo } from './undo.service';

/** Says what was taken away, with the way back. */
@Component({
  selector: 'ys-undo-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (undo.told(); as what) {
      <div
        class="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line bg-card px-5 py-1.5"
        data-test="undo"
      >
        <p role="status">
          <b>{{ what.words }}</b>
        </p>
        @if (undo.sending.problem(); as sentence) {
          <p class="font-bold text-stop" role="alert">{{ sentence }}</p>
        }
        <button type="button" class="plain ml-auto" [disabled]="undo.sending.busy()" (click)="undo.take()">
          Undo
        </button>
        <button type="button" class="plain" (click)="undo.hide()">Hide this</button>
      </div>
    }
  `,
})
export class UndoStrip {
  protected readonly undo = inject(Undo);
}

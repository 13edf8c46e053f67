import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { RunStore } from './run-store';

/** What was counted here and the server does not take: why, and what can be done with it. */
@Component({
  selector: 'ys-not-taken',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="text-[17px] font-bold">{{ sentence() }}</p>
    <p class="pt-1">
      {{ store.waiting() }} of what happened here {{ store.waiting() === 1 ? 'is' : 'are' }} kept on this
      machine.
      @if (store.run()?.state === 'closed') {
        Opened again, the reel takes them.
      }
    </p>
    <button type="button" class="plain mt-2 min-h-18! w-full" (click)="store.discardRefused()">
      Throw them away
    </button>
  `,
  host: { class: 'look block px-3.5 py-2.5', role: 'alert' },
})
export class NotTaken {
  protected readonly store = inject(RunStore);

  /** Why, as the server says it. */
  readonly sentence = input.required<string>();
}

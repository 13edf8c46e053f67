import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { LookMade, Symptom } from '@yard-spool/core';
import { FaultLink } from '../faults/fault-link';
import { RunStore } from './run-store';

/** From a look at the bench that went wrong to what may be wrong with the reel that is on it. */
@Component({
  selector: 'ys-fault-of-run',
  imports: [FaultLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<ys-fault-link [say]="say()" [made]="made()" [run]="run()" />`,
  host: { class: 'block' },
})
export class FaultOfRun {
  private readonly store = inject(RunStore);

  readonly say = input<Symptom | null>(null);
  readonly made = input<LookMade | null>(null);

  protected readonly run = computed(() => this.store.run()?.id ?? null);
}

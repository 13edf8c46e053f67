import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { LookMade, Symptom } from '@yard-spool/core';

/** The way from a look that went wrong to what may be wrong, with that look made; and back to where it came from. */
@Component({
  selector: 'ys-fault-link',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <a class="plain w-full" routerLink="/reels/fault" [queryParams]="query()">What may be wrong with it</a>
  `,
  host: { class: 'block' },
})
export class FaultLink {
  readonly say = input<Symptom | null>(null);
  readonly made = input<LookMade | null>(null);
  /** The run on the bench it comes from. */
  readonly run = input<number | null>(null);

  protected readonly query = computed(() => {
    const made = this.made();
    return {
      say: this.say(),
      look: made ? `${made.look}:${made.answer}` : null,
      run: this.run(),
    };
  });
}

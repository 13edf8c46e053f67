import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { GapRemedy } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { amountWords } from './amount-words';
import { FaultOfRun } from './fault-of-run';
import { RunStore } from './run-store';
import { InView } from '../ui/in-view';

/** A level that is not where it was wanted, and what puts it right: back into winding, or left so. */
@Component({
  selector: 'ys-remedy-panel',
  imports: [FaultOfRun],
  hostDirectives: [InView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="look grid gap-2 px-3.5 py-3" role="alert" data-test="remedy">
      <b class="text-[20px]">{{ headline() }}</b>
      <p class="text-[17px]">{{ why() }}</p>
      <button type="button" class="go min-h-18! text-[18px]" (click)="putRight()">
        {{ action() }} <span class="key">B</span>
      </button>
      <button type="button" class="plain min-h-18!" (click)="left.emit()">
        Leave it so <span class="key">Enter</span>
      </button>
      <ys-fault-of-run [say]="says()" [made]="seen()" />
    </div>
  `,
  host: { class: 'block' },
})
export class RemedyPanel {
  private readonly store = inject(RunStore);
  private readonly units = inject(UnitsService);

  readonly remedy = input.required<GapRemedy>();
  /** It stays as it is. */
  readonly left = output();
  /** Its piece is used up: what is to be added comes off another. */
  readonly anotherPiece = output();

  protected readonly says = computed(() =>
    this.remedy().how === 'take-off' ? ('too-full' as const) : ('too-little' as const),
  );
  protected readonly seen = computed(() => ({
    look: 'gap' as const,
    answer: this.remedy().how === 'take-off' ? 'higher' : 'deeper',
  }));
  protected readonly headline = computed(() => {
    const { how, counted, length } = this.remedy();
    const amount = amountWords(counted, length, this.units);
    return how === 'take-off' ? `Take off ${amount}` : `Add ${amount}`;
  });
  protected readonly why = computed(() => {
    const { now, wanted, by, layer, comesTo, ranOut } = this.remedy();
    const small = (mm: number): string => this.units.small(mm);
    const stands =
      now < 0 ? `It stands ${small(-now)} proud of the lip` : `It stands ${small(now)} below the lip`;
    const rule =
      by === 'house' ? `the shop leaves ${small(wanted)} for such a reel` : `${small(wanted)} is wanted`;
    const piece = ranOut ? ' Its piece is used up: the next one is asked for first.' : '';
    return `${stands} and ${rule}. The ${layer.replace('-', ' ')} comes to ${this.units.length(comesTo)} then.${piece}`;
  });
  protected readonly action = computed(() => {
    const { again, how } = this.remedy();
    if (again.length > 0) return 'Back into winding';
    return how === 'take-off' ? 'Line removed' : 'Line added';
  });

  /** Settles the layer's new length, and goes back into winding it; pulled off by hand, it is counted at once. */
  putRight(): void {
    const { layer, how, length, comesTo, again, ranOut } = this.remedy();
    if (ranOut && again.length > 0) this.anotherPiece.emit();
    void this.store
      .happen({ kind: 'chosen', payload: { layer, how: 'cut-short', length: comesTo } })
      .then(() =>
        again.length > 0
          ? this.store.happen({ kind: 'step-again', payload: { steps: again } })
          : this.store.happen({
              kind: 'metres',
              payload: { layer, metres: how === 'take-off' ? -length : length },
            }),
      )
      .then(() => {
        if (again.length === 0) this.left.emit();
      });
  }
}

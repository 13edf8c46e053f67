import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { takenOff, type LooseLayer } from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { amountWords } from './amount-words';
import { FaultOfRun } from './fault-of-run';
import { RunStore } from './run-store';
import { InView } from '../ui/in-view';

/** Line that springs off without tension: from where to wind it again tighter. */
@Component({
  selector: 'ys-loose-panel',
  imports: [FaultOfRun],
  hostDirectives: [InView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="look grid gap-2 px-3.5 py-3" role="alert" data-test="loose">
      <b class="text-[18px]">It is wound too loose</b>
      <p>Loose line lets the top wraps dig in. Wind it off again and on with more tension.</p>
      @if (loose().tightUpTo > 1) {
        <button type="button" class="plain min-h-18! text-left" (click)="fromTight()">
          Wound off down to where it last held: {{ comesOff() }} off
        </button>
      }
      <button type="button" class="plain min-h-18! text-left" (click)="fromStart()">
        The whole layer is off: begin it again
      </button>
      <button type="button" class="plain min-h-18! text-left" (click)="leave()">Leave it so</button>
      <ys-fault-of-run say="loose" [made]="seen" />
    </div>
  `,
  host: { class: 'block' },
})
export class LoosePanel {
  private readonly store = inject(RunStore);
  private readonly units = inject(UnitsService);

  readonly loose = input.required<LooseLayer>();

  protected readonly seen = { look: 'thumb', answer: 'springs' } as const;
  protected readonly comesOff = computed(() =>
    amountWords(this.loose().counted, this.loose().length, this.units),
  );

  protected fromTight(): void {
    const { layer, counted } = this.loose();
    void this.store.happen(takenOff(layer, counted));
  }

  protected fromStart(): void {
    const { layer } = this.loose();
    void this.store.happen({ kind: 'restarted', payload: { layer, why: 'loose' } });
  }

  /** It stays as it is: looked at, and accepted. */
  protected leave(): void {
    const { layer, tightUpTo, length } = this.loose();
    const payload = { layer, holds: true, wound: tightUpTo + length };
    void this.store.happen({ kind: 'tension-read', payload });
  }
}

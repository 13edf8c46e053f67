import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  formatCount,
  type FillPlan,
  type LineStyle,
  PALETTE,
  type SpoolGeometry,
  type SwapPlan,
} from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { LengthRule } from '../drawing/length-rule';
import { planSection, planStretches } from '../drawing/plan-drawing';
import { SpoolSection } from '../drawing/spool-section';
import { planSentence, staysSentence } from './plan-sentence';

/** A plan: the sentence, the spool cut open, and the length rule of what will be on the reel. */
@Component({
  selector: 'ys-plan-view',
  imports: [SpoolSection, LengthRule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="flex flex-wrap items-baseline justify-between gap-x-4">
      <h2 class="title" data-test="plan-headline">{{ units.say(sentence().headline) }}</h2>
      <span class="text-mute" data-test="plan-likely">{{ sentence().likely }}</span>
    </div>
    <div class="card flex min-h-64 grow flex-col p-3">
      <ys-spool-section class="min-h-0 grow basis-0" [view]="section()" [ends]="ends()" />
      @if (stop(); as words) {
        <p class="pt-2 font-bold">{{ words }}</p>
      }
    </div>
    <div class="card px-4 py-3">
      <div class="flex justify-between pb-1.5">
        <b>On the reel</b><span class="text-mute">{{ units.length(plan().total) }}</span>
      </div>
      <ys-length-rule [stretches]="stretches()" />
    </div>
  `,
  host: { class: 'flex min-h-0 flex-col gap-3' },
})
export class PlanView {
  protected readonly units = inject(UnitsService);

  readonly plan = input.required<FillPlan>();
  readonly spool = input.required<SpoolGeometry>();
  /** How each layer is drawn, by layer id. */
  readonly styles = input.required<Readonly<Record<string, LineStyle>>>();
  readonly ends = input(false);
  /** Both windings, where the main goes on first. */
  readonly swap = input<SwapPlan | null>(null);
  /** Whether its line is on it already and stays. */
  readonly stays = input(false);

  private readonly names = computed(() => ({
    lineStyle: (id: string): LineStyle => this.styles()[id] ?? { texture: 'nylon', tint: PALETTE.line },
    length: (metres: number) => this.units.length(metres),
    small: (millimetres: number) => this.units.small(millimetres),
    // Main first, what lies on the reel at the end is not wound to these turns.
    ...(this.swap() || this.stays() ? { turns: () => '' } : {}),
    stands: this.stays(),
  }));
  protected readonly sentence = computed(() =>
    (this.stays() ? staysSentence : planSentence)(this.plan(), this.units),
  );
  protected readonly section = computed(() => planSection(this.plan(), this.spool(), this.names()));
  protected readonly stretches = computed(() => planStretches(this.plan(), this.names()));
  protected readonly stop = computed(() => {
    const swap = this.swap();
    if (swap) return this.mainFirst(swap);
    const backing = this.plan().layers.find(
      ({ request, length }) => request.kind === 'line' && request.role === 'backing' && length.value > 0,
    );
    return backing
      ? `Stop the backing when it sits ${this.units.small(backing.depthAfter.value)} below the lip.`
      : '';
  });

  /** How a fill is wound whose main goes on first. */
  private mainFirst({ first: { layers, gap } }: SwapPlan): string {
    const [main, backing] = layers;
    if (!main || !backing) return '';
    const turns = (one: typeof main): string => `${formatCount(one.handleTurns.value)} turns`;
    return `Main first: ${turns(main)}, until it sits ${this.units.small(main.depthAfter.value)} below the lip. Then backing on top, ${turns(backing)}, to ${this.units.small(gap.value)}. Then all of it over to the other spool.`;
  }
}

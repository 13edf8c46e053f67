import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import type { Build, EffectiveRules, ReelType } from '@yard-spool/core';
import { markText } from '../words/counter-words';
import { UnitsService } from '../data/units.service';
import { useKeys } from '../keyboard/keyboard.service';
import { CutList, type CutRow } from './cut-list';
import type { DraftPlan } from './draft-plan';
import { OtherWays } from './other-ways';
import { PlanWhy } from './plan-why';
import { SupplyView } from './supply-view';
import type { WayOut } from './ways-out';

type Tab = 'cuts' | 'ways' | 'supply' | 'why';

/** All that goes with a plan: its cuts, the other ways to build it, how the supply stands, and why. */
@Component({
  selector: 'ys-plan-side',
  imports: [CutList, OtherWays, PlanWhy, SupplyView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './plan-side.html',
  host: { class: 'flex min-h-0 flex-col gap-3' },
})
export class PlanSide {
  protected readonly units = inject(UnitsService);

  readonly planned = input.required<DraftPlan>();
  readonly cuts = input.required<readonly CutRow[]>();
  readonly type = input.required<ReelType>();
  readonly promised = input('');
  /** The rules this reel is planned under. */
  readonly ruling = input.required<EffectiveRules>();
  readonly taken = output<Build>();
  /** Ways out of a shortfall, and what else has to be said. */
  readonly waysOut = input<readonly WayOut[]>([]);
  readonly notes = input<readonly string[]>([]);
  readonly way = output<WayOut>();

  protected readonly tabs: readonly { readonly id: Tab; readonly name: string }[] = [
    { id: 'cuts', name: 'Cuts' },
    { id: 'ways', name: 'Other ways' },
    { id: 'supply', name: 'Supply' },
    { id: 'why', name: 'Why' },
  ];
  protected readonly shown = signal<Tab>('cuts');
  protected readonly cautions = computed(() =>
    (this.planned().made?.plan.issues ?? []).filter(({ severity }) => severity === 'caution'),
  );
  /** A plan from nothing but what spools are usually like. */
  protected readonly unknown = computed(() => this.planned().input?.observations.length === 0);
  protected readonly disagreement = computed(() => this.planned().made?.spool.disagreement?.sentence ?? '');

  constructor() {
    useKeys((key) => this.wayFor(key));
    useKeys(
      Object.fromEntries(this.tabs.map(({ id }, i) => [`Alt ${String(i + 1)}`, () => this.shown.set(id)])),
      Object.fromEntries(this.tabs.map(({ name }, i) => [`Alt ${String(i + 1)}`, `Show: ${name}`])),
    );
  }

  /** Where the fill is aimed so that the reel's own counter agrees at the first walk. */
  protected readonly aimWords = computed(() => {
    const aim = this.planned().aim;
    if (!aim) return '';
    const { match, unit, from } = aim.known;
    const by = from === 'reel' ? 'this reel’s own walks' : 'walks of its kind';
    return `Filled to ${this.units.small(aim.gap)} below the lip, where its counter should agree at ${markText(match, unit)}, by ${by}.`;
  });

  /** The ways out follow the tabs: Alt 5 and on. */
  protected readonly firstWay = 5;

  private wayFor(key: string): (() => void) | undefined {
    const at = /^Alt (\d)$/.exec(key)?.[1];
    const way = at === undefined ? undefined : this.waysOut()[Number(at) - this.firstWay];
    return way ? () => this.way.emit(way) : undefined;
  }

  protected take(build: Build): void {
    this.taken.emit(build);
    this.shown.set('cuts');
  }
}

import { computed, inject, Injectable, signal, type Signal } from '@angular/core';
import type { Piece } from '@yard-spool/contract';
import type { Build, EffectiveRules } from '@yard-spool/core';
import { HouseService } from '../data/house.service';
import { UnitsService } from '../data/units.service';
import { draftFacts } from './draft-facts';
import { cutRows, draftJob, layerLooks, notReady, takenBy } from './draft-job';
import { planDraft, type DraftPlan } from './draft-plan';
import { emptyReel, reelForm, type ReelDraft } from './reel-draft';
import { takeBuild } from './take-build';

/** A reel on the desk with the rules it is planned under and its plan. */
interface PlannedReel {
  readonly ruling: EffectiveRules;
  readonly plan: DraftPlan;
}

/** What the reels on the desk are planned from. */
interface Source {
  /** Pieces as they are free for these reels. */
  readonly rack: Signal<readonly Piece[]>;
  /** Whose they are; empty while nobody knows. */
  readonly customerId: Signal<string>;
}

/**
 * The desk reels are planned at, for booking and for planning again: what is typed of each, its plan with every
 * keystroke, and what its cuts leave for the others. Only the reel that changed is planned; all are where the rack, the
 * house or the customer change.
 */
@Injectable()
export class PlanningDesk {
  private readonly house = inject(HouseService);
  private readonly units = inject(UnitsService);

  private readonly source = signal<Source>({ rack: signal([]), customerId: signal('') });
  private readonly kept = new WeakMap<ReelDraft, { readonly given: unknown; readonly reel: PlannedReel }>();

  /** The reel that is looked at, as a form. */
  readonly form = reelForm(emptyReel());
  readonly reels = signal<readonly ReelDraft[]>([emptyReel()]);
  readonly at = signal(0);
  readonly rack = computed(() => this.source().rack());
  readonly draft = computed(() => this.reels()[this.at()] ?? emptyReel());
  readonly type = computed(() => this.draft().type);

  /** All that plans hang on beside the reel itself. */
  private readonly given = computed(() => ({
    rack: this.rack(),
    customerId: this.source().customerId(),
    system: this.units.system(),
    house: this.house.house(),
    exceptions: this.house.exceptions(),
    learning: this.house.learning(),
  }));
  private readonly plannedReels = computed(() => this.reels().map((reel) => this.planned(reel)));
  readonly plans = computed(() => this.plannedReels().map(({ plan }) => plan));
  private readonly shown = computed(() => this.planned(this.draft()));
  readonly plan = computed(() => this.shown().plan);
  /** The rules the reel looked at is planned under. */
  readonly ruling = computed(() => this.shown().ruling);
  readonly looks = computed(() => layerLooks(this.plan()));
  readonly cuts = computed(() => this.cutsOf(this.at()));

  /** What keeps these reels from being kept, in one sentence; empty where nothing does. */
  readonly notReady = computed(() => {
    const reels = this.reels();
    for (const [i, reel] of reels.entries()) {
      const plan = this.plans()[i];
      const why = plan ? notReady(reel, plan, this.cutsOf(i)) : '';
      if (why !== '') return reels.length > 1 ? `Reel ${String(i + 1)}: ${why}` : why;
    }
    return '';
  });

  constructor() {
    this.house.learnMore();
    this.form.valueChanges.subscribe(() => {
      const now = this.form.getRawValue() as unknown as ReelDraft;
      this.reels.update((reels) => reels.map((reel, i) => (i === this.at() ? now : reel)));
    });
  }

  /** Lays reels on the desk and looks at the first. */
  lay(reels: readonly ReelDraft[]): void {
    this.reels.set(reels);
    this.show(0);
  }

  planFrom(source: Source): void {
    this.source.set(source);
  }

  show(index: number): void {
    const reel = this.reels()[index];
    if (!reel) return;
    this.at.set(index);
    this.form.setValue({ ...reel });
  }

  /** Says all of the reel looked at. */
  say(reel: ReelDraft): void {
    this.form.setValue({ ...reel });
  }

  /** Another reel, which is looked at from now on. */
  add(reel: ReelDraft): void {
    this.reels.update((reels) => [...reels, reel]);
    this.show(this.reels().length - 1);
  }

  /** Takes the reel looked at off the desk. Its spare spools become reels of their own; places after it move up. */
  drop(): void {
    const gone = this.at();
    const moved = (place: string): string => {
      const at = Number(place);
      return place === '' || at === gone ? '' : String(at > gone ? at - 1 : at);
    };
    this.reels.update((reels) =>
      reels.filter((_, i) => i !== gone).map((reel) => ({ ...reel, sameReelAs: moved(reel.sameReelAs) })),
    );
    this.show(Math.max(0, gone - 1));
  }

  take(build: Build): void {
    this.form.patchValue(takeBuild(build, this.units.system()));
  }

  /** The reels as they are sent; those that have no plan are left out. */
  jobs() {
    return this.reels().flatMap((reel, i) => {
      const plan = this.plans()[i];
      const job = plan && draftJob(reel, plan, this.units.system());
      return job ? [job] : [];
    });
  }

  private planned(reel: ReelDraft): PlannedReel {
    const given = this.given();
    const before = this.kept.get(reel);
    if (before?.given === given) return before.reel;
    const { rack, customerId, system, learning } = given;
    const ruling = this.house.rulesFor(draftFacts(reel, rack, customerId));
    const planned = { ruling, plan: planDraft(reel, rack, system, ruling.rules, learning) };
    this.kept.set(reel, { given, reel: planned });
    return planned;
  }

  private cutsOf(index: number) {
    const plans = this.plans();
    const plan = plans[index];
    const tail = this.house.tail();
    const others = plans.filter((_, i) => i !== index);
    return plan ? cutRows(plan, takenBy(others, tail), tail) : [];
  }
}

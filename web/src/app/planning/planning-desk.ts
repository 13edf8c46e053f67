import { computed, inject, Injectable, signal, type Signal } from '@angular/core';
import type { BroughtLine, NewJob, Piece, Product, Wants } from '@yard-spool/contract';
import {
  NOTHING_TAKEN,
  REEL_TRAITS,
  type Build,
  type EffectiveRules,
  type TakenLine,
} from '@yard-spool/core';
import { HouseService } from '../data/house.service';
import { UnitsService } from '../data/units.service';
import { draftFacts } from './draft-facts';
import { BroughtLines, cutRows, draftJob, layerStyles, notReady, takenBy } from './draft-job';
import { planDraft, type DraftPlan } from './draft-plan';
import { lineChosen } from './draft-sources';
import { emptyReel, reelForm, type ReelDraft } from './reel-draft';
import { planNotes } from './plan-notes';
import { takeBuild } from './take-build';
import { waysOut } from './ways-out';

/** A reel on the desk with the rules it is planned under and its plan. */
interface PlannedReel {
  readonly ruling: EffectiveRules;
  readonly plan: DraftPlan;
}

/** What the reels on the desk are planned from. */
interface Source {
  /** Pieces as they are free for these reels. */
  readonly rack: Signal<readonly Piece[]>;
  /** Lines the shop knows, on the rack or not. */
  readonly lines: Signal<readonly Product[]>;
  /** Whose they are; empty while nobody knows. */
  readonly customerId: Signal<string>;
}

/** Whether what other reels take may change this one's plan: it takes whatever piece has enough, or what is left on one. */
const dependsOnOtherReels = ({
  mainPiece,
  backingPiece,
  topPiece,
  mainLength,
  backingLength,
}: ReelDraft): boolean =>
  [mainPiece, backingPiece, topPiece].some((chosen) => lineChosen(chosen) !== null) ||
  [mainLength, backingLength].some((amount) => /left|rest/i.test(amount));

/**
 * The desk reels are planned at, for booking and for planning again: what is typed of each, its plan with every
 * keystroke, and what its cuts leave for the others. Only the reel that changed is planned; all are where the rack, the
 * house or the customer change.
 */
@Injectable()
export class PlanningDesk {
  private readonly house = inject(HouseService);
  private readonly units = inject(UnitsService);

  private readonly source = signal<Source>({
    rack: signal([]),
    lines: signal([]),
    customerId: signal(''),
  });
  private readonly kept = new WeakMap<
    ReelDraft,
    { readonly given: unknown; readonly taken: string; readonly reel: PlannedReel }
  >();

  /** The reel that is looked at, as a form. */
  readonly form = reelForm(emptyReel());
  readonly reels = signal<readonly ReelDraft[]>([emptyReel()]);
  readonly at = signal(0);
  readonly rack = computed(() => this.source().rack());
  readonly lines = computed(() => this.source().lines());
  readonly draft = computed(() => this.reels()[this.at()] ?? emptyReel());
  readonly type = computed(() => this.draft().type);
  readonly openFace = computed(() => REEL_TRAITS[this.type()].openFace);

  /** All that plans hang on beside the reel itself. */
  private readonly given = computed(() => ({
    rack: { pieces: this.rack(), lines: this.lines() },
    customerId: this.source().customerId(),
    system: this.units.system(),
    house: this.house.house(),
    exceptions: this.house.exceptions(),
    learning: this.house.learning(),
    tailMm: this.house.tailMm(),
  }));
  /** One after another: what a reel is proposed depends on what those before it take. */
  private readonly plannedReels = computed(() => {
    let taken = NOTHING_TAKEN;
    return this.reels().map((reel) => {
      const planned = this.planned(reel, taken);
      taken = takenBy([planned.plan], this.house.tailMm(), taken);
      return planned;
    });
  });
  readonly plans = computed(() => this.plannedReels().map(({ plan }) => plan));
  private readonly shown = computed(
    () => this.plannedReels()[this.at()] ?? this.planned(this.draft(), NOTHING_TAKEN),
  );
  readonly plan = computed(() => this.shown().plan);
  /** The rules the reel looked at is planned under. */
  readonly ruling = computed(() => this.shown().ruling);
  readonly styles = computed(() => layerStyles(this.plan()));
  readonly cuts = computed(() => this.cutsOf(this.at()));
  readonly waysOut = computed(() => {
    const { rack, system, learning, tailMm } = this.given();
    const taken = this.takenByOthers(this.at());
    const by = { rack, system, rules: this.ruling().rules, learning, taken, tailMm };
    return waysOut(this.draft(), this.plan(), this.cuts(), by);
  });
  /** What was taken as usual, and what was asked and cannot hold. */
  readonly notes = computed(() => planNotes(this.draft(), this.plan(), this.units, this.ruling().rules));

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

  /** Changes some of what is said of the reel looked at. */
  change(change: Partial<ReelDraft>): void {
    this.form.patchValue(change);
  }

  take(build: Build): void {
    this.form.patchValue(takeBuild(build, this.draft(), this.units.system()));
  }

  /** The reels as they are sent, and the line brought for them; those that have no plan are left out. */
  jobs(): { readonly jobs: (NewJob & { readonly wants: Wants })[]; readonly brought: BroughtLine[] } {
    const brought = new BroughtLines();
    const jobs = this.reels().flatMap((reel, i) => {
      const plan = this.plans()[i];
      const job = plan && draftJob(reel, plan, this.units.system(), brought.placeOf);
      return job ? [job] : [];
    });
    return { jobs, brought: brought.lines };
  }

  private planned(reel: ReelDraft, others: TakenLine): PlannedReel {
    const given = this.given();
    const taken = dependsOnOtherReels(reel) ? JSON.stringify([...others]) : '';
    const before = this.kept.get(reel);
    if (before?.given === given && before.taken === taken) return before.reel;
    const { rack, customerId, system, learning, tailMm } = given;
    const ruling = this.house.rulesFor(draftFacts(reel, rack, customerId));
    const plan = planDraft(reel, { rack, system, rules: ruling.rules, learning, tailMm, taken: others });
    const planned = { ruling, plan };
    this.kept.set(reel, { given, taken, reel: planned });
    return planned;
  }

  private cutsOf(index: number) {
    const plan = this.plans()[index];
    return plan ? cutRows(plan, this.takenByOthers(index), this.house.tailMm()) : [];
  }

  /** What the other reels on the desk take of each piece. */
  private takenByOthers(index: number): TakenLine {
    const others = this.plans().filter((_, i) => i !== index);
    return takenBy(others, this.house.tailMm());
  }
}

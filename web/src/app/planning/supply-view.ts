import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Piece } from '@yard-spool/contract';
import {
  type Advice,
  adviceFacts,
  adviceSheet,
  arborKnotAdvice,
  type EffectiveRules,
  type HouseQuestion,
  type ReelType,
  supplyAdvice,
  type SupplyStand,
  turnsRound,
} from '@yard-spool/core';
import { UnitsService } from '../data/units.service';
import { QUESTION_NAMES, SCOPE_WORDS } from '../words/question-names';
import type { DraftPlan } from './draft-plan';
import { soakOf } from './soak-by';

const NAMES: Readonly<Record<SupplyStand, string>> = {
  matched: 'off the end, with the bail',
  mismatched: 'off the end, against it',
  rolling: 'rolling',
  rig: 'on the rig',
};
/** Told by the drawing and the table above the rest. */
const TOLD_ABOVE = new Set<HouseQuestion>(['supply', 'label', 'judgeTwistBy']);

/** One thing the house's rules say of a reel. */
interface Said {
  readonly about: string;
  readonly advice: Advice;
  /** Whom an exception was set for; empty where it is the house's. */
  readonly exception: string;
}

/** How the supply stands and why, and how this line is soaked, gripped, joined, wound and handed back. */
@Component({
  selector: 'ys-supply-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './supply-view.html',
  host: { class: 'grid gap-3' },
})
export class SupplyView {
  readonly planned = input.required<DraftPlan>();
  readonly type = input.required<ReelType>();
  readonly ruling = input.required<EffectiveRules>();
  /** When the bag is promised, ISO 8601; empty where it is not known. */
  readonly promised = input('');

  protected readonly units = inject(UnitsService);
  protected readonly names = NAMES;
  /** The piece each layer is cut from, where one is known. */
  private readonly pieces = computed((): Readonly<Record<string, Piece | undefined>> =>
    Object.fromEntries(
      Object.entries(this.planned().cuts).map(([layer, { piece }]) => [layer, piece ?? undefined]),
    ),
  );
  private readonly facts = computed(() => {
    const { made, bevelMm } = this.planned();
    return made ? adviceFacts(made.plan, this.type(), this.pieces(), bevelMm) : null;
  });
  private readonly sheet = computed(() => {
    const facts = this.facts();
    return facts && adviceSheet(facts, this.ruling().rules);
  });
  protected readonly measured = computed(() => {
    const main = this.pieces().main;
    return main ? main.flangeMm !== null && main.coreMm !== null : false;
  });
  protected readonly advice = computed(() => {
    const facts = this.facts();
    return facts && supplyAdvice(facts, this.ruling().rules);
  });
  protected readonly circles = computed(() => {
    const best = this.advice()?.best;
    const supply = best === 'matched' ? 1 : best === 'mismatched' ? -1 : 0;
    const rotor = turnsRound(this.type());
    return [
      { name: supply === 0 ? 'supply rolls' : 'supply, as line leaves', x: 70, turn: supply },
      { name: rotor ? 'reel from behind' : 'spool turns', x: 230, turn: rotor ? 1 : 0 },
    ];
  });
  protected readonly drawingWords = computed(() =>
    this.circles()
      .map(({ name, turn }) => `${name}${turn === 0 ? '' : turn > 0 ? ', clockwise' : ', anticlockwise'}`)
      .join('; '),
  );
  protected readonly face = computed(() => this.sheet()?.label?.sentence ?? '');
  protected readonly judged = computed(() => this.sheet()?.judgeTwistBy?.sentence ?? '');
  protected readonly supplyException = computed(() =>
    [...TOLD_ABOVE].map((question) => this.exceptionOf(question)).find((words) => words !== ''),
  );
  protected readonly handling = computed((): Said[] => {
    const sheet = this.sheet();
    const facts = this.facts();
    if (!sheet || !facts) return [];
    const said = (Object.keys(QUESTION_NAMES) as HouseQuestion[]).flatMap((question): Said[] => {
      const advice = sheet[question];
      if (!advice || TOLD_ABOVE.has(question)) return [];
      return [{ about: QUESTION_NAMES[question], advice, exception: this.exceptionOf(question) }];
    });
    const [first] = facts.layers;
    const knot = facts.bare && first ? arborKnotAdvice(first.line) : null;
    return knot ? [...said, { about: 'Knot at the arbor', advice: knot, exception: '' }] : said;
  });

  /** When the line has to be in the water at the latest, or that it is too late for that. */
  protected readonly soakStart = computed(
    () => soakOf(this.planned(), this.promised(), this.ruling().rules)?.words ?? '',
  );

  private exceptionOf(question: HouseQuestion): string {
    const scope = this.ruling().from[question];
    return scope ? SCOPE_WORDS[scope] : '';
  }

  protected size(start: number, end: number): string {
    const a = Math.abs(start).toFixed(1);
    const b = Math.abs(end).toFixed(1);
    return a === b ? a : `${a} to ${b}`;
  }
}

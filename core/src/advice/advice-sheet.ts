import type { LayerRole } from '../plan/fill-request';
import type { Line } from '../lines/line';
import type { HouseQuestion, HouseRules } from '../house-rules/house-rules';
import { schoolOf } from '../house-rules/house-rules';
import { compareSupply, type SupplyAdvice } from '../twist/compare-supply';
import { sameWords } from '../words/as-text';
import type { Words } from '../words/message';
import type { Advice } from './advice';
import { REEL_TRAITS, type ReelType } from '../lines/reel-type';
import { dragAdvice } from './drag-advice';
import { gapAdvice, type Rim } from './gap-advice';
import { gripAdvice } from './grip-advice';
import {
  guidesAdvice,
  handsAdvice,
  labelAdvice,
  layWhenAdvice,
  orderAdvice,
  type LeavesSupply,
} from './handling-advice';
import { joinAdvice } from './knot-advice';
import { memoryAdvice } from './memory-advice';
import { serviceAdvice } from './service-advice';
import { soakAdvice } from './soak-advice';
import { tensionAdvice } from './tension-advice';

/** What advice on one reel depends on. Diameters in mm, at the start and at the end of the main. */
export interface AdviceFacts {
  readonly type: ReelType;
  /** Layers of line, arbor first; rated strength in N, null where nobody knows it. */
  readonly layers: readonly {
    readonly line: Line;
    readonly role: LayerRole;
    readonly strength: number | null;
  }[];
  /** Whether line lies straight on the arbor. */
  readonly bare: boolean;
  readonly rim: Rim;
  /** Depth of the bare spool below its lip, mm; nothing where nobody knows it. */
  readonly room?: number;
  readonly reelDiameters: readonly [start: number, end: number];
  readonly supplyDiameters: readonly [start: number, end: number];
  readonly leaves: LeavesSupply;
}

/** What each house rule comes to for one reel; null where a question does not arise. */
export type AdviceSheet = Readonly<Record<HouseQuestion, Advice | null>>;

/** A rotor winds round the still spool of these; the others turn their spool. */
export const turnsRound = (type: ReelType): boolean => REEL_TRAITS[type].windsRound;

/** How the supply stands for one reel, under the house's rules. */
export const supplyAdvice = (
  { type, reelDiameters, supplyDiameters }: AdviceFacts,
  rules: Pick<HouseRules, 'judgeTwistBy' | 'supply'>,
): SupplyAdvice =>
  compareSupply(
    {
      reel: { sense: turnsRound(type) ? 1 : 0, diameters: reelDiameters },
      supply: { diameters: supplyDiameters },
      castOverLip: turnsRound(type),
      rig: rules.supply === 'rig',
    },
    rules,
  );

/**
 * Everything the house's rules say of one reel, question by question. The same sheet is shown beside a plan, compared
 * before a rule is changed, and taken along to the bench.
 *
 * @param facts with at least one layer of line
 */
export function adviceSheet(facts: AdviceFacts, rules: HouseRules): AdviceSheet {
  const { type, layers, bare, rim, leaves } = facts;
  const [first] = layers;
  const top = layers.at(-1);
  const below = layers.at(-2);
  if (!first || !top) throw new Error('A reel has at least one layer of line.');
  const main = layers.find(({ role }) => role === 'main') ?? top;
  const supply = supplyAdvice(facts, rules);
  const strengths = layers.flatMap(({ strength }) => (strength === null ? [] : [strength]));
  return {
    level: gapAdvice(top.line.diameter, type, rim, rules, facts.room ?? null),
    order: orderAdvice(
      layers.some(({ role }) => role === 'backing'),
      rules,
    ),
    arborGrip: bare ? gripAdvice(first.line.material, 'bare', rules) : null,
    knots: below ? joinAdvice(below.line, top.line, rules) : null,
    supply,
    label: labelAdvice(supply.best, leaves, rules, main.line.labelSide),
    judgeTwistBy: twistAdvice(supply, rules),
    soak: soakAdvice(top.line, rules),
    tension: tensionAdvice(main.line.material, type, rules),
    hands: handsAdvice(rules),
    guides: guidesAdvice(type, rules),
    memoryRelief: memoryAdvice(top.line.material, rules),
    washers: layWhenAdvice(type, rules),
    drag: dragAdvice(strengths, rules),
    service: serviceAdvice(top.line, { months: 0, trips: 0 }, rules),
  };
}

function twistAdvice({ options, best }: SupplyAdvice, rules: Pick<HouseRules, 'judgeTwistBy'>): Advice {
  const taken = options.find(({ way }) => way === best);
  const spool = rules.judgeTwistBy === 'spool';
  const of = (moment: 'start' | 'end'): string =>
    Math.abs(taken?.[moment][spool ? 'onSpool' : 'hanging'] ?? 0).toFixed(1);
  const start = of('start');
  const end = of('end');
  return {
    sentence: `${start === end ? start : `${start} to ${end}`} turns in a metre ${spool ? 'as it lies on the spool' : 'as it hangs after a cast'}.`,
    why: schoolOf(rules, 'judgeTwistBy').why,
  };
}

/** One question whose answer for a reel is not what it was. */
export interface ChangedAdvice {
  readonly question: HouseQuestion;
  /** Empty where the question did not arise. */
  readonly was: Words;
  readonly is: Words;
}

/** What differs between two sheets of one reel, in the order of the questions. */
export const changedAdvice = (before: AdviceSheet, after: AdviceSheet): ChangedAdvice[] =>
  (Object.keys(before) as HouseQuestion[]).flatMap((question) => {
    const was = before[question]?.sentence ?? '';
    const is = after[question]?.sentence ?? '';
    return sameWords(was, is) ? [] : [{ question, was, is }];
  });

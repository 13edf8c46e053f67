import { USUAL_TAPE } from '../quantities/reel-ranges';
import { bounded } from '../numeric/bounded';
import { succeed, type Result } from '../issue';
import { lineCost } from '../money/line-cost';
import type { FillPlan, PlanIssue } from '../plan/fill-plan';
import type { FillRequest, LayerRequest } from '../plan/fill-request';
import { planFill } from '../plan/plan-fill';
import { USUAL_PLAN_RULES, type PlanRules } from '../plan/plan-rules';
import { planSwap } from '../plan/plan-swap';
import type { HouseRules } from '../house-rules/house-rules';
import type { Estimate } from '../spool/estimate';
import type { Build, BuildChoice, BuildKind, PieceTooShort, StockLine } from './build';
import { reasonFor } from './build-reasons';
import { message } from '../words/message';

/** How much of the wanted main a shorter one keeps, but never less than a cast and a half. */
const SHORTER = 2 / 3;

/**
 * The alternatives for one reel side by side, those that can be done first and the house's own order foremost, then the
 * cheaper. Lengths in m, money as the prices are given.
 *
 * @returns the builds that make sense for what is to hand; issues where the request itself makes no sense
 */
export function compareBuilds(
  estimate: Estimate,
  choice: BuildChoice,
  house: Pick<HouseRules, 'order'>,
  rules: PlanRules = USUAL_PLAN_RULES,
): Result<readonly Build[], PlanIssue> {
  const bench = { estimate, choice, rules };
  const full = planFill(estimate, request(choice, [mainLayer(choice, 'fits')]), rules);
  if (!full.ok) return full;
  const allMain = lineCost(full.value, pricesOf(choice)).value;
  const builds = [
    build('main-only', full.value, bench, allMain),
    ...drafts(bench).flatMap(([kind, layers]) => {
      const plan = planFill(estimate, request(choice, layers), rules);
      return plan.ok ? [build(kind, plan.value, bench, allMain)] : [];
    }),
    ...mainFirst(bench, allMain),
  ];
  return succeed(builds.sort((a, b) => rank(a, house) - rank(b, house) || a.cost.value - b.cost.value));
}

/** More line than any piece holds, m. */
const MOST_FREE = 1_000_000;

interface Bench {
  readonly estimate: Estimate;
  readonly choice: BuildChoice;
  readonly rules: PlanRules;
}

function drafts({ choice, rules }: Bench): (readonly [BuildKind, readonly LayerRequest[]])[] {
  const { backing, mainLength, tapeThickness = USUAL_TAPE } = choice;
  const shorter = Math.max(SHORTER * mainLength, rules.longCast * rules.castsAboveJoin);
  const under = backing ? [backingLayer(backing)] : [];
  return [
    [
      'tape',
      [{ kind: 'tape', id: 'tape', thickness: tapeThickness, wraps: 'fits' }, mainLayer(choice, mainLength)],
    ],
    ...(backing ? [['backing', [...under, mainLayer(choice, mainLength)]] as const] : []),
    ...(backing && shorter < mainLength
      ? [['shorter-main', [...under, mainLayer(choice, shorter)]] as const]
      : []),
  ];
}

/** The windings of a swap; its lengths are those of backing first, its turns are not. */
function mainFirst({ estimate, choice, rules }: Bench, allMain: number): Build[] {
  const { backing, main, mainLength, gap, gear, spareSpool } = choice;
  if (!backing || !spareSpool) return [];
  const swap = planSwap(estimate, { main: main.line, backing: backing.line, mainLength, gap, gear }, rules);
  if (!swap.ok) return [];
  const { first, second } = swap.value;
  const one = build('main-first', second, { estimate, choice, rules }, allMain);
  const issues = [...first.issues.filter(({ code }) => code === 'does-not-fit'), ...one.issues];
  return [{ ...one, issues, handleTurns: turnsOf(first) + turnsOf(second) }];
}

function build(kind: BuildKind, plan: FillPlan, { choice }: Bench, allMain: number): Build {
  const used = (id: string): number => plan.layers.find((layer) => layer.id === id)?.length.value ?? 0;
  const uses = { main: used('main'), backing: used('backing') };
  const free = (stock: StockLine | undefined): number => bounded(stock?.free ?? 0, 0, MOST_FREE);
  const left = { main: free(choice.main) - uses.main, backing: free(choice.backing) - uses.backing };
  const cost = lineCost(plan, pricesOf(choice));
  const saves = allMain - cost.value;
  return {
    kind,
    plan,
    uses,
    left,
    handleTurns: turnsOf(plan),
    cost,
    saves,
    joins: uses.backing > 0 && uses.main > 0 ? 1 : 0,
    reason: reasonFor(kind, { uses, saves, wanted: choice.mainLength, wraps: wrapsOf(plan) }),
    issues: [...plan.issues, ...tooShort(left)],
  };
}

const tooShort = (left: Build['left']): PieceTooShort[] =>
  (['main', 'backing'] as const)
    .filter((at) => left[at] < 0)
    .map((at) => ({
      code: 'piece-too-short',
      severity: 'error',
      sentence: message('build.piece-too-short', { piece: at, short: { m: -left[at] } }),
      at,
      values: { short: -left[at] },
    }));

/** Builds that cannot be done come last; among the rest the house's order of winding comes first. */
const rank = ({ kind, issues }: Build, { order }: Pick<HouseRules, 'order'>): number =>
  (issues.some(({ severity }) => severity === 'error') ? 2 : 0) +
  ((kind === 'main-first') === (order === 'main-first') ? 0 : 1);

const turnsOf = ({ layers }: FillPlan): number =>
  layers.reduce((sum, { handleTurns }) => sum + handleTurns.value, 0);
const wrapsOf = ({ layers }: FillPlan): number => layers.reduce((sum, { wraps }) => sum + wraps.value, 0);
const pricesOf = ({ main, backing }: BuildChoice): Record<string, number> => ({
  main: main.pricePerMetre,
  backing: backing?.pricePerMetre ?? 0,
});
const request = ({ gap, gear }: BuildChoice, layers: readonly LayerRequest[]): FillRequest => ({
  layers,
  gap,
  gear,
});
const mainLayer = ({ main }: BuildChoice, length: number | 'fits'): LayerRequest => ({
  kind: 'line',
  id: 'main',
  role: 'main',
  line: main.line,
  length,
});
const backingLayer = ({ line }: StockLine): LayerRequest => ({
  kind: 'line',
  id: 'backing',
  role: 'backing',
  line,
  length: 'fits',
});

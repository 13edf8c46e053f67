import { isWithin } from '../numeric/bounded';
import { logDeterminant } from '../numeric/positive';
import type { Ranged } from '../numeric/ranged';
import { DEPTH_RANGE } from '../quantities/reel-ranges';
import { fail, succeed, type Issue, type Result } from '../issue';
import { checkRequest } from '../plan/check-request';
import { planFill } from '../plan/plan-fill';
import { message, type Words } from '../words/message';
import type { Settling } from '../run/settling';
import { priorsOf } from '../spool/beliefs';
import { checkObservations } from '../spool/check-observations';
import { inferSpool } from '../spool/infer-spool';
import type { FillEvidence, LayerEvidence } from './evidence';
import { doubtsOfSpool, hypothesesFor, reachOver, type Doubt } from './hypotheses';
import { mixed } from './mixed';
import { settleProblem } from './settle-problem';
import type { Cause, Solved } from './solved';
import { describeFill } from './describe-fill';
import { askedAbout } from './question';
import type { SettledFill } from './settled-fill';

/** How seldom the commonest of what goes badly wrong happens: once in a dozen fills, −2 ln of its odds. From memory. */
const SELDOM = 5;
/** A cause has to explain this much more than it costs before anybody is asked: three standard deviations. */
const WORTH_ASKING = 9;

/**
 * What lies on a spool when its fill is closed: one joint estimate of spool and lengths from everything that was seen,
 * each layer with its range. Where readings stand against each other by more than three standard deviations, each single
 * cause is tried, and the two that explain most for what they cost are asked about.
 *
 * @returns the fill; issues where the evidence holds figures no fill can have
 */
export function settleFill(evidence: FillEvidence): Result<SettledFill> {
  const problems = [...checkObservations(evidence.observations), ...checkEvidence(evidence)];
  if (problems.length > 0) return fail(...problems);
  const planned = plannedLengths(evidence);
  const solved: Solve = (settlings, from, tails = false) => {
    const problem = settleProblem(evidence, planned, settlings, tails);
    const fit = problem.solve(from);
    return fit && { problem, fit };
  };
  const answered = evidence.settlings.filter(({ cause }) => cause !== 'none');
  const base = solved(answered, undefined, true);
  if (!base) return fail(UNSETTLED);
  const told = describeFill(evidence, base);
  if (evidence.settlings.some(({ cause }) => cause === 'none')) return succeed({ ...told, question: null });
  const causes = likeliest(evidence, answered, base.fit.vector, solved);
  return succeed({
    ...withOthers(told, otherAccounts(evidence, answered, base, solved)),
    question: causes.length > 0 ? askedAbout(evidence, base, causes) : null,
  });
}

/** Readings that agree so well leave no room for another account, in squares. */
const AGREES = 1;
/** An account that is less likely than this moves no range. */
const LEAST_WEIGHT = 0.004;

type Told = ReturnType<typeof describeFill>;

/** What a fill comes to where one thing went badly wrong, and how likely each of those is. */
interface Others {
  /** That nothing did. */
  readonly none: number;
  readonly others: readonly { readonly told: Told; readonly weight: number }[];
}

/**
 * Every single thing that may have gone badly wrong, by how well it explains what was seen for how seldom it happens
 * (Laplace's approximation of each account's share).
 */
function otherAccounts(
  evidence: FillEvidence,
  answered: readonly Settling[],
  base: Solved,
  solved: Solve,
): Others {
  const strict = solved(answered, base.fit.vector);
  if (!strict || strict.fit.cost < AGREES) return { none: 1, others: [] };
  const surprise = ({ fit }: Solved): number => fit.cost - logDeterminant(fit.covariance);
  const usual = surprise(base);
  const doubts = [
    ...hypothesesFor(evidence).map(({ settling, penalty }) => ({ doubt: settling, penalty })),
    ...doubtsOfSpool(evidence),
  ];
  const accounts = doubts
    .filter(({ doubt }) => !answered.some((one) => one.cause === doubt.cause && one.about === doubt.about))
    .flatMap(({ doubt, penalty }) => {
      const then = solved([...answered, doubt], strict.fit.vector, true);
      if (!then) return [];
      const room = 2 * Math.log(reachOver(doubt));
      const odds = Math.exp(-(surprise(then) - usual + SELDOM + penalty + room) / 2);
      return odds > LEAST_WEIGHT ? [{ then, odds: Math.min(1e12, odds) }] : [];
    });
  const all = 1 + accounts.reduce((sum, { odds }) => sum + odds, 0);
  return {
    none: 1 / all,
    others: accounts
      .filter(({ odds }) => odds / all > LEAST_WEIGHT)
      .map(({ then, odds }) => ({ told: describeFill(evidence, then), weight: odds / all })),
  };
}

function withOthers(told: Told, { none, others }: Others): Told {
  if (others.length === 0) return told;
  const kept = none + others.reduce((sum, { weight }) => sum + weight, 0);
  const mix = (of: (one: Told) => Ranged | undefined, floor?: number): Ranged =>
    mixed(
      [{ told, weight: none }, ...others].flatMap(({ told: one, weight }) => {
        const figure = of(one);
        return figure ? [{ figure, weight: weight / kept }] : [];
      }),
      floor,
    );
  return {
    ...told,
    layers: told.layers.map((layer, i) => ({
      ...layer,
      length: mix(({ layers }) => layers[i]?.length, 0),
      handleTurns: mix(({ layers }) => layers[i]?.handleTurns, 0),
    })),
    gap: mix(({ gap }) => gap),
  };
}

type Solve = (settlings: readonly Doubt[], from?: readonly number[], tails?: boolean) => Solved | null;

function likeliest(
  evidence: FillEvidence,
  answered: readonly Settling[],
  from: readonly number[],
  solved: Solve,
): Cause[] {
  const strict = solved(answered, from);
  // Nothing can explain more than there is.
  if (!strict || strict.fit.cost < WORTH_ASKING) return [];
  const tried = hypothesesFor(evidence)
    .filter(
      ({ settling }) => !answered.some((one) => one.cause === settling.cause && one.about === settling.about),
    )
    .flatMap(({ settling, penalty }) => {
      const then = solved([...answered, settling], strict.fit.vector);
      return then ? [{ settling, solved: then, explains: strict.fit.cost - then.fit.cost - penalty }] : [];
    })
    .sort((a, b) => b.explains - a.explains);
  const best = tried[0];
  return best && best.explains > WORTH_ASKING ? tried.slice(0, 2) : [];
}

/** Length of each layer as it was planned before anything was wound. */
function plannedLengths({ observations, beliefs, request }: FillEvidence): (id: string) => number {
  const spool = inferSpool(observations, priorsOf(beliefs));
  const plan = spool.ok ? planFill(spool.value, request) : null;
  const lengths = new Map(plan?.ok ? plan.value.layers.map(({ id, length }) => [id, length.value]) : []);
  return (id) => {
    const layer = request.layers.find((one) => one.id === id);
    const asked = layer?.kind === 'line' && typeof layer.length === 'number' ? layer.length : 0;
    return lengths.get(id) ?? asked;
  };
}

const wrong = (sentence: Words, at: string): Issue => ({
  code: 'evidence-out-of-range',
  severity: 'error',
  sentence,
  at,
});

const UNSETTLED: Issue = {
  code: 'does-not-settle',
  severity: 'error',
  sentence:
    'What was counted and what was read cannot be brought together. Look through the counts and depths.',
};

/** What no fill can have, before anything is settled. */
function checkEvidence({ layers, depths, request }: FillEvidence): Issue[] {
  return [
    ...checkRequest(request),
    ...layers.flatMap((layer) =>
      isSound(layer) ? [] : [wrong('A count or a piece’s length is outside what a fill can have.', layer.id)],
    ),
    ...depths.flatMap(({ depth, after }) =>
      isWithin(depth, ...DEPTH_RANGE)
        ? []
        : [wrong(message('limit.from-mm', { what: 'A depth', range: { mm: DEPTH_RANGE } }), after)],
    ),
  ];
}

function isSound({ goes, per, piece, weighed }: LayerEvidence): boolean {
  const within = (value: number, least: number, most: number): boolean => value >= least && value <= most;
  return (
    within(per, 0.05, 20) &&
    goes.every((go) =>
      'metres' in go ? within(go.metres, -5000, 20_000) : within(go.spoolTurns, -250_000, 250_000),
    ) &&
    (piece === null || (within(piece.length, 0, 100_000) && within(piece.sd, 0, 100_000))) &&
    (weighed === undefined || (within(weighed.length, 0, 20_000) && within(weighed.sd, 0, 20_000)))
  );
}

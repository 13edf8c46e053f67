import { isWithin } from '../numeric/bounded';
import { DEPTH_RANGE } from '../quantities/reel-ranges';
import { fail, succeed, type Issue, type Result } from '../issue';
import { checkRequest } from '../plan/check-request';
import { planFill } from '../plan/plan-fill';
import { message, type Words } from '../words/message';
import { priorsOf } from '../spool/beliefs';
import { checkObservations } from '../spool/check-observations';
import { inferSpool } from '../spool/infer-spool';
import type { FillEvidence, LayerEvidence } from './evidence';
import { hypothesesFor, type Doubt } from './hypotheses';
import { withOtherAccounts, type Freeing } from './other-accounts';
import { settleProblem } from './settle-problem';
import type { Cause, Solved } from './solved';
import { describeFill } from './describe-fill';
import { askedAbout } from './question';
import type { SettledFill } from './settled-fill';

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
  const open = (one: Doubt): boolean =>
    !answered.some(({ cause, about }) => one.cause === cause && one.about === about);
  const freeing: Freeing = (doubt, from, tails) => solved([...answered, doubt], from, tails);
  const strict = solved(answered, base.fit.vector);
  const causes = strict ? likeliest(evidence, strict, open, freeing) : [];
  return succeed({
    ...(strict ? withOtherAccounts(evidence, { told, base, strict }, open, freeing) : told),
    question: causes.length > 0 ? askedAbout(evidence, base, causes) : null,
  });
}

type Solve = (settlings: readonly Doubt[], from?: readonly number[], tails?: boolean) => Solved | null;

/** The causes worth asking about, the likeliest first. */
function likeliest(
  evidence: FillEvidence,
  strict: Solved,
  open: (doubt: Doubt) => boolean,
  freeing: Freeing,
): Cause[] {
  // Nothing can explain more than there is.
  if (strict.fit.cost < WORTH_ASKING) return [];
  const tried = hypothesesFor(evidence)
    .filter(({ settling }) => open(settling))
    .flatMap(({ settling, penalty }) => {
      const then = freeing(settling, strict.fit.vector, false);
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

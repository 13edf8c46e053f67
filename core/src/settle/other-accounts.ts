import { logDeterminant } from '../numeric/positive';
import type { Ranged } from '../numeric/ranged';
import { describeFill } from './describe-fill';
import type { FillEvidence } from './evidence';
import { doubtsOfSpool, hypothesesFor, reachOver, type Doubt } from './hypotheses';
import { mixed } from './mixed';
import type { Solved } from './solved';

/** How seldom the commonest of what goes badly wrong happens: once in a dozen fills, −2 ln of its odds. From memory. */
const SELDOM = 5;
/** Readings that agree so well leave no room for another account, in squares. */
const AGREES = 1;
/** An account that is less likely than this moves no range. */
const LEAST_WEIGHT = 0.004;
/** So much likelier than that nothing went wrong is certain. */
const CERTAIN = 1e12;

type Told = ReturnType<typeof describeFill>;

/** The same fill with one thing more taken to be wrong, solved from where it stands without. */
export type Freeing = (doubt: Doubt, from: readonly number[], tails: boolean) => Solved | null;

/** A fill as it is where nothing went badly wrong: told, solved with its errors’ tails, and with usual errors alone. */
interface Usual {
  readonly told: Told;
  readonly base: Solved;
  readonly strict: Solved;
}

/**
 * A fill with the ranges it has where any one thing may have gone badly wrong: each such account by how well it explains
 * what was seen for how seldom it happens (Laplace’s approximation of its share).
 *
 * @param open whether something is still in doubt
 */
export function withOtherAccounts(
  evidence: FillEvidence,
  { told, base, strict }: Usual,
  open: (doubt: Doubt) => boolean,
  freeing: Freeing,
): Told {
  if (strict.fit.cost < AGREES) return told;
  const surprise = ({ fit }: Solved): number => fit.cost - logDeterminant(fit.covariance);
  const others = [
    ...hypothesesFor(evidence).map(({ settling, penalty }) => ({ doubt: settling, penalty })),
    ...doubtsOfSpool(evidence),
  ]
    .filter(({ doubt }) => open(doubt))
    .flatMap(({ doubt, penalty }) => {
      const solved = freeing(doubt, strict.fit.vector, true);
      if (!solved) return [];
      const room = 2 * Math.log(reachOver(doubt));
      const odds = Math.exp(-(surprise(solved) - surprise(base) + SELDOM + penalty + room) / 2);
      return [{ solved, odds: Math.min(CERTAIN, odds) }];
    });
  const all = 1 + others.reduce((sum, { odds }) => sum + odds, 0);
  const likely = others.filter(({ odds }) => odds / all > LEAST_WEIGHT);
  if (likely.length === 0) return told;
  return mix([
    { told, odds: 1 },
    ...likely.map(({ solved, odds }) => ({ told: describeFill(evidence, solved), odds })),
  ]);
}

/** The first of several accounts with every figure that has a range as all of them have it together. */
function mix(accounts: readonly [Account, ...Account[]]): Told {
  const [{ told }] = accounts;
  const all = accounts.reduce((sum, { odds }) => sum + odds, 0);
  const figure = (of: (one: Told) => Ranged | undefined, floor?: number): Ranged =>
    mixed(
      accounts.flatMap(({ told: one, odds }) => {
        const own = of(one);
        return own ? [{ figure: own, weight: odds / all }] : [];
      }),
      floor,
    );
  return {
    ...told,
    layers: told.layers.map((layer, i) => ({
      ...layer,
      length: figure(({ layers }) => layers[i]?.length, 0),
      handleTurns: figure(({ layers }) => layers[i]?.handleTurns, 0),
    })),
    gap: figure(({ gap }) => gap),
  };
}

interface Account {
  readonly told: Told;
  /** Beside that nothing went badly wrong: 1. */
  readonly odds: number;
}

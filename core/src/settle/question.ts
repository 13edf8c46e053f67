import type { Settling } from '../run/settling';
import type { FillEvidence } from './evidence';
import type { Cause, Solved } from './solved';
import { message, type Words } from '../words/message';

/** Readings that contradict each other, in one sentence, with the likeliest causes to choose from. */
export interface Question {
  readonly sentence: string;
  /** Likeliest first; the last is always that everything stands as it was read. */
  readonly answers: readonly Answer[];
}

export interface Answer {
  readonly settling: Settling;
  readonly words: Words;
}

/** What is asked of whoever wound it. */
export function askedAbout(evidence: FillEvidence, base: Solved, causes: readonly Cause[]): Question {
  return {
    sentence: `${contradiction(evidence, causes)} Which is wrong?`,
    answers: [
      ...causes.map((cause) => ({ settling: cause.settling, words: wordsFor(evidence, base, cause) })),
      { settling: { cause: 'none', about: '' }, words: 'Neither: all of it stands as it was read' },
    ],
  };
}

/** What stands against what. */
function contradiction({ layers, depths }: FillEvidence, causes: readonly Cause[]): string {
  const blamed = new Set(causes.map(({ settling }) => settling.cause));
  const usedUp = layers.some((layer) => layer.usedUp && layer.piece);
  const metered = layers.some(({ goes }) => goes.some((go) => 'metres' in go));
  const sides = [
    ...(layers.some(({ goes }) => goes.some((go) => 'spoolTurns' in go)) ? ['the count'] : []),
    ...(metered ? ['the line meter'] : []),
    ...(usedUp || blamed.has('piece') ? ['the length its piece held'] : []),
    ...(depths.length > 0 ? [depths.length > 1 ? 'the depths read' : 'the depth read'] : []),
  ];
  const [first = 'what was read', ...rest] = sides;
  const others = rest.length > 0 ? rest.join(' and ') : 'what is known of the spool';
  return `${first.charAt(0).toUpperCase()}${first.slice(1)} and ${others} cannot all be right.`;
}

/** What a cause's words are made from. */
interface Told {
  readonly evidence: FillEvidence;
  readonly base: Solved;
  readonly solved: Solved;
  readonly about: string;
  /** By how much its figure is off: ln of a factor, or mm. */
  readonly off: number;
}

function wordsFor(evidence: FillEvidence, base: Solved, { settling, solved }: Cause): Words {
  const off = solved.problem.freed(solved.fit.vector, settling);
  return WORDS[settling.cause]({ evidence, base, solved, about: settling.about, off });
}

const layerOf = ({ evidence, about }: Told): FillEvidence['layers'][number] | undefined =>
  evidence.layers.find(({ id }) => id === about);
const nameOf = ({ about }: Told): string => about.replace('-', ' ');
const packingOf = ({ problem, fit }: Solved): number => problem.unknowns.worldOf(fit.vector).spool.packing;

const WORDS: Readonly<Record<Settling['cause'], (told: Told) => Words>> = {
  gear: ({ evidence: { request }, off }) =>
    `The gear ratio: nearer ${(request.gear * Math.exp(off)).toFixed(1)}:1 than ${request.gear.toFixed(1)}:1; kept for the reel and its kind`,
  count: (told) => {
    const { goes = [], per = told.evidence.request.gear } = layerOf(told) ?? {};
    const turns = goes.reduce((sum, go) => sum + ('spoolTurns' in go ? go.spoolTurns : 0), 0) / per;
    return `The count of the ${nameOf(told)}: about ${(turns * Math.exp(told.off)).toFixed(0)} turns, not ${turns.toFixed(0)}`;
  },
  depth: ({ evidence: { depths }, about, off }) => {
    const read = depths[Number(about)]?.depth ?? 0;
    return message('settle.depth', { nearer: { mm: read - off }, read: { mm: read } });
  },
  packing: ({ base, solved }) =>
    `None of these: it was wound ${packingOf(solved) < packingOf(base) ? 'looser' : 'tighter'} than usual`,
  line: (told) => `The line: the ${nameOf(told)} is another one than was said`,
  piece: (told) => {
    const more = (layerOf(told)?.piece?.length ?? 0) * (Math.exp(told.off) - 1);
    const layer = nameOf(told);
    const held =
      more > 0
        ? message('settle.piece-more', { layer, more: { m: more } })
        : message('settle.piece-less', { layer, less: { m: -more } });
    return layerOf(told)?.usedUp ? message('settle.or-not-out', { held }) : held;
  },
  meter: ({ off }) =>
    `The line meter: it reads ${(100 * Math.abs(Math.exp(-off) - 1)).toFixed(0)} % ${off < 0 ? 'long' : 'short'}`,
  none: () => 'Neither: all of it stands as it was read',
};

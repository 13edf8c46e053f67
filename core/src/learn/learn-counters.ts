import type { KnownCounter } from '../counter/counter-beliefs';
import { metresPer } from '../counter/counter-unit';
import type { RecordedMatch } from '../run/recorded-match';

/** A counter that was matched, and whose it is. The newest first. */
export interface CounterLesson {
  readonly tag: string;
  /** Key of its kind. */
  readonly kind: string;
  readonly kept: Pick<RecordedMatch, 'unit' | 'step' | 'match' | 'perTurn' | 'sd'>;
}

/** What is known of counters: by tag, and by kind. */
export interface LearnedCounters {
  readonly reels: readonly { readonly key: string; readonly counter: KnownCounter }[];
  readonly kinds: readonly { readonly key: string; readonly counter: KnownCounter }[];
}

/** Counters of one kind are geared alike; what their line and level leave between them, as a share. From memory. */
const BETWEEN_REELS = 0.003;

/**
 * Learns what a turn is worth: of a reel from its own last match, of a kind from each of its reels' last ones, weighed by
 * how sure each was.
 *
 * @param lessons the newest first; of each reel only the first counts
 */
export function learnCounters(lessons: readonly CounterLesson[]): LearnedCounters {
  const last = new Map<string, CounterLesson>();
  for (const lesson of lessons) if (!last.has(lesson.tag)) last.set(lesson.tag, lesson);
  const kinds = new Map<string, CounterLesson[]>();
  for (const lesson of last.values()) kinds.set(lesson.kind, [...(kinds.get(lesson.kind) ?? []), lesson]);
  return {
    reels: [...last].map(([key, { kept }]) => ({
      key,
      counter: { ...faceOf(kept), perTurn: kept.perTurn, sd: kept.sd, from: 'reel' as const },
    })),
    kinds: [...kinds].map(([key, mine]) => ({ key, counter: together(mine) })),
  };
}

const faceOf = ({ unit, step, match }: CounterLesson['kept']) => ({ unit, step, match });

/** Reels of one kind together, in the unit the newest of them shows. */
function together(lessons: readonly CounterLesson[]): KnownCounter {
  const [newest] = lessons;
  if (!newest) throw new Error('A kind has at least one reel.');
  let weights = 0;
  let sum = 0;
  for (const { kept } of lessons) {
    const weight = 1 / (kept.sd ** 2 + BETWEEN_REELS ** 2);
    weights += weight;
    sum += weight * Math.log(kept.perTurn * metresPer(kept.unit));
  }
  const perTurn = Math.exp(sum / weights) / metresPer(newest.kept.unit);
  return {
    ...faceOf(newest.kept),
    perTurn,
    from: 'kind',
    sd: Math.hypot(Math.sqrt(1 / weights), BETWEEN_REELS),
  };
}

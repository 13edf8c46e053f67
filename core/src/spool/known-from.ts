import { told } from '../quantities/told';
import type { Observation } from './observation';

const MEASURED: Partial<Record<Observation['kind'], string>> = {
  lip: 'lip',
  width: 'width',
  arbor: 'arbor',
  retrieve: 'line a turn',
};

/**
 * What is known of a spool, in one sentence: its print, its measures, its own fills, and fills of reels like it with how
 * nearly those are alike, which is why the range is as wide as it is.
 */
export function knownFrom(observations: readonly Observation[]): string {
  const depths = observations.filter((one) => one.kind === 'depth');
  const like = depths.flatMap(({ sd }) => sd ?? []);
  const own = depths.length - like.length;
  const prints = observations.filter(({ kind }) => kind === 'rating').length;
  const measured = [...new Set(observations.flatMap(({ kind }) => MEASURED[kind] ?? []))];
  const parts = [
    prints === 0 ? '' : prints === 1 ? 'its print' : `its ${String(prints)} prints`,
    measured.length === 0 ? '' : `its ${measured.join(', ')} as measured`,
    own === 0 ? '' : own === 1 ? 'a depth read on this spool' : `${String(own)} depths read on this spool`,
    like.length === 0 ? '' : likeWords(like),
  ].filter((part) => part !== '');
  return parts.length === 0 ? 'From what such reels usually are alone.' : `From ${parts.join('; ')}.`;
}

/** Fills of like reels, and how far the next of them usually lies from where those came out. */
function likeWords(spreads: readonly number[]): string {
  const weight = spreads.reduce((sum, sd) => sum + 1 / sd ** 2, 0);
  const [many, they] =
    spreads.length === 1
      ? ['a fill of a reel like it', 'it']
      : [`${String(spreads.length)} fills of reels like it`, 'them'];
  return `${many}: the next one comes out within ${told.small(1 / Math.sqrt(weight))} of ${they} two times in three`;
}

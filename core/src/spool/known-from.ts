import { message, type Words } from '../words/message';
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
export function knownFrom(observations: readonly Observation[]): Words {
  const depths = observations.filter((one) => one.kind === 'depth');
  const like = depths.flatMap(({ sd }) => sd ?? []);
  const own = depths.length - like.length;
  const prints = observations.filter(({ kind }) => kind === 'rating').length;
  const measured = [...new Set(observations.flatMap(({ kind }) => MEASURED[kind] ?? []))];
  const parts = [
    prints === 0 ? '' : prints === 1 ? 'its print' : `its ${String(prints)} prints`,
    measured.length === 0 ? '' : `its ${measured.join(', ')} as measured`,
    own === 0 ? '' : own === 1 ? 'a depth read on this spool' : `${String(own)} depths read on this spool`,
  ].filter((part) => part !== '');
  const known = parts.join('; ');
  if (like.length === 0) return known === '' ? 'From what such reels usually are alone.' : `From ${known}.`;
  const likes = { like: likeWords(like) };
  return known === ''
    ? message('spool.known-from', likes)
    : message('spool.known-from-both', { known, ...likes });
}

/** Fills of like reels, and how far the next of them usually lies from where those came out. */
function likeWords(spreads: readonly number[]): Words {
  const weight = spreads.reduce((sum, sd) => sum + 1 / sd ** 2, 0);
  const one = spreads.length === 1;
  const many = one ? 'a fill of a reel like it' : `${String(spreads.length)} fills of reels like it`;
  const they = one ? 'it' : 'them';
  return message('spool.known-like', { many, they, spread: { mm: 1 / Math.sqrt(weight) } });
}

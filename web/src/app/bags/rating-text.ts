import { parseRating, type UnitSystem } from '@yard-spool/core';

/**
 * Gives the bare numbers of a rating their units, so that switching units later cannot change what was meant. What has
 * units already, or cannot be read, stays as it was typed.
 */
export function settleRating(text: string, system: UnitSystem): string {
  const bare = /^\s*([\d.,]+)\s*[x×*/@]\s*([\d.,]+)\s*$/i.exec(text);
  if (!bare || !parseRating(text, system).ok) return text;
  const [, first = '', second = ''] = bare;
  const sizeOf = (typed: string): number => Number(typed.replace(',', '.'));
  // The larger number is the length: no line is as thick as the shortest fill is long.
  const [length, diameter] = sizeOf(first) >= sizeOf(second) ? [first, second] : [second, first];
  return system === 'metric' ? `${length} m × ${diameter} mm` : `${length} yd × ${diameter} in`;
}

/** What is wrong with a rating as it was typed; empty where nothing is, or nothing was typed. */
export function ratingProblem(text: string, system: UnitSystem): string {
  const rating = text.trim() === '' ? null : parseRating(text, system);
  return rating && !rating.ok ? (rating.issues[0]?.sentence ?? '') : '';
}

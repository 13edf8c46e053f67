/** One go at a layer, in the order it was wound: so many spool turns, or so many metres over a line meter. */
export type Segment = { readonly spoolTurns: number } | { readonly metres: number };

/** What was wound on each layer, by layer id. Names come from people: look an entry up with `segmentsOf`. */
export type Segments = Readonly<Record<string, readonly Segment[]>>;

export const segmentsOf = (segments: Segments, layer: string): readonly Segment[] =>
  Object.hasOwn(segments, layer) ? (segments[layer] ?? []) : [];

/** A go while it is counted on. */
export type GrowingSegment = { spoolTurns: number } | { metres: number };

/** Adds a go to those there are; one of the same sort as the last goes on from it, back as well as forward. */
export function addSegment(goes: GrowingSegment[], next: Segment): void {
  const last = goes.at(-1);
  if (last && 'metres' in last && 'metres' in next) last.metres += next.metres;
  else if (last && 'spoolTurns' in last && 'spoolTurns' in next) last.spoolTurns += next.spoolTurns;
  else goes.push({ ...next });
}

/**
 * What was wound since a moment: the last go that there was then may have grown, or been turned back.
 *
 * @param then the goes of one layer at that moment, which those now go on from
 */
export function goesSince(then: readonly Segment[], now: readonly Segment[]): Segment[] {
  const last = then.at(-1);
  const grown = now[then.length - 1];
  const later = now.slice(then.length);
  if (!last || !grown) return [...later];
  if ('metres' in last && 'metres' in grown) return nonZero({ metres: grown.metres - last.metres }, later);
  if ('spoolTurns' in last && 'spoolTurns' in grown)
    return nonZero({ spoolTurns: grown.spoolTurns - last.spoolTurns }, later);
  return [grown, ...later];
}

const nonZero = (first: Segment, later: readonly Segment[]): Segment[] =>
  ('metres' in first ? first.metres : first.spoolTurns) === 0 ? [...later] : [first, ...later];

/** What was wound by now, apart from what is wound later. */
export const snapshot = (wound: Segments): Segments =>
  Object.fromEntries(Object.entries(wound).map(([layer, goes]) => [layer, goes.map((go) => ({ ...go }))]));

/** Handle turns by layer id as segments. */
export const fromHandleTurns = (turns: Readonly<Record<string, number>>, gear: number): Segments =>
  Object.fromEntries(
    Object.entries(turns).map(([layer, counted]) => [layer, [{ spoolTurns: counted * gear }]]),
  );

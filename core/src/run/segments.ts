/** One go at a layer, in the order it was wound: so many spool turns, or so many metres over a line meter. */
export type Segment = { readonly spoolTurns: number } | { readonly metres: number };

/** What was wound on each layer, by layer id. Names come from people: look an entry up with `segmentsOf`. */
export type Segments = Readonly<Record<string, readonly Segment[]>>;

export const segmentsOf = (segments: Segments, layer: string): readonly Segment[] =>
  Object.hasOwn(segments, layer) ? (segments[layer] ?? []) : [];

/** Adds a go to those there are; one of the same sort as the last goes on from it, back as well as forward. */
export function withSegment(before: readonly Segment[], next: Segment): Segment[] {
  const last = before.at(-1);
  const rest = before.slice(0, -1);
  if (last && 'metres' in last && 'metres' in next) return [...rest, { metres: last.metres + next.metres }];
  if (last && 'spoolTurns' in last && 'spoolTurns' in next)
    return [...rest, { spoolTurns: last.spoolTurns + next.spoolTurns }];
  return [...before, next];
}

/** Handle turns by layer id as segments. */
export const fromHandleTurns = (turns: Readonly<Record<string, number>>, gear: number): Segments =>
  Object.fromEntries(
    Object.entries(turns).map(([layer, counted]) => [layer, [{ spoolTurns: counted * gear }]]),
  );

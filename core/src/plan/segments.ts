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

/** What was wound by now, apart from what is wound later. */
export const snapshot = (wound: Segments): Segments =>
  Object.fromEntries(Object.entries(wound).map(([layer, goes]) => [layer, goes.map((go) => ({ ...go }))]));

/** Handle turns by layer id as segments. */
export const fromHandleTurns = (turns: Readonly<Record<string, number>>, gear: number): Segments =>
  Object.fromEntries(
    Object.entries(turns).map(([layer, counted]) => [layer, [{ spoolTurns: counted * gear }]]),
  );

import type { RunHappening } from './run-event';

/** A kind of thing that can happen in a run. */
export type EventKind = RunHappening['kind'];

/** What tells one kind of event from another wherever that matters. */
export interface EventTraits {
  /** What it does: moves the run as a whole, ends or begins steps, counts line, says what was seen, mends the log. */
  readonly does: 'run' | 'step' | 'count' | 'mark' | 'look' | 'record' | 'undo';
  /**
   * What takes it back: an `undone` at the bench; nothing of the sort for what says who and where, which is changed by the
   * next of its like.
   */
  readonly undoneBy: 'undone' | 'the next of its like';
  /** Line may have moved uncounted with it, so that a line meter's next mark begins a stretch and ends none. */
  readonly breaksStretch: boolean;
  /** Written by the server, never sent by a bench. */
  readonly serverOnly: boolean;
  /** Where a fill as it is told has it: with its layer, among who had it, or nowhere, since it is summed or told elsewhere. */
  readonly chapter: 'layer' | 'who' | null;
  /** What somebody wrote in it is searched. */
  readonly searched: boolean;
  /** Only said, or counts for itself: nothing of the counter is written down before it. */
  readonly alone: boolean;
}

const USUAL = {
  undoneBy: 'undone',
  breaksStretch: true,
  serverOnly: false,
  chapter: null,
  searched: false,
  alone: false,
} as const satisfies Omit<EventTraits, 'does'>;

const RUN = { ...USUAL, does: 'run', undoneBy: 'the next of its like', chapter: 'who' } as const;
const LOOK = { ...USUAL, does: 'look' } as const;
/** Seen while the line stands still. */
const STILL = { ...LOOK, breaksStretch: false } as const;

/** A new kind is a new entry here; the compiler then asks for its sentence and its schema. */
const TRAITS = {
  started: { ...RUN, serverOnly: true },
  'taken-up': RUN,
  'put-aside': { ...RUN, searched: true },
  'given-up': { ...RUN, serverOnly: true },
  closed: { ...RUN, serverOnly: true },
  reopened: { ...RUN, serverOnly: true, searched: true },
  'step-done': { ...USUAL, does: 'step' },
  'step-again': { ...USUAL, does: 'step' },
  'step-skipped': { ...USUAL, does: 'step' },
  turns: { ...USUAL, does: 'count', alone: true },
  metres: { ...USUAL, does: 'count', alone: true },
  'count-set': { ...USUAL, does: 'count' },
  'device-at': { ...USUAL, does: 'count', undoneBy: 'the next of its like', alone: true },
  restarted: { ...USUAL, does: 'count', chapter: 'layer' },
  metered: { ...USUAL, does: 'mark', breaksStretch: false },
  held: LOOK,
  'depth-read': STILL,
  supply: { ...LOOK, chapter: 'layer' },
  'slack-read': { ...LOOK, chapter: 'layer' },
  'lay-read': { ...STILL, chapter: 'layer' },
  'tension-read': { ...STILL, chapter: 'layer' },
  chosen: { ...STILL, chapter: 'layer' },
  walked: LOOK,
  moving: LOOK,
  settled: STILL,
  noted: { ...STILL, searched: true },
  'piece-changed': { ...LOOK, chapter: 'layer' },
  undone: { ...USUAL, does: 'undo', undoneBy: 'the next of its like', alone: true },
  corrected: { ...USUAL, does: 'record', serverOnly: true, searched: true },
} as const satisfies Readonly<Record<EventKind, EventTraits>>;

/** Every kind with what tells it from the others. */
export const EVENT_TRAITS: Readonly<Record<EventKind, EventTraits>> = TRAITS;

/** The kinds whose trait is so. */
export type KindsWith<Trait extends keyof EventTraits, Value extends EventTraits[Trait]> = {
  [Kind in EventKind]: (typeof TRAITS)[Kind][Trait] extends Value ? Kind : never;
}[EventKind];

/** Whether an event is of the kinds whose trait is so; the compiler knows it of that kind from then on. */
export const hasTrait = <
  Event extends { readonly kind: EventKind },
  Trait extends keyof EventTraits,
  const Value extends EventTraits[Trait],
>(
  event: Event,
  trait: Trait,
  value: Value,
): event is Extract<Event, { readonly kind: KindsWith<Trait, Value> }> =>
  EVENT_TRAITS[event.kind][trait] === value;

/** All kinds, in the order of the table. */
export const EVENT_KINDS = Object.keys(TRAITS) as [EventKind, ...EventKind[]];

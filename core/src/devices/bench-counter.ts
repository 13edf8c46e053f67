import type { Credit, CountingDevice, OddCount } from '../run/credit-count';
import type { MeterStands } from '../run/metering';
import type { RunEvent } from '../run/run-event';
import type { CounterLine } from './counter-line';
import { answered, answeredAt, hearLine } from './hear-line';
import type { Heard } from './heard';
import { takenUpAt } from './taken-up-at';

/** A device that says nothing for so long is silent: it says where it stands every second, ms. */
export const SILENT_MS = 5000;
/** What was heard is kept this often while nothing else is written, ms. */
const KEEP_MS = 2000;

/** Whether a device is heard. */
export type LinkState = 'up' | 'silent' | 'away';

/** A count that is to be credited to a run, and what it is weighed beside. */
export interface Weighed {
  readonly runId: number;
  readonly count: number;
  /** How far the run's log was known; null where it was not. */
  readonly known: number | null;
  /** Where the device stood when a layer, or another run, may have begun; null where nothing was added since. */
  readonly since: number | null;
  readonly doubt: Heard['doubt'];
  /** How far the run's log was when the doubt began; null where there is none, or nobody knows. */
  readonly doubtFrom: number | null;
  /** Where the line meter beside it stood at this count. */
  readonly meter: MeterStands | null;
  /** Another run was just put in this one's place: what was counted up to then is still its own. */
  readonly leaving: boolean;
  /** Whether the device is heard now. */
  readonly live: boolean;
  /** What was heard of it up to there: kept with what is credited, so that a restart never knows less than the log. */
  readonly heard: Heard | null;
}

/** What crediting came to: what the count means; how far the log is now, where it went on; null where the run is gone. */
export type Credited = Credit | { readonly behind: number } | null;

/** All that is known of a bench's counter. */
export interface BenchCounterState {
  readonly device: CountingDevice;
  /** The run that stands at the bench. */
  readonly runId: number | null;
  readonly link: LinkState;
  /** Whether it sends more than is read of it. */
  readonly flooding: boolean;
  readonly heard: Heard | null;
  /** Counts it went on by that wait for an answer, and why. */
  readonly unclaimed: number;
  readonly odd: OddCount | null;
  /** Whether the device or the log moved since it was last looked at: nothing is read for a handle at rest. */
  readonly moved: boolean;
  /** How far the run's log is known; null before anything was heard of it. */
  readonly place: number | null;
  /** Where the device stood when something was last added to the log and not looked at yet. */
  readonly addedAt: number | null;
  /**
   * Where it stood soundly before it came into doubt, as long as that is not credited. Nothing is asked before: what is
   * answered then would be about those turns too.
   */
  readonly creditDue: number | null;
  /** Where the meter stood when the count last moved. */
  readonly meterAt: MeterStands | null;
  /** What is being credited: one at a time, so that a slow database only makes the next one larger. */
  readonly crediting: Crediting | null;
  /** What is credited next: the last turns of runs that left the bench. */
  readonly leaving: readonly Weighed[];
  /** When what was heard was last kept, ms. */
  readonly keptAt: number;
  /** Let go: what it went on by until then is still credited, and nothing else is heard. */
  readonly over: boolean;
}

/** What a bench's counter is told. Times in ms. */
export type CounterInput =
  /** A line of the device; on a new link the first one is fresh. `meter`: where the line meter beside it stands now. */
  | {
      readonly kind: 'line';
      readonly line: CounterLine;
      readonly fresh: boolean;
      readonly now: number;
      readonly meter: MeterStands | null;
    }
  | { readonly kind: 'away' }
  | { readonly kind: 'flood'; readonly on: boolean }
  | { readonly kind: 'tick'; readonly now: number }
  /** Something was added to the run's log: a step may have ended, or what was asked was answered. */
  | { readonly kind: 'logged'; readonly events: readonly RunEvent[] }
  /** A run stands at the bench, or none. */
  | { readonly kind: 'stands'; readonly runId: number | null }
  /** Crediting ended; a failure credits nothing, and is tried again. */
  | { readonly kind: 'credited'; readonly credit: Credited }
  | { readonly kind: 'not-credited' }
  | { readonly kind: 'not-kept' }
  /** The server ends, or the bench is set up otherwise. */
  | { readonly kind: 'over' };

/** What is to be done about it. */
export type CounterEffect =
  /** Everybody who watches the bench is told how it stands. */
  | { readonly kind: 'tell' }
  | { readonly kind: 'credit'; readonly weighed: Weighed }
  | { readonly kind: 'keep'; readonly heard: Heard };

/** A count while it is being credited, and whether it is what was counted soundly up to a doubt. */
interface Crediting {
  readonly weighed: Weighed;
  readonly isDue: boolean;
}

/** What came of an input. */
export interface Reduced {
  readonly state: BenchCounterState;
  readonly effects: readonly CounterEffect[];
}

/** A counter before anything is heard of it since the server began. */
export const beginCounter = (
  device: CountingDevice,
  { runId, heard }: { readonly runId: number | null; readonly heard: Heard | null },
): BenchCounterState => ({
  device,
  runId,
  heard,
  link: 'away',
  flooding: false,
  unclaimed: 0,
  odd: null,
  moved: false,
  place: null,
  addedAt: null,
  creditDue: null,
  meterAt: null,
  crediting: null,
  leaving: [],
  keptAt: 0,
  over: false,
});

const TELL: readonly CounterEffect[] = [{ kind: 'tell' }];

const only = (state: BenchCounterState, effects: readonly CounterEffect[] = []): Reduced => ({
  state,
  effects,
});

/** One more step on what a step before came to. */
const then = ({ state, effects }: Reduced, next: (state: BenchCounterState) => Reduced): Reduced => {
  const more = next(state);
  return { state: more.state, effects: [...effects, ...more.effects] };
};

/**
 * What a bench's counter is after one more thing it was told, and what is to be done about that. Nothing here looks at a
 * clock, a socket or a database.
 */
export function reduceCounter(state: BenchCounterState, input: CounterInput): Reduced {
  switch (input.kind) {
    case 'line':
      return state.over ? only(state) : hear(state, input);
    case 'away':
      return only({ ...state, link: 'away' }, TELL);
    case 'flood':
      return state.flooding === input.on ? only(state) : only({ ...state, flooding: input.on }, TELL);
    case 'tick':
      return then(then(listen(state, input.now), fold), (now) => keep(now, input.now));
    case 'logged':
      return logged(state, input.events);
    case 'stands':
      return stands(state, input.runId);
    case 'credited':
      return credited(state, input.credit);
    case 'not-credited':
      return notCredited(state);
    case 'not-kept':
      return only({ ...state, keptAt: 0 });
    case 'over':
      return fold({ ...state, over: true });
  }
}

function hear(
  state: BenchCounterState,
  { line, fresh, now, meter }: Extract<CounterInput, { kind: 'line' }>,
): Reduced {
  const before = state.heard;
  const heard = hearLine(before, line, { device: state.device, now, fresh });
  const moved = before?.count !== heard.count || before.doubt !== heard.doubt;
  const wasUp = state.link === 'up';
  const after: BenchCounterState = {
    ...state,
    heard,
    meterAt: before?.count === heard.count ? state.meterAt : meter,
    // Heard again, it may settle what was done meanwhile though it did not move.
    moved: state.moved || moved || !wasUp,
    keptAt: before?.doubt === heard.doubt ? state.keptAt : 0,
  };
  // What was counted soundly up to the doubt is credited before anything is asked.
  const began = before?.doubt === null && heard.doubt !== null;
  const first = began ? fold({ ...after, creditDue: before.count }) : only(after);
  return moved || !wasUp ? then(first, (next) => only({ ...next, link: 'up' }, TELL)) : first;
}

/** A device that said nothing for long is silent. */
const listen = (state: BenchCounterState, now: number): Reduced =>
  state.link === 'up' && state.heard && now - state.heard.at > SILENT_MS
    ? only({ ...state, link: 'silent' }, TELL)
    : only(state);

function keep(state: BenchCounterState, now: number): Reduced {
  const { heard, keptAt, over } = state;
  if (over || !heard || heard.at <= keptAt || now - keptAt < KEEP_MS) return only(state);
  return only({ ...state, keptAt: now }, [{ kind: 'keep', heard }]);
}

function logged(state: BenchCounterState, events: readonly RunEvent[]): Reduced {
  const count = events.flatMap((event) => takenUpAt(event, state.device.name) ?? []).at(-1);
  const known = knowing(state, events.at(-1)?.seq ?? 0);
  if (count !== undefined)
    return then(answeredUpTo(known, count), (after) =>
      fold({ ...seenSince(after), addedAt: after.heard ? count : null, moved: true }),
    );
  return fold({ ...known, addedAt: known.addedAt ?? known.heard?.count ?? null, moved: true });
}

/** Somebody saw where the device stood: what was added before that is not credited from an earlier place any more. */
const seenSince = (state: BenchCounterState): BenchCounterState => {
  const { crediting } = state;
  if (!crediting) return state;
  return { ...state, crediting: { ...crediting, weighed: { ...crediting.weighed, since: null } } };
};

/** Another run stands at the bench: turns up to here are the last one's, those from here on its own. */
function stands(state: BenchCounterState, runId: number | null): Reduced {
  const { runId: before, heard } = state;
  const leaves = before !== null && before !== runId && heard !== null && heard.doubt === null;
  const last: readonly Weighed[] = leaves
    ? [{ ...beside(state, before), count: heard.count, leaving: true }]
    : [];
  const after = {
    ...state,
    runId,
    place: null,
    unclaimed: 0,
    odd: null,
    addedAt: null,
    leaving: [...state.leaving, ...last],
  };
  return then(
    then(answeredUpTo(after), (next) => logged(next, [])),
    (next) => only(next, TELL),
  );
}

/** A count that is credited for itself. */
const beside = ({ link, heard }: BenchCounterState, runId: number): Omit<Weighed, 'count'> => ({
  runId,
  heard,
  known: null,
  since: null,
  doubt: null,
  doubtFrom: null,
  meter: null,
  leaving: false,
  live: link === 'up',
});

/**
 * What it counted is in doubt no more.
 *
 * @param count up to which that was answered; left out where it does not matter what it counted
 */
function answeredUpTo(state: BenchCounterState, count?: number): Reduced {
  const { heard, device } = state;
  if (!heard) return only(state);
  const now = count === undefined ? answered(heard) : answeredAt(heard, count, device);
  return only({ ...state, heard: now, creditDue: null, keptAt: 0 }, TELL);
}

const knowing = (state: BenchCounterState, place: number): BenchCounterState =>
  place > 0 ? { ...state, place: Math.max(place, state.place ?? 0) } : state;

/**
 * Credits what the device went on by: first the last turns of a run that left, then what was counted soundly before a
 * doubt, and the rest behind it.
 */
function fold(state: BenchCounterState): Reduced {
  const { heard, runId, moved, crediting, creditDue, leaving } = state;
  if (crediting) return only(state);
  const [last, ...later] = leaving;
  if (last) return credit({ ...state, leaving: later }, { weighed: last, isDue: false });
  if (!heard || runId === null || !moved) return only(state);
  const now = { ...beside(state, runId), known: state.place, since: state.addedAt };
  const weighed: Weighed =
    creditDue === null
      ? {
          ...now,
          count: heard.count,
          doubt: heard.doubt,
          doubtFrom: heard.logged ?? null,
          meter: state.meterAt,
        }
      : { ...now, count: creditDue };
  const isDue = creditDue !== null;
  return credit({ ...state, moved: isDue, addedAt: null }, { weighed, isDue });
}

const credit = (state: BenchCounterState, crediting: Crediting): Reduced =>
  only({ ...state, crediting }, [{ kind: 'credit', weighed: crediting.weighed }]);

function credited(state: BenchCounterState, made: Credited): Reduced {
  const { crediting, ...rest } = state;
  if (!crediting) return only(state);
  const { weighed, isDue } = crediting;
  const free = { ...rest, crediting: null };
  const isItsRun = weighed.runId === free.runId && !weighed.leaving;
  if (made && 'behind' in made && isItsRun) return then(later(knowing(free, made.behind), weighed), lastOf);
  const told = made && !('behind' in made) && isItsRun ? weighedUp(free, weighed, made) : only(free);
  if (isDue)
    return then(
      then(told, (next) =>
        only(next.creditDue === weighed.count ? { ...next, creditDue: null } : next, TELL),
      ),
      fold,
    );
  return weighed.leaving || free.leaving.length > 0 ? then(told, fold) : then(told, lastOf);
}

/** Let go, nobody looks again: what is still due is credited at once. */
const lastOf = (state: BenchCounterState): Reduced => (state.over ? fold(state) : only(state));

/** What a count means is shown; where it leaves nothing to ask, a doubt of it was answered before. */
function weighedUp(
  state: BenchCounterState,
  { doubt, count, known }: Weighed,
  { happening, unclaimed, odd }: Credit,
): Reduced {
  // An answer given just before the server ended is in the log, and the doubt was kept with what was heard.
  const nothing = happening === null && unclaimed === 0 && odd === null;
  const free =
    doubt !== null && state.heard?.doubt === doubt && nothing ? answeredUpTo(state, count) : only(state);
  const asked = doubt !== null && odd !== null ? then(free, (next) => only(askedFrom(next, known))) : free;
  if (unclaimed === state.unclaimed && odd === state.odd) return asked;
  return then(asked, (next) => only({ ...next, unclaimed, odd }, TELL));
}

/** What is in doubt is asked about: only what is added to the log from here on can answer it. */
function askedFrom(state: BenchCounterState, known: number | null): BenchCounterState {
  const { heard } = state;
  if (known === null || heard?.doubt == null || heard.logged !== undefined) return state;
  return { ...state, heard: { ...heard, logged: known }, keptAt: 0 };
}

/** The database is away: the count stands at the device, and is credited once it is back. */
function notCredited(state: BenchCounterState): Reduced {
  const { crediting, ...rest } = state;
  if (!crediting) return only(state);
  const { weighed } = crediting;
  const free = { ...rest, crediting: null };
  // What a run that left is owed stays the first thing to be credited.
  return weighed.leaving ? only({ ...free, leaving: [weighed, ...free.leaving] }) : later(free, weighed);
}

/** Once more in a while; whatever was added since then was added later. */
const later = (state: BenchCounterState, { since }: Weighed): Reduced =>
  only({ ...state, moved: true, addedAt: since ?? state.addedAt });

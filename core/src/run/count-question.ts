import { unitsOf, type CountingDevice, type OddCount } from './credit-count';
import type { RunHappening } from './run-event';
import type { RunState, Unheard } from './run-state';

/** One answer to what a counter counted, and what is written down with it. */
export interface CountAnswer {
  readonly words: string;
  readonly happenings: readonly RunHappening[];
}

/** What a counter has to be asked about, and its answers, the likeliest first. */
export interface CountQuestion {
  readonly sentence: string;
  readonly answers: readonly CountAnswer[];
}

/** A counter that is asked about. */
interface Asked {
  readonly device: CountingDevice;
  /** Its count as it stands. */
  readonly count: number;
  readonly odd: OddCount;
  /** Spool turns to one counted turn of a layer. */
  readonly gear: (layer: string) => number;
}

/** More than a log takes in one event. */
const MOST = 20_000;
/** Back by more than a hand gives back: it began again. */
const BEGAN_AGAIN = 10;

/**
 * What a counter is asked about: that it began again or jumped, or what it counted while it could not be heard. Every
 * answer says where the counter stands, so that it is asked once.
 */
export function countQuestion(
  state: Pick<RunState, 'current' | 'devices' | 'unheard'>,
  asked: Asked,
): CountQuestion | null {
  const open = state.unheard[asked.device.name];
  const layer = state.current?.layer;
  if (open) return unheardQuestion(open, layer, asked);
  // Answered already: it stands where it was said to stand.
  if (layer === undefined || asked.odd === 'unheard' || state.devices[asked.device.name] === asked.count)
    return null;
  return oddQuestion(state, layer, asked);
}

const unitOf = ({ counts }: CountingDevice): string => (counts === 'metres' ? 'm' : 'turns');
const round = (units: number): string => (Math.round(units) + 0).toFixed(0);
const nameOf = (layer: string): string => layer.replaceAll('-', ' ');

const standsAt = ({ device, count }: Asked): RunHappening => ({
  kind: 'device-at',
  payload: { device: device.name, count },
});

/** So many of what a layer is counted in, written down as somebody’s word: it can be taken back. */
function adds(asked: Asked, units: Readonly<Record<string, number>>): RunHappening[] {
  const events = Object.entries(units)
    .filter(([, more]) => Math.abs(more) > 1e-9 && Math.abs(more) <= MOST)
    .map(([layer, more]): RunHappening =>
      asked.device.counts === 'metres'
        ? { kind: 'metres', payload: { layer, metres: more } }
        : { kind: 'turns', payload: { layer, turns: more, per: asked.gear(layer) } },
    );
  return [...events, standsAt(asked)];
}

function oddQuestion({ devices }: Pick<RunState, 'devices'>, layer: string, asked: Asked): CountQuestion {
  const { device, count, odd } = asked;
  const gear = asked.gear(layer);
  const went = unitsOf(device, count - (devices[device.name] ?? count), gear);
  const stands = unitsOf(device, count, gear);
  const unit = unitOf(device);
  const none: CountAnswer = { words: 'Count none of them', happenings: [standsAt(asked)] };
  const add = (words: string, units: number): CountAnswer[] =>
    Math.abs(units) < 0.5 || Math.abs(units) > MOST
      ? []
      : [{ words, happenings: adds(asked, { [layer]: units }) }];
  if (odd === 'jumped')
    return {
      sentence: `${device.name} jumped by ${round(went)} ${unit} at once.`,
      answers: [none, ...add(`They were wound: count ${round(went)} ${unit}`, went)],
    };
  const back = went < 0 ? `went back by ${round(-went)} ${unit}: it` : 'begins its lines again: it';
  return {
    sentence: `${device.name} ${back} seems to have begun again from zero.`,
    answers: [
      ...(stands > 0 ? add(`It began again: count the ${round(stands)} ${unit} since`, stands) : []),
      none,
      ...(went < 0
        ? add(`${round(-went)} ${unit} were wound back off`, went)
        : add(`It went on: count ${round(went)} ${unit}`, went)),
    ],
  };
}

/** What a counter counted while it could not be heard, against what was counted by hand and what was ended meanwhile. */
function unheardQuestion(open: Unheard, layer: string | undefined, asked: Asked): CountQuestion {
  const { device, count, gear } = asked;
  const gone = count - open.since;
  const began = gone / device.per < -BEGAN_AGAIN;
  // After it began again all it shows was counted since then.
  const counts = began ? count : gone;
  const unitsOn = (on: string): number => unitsOf(device, counts, gear(on));
  const there = open.credited
    ? { [open.credited.layer]: -unitsOf(device, open.credited.counts, gear(open.credited.layer)) }
    : {};
  const hands = Object.entries(open.byHand);
  const byHand = hands.reduce((sum, [, { turns }]) => sum + turns, 0);
  const layers = [...new Set([...open.ended, ...(layer === undefined ? [] : [layer])])];
  const first = hands[0]?.[0] ?? layers[0] ?? layer;
  const moved = first === undefined ? 0 : unitsOn(first);
  const unit = unitOf(device);
  const more = (units: Readonly<Record<string, number>>): RunHappening[] => adds(asked, sum(there, units));
  if (hands.length > 0) {
    const share = (turns: number): number => (byHand === 0 ? 1 / hands.length : turns / byHand);
    const counters = Object.fromEntries(
      hands.map(([on, { turns }]) => [on, unitsOn(on) * share(turns) - inUnits(device, turns)]),
    );
    const both = Object.fromEntries(hands.map(([on, { turns }]) => [on, unitsOn(on) * share(turns)]));
    const takes: CountAnswer = {
      words: `Take the counter’s ${round(moved)} ${unit}`,
      happenings: [...takeBack(device, open), ...more(counters)],
    };
    const keeps: CountAnswer = {
      words: `Keep the ${round(byHand)} counted by hand`,
      happenings: more({}),
    };
    const adding: CountAnswer = { words: 'Both were wound: count them together', happenings: more(both) };
    const still = Math.abs(moved) < 0.5;
    return {
      sentence: `${device.name} counted ${round(moved)} ${unit} while it could not be heard; ${round(byHand)} turns were counted by hand.`,
      answers: still ? [keeps] : [takes, keeps, adding],
    };
  }
  const ended = open.ended.length > 0 ? `, and ${open.ended.map(nameOf).join(', ')} ended meanwhile` : '';
  return {
    sentence: `${device.name} went on by ${round(moved)} ${unit} while it could not be heard${ended}.`,
    answers: [
      ...layers.map((on) => ({
        words: `They are ${nameOf(on)}: count ${round(unitsOn(on))} ${unit} there`,
        happenings: more({ [on]: unitsOn(on) }),
      })),
      { words: 'Count none of them', happenings: more({}) },
    ],
  };
}

/** Turns by hand in what the device counts: none where it meters line, where they are taken back as turns. */
const inUnits = ({ counts }: CountingDevice, turns: number): number => (counts === 'metres' ? 0 : turns);

const takeBack = ({ counts }: CountingDevice, { byHand }: Unheard): RunHappening[] =>
  counts === 'metres'
    ? Object.entries(byHand).map(([layer, { turns, per }]) => ({
        kind: 'turns',
        payload: { layer, turns: -turns, per },
      }))
    : [];

function sum(
  one: Readonly<Record<string, number>>,
  other: Readonly<Record<string, number>>,
): Record<string, number> {
  const all = new Set([...Object.keys(one), ...Object.keys(other)]);
  return Object.fromEntries([...all].map((key) => [key, (one[key] ?? 0) + (other[key] ?? 0)]));
}

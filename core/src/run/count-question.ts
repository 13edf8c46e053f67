import { countsLine } from './counted';
import { message, type Words } from '../words/message';
import { unitsOf, type CountingDevice, type OddCount } from './credit-count';
import type { RunHappening } from './run-event';
import type { RunState, Unheard } from './run-state';

/** One answer to what a counter counted, and what is written down with it. */
export interface CountAnswer {
  readonly words: Words;
  readonly happenings: readonly RunHappening[];
}

/** What a counter has to be asked about, and its answers, the likeliest first. */
export interface CountQuestion {
  readonly sentence: Words;
  readonly answers: readonly CountAnswer[];
}

/** A counter that is asked about. */
interface Asked {
  readonly device: CountingDevice;
  /** Its count as it stands. */
  readonly count: number;
  readonly odd: OddCount;
  /** Where it stood right behind its last jump: what came later can have been wound. */
  readonly since?: number;
  /** How far the log was when it was asked about first: what was said before that is no answer. Left out where unknown. */
  readonly from?: number;
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
  state: Pick<RunState, 'current' | 'devices' | 'answeredAt' | 'answeredIn' | 'unheard'>,
  asked: Asked,
): CountQuestion | null {
  const open = state.unheard[asked.device.name];
  const layer = state.current?.layer;
  if (open) return unheardQuestion(open, layer, asked);
  if (layer === undefined || asked.odd === 'unheard' || isAnswered(state, asked)) return null;
  return oddQuestion(state, layer, asked);
}

/** Whether it stands where somebody said last that it stands: where it was credited is no answer, nor is what was said before. */
const isAnswered = (
  { devices, answeredAt, answeredIn }: Pick<RunState, 'devices' | 'answeredAt' | 'answeredIn'>,
  { device: { name }, count, from = 0 }: Asked,
): boolean => answeredAt[name] === count && devices[name] === count && (answeredIn[name] ?? 0) > from;

/** What was counted, in what it is counted in. */
const counted = (device: CountingDevice, units: number): Words =>
  countsLine(device) ? message('count.metres', { line: { m: Math.round(units) } }) : `${round(units)} turns`;
const round = (units: number): string => (Math.round(units) + 0).toFixed(0);
const nameOf = (layer: string): string => layer.replaceAll('-', ' ');

const standsAt = ({ device, count }: Asked): RunHappening => ({
  kind: 'device-at',
  payload: { device: device.name, count },
});

/** So many of what a layer is counted in, written down as somebody’s word: it can be taken back. */
function adds(asked: Asked, units: Readonly<Record<string, number>>): RunHappening[] {
  const events = Object.entries(units)
    .filter(([, more]) => Math.abs(more) > 1e-9)
    .map(([layer, more]): RunHappening =>
      countsLine(asked.device)
        ? { kind: 'metres', payload: { layer, metres: more } }
        : { kind: 'turns', payload: { layer, turns: more, per: asked.gear(layer) } },
    );
  return [...events, standsAt(asked)];
}

function oddQuestion({ devices }: Pick<RunState, 'devices'>, layer: string, asked: Asked): CountQuestion {
  const { device, count, odd, since = count } = asked;
  const gear = asked.gear(layer);
  const sinceJump = unitsOf(device, count - since, gear);
  const went = unitsOf(device, count - (devices[device.name] ?? count), gear);
  const stands = unitsOf(device, count, gear);
  const says = (units: number): Words => counted(device, units);
  const none: CountAnswer = { words: 'Count none of them', happenings: [standsAt(asked)] };
  const add = (words: Words, units: number): CountAnswer[] =>
    Math.abs(units) < 0.5 ? [] : offered(words, { [layer]: units }, asked);
  if (odd === 'jumped')
    return {
      sentence: message('count.jumped', { device: device.name, went: says(went) }),
      answers: [
        // What was wound behind it first: that is what happened, as a rule.
        ...(sinceJump > 0 ? add(message('count.since-jump', { since: says(sinceJump) }), sinceJump) : []),
        none,
        ...add(message('count.were-wound', { went: says(went) }), went),
      ],
    };
  return {
    sentence:
      went < 0
        ? message('count.went-back', { device: device.name, back: says(-went) })
        : `${device.name} begins its lines again: it seems to have begun again from zero.`,
    answers: [
      ...(stands > 0 ? add(message('count.since', { stands: says(stands) }), stands) : []),
      none,
      ...(went < 0
        ? add(message('count.wound-back', { back: says(-went) }), went)
        : add(message('count.went-on', { went: says(went) }), went)),
    ],
  };
}

/** What a counter went on by while it could not be heard. */
interface Gone {
  /** On a layer, in what that is counted in. */
  readonly unitsOn: (layer: string) => number;
  /** What it was credited with all the same, to be taken back. */
  readonly there: Readonly<Record<string, number>>;
}

/** What a counter counted while it could not be heard, against what was counted by hand and what was ended meanwhile. */
function unheardQuestion(open: Unheard, layer: string | undefined, asked: Asked): CountQuestion {
  const { device, count, gear } = asked;
  const gone = count - open.since;
  // After it began again all it shows was counted since then.
  const counts = gone / device.per < -BEGAN_AGAIN ? count : gone;
  const { credited } = open;
  const there = credited ? { [credited.layer]: -unitsOf(device, credited.counts, gear(credited.layer)) } : {};
  const went: Gone = { unitsOn: (on) => unitsOf(device, counts, gear(on)), there };
  if (Object.keys(open.byHand).length > 0) return againstHand(open, went, asked);
  const layers = [...new Set([...open.ended, ...(layer === undefined ? [] : [layer])])];
  return whoseItIs(open, layers, went, asked);
}

/** An answer, unless it says more than a log takes in. */
const offered = (
  words: Words,
  units: Readonly<Record<string, number>>,
  asked: Asked,
  before: readonly RunHappening[] = [],
): CountAnswer[] =>
  Object.values(units).some((more) => Math.abs(more) > MOST)
    ? []
    : [{ words, happenings: [...before, ...adds(asked, units)] }];

function againstHand(open: Unheard, { unitsOn, there }: Gone, asked: Asked): CountQuestion {
  const { device } = asked;
  const hands = Object.entries(open.byHand);
  const byHand = hands.reduce((all, [, { turns }]) => all + turns, 0);
  const share = (turns: number): number => (byHand === 0 ? 1 / hands.length : turns / byHand);
  const both = Object.fromEntries(hands.map(([on, { turns }]) => [on, unitsOn(on) * share(turns)]));
  const instead = Object.fromEntries(
    hands.map(([on, { turns }]) => [on, (both[on] ?? 0) - inUnits(device, turns)]),
  );
  const moved = Object.values(both).reduce((all, one) => all + one, 0);
  const keeps = offered(`Keep the ${round(byHand)} counted by hand`, there, asked);
  return {
    sentence: message('count.unheard-by-hand', {
      device: device.name,
      moved: counted(device, moved),
      byHand: Math.round(byHand),
    }),
    answers:
      Math.abs(moved) < 0.5
        ? keeps
        : [
            ...offered(
              message('count.take', { moved: counted(device, moved) }),
              sum(there, instead),
              asked,
              takeBack(device, open),
            ),
            ...keeps,
            ...offered('Both were wound: count them together', sum(there, both), asked),
          ],
  };
}

function whoseItIs(
  open: Unheard,
  layers: readonly string[],
  { unitsOn, there }: Gone,
  asked: Asked,
): CountQuestion {
  const { device } = asked;
  const moved = layers[0] === undefined ? 0 : unitsOn(layers[0]);
  const ended = open.ended.length > 0 ? `, and ${open.ended.map(nameOf).join(', ')} ended meanwhile` : '';
  return {
    sentence: message('count.unheard', { device: device.name, moved: counted(device, moved), ended }),
    answers: [
      ...layers.flatMap((on) =>
        offered(
          message('count.are', { layer: nameOf(on), went: counted(device, unitsOn(on)) }),
          sum(there, { [on]: unitsOn(on) }),
          asked,
        ),
      ),
      ...offered('Count none of them', there, asked),
    ],
  };
}

/** Turns by hand in what the device counts: none where it meters line, where they are taken back as turns. */
const inUnits = (device: CountingDevice, turns: number): number => (countsLine(device) ? 0 : turns);

const takeBack = (device: CountingDevice, { byHand }: Unheard): RunHappening[] =>
  countsLine(device)
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

import { metresPer } from '../counter/counter-unit';
import { formatDiameter } from '../quantities/format-quantity';
import type { UnitSystem } from '../quantities/units';
import type { RunEvent, RunHappening, SeenTurn, Walked } from '../run/run-event';
import type { RunFacts } from '../steps/run-facts';
import { roleOf } from './role-of';
import { correctionWords } from './correction-words';
import {
  CHOICE_WORDS,
  DID_WORDS,
  DOUBT_WORDS,
  figure,
  GIVEN_UP_WORDS,
  layerWords,
  metres,
  millimetres,
  noteWords,
  RESTART_WORDS,
  SETTLED_WORDS,
  stepName,
  WAY_WORDS,
  type Reading,
} from './words';

type PayloadOf<K extends RunHappening['kind']> = Extract<RunHappening, { kind: K }>['payload'];

/** What is around an event: the fill, and its other events for those that speak of them. */
export interface Around extends Reading {
  readonly log: readonly RunEvent[];
}

const turned = (turn: SeenTurn | null): string => turn ?? 'not at all';
const at = (wound: number | undefined, units: UnitSystem): string =>
  wound === undefined ? '' : ` at ${metres(wound, units)}`;
const because = (why: string): string => (why === '' ? '' : `: ${why}`);

/** One sentence for each kind of event; the compiler asks for one where a kind is new. */
const TELL: { readonly [K in RunHappening['kind']]: (payload: PayloadOf<K>, around: Around) => string } = {
  started: ({ bench }) => `Begun at ${bench}.`,
  'taken-up': ({ bench }) => `Taken up at ${bench}.`,
  'step-done': ({ step, by, usedUp }, { facts }) =>
    `${stepName(step, facts)}: done${by === 'eye' ? ', by eye' : ''}${usedUp ? '; the supply ran out with it' : ''}.`,
  'step-again': ({ steps }, { facts }) =>
    `Gone back to: ${steps.map((step) => stepName(step, facts)).join(', ')}.`,
  'step-skipped': ({ step }, { facts }) => `${stepName(step, facts)}: left out.`,
  turns: ({ layer, turns, device }) =>
    turns < 0
      ? `${layerWords(layer)}: ${figure(-turns)} turns taken back${by(device)}.`
      : `${layerWords(layer)}: ${figure(turns)} turns${by(device)}.`,
  metres: ({ layer, metres: run, device }, { units }) =>
    `${layerWords(layer)}: ${metres(run, units)}${by(device, 'over')}.`,
  metered: ({ layer, meter, metres: stood, step }, { units }) =>
    `${layerWords(layer)}: ${meter} stood at ${metres(stood, units)}, ${figure(step, 3)} spool turns a count.`,
  'count-set': ({ layer, turns }) => `${layerWords(layer)}: the count was set to ${figure(turns)} turns.`,
  held: ({ on, device, count }) =>
    on
      ? `The count was held${device === undefined ? '' : `, ${device} at ${figure(count ?? 0)}`}.`
      : 'Counting resumed.',
  'device-at': ({ device, count, was }) =>
    was === undefined
      ? `The counter ${device} was taken as it stood, at ${figure(count)}.`
      : `The counter ${was} is called ${device} from here on.`,
  'depth-read': ({ after, depth, by: how }, { units }) =>
    `Depth ${after === 'gap' ? 'at the gap' : `after the ${layerWords(after).toLowerCase()}`}: ${millimetres(depth, units)}, by ${how === 'eye' ? 'eye' : 'calliper'}.`,
  supply: ({ layer, way, supplyTurns, reelTurns }) =>
    `${layerWords(layer)}: ${WAY_WORDS[way]}; it turned ${turned(supplyTurns)}, the reel ${turned(reelTurns)}.`,
  'slack-read': ({ layer, pinched, plyTurns, wound }, { units }) =>
    `${layerWords(layer)}${at(wound, units)}: a loop of ${metres(pinched, units)} showed ${figure(plyTurns)} turns of twist.`,
  restarted: ({ layer, why }) =>
    `${layerWords(layer)}: stripped back and begun again, ${RESTART_WORDS[why]}.`,
  'lay-read': ({ layer, rear, front, centre, did, wound }, { units }) =>
    `${layerWords(layer)}${at(wound, units)}: ${millimetres(rear, units)} at the rear, ${millimetres(front, units)} in front${centre === undefined ? '' : `, ${millimetres(centre, units)} in the middle`}; ${DID_WORDS[did]}.`,
  'tension-read': ({ layer, holds, wound }, { units }) =>
    `${layerWords(layer)}${at(wound, units)}: let go, the line ${holds ? 'stayed put' : 'sprang'}.`,
  chosen: ({ layer, how, gap, length }, { units }) =>
    `${layerWords(layer)}: ${CHOICE_WORDS[how]}${gap === undefined ? '' : `, ${millimetres(gap, units)}`}${length === undefined ? '' : `, ${metres(length, units)}`}.`,
  walked: (walk) => walkWords(walk),
  moving: ({ on }) => (on ? 'Line was moved by the count.' : 'Moving line ended.'),
  settled: ({ cause, about }) =>
    `Answered: ${SETTLED_WORDS[cause]}${about === '' ? '' : ` (${/^\d+$/.test(about) ? `depth ${String(Number(about) + 1)}` : about})`}.`,
  noted: ({ step, values }, around) => `${stepName(step, around.facts)}: ${noteWords(step, around, values)}.`,
  'piece-changed': ({ layer, code, usedUp, allAlong, line }, { units }) =>
    `${layerWords(layer)}: ${allAlong ? 'was wound all along off' : 'goes on off'} ${code}${line ? `, ${line.key}, ${line.material} ${formatDiameter(line.diameter, units).text}` : ''}${usedUp ? '; the piece before ran out' : ''}.`,
  'put-aside': ({ why }) => `Put aside${because(why)}.`,
  'given-up': ({ why, line }) => `Given up, its line ${GIVEN_UP_WORDS[line]}${because(why)}.`,
  undone: ({ event }, around) => {
    const taken = around.log.find(({ id }) => id === event);
    return taken ? `Taken back: ${tellEvent(taken, around)}` : 'Something was taken back.';
  },
  closed: () => 'Closed.',
  corrected: (correction, around) => correctionWords(correction, around),
  reopened: ({ why }) => `Opened again${because(why)}.`,
};

const by = (device: string | undefined, how = 'by'): string =>
  device === undefined ? '' : ` ${how} ${device}`;

function walkWords({
  layer,
  tape,
  reading,
  unit,
  match,
  over,
  expected,
  cause,
  left,
  step,
  earlier,
  began,
  typed,
  without = [],
}: Walked): string {
  // A walk is told in the counter's own unit, whoever reads it.
  const mark = (length: number): string => `${figure(length / metresPer(unit), 1)} ${unit}`;
  const said = [
    `${layerWords(layer)} walked to ${mark(tape)}${over === 'meter' ? ' over a line meter' : ''}: the counter read ${figure(typed ?? reading, 2)}${typed === undefined ? ` ${unit}` : `, taken for ${figure(reading, 2)} ${unit}`}`,
    began === undefined ? '' : `it began at ${figure(began, 2)}`,
    expected === undefined ? '' : `${figure(expected, 2)} was expected`,
    `it is to be right at ${mark(match)}, in steps of ${figure(step, 2)}`,
    cause === undefined ? '' : DOUBT_WORDS[cause],
    earlier ? `walk ${String(earlier.walk + 1)} was at ${mark(earlier.tape)}` : '',
    left ? 'left out, to be walked again' : '',
    without.length > 0 ? `walk ${without.map((walk) => String(walk + 1)).join(', ')} left out` : '',
  ];
  return `${said.filter((part) => part !== '').join('; ')}.`;
}

/** An event as a sentence, in the units of whoever reads it. */
export function tellEvent(event: RunHappening, around: Around): string {
  const tell = TELL[event.kind] as (payload: RunHappening['payload'], around: Around) => string;
  return tell(byRole(event.payload, around.facts), around);
}

/** A layer is called what it is: the cushion under a main has the place of a backing. */
function byRole(payload: RunHappening['payload'], facts: RunFacts): RunHappening['payload'] {
  const said: { readonly layer?: string; readonly after?: string } = payload as object;
  const named = (key: 'layer' | 'after') =>
    said[key] === undefined ? {} : { [key]: roleOf(said[key], facts) };
  return { ...payload, ...named('layer'), ...named('after') } as RunHappening['payload'];
}

import { isBraid } from '../lines/line';
import { layAdvice, type LayShape } from '../lay/lay-advice';
import { weakestPart } from '../advice/drag-limit';
import { serviceAdvice } from '../advice/service-advice';
import { GAP_MATTERS } from '../run/gap-remedy';
import { USUAL_PLAN_RULES } from '../plan/plan-rules';
import { lengthOn, topLine } from '../record/lying';
import { message, type Words } from '../words/message';
import { springyBelow, type FilledReel } from './filled-reel';
import { lookOf } from './looks';
import type { LookMade } from './weigh-faults';

/** A look the record has made already, and what it rests on. */
export interface LookKnown extends LookMade {
  readonly words: Words;
}

/** Turns in so many metres from which a slack line counts as twisted. Common practice, no source. */
const TWISTED = 4;
const OVER = 2;

/** What the record of a fill tells of what may be wrong with it: looks already made, each with what it rests on. */
export function recordLooks(reel: FilledReel): LookKnown[] {
  return [
    ...gapLooks(reel),
    ...lossLooks(reel),
    ...slackLooks(reel),
    ...supplyLooks(reel),
    ...tensionLooks(reel),
    ...layLooks(reel),
    ...wearLooks(reel),
    ...layerLooks(reel),
    ...groupLooks(reel),
    ...waterLooks(reel),
    ...dragLooks(reel),
  ];
}

/** What a depth says beside the wanted one, as the looks at the gap are answered. */
export const levelAnswer = (gap: number, wanted: number): 'higher' | 'right' | 'deeper' =>
  gap < wanted - GAP_MATTERS ? 'higher' : gap > wanted + 2 * GAP_MATTERS ? 'deeper' : 'right';

/** A known look in the words of the look itself. */
const known = (look: LookMade['look'], answer: string): LookKnown => ({
  look,
  answer,
  words: lookOf(look).answers[answer]?.says ?? '',
});

function gapLooks({ gapClosed, wanted }: FilledReel): LookKnown[] {
  const words = message('fault.gap-closed', { gap: { mm: gapClosed }, wanted: { mm: wanted } });
  return [{ look: 'gap-closed', answer: levelAnswer(gapClosed, wanted), words }];
}

function lossLooks({ off, gapNow: gap, wanted }: FilledReel): LookKnown[] {
  if (off <= 0) return [];
  return [
    { look: 'lost', answer: 'yes', words: message('fault.lost', { off: { m: off } }) },
    {
      look: 'gap',
      answer: levelAnswer(gap, wanted),
      words: message('fault.gap-now', { gap: { mm: gap }, wanted: { mm: wanted } }),
    },
  ];
}

function slackLooks({ slacks }: FilledReel): LookKnown[] {
  const last = slacks.at(-1);
  if (!last || last.pinched <= 0) return [];
  const turns = (OVER * last.plyTurns) / last.pinched;
  return [
    {
      look: 'twist-closed',
      answer: turns >= TWISTED ? 'twisted' : 'straight',
      words: message('fault.twist-closed', { layer: last.layer, turns: Math.round(10 * turns) / 10 }),
    },
  ];
}

function supplyLooks({ supplyTwist }: FilledReel): LookKnown[] {
  if (supplyTwist === null) return [];
  const { turns, best } = supplyTwist;
  const tenths = (value: number): number => Math.round(10 * value) / 10;
  return [
    {
      look: 'supply-closed',
      // A rotor puts its own turns in whichever way the supply stands: only what could have been kept out counts.
      answer: turns - best >= TWISTED / OVER ? 'adds' : 'even',
      words: message('fault.supply', { turns: tenths(turns), best: tenths(best) }),
    },
  ];
}

function tensionLooks({ tensions }: FilledReel): LookKnown[] {
  // The last look at each layer: what sprang and was wound again tight held in the end.
  const last = new Map(tensions.map(({ layer, holds }) => [layer, holds]));
  if (last.size === 0) return [];
  return [known('tension-closed', [...last.values()].every(Boolean) ? 'held' : 'sprang')];
}

/** What the shape of a lay says, as the look at its edges is answered. */
export const edgesAnswer = (shape: LayShape): 'front' | 'rear' | 'level' =>
  shape === 'front-high' ? 'front' : shape === 'rear-high' ? 'rear' : 'level';

function layLooks({ lays, layers, rules }: FilledReel): LookKnown[] {
  const last = lays.at(-1);
  const top = layers.at(-1);
  if (!last || !top) return [];
  const { shape } = layAdvice(last, top.line.diameter, rules);
  return [known('edges', edgesAnswer(shape))];
}

function wearLooks({ layers, months, trips }: FilledReel): LookKnown[] {
  const top = layers.at(-1);
  if (!top) return [];
  const { due: long } = serviceAdvice(
    top.line,
    { months, trips: trips ?? 0 },
    { service: 'whichever-first' },
  );
  const whole = Math.floor(months);
  // Young line nobody told a trip of may have been out every day.
  if (!long && trips === null && months > 1) return [];
  const words =
    trips === null
      ? whole < 1
        ? 'It was filled less than a month ago.'
        : message('fault.months', { months: whole })
      : message('fault.trips', { trips, months: whole });
  return [{ look: 'out', answer: long ? 'long' : 'fresh', words }];
}

function layerLooks(reel: FilledReel): LookKnown[] {
  const { layers, taped } = reel;
  const first = layers[0];
  if (!first) return [];
  const gripped = !isBraid(first.line.material) || taped === true;
  const bare = gripped ? [known('bare', 'held')] : taped === false ? [known('bare', 'bare')] : [];
  const top = topLine(layers);
  if (top.length === layers.length) return bare;
  const { springyFrom, longCast, castsAboveJoin } = USUAL_PLAN_RULES;
  const springy = springyBelow(reel, springyFrom);
  const above = lengthOn(top);
  const least = castsAboveJoin * longCast;
  return [
    ...bare,
    springy
      ? {
          look: 'below' as const,
          answer: 'springy',
          words: message('fault.backing', { diameter: { line: springy.line.diameter } }),
        }
      : known('below', 'firm'),
    {
      look: 'join',
      answer: above < least ? 'leaves' : 'stays',
      words: message('fault.join', { above: { m: above }, least: { m: least } }),
    },
  ];
}

const groupLooks = ({ lotStandsOut, handStandsOut }: FilledReel): LookKnown[] => [
  ...(lotStandsOut === null ? [] : [known('lot', lotStandsOut ? 'others' : 'none')]),
  ...(handStandsOut ? [known('hand', 'others')] : []),
];

const waterLooks = ({ wet }: FilledReel): LookKnown[] =>
  wet === null ? [] : [known('soaked', wet ? 'yes' : 'no')];

function dragLooks({ drag, strengths }: FilledReel): LookKnown[] {
  const weakest = weakestPart(strengths);
  if (drag === null || weakest === null) return [];
  return [
    {
      look: 'pull-closed',
      answer: drag > weakest.knot ? 'over' : 'under',
      words: message('fault.drag-closed', { drag: { kg: drag }, knot: { kg: weakest.knot } }),
    },
  ];
}

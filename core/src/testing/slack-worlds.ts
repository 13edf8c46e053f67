import { normalFrom, seeded } from '../numeric/random';
import { readSlackTest, slackShare } from '../twist/slack-test';
import type { SlackCause, SlackExpected } from '../twist/slack-causes';
import { perMetre } from '../twist/twist-ledger';

/** How slack metres come about in a shop, as shares of all looks. */
export interface SlackWorld {
  /** The supply stands the other way round than was said. */
  readonly seenWrong: number;
  readonly slips: number;
  readonly drags: number;
  /** Line too limp to show its whole twist. */
  readonly limp: number;
  readonly braid: number;
}

/** Slack metres read in a world: how many got a verdict, and how many of those a wrong one. */
export interface SlackTold {
  readonly looks: number;
  readonly told: number;
  readonly wrong: number;
  readonly wrongAs: Readonly<Record<string, number>>;
}

/** The rates the verdicts are made with. */
export const BELIEVED: SlackWorld = { seenWrong: 0.1, slips: 0.07, drags: 0.03, limp: 0.15, braid: 0.2 };
const SPAN = 1.5;

/** Reads so many slack metres with a seed. */
export function slackTold(world: SlackWorld, looks: number, seed: number): SlackTold {
  const uniform = seeded(seed);
  const normal = normalFrom(uniform);
  const wrongAs: Record<string, number> = {};
  let told = 0;
  let wrong = 0;
  for (let k = 0; k < looks; k++) {
    const { truth, verdict, good } = look(world, uniform, normal);
    if (verdict === 'unsure') continue;
    told++;
    if (good ? truth === 'fine' : truth === verdict) continue;
    wrong++;
    wrongAs[`${truth} as ${verdict}`] = (wrongAs[`${truth} as ${verdict}`] ?? 0) + 1;
  }
  return { looks, told, wrong, wrongAs };
}

interface Stand {
  readonly truth: SlackCause;
  /** Turns per metre the line carries. */
  readonly twist: number;
  readonly expected: SlackExpected;
}

function look(world: SlackWorld, uniform: () => number, normal: () => number) {
  const { truth, twist, expected } = stand(world, uniform);
  const braid = uniform() < world.braid;
  const shown = uniform() < world.limp * (braid ? 2 : 1) ? uniform() : 1;
  const wound = 3 + 7 * uniform();
  const share = slackShare(wound, SPAN * Math.exp(0.15 * normal()));
  const seen = Math.abs(twist) * Math.exp(0.08 * normal()) * share * shown;
  const plyTurns = Math.max(0, Math.round(2 * (seen + 0.4 * normal())) / 2);
  return { truth, ...readSlackTest({ pinched: 2, plyTurns, wound, span: SPAN, braid }, expected) };
}

/** How a bench stands, as it was said and as it is. */
function stand(world: SlackWorld, uniform: () => number): Stand {
  const rotor = uniform() < 0.8;
  const reel = rotor ? perMetre(1, 35 + 35 * uniform()) : 0;
  const coil = perMetre(1, 60 + 90 * uniform());
  return rotor && uniform() < 0.7
    ? overEnd(world, { reel, coil }, uniform)
    : rolling(world, { reel, coil, rotor }, uniform);
}

const slipOf = ({ slips }: SlackWorld, uniform: () => number): number =>
  uniform() < slips ? 0.1 + 0.8 * uniform() : 0;

function overEnd(
  world: SlackWorld,
  { reel, coil }: { reel: number; coil: number },
  uniform: () => number,
): Stand {
  const better = coil - reel;
  const worse = -coil - reel;
  const against = uniform() < 0.1;
  const turned = uniform() < world.seenWrong;
  const slips = slipOf(world, uniform);
  const isWrong = turned !== against;
  return {
    truth: isWrong ? 'wrong-way' : slips > 0 ? 'slipping' : 'fine',
    twist: (isWrong ? worse : better) - slips * reel,
    expected: {
      asLaidOut: against ? worse : better,
      turnedOver: against ? better : worse,
      rotor: true,
      supplyCoil: coil,
    },
  };
}

function rolling(
  world: SlackWorld,
  { reel, coil, rotor }: { reel: number; coil: number; rotor: boolean },
  uniform: () => number,
): Stand {
  const slips = rotor ? slipOf(world, uniform) : 0;
  const drags = uniform() < world.drags ? 0.3 + 0.7 * uniform() : 0;
  return {
    truth: slips > 0 ? 'slipping' : drags > 0 ? 'dragging' : 'fine',
    twist: -reel - slips * reel - drags * coil,
    expected: { asLaidOut: -reel, turnedOver: null, rotor, supplyCoil: coil },
  };
}

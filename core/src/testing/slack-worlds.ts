import { normalFrom, seeded } from '../numeric/random';
import { readSlackTest, slackShare, type SlackVerdict } from '../twist/slack-test';
import type { SlackCause } from '../twist/slack-causes';

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

const SPAN = 1.5;

/** Reads so many slack metres with a seed. */
export function slackTold(world: SlackWorld, looks: number, seed: number): SlackTold {
  const uniform = seeded(seed);
  const normal = normalFrom(uniform);
  const wrongAs: Record<string, number> = {};
  let told = 0;
  let wrong = 0;
  for (let k = 0; k < looks; k++) {
    const { truth, verdict } = look(world, uniform, normal);
    if (verdict === 'unsure') continue;
    told++;
    if (GOOD.includes(verdict) ? truth === 'fine' : truth === verdict) continue;
    wrong++;
    wrongAs[`${truth} as ${verdict}`] = (wrongAs[`${truth} as ${verdict}`] ?? 0) + 1;
  }
  return { looks, told, wrong, wrongAs };
}

const GOOD: readonly SlackVerdict[] = ['limp', 'less', 'as-laid-out'];

function look(
  world: SlackWorld,
  uniform: () => number,
  normal: () => number,
): { truth: SlackCause; verdict: SlackVerdict } {
  const per = (diameter: number): number => 1000 / (Math.PI * diameter);
  const rotor = uniform() < 0.8;
  const reel = rotor ? per(35 + 35 * uniform()) : 0;
  const coil = per(60 + 90 * uniform());
  const overEnd = rotor && uniform() < 0.7;
  const [better, worse] = overEnd ? [coil - reel, -coil - reel] : [-reel, -reel];
  const against = overEnd && uniform() < 0.1;
  const [asLaidOut, turnedOver] = against ? [worse, better] : [better, worse];
  const turned = overEnd && uniform() < world.seenWrong;
  const slips = rotor && uniform() < world.slips ? 0.1 + 0.8 * uniform() : 0;
  const drags = !overEnd && uniform() < world.drags ? 0.3 + 0.7 * uniform() : 0;
  const twist = (turned ? turnedOver : asLaidOut) - slips * reel - drags * coil;
  const braid = uniform() < world.braid;
  const shown = uniform() < world.limp * (braid ? 2 : 1) ? uniform() : 1;
  const wound = 3 + 7 * uniform();
  const seen =
    Math.abs(twist) * Math.exp(0.08 * normal()) * slackShare(wound, SPAN * Math.exp(0.15 * normal())) * shown;
  const plyTurns = Math.max(0, Math.round(2 * (seen + 0.4 * normal())) / 2);
  const said = readSlackTest(
    { pinched: 2, plyTurns, wound, span: SPAN, braid },
    { asLaidOut, turnedOver: overEnd ? turnedOver : null, rotor, supplyCoil: coil },
  );
  const isWrong = overEnd && turned !== against;
  return {
    truth: isWrong ? 'wrong-way' : slips > 0 ? 'slipping' : drags !== 0 ? 'dragging' : 'fine',
    verdict: said.verdict,
  };
}

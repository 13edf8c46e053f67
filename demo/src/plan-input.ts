import {
  gapAdvice,
  USUAL_HOUSE_RULES,
  type LayerRequest,
  type Observation,
  type PlanInput,
} from '@yard-spool/core';
import type { DemoReel } from './bags';
import { DEMO_LINES, type LineCode } from './lines';

/** The plan input a technician's entries for this reel come to. */
export function planInputOf(reel: DemoReel): PlanInput {
  const observations: Observation[] = reel.ratings.map(([length, diameter]) => ({
    kind: 'rating',
    length,
    diameter,
  }));
  if (reel.lip !== undefined) observations.push({ kind: 'lip', diameter: reel.lip });
  if (reel.width !== undefined) observations.push({ kind: 'width', width: reel.width });
  if (reel.arbor !== undefined) observations.push({ kind: 'arbor', diameter: reel.arbor });
  const layer = (
    role: 'backing' | 'main' | 'top-shot',
    code: LineCode,
    length: number | 'fits',
  ): LayerRequest => {
    const line = DEMO_LINES.find((one) => one.code === code);
    if (!line) throw new Error(`The demo has no line ${code}.`);
    return {
      kind: 'line',
      id: role,
      role,
      line: { key: code, material: line.material, diameter: line.diameter },
      length,
    };
  };
  return {
    observations,
    request: {
      layers: [
        layer('backing', reel.backing.line, 'fits'),
        layer('main', reel.main.line, reel.main.length),
        ...(reel.topShot ? [layer('top-shot', ...reel.topShot)] : []),
      ],
      gap: reel.gap ?? houseGap(reel),
      gear: reel.gear,
    },
  };
}

/** The gap the usual house leaves for the line on top. */
function houseGap({ type, main, topShot }: DemoReel): number {
  const diameter = DEMO_LINES.find(({ code }) => code === (topShot?.[0] ?? main.line))?.diameter ?? 0;
  return gapAdvice(diameter, type, { kind: 'plain' }, USUAL_HOUSE_RULES).gap;
}

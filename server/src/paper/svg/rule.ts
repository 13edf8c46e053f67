import { METRES_PER_YARD, type RuleStretch, type UnitSystem } from '@yard-spool/core';
import { scaleLinear } from 'd3-scale';
import { INK, JOIN, MUTE } from './colours';
import { drawing, element, words } from './element';
import { texture } from './texture';

const WIDTH = 560;
const THICK = 26;
/** Room for the last figure's unit, px. */
const END = 34;

/** Any length of line as one bar along a tape measure, as a drawing of its own. */
export function ruleSvg(stretches: readonly RuleStretch[], system: UnitSystem): string {
  const factor = system === 'metric' ? 1 : METRES_PER_YARD;
  const unit = system === 'metric' ? 'm' : 'yd';
  const total = stretches.reduce((sum, { metres }) => sum + metres, 0) / factor;
  const scale = scaleLinear([0, Math.max(1, total)], [0.5, WIDTH - END]);
  let from = 0;
  const bars = stretches.map(({ metres, joined }, i) => {
    const x = scale(from);
    from += metres / factor;
    const bar = {
      x,
      y: 2,
      width: Math.max(0, scale(from) - x),
      height: THICK,
      fill: `url(#line-${String(i)})`,
    };
    const join = { x: x - 1.5, y: 0, width: 3, height: THICK + 4, fill: JOIN };
    return element('rect', bar) + (joined ? element('rect', join) : '');
  });
  const told = stretches.map(({ label, metres }) => `${label} ${(metres / factor).toFixed(0)} ${unit}`);
  return drawing(
    { width: WIDTH, height: THICK + 28, title: told.join(', ') },
    element('defs', {}, ...stretches.map(({ lineStyle }, i) => texture(`line-${String(i)}`, lineStyle))),
    ...bars,
    ...scale
      .ticks(6)
      .map((value, i, all) => tick(scale(value), value, i === all.length - 1 ? ` ${unit}` : '')),
  );
}

const tick = (x: number, value: number, unit: string): string =>
  element('line', { x1: x, x2: x, y1: THICK + 2, y2: THICK + 10, stroke: INK }) +
  words(
    { x, y: THICK + 24, 'font-size': 12, fill: MUTE, 'text-anchor': value === 0 ? 'start' : 'middle' },
    `${value.toLocaleString('en')}${unit}`,
  );

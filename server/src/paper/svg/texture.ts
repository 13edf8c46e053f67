import { tileOf, type LineStyle } from '@yard-spool/core';
import { element } from './element';

/** What a texture's tile holds on its ground: the same shapes as on the screens. */
function shapesOf({ texture }: LineStyle, stroke: string): string {
  switch (texture) {
    case 'nylon':
      return element('circle', { cx: 3, cy: 3, r: 1.25, fill: stroke });
    case 'fluorocarbon':
      return element('rect', { width: 24, height: 0.9, fill: stroke });
    case 'braid':
      return element('path', { d: 'M0 0h3v3H0zM3 3h3v3H3z', fill: stroke, 'fill-opacity': 0.55 });
    case 'hollow-braid':
      return element('path', { d: 'M0 0H12M0 0V12', stroke, 'stroke-width': 2.6, fill: 'none' });
    case 'salvage':
      return element('rect', { width: 4, height: 14, fill: stroke, 'fill-opacity': 0.6 });
    default:
      return '';
  }
}

/** The pattern a line is filled with, to go into a drawing's `<defs>`. */
export function texture(id: string, lineStyle: LineStyle): string {
  const { side, turned, ground, stroke } = tileOf(lineStyle);
  return element(
    'pattern',
    {
      id,
      width: side,
      height: side,
      patternUnits: 'userSpaceOnUse',
      ...(turned ? { patternTransform: 'rotate(45)' } : {}),
    },
    element('rect', { width: side, height: side, fill: ground }),
    shapesOf(lineStyle, stroke),
  );
}

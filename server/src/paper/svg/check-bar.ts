import { MM_PER_INCH, type UnitSystem } from '@yard-spool/core';
import { INK } from './colours';
import { element, words } from './element';

/** A bar of a known length, so that whoever prints can see whether the paper is true to scale. mm throughout. */
export function checkBar(x: number, y: number, units: UnitSystem): string {
  const length = units === 'metric' ? 50 : 2 * MM_PER_INCH;
  const said = units === 'metric' ? '50 mm' : '2 in';
  const end = (at: number): string =>
    element('rect', { x: at - 0.1, y: y - 1.8, width: 0.2, height: 3.6, fill: INK });
  return [
    element('rect', { x, y: y - 0.6, width: length, height: 1.2, fill: INK }),
    end(x),
    end(x + length),
    words(
      { x, y: y + 6, 'font-size': 3.2, fill: INK },
      `This bar is ${said} long. Measure it: if it is not, print again at 100 %, not fitted to the page.`,
    ),
  ].join('');
}

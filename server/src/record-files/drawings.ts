import { fillSection, fillStretches, type UnitSystem } from '@yard-spool/core';
import type { Reading } from '../context/context';
import { sayFor } from '../paper/say';
import { ruleSvg } from '../paper/svg/rule';
import { sectionSvg } from '../paper/svg/section';
import type { OutgoingFile } from '../rack-files/export-rack';
import { readFill } from '../record/fills';

/** A fill's section or length rule as a drawing of its own, in the units asked for. */
export async function exportDrawing(
  from: Reading,
  asked: { readonly fill: number; readonly what: 'section' | 'rule'; readonly units: UnitSystem },
): Promise<OutgoingFile> {
  const fill = await readFill(from, asked.fill);
  const say = sayFor({ units: asked.units, zone: '', shop: '', paper: 'A4' });
  const svg =
    asked.what === 'rule'
      ? ruleSvg(fillStretches(fill), asked.units)
      : sectionSvg(fillSection(fill, say), `arbor Ø ${say.small(2 * fill.spool.arborRadius)}`);
  // eslint-disable-next-line @typescript-eslint/require-await -- a file comes piece by piece, this one in one
  const text = async function* (): AsyncGenerator<string> {
    yield svg;
  };
  return {
    name: `yard-spool-fill-${String(fill.id)}-${asked.what}.svg`,
    type: 'image/svg+xml',
    text: text(),
  };
}

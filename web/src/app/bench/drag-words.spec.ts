import { judgeDrag, runFacts } from '@yard-spool/core';
import { aRun } from '../testing/runs';
import type { Run } from '@yard-spool/contract';
import { dragParts } from '../data/drag-parts';
import { dragWords } from './drag-words';

/** Units as the application has them: what a method is called on matters. */
const units = new (class {
  private readonly unit = 'kg';
  strength(kg: number): string {
    return `${kg.toFixed(1)} ${this.unit}`;
  }
})();
const supply = (layer: string, strengthKg: number | null): Run['supplies'][number] => ({
  layer,
  strengthKg,
  diameters: [90, 60],
  measured: true,
  leaves: 'unknown',
});

describe('a drag as it is typed', () => {
  it('is told with the figure it is held against, a leader among the parts', () => {
    const run = aRun([], { supplies: [supply('backing', 6), supply('main', null)] });
    const notes = { leader: { strength: 4 } };
    const parts = dragParts(run, runFacts(run), { notes, lines: {} });
    expect(parts.map(({ strength }) => strength)).toEqual([6, null, 4]);
    const said = dragWords(judgeDrag(3.6, 1.2, parts), units);
    expect(said).toContain('3.6 kg read: 1.2 kg was asked for');
    expect(said).toContain('the leader, is rated 4.0 kg, its knot stands about 3.4 kg');
    expect(said).toContain('1.0 kg to 1.3 kg');
    expect(said).toContain('back it off');
    expect(dragWords(judgeDrag(1.2, null, parts), units)).not.toContain('That is');
  });

  it('says that nothing is known where nothing is', () => {
    expect(dragWords(judgeDrag(2, null, []), units)).toBe(
      '2.0 kg read: nobody knows how strong the line is rated.',
    );
  });
});

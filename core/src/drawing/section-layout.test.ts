import { describe, expect, it } from 'vitest';
import { layoutSection, type SectionBox, type SectionView } from './section-layout';

const BOX: SectionBox = { width: 560, height: 340, aside: { left: 40, right: 164 }, above: 34 };
const view = (more: Partial<SectionView> = {}): SectionView => ({
  lipRadius: 23,
  width: 16.5,
  arborRadius: 13.3,
  layers: [
    { inner: 13.3, outer: 17, lineStyle: { texture: 'nylon', tint: '#aabbcc' }, label: 'backing' },
    { inner: 17, outer: 21.5, lineStyle: { texture: 'braid', tint: '#aabbcc' }, label: 'main' },
  ],
  marks: [{ kind: 'stop', depth: 1.5, text: '1.5 mm stop' }],
  ...more,
});

describe('layoutSection', () => {
  it('draws across and down at the same scale', () => {
    const lay = layoutSection(view(), BOX);
    expect((lay.right - lay.left) / 16.5).toBeCloseTo(lay.scale, 6);
    expect((lay.arbor - lay.lip) / (23 - 13.3)).toBeCloseTo(lay.scale, 6);
    expect(lay.layers[1]?.height).toBeCloseTo(4.5 * lay.scale, 6);
  });

  it('stacks layers without a gap and ends at the stop', () => {
    const { layers, marks } = layoutSection(view(), BOX);
    expect(layers[1]!.y + layers[1]!.height).toBeCloseTo(layers[0]!.y, 6);
    expect(layers[1]!.y).toBeCloseTo(marks[0]!.y, 6);
  });

  it('keeps labels apart that mark nearly the same depth', () => {
    const marks = [1.5, 1.6, 1.7].map((depth) => ({ kind: 'join' as const, depth, text: String(depth) }));
    const labels = layoutSection(view({ marks }), BOX).marks.map(({ labelY }) => labelY);
    expect(labels[1]! - labels[0]!).toBeGreaterThanOrEqual(18);
    expect(labels[2]! - labels[1]!).toBeGreaterThanOrEqual(18);
  });

  it('stays inside its box for a wide and shallow, a narrow and deep, and an overfull spool', () => {
    const overfull = {
      inner: 17,
      outer: 25,
      lineStyle: { texture: 'nylon', tint: '#aabbcc' } as const,
      label: '',
    };
    for (const spool of [
      view({ width: 60, arborRadius: 20 }),
      view({ width: 5 }),
      view({ layers: [overfull] }),
    ]) {
      const lay = layoutSection(spool, BOX);
      expect(lay.left).toBeGreaterThanOrEqual(BOX.aside.left - 1e-6);
      expect(lay.right).toBeLessThanOrEqual(BOX.width - BOX.aside.right + 1e-6);
      expect(lay.bottom).toBeLessThanOrEqual(BOX.height);
      expect(Math.min(...lay.layers.map(({ y }) => y))).toBeGreaterThanOrEqual(0);
    }
  });

  it('breaks a wide spool off at the rear where it may, so that depth fills the drawing', () => {
    const wide = view({ width: 60, arborRadius: 20 });
    const whole = layoutSection(wide, BOX);
    const broken = layoutSection(wide, { ...BOX, mayBreak: true });
    expect([whole.broken, broken.broken]).toEqual([false, true]);
    expect(broken.scale).toBeGreaterThan(whole.scale);
  });

  it('says of each layer as much as fits across it, and nothing rather than words that run out', () => {
    const layer = { inner: 14, outer: 20, lineStyle: { texture: 'nylon', tint: '#aabbcc' } as const };
    const words = (width: number): string | undefined =>
      layoutSection(view({ width, layers: [{ ...layer, label: '120 m main, 198 handle turns' }] }), BOX)
        .layers[0]?.words;
    expect(words(40)).toBe('120 m main, 198 handle turns');
    const narrow = [5, 3, 1].map(words);
    expect(narrow.at(-1)).toBe('');
    expect(['120 m main', '']).toContain(narrow[0]);
  });
});

import { describe, expect, it } from 'vitest';
import { MATERIALS } from '../lines/line';
import { tileOf } from './line-texture';

describe('a line’s texture', () => {
  it('tells lines of one tint apart, and keeps the tint', () => {
    const styles = [...MATERIALS, 'salvage' as const].map((texture) => tileOf({ texture, tint: '#8899aa' }));
    expect(new Set(styles.map(({ side, turned }) => `${String(side)} ${String(turned)}`)).size).toBe(5);
    expect(styles.filter(({ ground }) => ground === '#8899aa')).toHaveLength(4);
    // Hollow braid's weave is open: its ground is lighter.
    expect(tileOf({ texture: 'hollow-braid', tint: '#000000' }).ground).toBe('#737373');
    expect(styles.every(({ stroke, ground }) => stroke < ground)).toBe(true);
  });
});

import { describe, expect, it } from 'vitest';
import { WORKED_READINGS, WORKED_REQUEST } from '../testing/examples';
import { makeItSurer, type Surer } from './make-it-surer';

const looks = (known: number): Surer[] =>
  makeItSurer({ observations: WORKED_READINGS.slice(0, known), request: WORKED_REQUEST });
const one = (known: number, look: Surer['look']): Surer | undefined =>
  looks(known).find((surer) => surer.look === look);

describe('makeItSurer', () => {
  it('says what the arbor would narrow, as the worked plans have it', () => {
    const arbor = one(4, 'arbor')!;
    expect(arbor.layer).toBe('backing');
    // 18 and 16 as worked without a maker's bias, which adds to both.
    expect(arbor.from - 18).toBeGreaterThan(0);
    expect(arbor.from - 18).toBeLessThan(4);
    expect(arbor.to - 16).toBeGreaterThan(0);
    expect(arbor.to - 16).toBeLessThan(2);
  });

  it('says what one depth at the join would narrow the main to', () => {
    const depth = one(4, 'depth')!;
    expect(depth.layer).toBe('main');
    expect(depth.from - 17).toBeGreaterThan(0);
    expect(depth.from - 17).toBeLessThan(4);
    expect(depth.to - 12).toBeGreaterThan(0);
    expect(depth.to - 12).toBeLessThan(1.5);
  });

  it('names only what is not measured yet, and the most helpful first', () => {
    expect(looks(5).map(({ look }) => look)).not.toContain('arbor');
    const gains = looks(1).map(({ from, to }) => to / from);
    expect(gains).toEqual([...gains].sort((a, b) => a - b));
    expect(Math.max(...gains)).toBeLessThan(0.97);
  });

  it('narrows the gap where the lengths are given', () => {
    const { layers } = WORKED_REQUEST;
    const request = { gear: 5, layers: layers.map((layer) => ({ ...layer, length: 100 }) as never) };
    const surer = makeItSurer({ observations: WORKED_READINGS.slice(2, 4), request });
    expect(surer.length).toBeGreaterThan(0);
    for (const { layer } of surer) expect(layer).toBeNull();
  });

  it('has nothing to say of what cannot be planned', () => {
    expect(makeItSurer({ observations: [{ kind: 'lip', diameter: 0 }], request: WORKED_REQUEST })).toEqual(
      [],
    );
    expect(makeItSurer({ observations: [], request: { ...WORKED_REQUEST, gear: 0 } })).toEqual([]);
  });
});

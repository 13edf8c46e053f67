import { describe, expect, it } from 'vitest';
import { creditCount } from './credit-count';

const DEVICE = { name: 'reed-1', counts: 'handle-turns', per: 1 } as const;
const WINDING = {
  current: { id: 'wind-main', kind: 'wind', layer: 'main' },
  devices: { 'reed-1': 100 },
  counting: new Set(['reed-1']),
  held: false,
  moving: false,
  heldAt: {},
  turns: { main: 700 },
  metres: {},
  unheard: {},
} as const;
const on = { gear: 5 };

describe('a counter’s count', () => {
  it('is credited as what it went on by, forward and back', () => {
    const credit = (count: number) => creditCount(DEVICE, WINDING, count, on).happening?.payload;
    const went = { layer: 'main', turns: 12, per: 5, device: 'reed-1', count: 112, from: 100 };
    expect(credit(112)).toEqual(went);
    expect(credit(97)).toMatchObject({ turns: -3 });
    expect(creditCount(DEVICE, WINDING, 100, on).happening).toBeNull();
  });

  it('is turned into handle turns from spool turns, and kept as metres from a line meter', () => {
    const spool = { ...DEVICE, counts: 'spool-turns', per: 2 } as const;
    expect(creditCount(spool, WINDING, 200, on).happening?.payload).toMatchObject({ turns: 10 });
    const meter = { ...DEVICE, counts: 'metres', per: 100 } as const;
    expect(creditCount(meter, WINDING, 350, on).happening).toMatchObject({
      kind: 'metres',
      payload: { metres: 2.5, count: 350 },
    });
  });

  it('waits for an answer while the run is held', () => {
    expect(creditCount(DEVICE, { ...WINDING, held: true }, 134, on)).toEqual({
      happening: null,
      unclaimed: 34,
      odd: null,
    });
  });

  it('credits what was turned before it was held', () => {
    const held = { ...WINDING, held: true, heldAt: { 'reed-1': 102 } };
    expect(creditCount(DEVICE, held, 134, on)).toMatchObject({
      happening: { payload: { turns: 2, count: 102 } },
      unclaimed: 32,
    });
    // Credited past the hold while it was on its way: taken back to what the technician saw.
    const late = { ...held, devices: { 'reed-1': 110 } };
    expect(creditCount(DEVICE, late, 134, on)).toMatchObject({ happening: { payload: { turns: -8 } } });
  });

  it('is taken as it stood when the layer began, and credited from there', () => {
    const begins = { ...WINDING, counting: new Set<string>() };
    expect(creditCount(DEVICE, begins, 140, { gear: 5, since: 132 }).happening).toEqual({
      kind: 'device-at',
      payload: { device: 'reed-1', count: 132 },
    });
    const first = creditCount(DEVICE, { ...WINDING, devices: {} }, 512, on);
    expect(first.happening?.payload).toEqual({ device: 'reed-1', count: 512 });
  });

  it('that began again from zero is asked about, and never credited as hundreds wound back', () => {
    const long = { ...WINDING, devices: { 'reed-1': 658 } };
    expect(creditCount(DEVICE, long, 0, on)).toEqual({ happening: null, unclaimed: -658, odd: 'restarted' });
    expect(creditCount(DEVICE, long, 12, on).odd).toBe('restarted');
    expect(creditCount(DEVICE, long, 655, on).happening?.payload).toMatchObject({ turns: -3 });
  });

  it('that jumps further than a layer is long is asked about', () => {
    expect(creditCount(DEVICE, WINDING, 10_100, on)).toMatchObject({ happening: null, odd: 'jumped' });
    expect(creditCount(DEVICE, WINDING, 400, on).happening?.payload).toMatchObject({ turns: 300 });
    const spool = { ...DEVICE, counts: 'spool-turns' } as const;
    expect(creditCount(spool, WINDING, 1600, on).odd).toBeNull();
  });

  it('that goes back past the beginning of its layer is asked about', () => {
    const little = { ...WINDING, turns: { main: 4 } };
    expect(creditCount(DEVICE, little, 95, on).happening?.payload).toMatchObject({ turns: -5 });
    expect(creditCount(DEVICE, little, 93, on)).toEqual({ happening: null, unclaimed: -7, odd: 'restarted' });
  });

  it('is asked about, however little it is, where its lines are in doubt', () => {
    const credit = creditCount(DEVICE, WINDING, 101, { ...on, doubt: 'restarted' });
    expect(credit).toEqual({ happening: null, unclaimed: 1, odd: 'restarted' });
    // Where it was credited last is no answer.
    expect(creditCount(DEVICE, WINDING, 100, { ...on, doubt: 'restarted' }).odd).toBe('restarted');
    const answered = { ...on, doubt: 'restarted', answered: true } as const;
    expect(creditCount(DEVICE, WINDING, 100, answered).odd).toBeNull();
  });

  it('says nothing while no layer is wound', () => {
    const tying = { ...WINDING, current: { id: 'join-main', kind: 'join', layer: 'main' } } as const;
    expect(creditCount(DEVICE, tying, 140, on)).toEqual({ happening: null, unclaimed: 0, odd: null });
  });
});

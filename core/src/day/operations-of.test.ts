import { describe, expect, it } from 'vitest';
import { USUAL_TIMES } from './day-times';
import { operationsOf, type DayReel, type DaySoak, type Wish } from './operations-of';

const reel = (id: string, more: Partial<DayReel> = {}): DayReel => ({
  id,
  bag: 'b',
  state: 'booked',
  fill: { type: 'baitcaster', turns: 300, layers: 1, counted: true },
  pieces: ['N-1'],
  strip: false,
  walk: false,
  relief: false,
  ...more,
});

const made = (reels: DayReel[], soaks: DaySoak[] = [], wishes: Record<string, Wish> = {}) =>
  operationsOf({ now: 100, reels, soaks, times: USUAL_TIMES, wishes });
const ids = (reels: DayReel[], soaks: DaySoak[] = []): string[] => made(reels, soaks).map(({ id }) => id);
const DRY: DaySoak = { piece: 'N-1', least: 90, most: 240, wetFor: 1440 };

describe('What there is to do', () => {
  it('for a plain reel is to fill it, check it and put it on the shelf, in that order', () => {
    const [fill, check, shelf] = made([reel('1')]);
    expect(ids([reel('1')])).toEqual(['fill:1', 'check:1', 'shelf:b']);
    expect(check!.after).toEqual([{ id: fill!.id, least: 0, most: Infinity }]);
    expect(shelf!.after.map(({ id }) => id)).toEqual(['check:1']);
  });

  it('goes by how far each is: filled, it is checked; ready, only the shelf waits for the others', () => {
    expect(ids([reel('1', { state: 'to-check', walk: true })])).toEqual(['check:1', 'shelf:b']);
    expect(ids([reel('1', { state: 'ready' }), reel('2')])).toEqual(['fill:2', 'check:2', 'shelf:b']);
  });

  it('begins with stripping where line is on it, and ends with a walk and the line relieved', () => {
    expect(ids([reel('1', { strip: true, walk: true, relief: true })])).toEqual([
      'strip:1',
      'fill:1',
      'walk:1',
      'relief:1',
      'check:1',
      'shelf:b',
    ]);
  });

  it('soaks a piece once for all that are wound from it, and winds them while it is wet', () => {
    const all = made([reel('1'), reel('2', { bag: 'c' })], [DRY]);
    expect(all.filter(({ kind }) => kind === 'soak').map(({ bags }) => bags)).toEqual([['b', 'c']]);
    expect(all.find(({ kind }) => kind === 'out')!.after).toEqual([{ id: 'soak:N-1', least: 90, most: 240 }]);
    for (const fill of all.filter(({ kind }) => kind === 'fill'))
      expect(fill.after).toEqual([{ id: 'out:N-1', least: 0, most: 1440 }]);
  });

  it('takes out at the hour what is in the water, and soaks nothing that is wet, or that nobody waits for', () => {
    const [out] = made([reel('1')], [{ ...DRY, since: 100 }]);
    expect(out).toMatchObject({ id: 'out:N-1', earliest: 190, after: [] });
    expect(ids([reel('1')], [{ ...DRY, out: 50 }])).not.toContain('out:N-1');
    expect(ids([reel('1', { state: 'to-check' })], [DRY])).not.toContain('soak:N-1');
  });

  it('winds dry what is to be, before the piece goes into the water for others', () => {
    const all = made([reel('1', { dry: true }), reel('2', { bag: 'c' })], [DRY]);
    const of = (id: string) => all.find((one) => one.id === id)!;
    expect(of('fill:1').after).toEqual([]);
    expect(of('soak:N-1')).toMatchObject({ bags: ['c'], after: [{ id: 'fill:1', least: 0 }] });
    expect(of('fill:2').after).toEqual([{ id: 'out:N-1', least: 0, most: 1440 }]);
    // Nobody else waits for it: nothing is soaked.
    expect(ids([reel('1', { dry: true })], [DRY])).not.toContain('soak:N-1');
  });

  it('fills a set in one go, quicker than each alone, and walks each of it', () => {
    const set = [reel('1', { set: 's', walk: true }), reel('2', { set: 's', walk: true })];
    const all = made(set);
    const fill = all.filter(({ kind }) => kind === 'fill');
    expect(fill.map(({ reels }) => reels)).toEqual([['1', '2']]);
    const alone = made([reel('1')])[0]!.minutes;
    expect(fill[0]!.minutes).toBeLessThan(2 * alone);
    expect(fill[0]!.minutes).toBeGreaterThan(1.5 * alone);
    expect(all.filter(({ kind }) => kind === 'walk').map(({ after }) => after[0]!.id)).toEqual([
      fill[0]!.id,
      fill[0]!.id,
    ]);
  });

  it('fills each of a set by itself where it was taken apart, and asks nothing else of them', () => {
    const set = [reel('1', { set: 's', walk: true }), reel('2', { set: 's', walk: true })];
    const all = made(set, [], { 'fill:b:s': { apart: true }, 'fill:2': { bench: 'x' } });
    expect(all.filter(({ kind }) => kind === 'fill').map(({ id }) => id)).toEqual(['fill:1', 'fill:2']);
    expect(all.map(({ bench }) => bench)).toEqual(all.map(({ id }) => (id === 'fill:2' ? 'x' : undefined)));
    expect(all.find(({ id }) => id === 'walk:1')!.after[0]!.id).toBe('fill:1');
  });

  it('waits for line that is on order', () => {
    expect(made([reel('1', { lineFrom: 2000 })])[0]!.earliest).toBe(2000);
  });

  it('is where it is once begun, whatever is wished; else as it is wished', () => {
    const begun = { at: 40, bench: 'one', person: 'Ada', left: 0.5 };
    const wish = { 'fill:1': { bench: 'two', earliest: 300 } };
    const [on] = made([reel('1', { state: 'on-the-bench', begun, strip: true })], [], wish);
    expect(on).toMatchObject({ at: 40, bench: 'one', person: 'Ada', after: [] });
    expect(on!.minutes).toBeCloseTo(60 + 0.5 * made([reel('1')])[0]!.minutes, 9);
    expect(made([reel('1')], [], wish)[0]).toMatchObject({ bench: 'two', earliest: 300 });
  });
});

import { BurstCatcher } from './burst-catcher';

describe('BurstCatcher', () => {
  let scans: string[];
  let through: string[];
  let catcher: BurstCatcher;
  const take = (text: string): void => {
    for (const key of text) catcher.take(key, () => through.push(key));
  };
  beforeEach(() => {
    vi.useFakeTimers();
    scans = [];
    through = [];
    catcher = new BurstCatcher((text) => scans.push(text));
  });
  afterEach(() => vi.useRealTimers());

  it('reports a burst that ends with Enter, and lets none of its keys through', () => {
    take('R-0012');
    expect(catcher.enter()).toBe(true);
    vi.advanceTimersByTime(1000);
    expect([scans, through]).toEqual([['R-0012'], []]);
  });

  it('lets a single key through, a moment later', () => {
    take('n');
    expect(through).toEqual([]);
    vi.advanceTimersByTime(41);
    expect([scans, through]).toEqual([[], ['n']]);
  });

  it('lets a burst without Enter through in its order', () => {
    take('abcde');
    vi.advanceTimersByTime(41);
    expect(through.join('')).toBe('abcde');
  });

  it('takes Enter after a hand’s key for Enter, and the key goes first', () => {
    take('z');
    expect(catcher.enter()).toBe(false);
    expect([scans, through]).toEqual([[], ['z']]);
    expect(catcher.enter()).toBe(false);
  });

  it('does not join what a hand types slowly into a tag', () => {
    for (const key of 'slow') {
      take(key);
      vi.advanceTimersByTime(90);
    }
    expect(catcher.enter()).toBe(false);
    expect([scans, through.join('')]).toEqual([[], 'slow']);
  });
});

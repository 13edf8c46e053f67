import type { RunEvent } from '@yard-spool/core';
import { hearing, withWaiting } from './run-log';

const event = (id: string, seq: number): RunEvent => ({
  id,
  seq,
  run: '1',
  at: '2030-01-01T00:00:00.000Z',
  by: '',
  kind: 'turns',
  payload: { layer: 'main', turns: 10 },
});
const places = (log: readonly RunEvent[]) => log.map(({ id, seq }) => [id, seq]);

describe('what is heard of a log', () => {
  it('is added once, in order, and leaves what is known as it is', () => {
    const log = [event('a', 1), event('b', 2)];
    const heard = hearing(log, [event('d', 4), event('c', 3), event('b', 2), event('c', 3)]);
    expect(places(heard)).toEqual([
      ['a', 1],
      ['b', 2],
      ['c', 3],
      ['d', 4],
    ]);
    expect(heard[0]).toBe(log[0]);
    expect(hearing(heard, log)).toBe(heard);
  });

  it('finds its place where something before it was missed', () => {
    expect(places(hearing([event('a', 1), event('c', 3)], [event('b', 2)]))).toEqual([
      ['a', 1],
      ['b', 2],
      ['c', 3],
    ]);
  });
});

describe('what waits here', () => {
  it('is put behind a log that went on, without a gap', () => {
    const log = withWaiting([event('a', 1), event('b', 2), event('c', 3)], [event('x', 2), event('y', 3)]);
    expect(places(log.slice(3))).toEqual([
      ['x', 4],
      ['y', 5],
    ]);
  });

  it('is left out where the log has it already, and stays as it is where nothing went on', () => {
    const x = event('x', 2);
    const y = event('y', 3);
    expect(withWaiting([event('a', 1), x], [event('x', 7), y])).toEqual([event('a', 1), x, y]);
    const log = withWaiting([event('a', 1)], [x, y]);
    expect(log[1]).toBe(x);
    expect(log[2]).toBe(y);
  });
});

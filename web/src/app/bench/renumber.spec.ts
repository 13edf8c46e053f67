import type { RunEvent } from '@yard-spool/core';
import { renumber } from './renumber';

const event = (id: string, seq: number): RunEvent => ({
  id,
  seq,
  run: '1',
  at: '2030-01-01T00:00:00.000Z',
  by: '',
  kind: 'turns',
  payload: { layer: 'main', turns: 10 },
});

describe('renumber', () => {
  it('puts what waits behind a log that went on, without a gap', () => {
    const waiting = renumber([event('a', 1), event('b', 2), event('c', 3)], [event('x', 2), event('y', 3)]);
    expect(waiting.map(({ id, seq }) => [id, seq])).toEqual([
      ['x', 4],
      ['y', 5],
    ]);
  });

  it('drops what the log has already', () => {
    expect(renumber([event('a', 1), event('x', 2)], [event('x', 2), event('y', 3)])).toEqual([event('y', 3)]);
  });

  it('leaves everything as it is where nothing went on', () => {
    expect(renumber([event('a', 1)], [event('x', 2), event('y', 3)])).toEqual([event('x', 2), event('y', 3)]);
  });
});

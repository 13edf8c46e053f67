import { describe, expect, it } from 'vitest';
import { booking, receiveTwo } from '../testing/bookings';
import { askAs } from '../testing/ask-as';

const ask = askAs('Ada');

const many = (count: number, one: unknown = {}): unknown[] => Array.from({ length: count }, () => one);

describe('a request with far too many of something', () => {
  it.each([
    ['POST', '/bags', { jobs: many(100_000) }, 'jobs'],
    [
      'POST',
      '/bags',
      { jobs: [{ planInput: { request: { layers: many(100_000) } } }] },
      'jobs.0.planInput.request.layers',
    ],
    [
      'POST',
      '/bags',
      { jobs: [{ planInput: { observations: many(100_000) } }] },
      'jobs.0.planInput.observations',
    ],
    ['POST', '/benches', { devices: many(20_000) }, 'devices'],
    ['POST', '/runs/1/events', { events: many(100_000) }, 'events'],
  ])('is told the one thing that is wrong: %s %s', async (method, path, body, at) => {
    const { status, body: problem } = await ask(method, path, body);
    expect([status, problem.code]).toEqual([400, 'bad-request']);
    expect(problem.errors?.map((error) => error.path)).toEqual([at]);
  });

  it('or with many wrong things is told the first ten', async () => {
    const pieces = await receiveTwo(ask, 900, 'SZ');
    const [job] = booking(pieces).jobs;
    const { body } = await ask(
      'POST',
      '/bags',
      booking(pieces, { jobs: many(20, { ...job, type: 7, label: 8 }) as never }),
    );
    expect(body.errors).toHaveLength(10);
  });
});

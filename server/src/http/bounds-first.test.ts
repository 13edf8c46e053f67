import { api } from '@yard-spool/contract';
import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { firstTooLong } from './bounds-first';

const many = (count: number, one: unknown = {}): unknown[] => Array.from({ length: count }, () => one);

describe('lists that are too long', () => {
  const schema = v.object({
    few: v.pipe(v.array(v.string()), v.minLength(1), v.maxLength(3, 'Three at most.')),
    within: v.optional(v.nullable(v.array(v.object({ deep: v.pipe(v.array(v.number()), v.maxLength(2)) })))),
    either: v.optional(
      v.variant('kind', [
        v.object({ kind: v.literal('a'), list: v.pipe(v.array(v.number()), v.maxLength(1)) }),
        v.object({ kind: v.literal('b'), list: v.pipe(v.array(v.number()), v.maxLength(9)) }),
      ]),
    ),
    named: v.optional(v.record(v.string(), v.number())),
  });
  const found = (value: unknown) => firstTooLong(schema, value, 'body');

  it('are told by their own message and path, before anything is looked at', () => {
    expect(found({ few: many(4, 7) })).toEqual({ path: 'few', message: 'Three at most.' });
    expect(found({ few: ['a'], within: [{ deep: [1] }, { deep: [1, 2, 3] }] })).toEqual({
      path: 'within.1.deep',
      message: 'There are more than 2 of these.',
    });
    expect(found({ few: ['a'], within: many(1001, null) })?.path).toBe('within');
    expect(
      found({ few: ['a'], named: Object.fromEntries(many(1001).map((_, i) => [String(i), 1])) })?.path,
    ).toBe('named');
  });

  it('are not found where one choice of several takes so many, or where there is no list at all', () => {
    expect(found({ few: ['a'], either: { kind: 'b', list: many(5, 1) } })).toBeNull();
    expect(found({ few: ['a'], either: { kind: 'b', list: many(10, 1) } })?.path).toBe('either.list');
    for (const odd of [null, 7, 'x', [], { few: 7 }, { few: null }, { within: {} }])
      expect(found(odd)).toBeNull();
  });

  it('are bounded in every request of the contract', () => {
    const bodies = Object.values(api).flatMap(({ parts }) => ('body' in parts ? [parts.body] : []));
    expect(bodies.length).toBeGreaterThan(30);
    for (const body of bodies) expect(firstTooLong(body, {}, 'body')).toBeNull();
    expect(firstTooLong(api.bookBag.parts.body, { jobs: many(160_000) }, 'body')?.path).toBe('jobs');
  });
});

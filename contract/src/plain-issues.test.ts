import { describe, expect, it } from 'vitest';
import * as v from 'valibot';
import './plain-issues';

const saidOf = (schema: v.GenericSchema, input: unknown): string[] =>
  (v.safeParse(schema, input).issues ?? []).map(({ message }) => message);

describe('A part that does not fit', () => {
  it.each([
    [v.string(), 4, 'This has to be text.'],
    [v.number(), 'four', 'This has to be a number.'],
    [v.number(), Number.NaN, 'This has to be a number.'],
    [v.boolean(), 'yes', 'This has to be true or false.'],
    [v.array(v.string()), 'one', 'This has to be a list.'],
    [v.object({ a: v.string() }), 'a', 'This has to be an object.'],
    [v.object({ a: v.string() }), {}, 'This is missing.'],
    [v.strictObject({}), { b: 1 }, 'Nothing here takes this part.'],
    [v.picklist(['hand', 'drill', 'rig']), 'foot', 'This has to be "hand", "drill" or "rig".'],
    [v.literal('hand'), 'foot', 'This has to be "hand".'],
    [v.pipe(v.number(), v.integer()), 1.5, 'This has to be a whole number.'],
    [v.pipe(v.string(), v.minLength(3)), 'ab', 'This is too short.'],
    [v.pipe(v.number(), v.maxValue(9)), 10, 'This is too high.'],
    [v.pipe(v.string(), v.regex(/^a/)), 'b', 'This does not fit.'],
    [v.variant('kind', [v.object({ kind: v.literal('a') })]), { kind: 'b' }, 'This has to be "a".'],
  ])('is told in plain words', (schema, input, said) => {
    expect(saidOf(schema, input)).toEqual([said]);
  });

  it('keeps what its schema says of it', () => {
    expect(saidOf(v.string('Type a name.'), 4)).toEqual(['Type a name.']);
  });
});

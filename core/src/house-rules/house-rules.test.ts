import { describe, expect, it } from 'vitest';
import { HOUSE_QUESTIONS, schoolOf, USUAL_HOUSE_RULES, type HouseQuestion } from './house-rules';

const questions = Object.entries(HOUSE_QUESTIONS);

describe('the house rules', () => {
  it('ask every question the trade disputes', () => {
    expect(Object.keys(HOUSE_QUESTIONS).sort()).toEqual(
      [
        'arborGrip',
        'drag',
        'guides',
        'hands',
        'judgeTwistBy',
        'knots',
        'label',
        'level',
        'memoryRelief',
        'order',
        'service',
        'soak',
        'supply',
        'tension',
        'washers',
      ].sort(),
    );
  });

  it.each(questions)('%s has schools with a reason each, and a usual one among them', (_, question) => {
    const ids: readonly string[] = question.schools.map(({ id }) => id);
    expect(question.ask).toMatch(/\?$/);
    expect(ids.length).toBeGreaterThanOrEqual(2);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids).toContain(question.usual);
    for (const { name, why } of question.schools) {
      expect(name).not.toBe('');
      expect(why).toMatch(/\.$/);
    }
  });

  it('start a new shop with the usual school on each', () => {
    for (const [name, { usual }] of questions)
      expect(schoolOf(USUAL_HOUSE_RULES, name as HouseQuestion).id).toBe(usual);
  });

  it('throw for a school that does not exist, which is a programming error', () => {
    expect(() => schoolOf({ soak: 'forever' as 'none' }, 'soak')).toThrow('No school "forever" on soak.');
  });
});

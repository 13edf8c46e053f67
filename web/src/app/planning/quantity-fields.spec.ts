import { parseQuantity } from '@yard-spool/core';
import { draftReader } from './draft-fields';
import { observationsOf } from './draft-observations';
import { FIELD_RANGE, QUANTITY_FIELDS, QUANTITY_NAMES } from './quantity-fields';
import { emptyReel, reelForm } from './reel-draft';
import { factsOf } from './reel-from-plan';

describe('the fields that hold a figure', () => {
  it('each have a place in the draft and in its form, empty until somebody types', () => {
    const form = reelForm(emptyReel());
    for (const name of QUANTITY_NAMES) expect([name, form.getRawValue()[name]]).toEqual([name, '']);
  });

  it.each(QUANTITY_NAMES.filter((name) => QUANTITY_FIELDS[name].says))(
    'what %s says of the spool comes back as it was typed',
    (name) => {
      const { min, max } = FIELD_RANGE[name];
      const { dimension } = QUANTITY_FIELDS[name];
      const typed = `${String((min ?? 0) + (max! - min!) / 4)} ${dimension === 'line-length' ? 'm' : 'mm'}`;
      const draft = { ...emptyReel(), gear: '5.2:1', [name]: typed };
      const observations = observationsOf(draft, draftReader(draft, 'metric'), 'metric');
      expect(observations.length).toBe(1);
      const back = factsOf({ observations, gear: 5.2 }, 'metric')[name] ?? '';
      const figure = (text: string) => {
        const read = parseQuantity(text, dimension);
        return read.ok ? read.value.value : null;
      };
      expect(figure(back)).toBeCloseTo(figure(typed)!, 9);
    },
  );

  it('say nothing that was not typed', () => {
    const draft = emptyReel();
    expect(observationsOf(draft, draftReader(draft, 'metric'), 'metric')).toEqual([]);
    const facts = factsOf({ observations: [], gear: 5, assumed: ['gear'] }, 'metric');
    expect(QUANTITY_NAMES.filter((name) => facts[name] !== undefined)).toEqual([]);
  });
});

import { PIECES, draft } from '../testing/spool-drafts';
import { planFrom } from '../testing/drafts';
import { factsOf } from './reel-from-plan';
import type { ReelDraft } from './reel-draft';

describe('prints of a draft', () => {
  it('has each print with its own material, and again where it is planned again', () => {
    const typed = draft({ rating1: 'mono 12/200; braid 30/200', rating2: '0.25/210', ratedFor: 'nylon' });
    const { input } = planFrom(typed, PIECES, 'metric');
    const ratings = (of: typeof input) => of!.observations.filter(({ kind }) => kind === 'rating');
    expect(ratings(input)).toMatchObject([
      { printed: { system: 'strength' } },
      { material: 'braid', text: 'braid 30/200' },
      { length: 210, diameter: 0.25 },
    ]);
    const facts = factsOf({ observations: input!.observations, gear: 5.2 }, 'metric');
    expect(ratings(planFrom(draft(facts), PIECES, 'metric').input)).toEqual(ratings(input));
    expect(facts.ratedFor).toBe('nylon');
  });

  it('is none while a print cannot be read, rather than one without it', () => {
    const planned = planFrom(draft({ rating2: 'about 200 or so' }), PIECES, 'metric');
    expect(planned.made).toBeNull();
    expect(planned.next).toContain('is not a rating');
  });
});

describe('prints by strength and size number', () => {
  const plan = (more: Partial<ReelDraft>) =>
    planFrom(draft({ rating1: '', rating2: '', lip: '', width: '', ...more }), PIECES, 'imperial');

  it('are taken as they are printed, several in one field', () => {
    const { input } = plan({ rating1: '6/230 8/170 10/140' });
    expect(input!.observations).toHaveLength(3);
    expect(input!.observations[1]).toMatchObject({
      kind: 'rating',
      length: 170 * 0.9144,
      printed: { system: 'strength', figure: 8 * 0.45359237 },
      text: '8/170',
    });
  });

  it('are asked about where they can be read in more than one way', () => {
    expect(plan({ rating1: '0.3/200' }).next).toBe(
      '"0.3/200" can be read in more than one way: choose which it is.',
    );
  });

  it('plan with what the shop has learned of the line and the kind', () => {
    const learned = { median: 1.1, sd: 0.02 };
    const learning = {
      kinds: [{ key: 'fixed-spool pier 3000', belief: { median: 0.66, sd: 0.04 }, fills: 5 }],
      lines: [{ key: PIECES[1]!.product.code, belief: learned, fills: 7 }],
      hands: [],
      prints: [],
      counters: { reels: [], kinds: [] },
    };
    const { input } = planFrom(draft({ label: 'Pier 3000' }), PIECES, 'metric', undefined, learning);
    expect(input!.beliefs).toEqual({
      type: 'fixed-spool',
      packing: { median: 0.66, sd: 0.04 },
      bulk: { [PIECES[1]!.product.code]: learned },
    });
  });
});

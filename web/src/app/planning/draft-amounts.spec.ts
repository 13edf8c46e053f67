import type { PlannedCut } from '@yard-spool/contract';
import { BRAID, line, piece, RACK, draft, layersOf } from '../testing/amount-drafts';
import { planFrom } from '../testing/drafts';
import { cutRows, draftJob, notReady, takenBy } from './draft-job';
import { reelFromPlan } from './reel-from-plan';
import type { ReelDraft } from './reel-draft';

describe('how much goes on, as people say it', () => {
  it('half a pack twice: no tail is lost, and the second uses it up', () => {
    const plan = planFrom(draft(), RACK);
    expect(plan.input!.request.layers[1]).toMatchObject({ id: 'main', length: 91.44 });
    const [, first] = cutRows(plan);
    expect(first).toMatchObject({ left: 91.44, more: 1 });
    const rows = cutRows(plan, takenBy([plan]));
    expect(rows[1]).toMatchObject({ left: 0, short: 0 });
    expect(notReady(draft(), plan, rows)).toBe('');
    expect(draftJob(draft(), plan, 'metric', () => 0)!.cuts[1]).toEqual({
      layer: 'main',
      pieceId: 2,
      takes: { pack: 0.5 },
    });
  });

  it('what is left on the piece, after what the other reels take', () => {
    const before = takenBy([planFrom(draft({ mainLength: '100 m' }), RACK)]);
    const rest = planFrom(
      draft({ mainLength: 'what is left' }),
      RACK,
      'metric',
      undefined,
      undefined,
      before,
    );
    expect(rest.input!.request.layers[1]).toMatchObject({ id: 'main' });
    expect(rest.wanted).toBeCloseTo(182.88 - 102, 6);
  });

  it('a share of the spool, as much as fits, up to a depth', () => {
    expect(
      layersOf({ backingLength: 'half to five eighths of the spool', mainLength: 'as much as fits' }),
    ).toMatchObject([
      { id: 'backing', length: { share: [0.5, 0.625] } },
      { id: 'main', length: 'fits' },
    ]);
    expect(layersOf({ backingLength: 'to 6 mm' })).toMatchObject([
      { length: { depth: 6 } },
      { length: 91.44 },
    ]);
  });

  it('two wraps of tape and exactly 300 yd: the gap is what comes out', () => {
    const plan = planFrom(draft({ underneath: 'tape', tapeWraps: '2', mainLength: '300 yd' }), RACK);
    expect(plan.input!.request).not.toHaveProperty('gap');
    expect(plan.input!.request.layers).toMatchObject([
      { kind: 'tape', wraps: 2 },
      { id: 'main', length: 274.32 },
    ]);
    expect(plan.made!.plan.solvedFor).toBeNull();
    expect(plan.made!.plan.gap.high).toBeGreaterThan(plan.made!.plan.gap.low);
  });

  it('says that a typed gap has no say where every layer has its amount', () => {
    expect(planFrom(draft({ backingLength: '40 m', gap: '1.5 mm' }), RACK).gapUnused).toBe(true);
    expect(planFrom(draft({ gap: '1.5 mm' }), RACK).gapUnused).toBe(false);
  });

  it('700 yd of hollow braid in three layers', () => {
    const hollow = piece(9, { product: line('H-40', 0.4, 'hollow-braid'), lengthMm: 2_000_000 });
    const typed = draft({
      underneath: 'three-layer',
      mainPiece: '9',
      mainLength: '700 yd',
      topPiece: '1',
      topLength: '300 yd',
      cushionLength: '50 yd',
      rating1: '1200 x 0.5',
      lip: '',
      width: '',
      rating2: '',
    });
    const plan = planFrom(typed, [...RACK, hollow]);
    expect(plan.input!.request.layers.map((layer) => (layer.kind === 'line' ? layer.length : null))).toEqual([
      45.72, 640.08, 274.32,
    ]);
    expect(plan.made!.plan.solvedFor).toBeNull();
  });

  it('25 yd kept of a line nobody measured, and 100 yd on it', () => {
    const plan = planFrom(draft({ kept: '25 yd', underneath: 'main-only', mainLength: '100 yd' }), RACK);
    expect(plan.assumed).toEqual(['kept-diameter']);
    expect(plan.input).toMatchObject({ assumed: ['kept-diameter'] });
    expect(plan.made!.plan.layers.map(({ id }) => id)).toEqual(['kept', 'main']);
    expect(layersOf({ kept: 'a quarter of the spool' })![0]).toMatchObject({ left: { share: [0.25, 0.25] } });
  });

  it.each([
    [{ mainLength: 'half' }, /half of what/],
    [{ mainLength: 'lots' }, /cannot be read/],
    [{ lip: '46 kg' }, /^The lip diameter: "kg" is not a unit/],
    [{ gear: 'fast' }, /^The gear ratio: /],
    [{ drag: '900 kg' }, /^The drag: /],
    [{ kept: 'whole pack' }, /how much old line/],
  ])('blocks the booking for %j and says which field', (more, said) => {
    const typed = draft(more);
    const plan = planFrom(typed, RACK);
    expect(notReady(typed, plan, cutRows(plan))).toMatch(said);
  });

  it('takes the usual gear of the type where nobody said it, and says so', () => {
    const plan = planFrom(draft({ gear: '', type: 'trolling' }), RACK);
    expect(plan.input!.request.gear).toBe(4.2);
    expect(plan.assumed).toEqual(['gear']);
    expect(planFrom(draft(), RACK).assumed).toEqual([]);
  });
});

describe('a line before a piece', () => {
  it('is given the piece a technician would reach for', () => {
    const plan = planFrom(draft({ backingPiece: 'line:N-25', backingLength: '120 m' }), RACK);
    expect(plan.cuts.backing).toMatchObject({
      piece: { code: 'P-4' },
      proposed: 'a remnant that is long enough',
    });
    // As much as fits may be more than the remnant has: it would run out too often.
    const fits = planFrom(draft({ backingPiece: 'line:N-25' }), RACK);
    expect(fits.made!.plan.layers[0]!.length.value).toBeLessThan(150);
    expect(fits.cuts.backing).toMatchObject({ piece: { code: 'P-1' }, proposed: 'opened already' });
    const chosen = planFrom(draft({ backingPiece: '4' }), RACK);
    const [row] = cutRows(chosen);
    expect(row!.serves).toBeGreaterThan(0.5);
    expect(row!.serves).toBeLessThan(0.9);
    const short = planFrom(draft({ backingPiece: 'line:N-25', backingLength: '30 m' }), RACK);
    expect(short.cuts.backing).toMatchObject({
      piece: { code: 'P-3' },
      proposed: 'stripped line for backing',
    });
  });

  it('is the very pack, where a part of one was said', () => {
    const more = [
      ...RACK,
      piece(8, { product: BRAID, lengthMm: 900_000, receivedMm: 900_000, opened: true }),
    ];
    const half = planFrom(draft({ mainPiece: 'line:B-19', mainLength: 'half the pack' }), more);
    expect(half.cuts.main).toMatchObject({ piece: { code: 'P-2' }, takes: { pack: 0.5 } });
    expect(half.input!.request.layers[1]).toMatchObject({ length: 91.44 });
    const plain = planFrom(draft({ mainPiece: 'line:B-19', mainLength: '91 m' }), more);
    expect(plain.cuts.main).toMatchObject({ piece: { code: 'P-8' } });
  });

  it('passes over what other reels take', () => {
    const first = planFrom(draft({ backingPiece: 'line:N-25', backingLength: '60 m' }), RACK);
    expect(first.cuts.backing!.piece!.code).toBe('P-3');
    const then = planFrom(
      draft({ backingPiece: 'line:N-25', backingLength: '60 m' }),
      RACK,
      'metric',
      undefined,
      undefined,
      takenBy([first]),
    );
    expect(then.cuts.backing!.piece!.code).toBe('P-4');
  });

  it('may have yet to come: what is short is said, and it can be booked', () => {
    const typed = draft({ mainPiece: 'line:B-19', mainLength: '250 m' });
    const plan = planFrom(typed, RACK);
    const rows = cutRows(plan);
    expect(rows[1]).toMatchObject({ comes: true, left: null, metres: 250 });
    expect(rows[1]!.short).toBeCloseTo(250 - 182.88, 6);
    expect(notReady(typed, plan, rows)).toBe('');
    expect(draftJob(typed, plan, 'metric', () => 0)!.cuts[1]).toEqual({ layer: 'main', productId: BRAID.id });
  });
});

describe('line that is not the shop’s', () => {
  const own = { ownName: 'green', ownDiameter: '0.28 mm', ownLength: '300 m' };

  it('is brought with the bag', () => {
    const typed = draft({ mainPiece: 'own', mainLength: '120 m', ...own });
    const plan = planFrom(typed, RACK);
    expect(cutRows(plan)[1]).toMatchObject({ line: 'green', piece: 'their own', left: 178 });
    const brought: unknown[] = [];
    const job = draftJob(typed, plan, 'metric', (one) => brought.push(one) - 1)!;
    expect(job.cuts[1]).toEqual({ layer: 'main', brought: 0 });
    expect(brought).toEqual([{ name: 'green', material: 'nylon', diameter: 0.28, lengthMm: 300_000 }]);
  });

  it('needs a diameter and a length', () => {
    expect(planFrom(draft({ mainPiece: 'own' }), RACK).next).toMatch(/how thick/);
    expect(planFrom(draft({ mainPiece: 'own', ownDiameter: '0.28' }), RACK).next).toMatch(
      /how much line they/,
    );
  });

  it('may be any line for a question, which cannot be booked', () => {
    const typed = draft({ mainPiece: 'other', mainLength: '120 m', ownDiameter: '0.3 mm' });
    const plan = planFrom(typed, RACK);
    expect(plan.made).not.toBeNull();
    expect(notReady(typed, plan, cutRows(plan))).toMatch(/line the shop has/);
  });

  it('may be what is on it, turned end for end: nothing is cut', () => {
    const typed = draft({ mainPiece: 'turned', mainLength: '120 m', ownDiameter: '0.3 mm' });
    const plan = planFrom(typed, RACK);
    const job = draftJob(typed, plan, 'metric', () => 0)!;
    expect(job.cuts.map(({ layer }) => layer)).toEqual(['backing']);
    expect(job.wants.endForEnd).toBe(true);
  });
});

describe('what was said, after it was kept', () => {
  it.each<Partial<ReelDraft>>([
    { mainLength: 'whole pack' },
    { mainLength: 'half of the pack' },
    { mainLength: 'what is left' },
    { backingLength: 'half to five eighths of the spool' },
    { backingLength: '6 mm below the lip' },
    { backingLength: '40 m', mainLength: 'as much as fits' },
    { kept: 'a quarter of the spool' },
    { kept: '25 m' },
    { gear: '' },
    { underneath: 'tape', tapeWraps: '2', mainLength: '120 m' },
  ])('stands in the fields again: %j', (more) => {
    const typed = draft(more);
    const job = draftJob(typed, planFrom(typed, RACK), 'metric', () => 0)!;
    const cuts = job.cuts.map((cut) => ({
      productCode: '',
      own: false,
      takes: null,
      ...cut,
    })) as PlannedCut[];
    const kept = { planInput: job.planInput, wants: job.wants, spool: 'own', cuts };
    expect(reelFromPlan({ tag: '', type: 'fixed-spool', label: 'Kitta 25' }, kept, 'metric')).toMatchObject(
      more,
    );
  });
});

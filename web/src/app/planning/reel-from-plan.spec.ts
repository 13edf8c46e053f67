import type { PlannedCut } from '@yard-spool/contract';
import type { UnitSystem } from '@yard-spool/core';
import { aPiece } from '../testing/pieces';
import { cutRows, draftJob, notReady, takenBy } from './draft-job';
import { planFrom } from '../testing/drafts';
import { emptyReel, likeReel, spareOf, type ReelDraft } from './reel-draft';
import { factsOf, reelFromPlan } from './reel-from-plan';
import { takeBuild } from './take-build';

const PIECES = [
  aPiece({ id: 1, code: 'P-25' }),
  aPiece({ id: 2, code: 'P-26', product: { ...aPiece().product, code: 'SN-26', diameter: 0.26 } }),
];
const DRAFT: ReelDraft = {
  ...emptyReel(),
  label: 'Pier 3000',
  tag: 'R-7',
  gear: '5.2:1',
  rating1: '207 m × 0.25 mm',
  lip: '46.4 mm',
  arbor: '27 mm',
  farArbor: '28 mm',
  mainPiece: '2',
  mainLength: '110 m',
  backingPiece: '1',
  gap: '1.5 mm',
  least: '90 m',
  drag: '2 kg',
  leader: '3 m of 0.50',
  kept: '12 m',
  keptDiameter: '0.3 mm',
};
const plan = (draft: ReelDraft, system: UnitSystem = 'metric') => planFrom(draft, PIECES, system);

/** What a booking keeps of a draft, as the server tells it again. */
function stored(draft: ReelDraft, system: UnitSystem) {
  const job = draftJob(draft, plan(draft, system), system, () => 0)!;
  return {
    planInput: job.planInput,
    wants: job.wants,
    spool: job.spool ?? 'own',
    cuts: job.cuts.map((cut) => ({ productCode: '', own: false, takes: null, ...cut })) as PlannedCut[],
  };
}

describe('a reel as last time', () => {
  it('is the draft that gives the same plan again', () => {
    const kept = stored(DRAFT, 'metric');
    const again = reelFromPlan({ tag: 'R-7', type: 'fixed-spool', label: 'Pier 3000' }, kept, 'metric');
    expect(again).toMatchObject({
      tag: 'R-7',
      mainLength: '110 m',
      least: '90 m',
      kept: '12 m',
      arbor: '27 mm',
    });
    expect(stored(again, 'metric')).toEqual(kept);
  });

  it('means the same after a thousand switches between metric and imperial', () => {
    let kept = stored(DRAFT, 'metric');
    const first = kept.planInput;
    const reel = { tag: 'R-7', type: 'fixed-spool' as const, label: 'Pier 3000' };
    let draft = reelFromPlan(reel, kept, 'imperial');
    for (let i = 0; i < 1000; i += 1) {
      const system = i % 2 === 0 ? 'imperial' : 'metric';
      draft = reelFromPlan(reel, kept, system);
      kept = stored(draft, system);
    }
    expect(draft.gap).toBe('1.5 mm');
    expect(kept.planInput).toEqual(first);
  }, 60_000);

  it('tells a kind’s facts in the person’s units', () => {
    const facts = factsOf({ observations: [{ kind: 'lip', diameter: 50.8 }], gear: 6 }, 'imperial');
    expect(facts).toMatchObject({ lip: '2 in', gear: '6:1' });
  });

  it('like the one above has everything but the tag', () => {
    expect(likeReel(DRAFT)).toEqual({ ...DRAFT, tag: '' });
    expect(likeReel(spareOf(DRAFT, 0))).toMatchObject({ tag: '', spool: '', sameReelAs: '' });
  });

  it('has a spare spool that stays with it', () => {
    const spare = spareOf(DRAFT, 2);
    expect(spare).toMatchObject({ tag: '', spool: 'spare', sameReelAs: '2', label: DRAFT.label });
    expect(draftJob(spare, plan(spare), 'metric', () => 0)).toMatchObject({ spool: 'spare', sameReelAs: 2 });
  });
});

describe('a draft as it is sent', () => {
  it('says what it is cut from and what the customer wants beside', () => {
    const job = draftJob(DRAFT, plan(DRAFT), 'metric', () => 0)!;
    expect(job.cuts).toEqual([
      { layer: 'backing', pieceId: 1 },
      { layer: 'main', pieceId: 2 },
    ]);
    expect(job.wants).toEqual({
      leastMm: 90_000,
      leader: '3 m of 0.50',
      dragKg: 2,
      onItNow: '',
      mainFirst: false,
      endForEnd: false,
      counterOnly: false,
      gap: DRAFT.gap === '' ? 'house' : 'typed',
      bevelMm: null,
    });
    expect(
      draftJob({ ...DRAFT, gap: '', bevel: '2 mm' }, plan(DRAFT), 'metric', () => 0)!.wants,
    ).toMatchObject({
      gap: 'house',
      bevelMm: 2,
    });
    expect(draftJob(emptyReel(), plan(emptyReel()), 'metric', () => 0)).toBeNull();
  });

  it('leaves on a piece what the other reels of the bag leave of it', () => {
    const planned = plan(DRAFT);
    const alone = cutRows(planned);
    const second = cutRows(planned, takenBy([planned]));
    const main = alone.find(({ layer }) => layer === 'main')!;
    expect(main.left).toBeCloseTo(3000 - 112, 6);
    expect(second.find(({ layer }) => layer === 'main')!.left).toBeCloseTo(3000 - 224, 6);
  });

  it('is not ready without a name, or with too little line', () => {
    const planned = plan(DRAFT);
    expect(notReady(DRAFT, planned, cutRows(planned))).toBe('');
    const nameless = { ...DRAFT, label: ' ', tag: '' };
    expect(notReady(nameless, planned, cutRows(planned))).toContain('called');
    // Its tag, or what it looks like, tells a reel that has no name.
    for (const told of [{ tag: 'R-0007' }, { looks: 'red knob' }]) {
      expect(notReady({ ...nameless, ...told }, planned, cutRows(planned))).toBe('');
      expect(draftJob({ ...nameless, ...told }, planned, 'metric', () => 0)!.label).toBe(
        'Fixed-spool, no name',
      );
    }
    const short = cutRows(planned, new Map([[2, 2_950_000]]));
    expect(notReady(DRAFT, planned, short)).toContain('enough line');
    const long = { ...DRAFT, mainLength: '900 m' };
    expect(notReady(long, plan(long), [])).toContain('Shorten');
  });
});

describe('taking another way to build it', () => {
  const build = (kind: string) => ({ kind, uses: { main: 80, backing: 0 } }) as never;
  const wanted = { mainLength: '120 m', wantedMain: '' };

  it.each([
    ['main-only', { underneath: 'main-only', mainLength: 'as much as fits', wantedMain: '120 m' }],
    ['tape', { underneath: 'tape', tapeWraps: '', mainLength: '120 m' }],
    ['backing', { underneath: 'backing', backingLength: '', mainLength: '120 m' }],
    ['main-first', { underneath: 'backing', mainFirst: 'yes', mainLength: '120 m' }],
    ['shorter-main', { underneath: 'backing', mainLength: '80 m' }],
  ] as const)('%s', (kind, change) => {
    expect(takeBuild(build(kind), wanted, 'metric')).toMatchObject(change);
  });

  it('gives back what was wanted after as much as fits', () => {
    const filled = { mainLength: 'as much as fits', wantedMain: '120 m' };
    expect(takeBuild(build('backing'), filled, 'metric')).toMatchObject({ mainLength: '120 m' });
  });
});

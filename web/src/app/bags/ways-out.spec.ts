import type { Piece } from '@yard-spool/contract';
import { TestBed } from '@angular/core/testing';
import { planFrom } from '../testing/drafts';
import { aPiece } from '../testing/pieces';
import { UnitsService } from '../data/units.service';
import { addToDraft, dropDraft, keepDraft, savedDraft } from './booking-draft';
import { cutRows } from '../planning/draft-job';
import { planNotes } from '../planning/plan-notes';
import { emptyReel, type ReelDraft } from '../planning/reel-draft';
import { waysOut } from '../planning/ways-out';

const product = (code: string, diameter: number, strengthKg: number | null = null) => ({
  ...aPiece().product,
  id: Math.round(diameter * 1000),
  code,
  name: code,
  diameter,
  strengthKg,
});
const piece = (id: number, code: string, diameter: number, more: Partial<Piece> = {}): Piece =>
  aPiece({ id, code: `P-${code}`, product: product(code, diameter), lengthMm: 900_000, ...more });
const RACK = [piece(1, 'B-25', 0.25), piece(2, 'M-30', 0.3), piece(3, 'M-26', 0.26), piece(4, 'X-30', 0.3)];
const draft = (more: Partial<ReelDraft> = {}): ReelDraft => ({
  ...emptyReel(),
  label: 'Kitta',
  rating1: '210 x 0.25',
  rating2: '148 x 0.30',
  lip: '46 mm',
  width: '16.5 mm',
  gear: '5.2:1',
  gap: '1.5 mm',
  mainPiece: '2',
  mainLength: '120 m',
  backingPiece: '1',
  ...more,
});
const rack = (pieces: readonly Piece[]) => ({ pieces, lines: pieces.map((one) => one.product) });
const outOf = (more: Partial<ReelDraft>, pieces = RACK) => {
  const typed = draft(more);
  const plan = planFrom(typed, pieces);
  const ways = waysOut(typed, plan, cutRows(plan), { rack: rack(pieces), system: 'metric' });
  return { ways, typed, plan };
};

describe('ways out of a shortfall', () => {
  it('are none where nothing lacks', () => {
    expect(outOf({}).ways).toEqual([]);
  });

  it('a main somewhat too long: a smaller gap, a shorter main, a thinner line, and each works', () => {
    const full = planFrom(draft({ underneath: 'main-only', mainLength: 'as much as fits' }), RACK);
    const fits = full.made!.plan.layers[0]!.length.value;
    const { ways, typed } = outOf({ mainLength: `${(fits + 3).toFixed(0)} m` });
    expect(ways.map(({ name }) => name.split(',')[0])).toEqual([
      'A smaller gap',
      'A shorter main',
      'Thinner: M-26',
    ]);
    for (const { change } of ways) {
      const plan = planFrom({ ...typed, ...change }, RACK);
      expect(plan.made!.plan.issues.filter(({ severity }) => severity === 'error')).toEqual([]);
    }
  });

  it('backing that was given leaves no room: as much as fits', () => {
    const { ways } = outOf({ backingLength: '5 mm below the lip', mainLength: '500 m' });
    expect(ways.map(({ name }) => name)).not.toContain('As much backing as fits');
    const less = outOf({ backingLength: '60 m', mainLength: 'as much as fits', mainPiece: '4' });
    expect(less.ways).toEqual([]);
  });

  it('a piece that is too short: a shorter main, or another piece, or when it comes', () => {
    const scarce = [...RACK.slice(0, 1), piece(2, 'M-30', 0.3, { lengthMm: 80_000 })];
    const { ways } = outOf({}, scarce);
    expect(ways).toEqual([
      { name: 'A shorter main, 80 m', change: { mainLength: '80 m' } },
      { name: 'Thinner: B-25', change: { mainPiece: 'line:B-25' } },
      { name: 'Another piece of it, or when it comes', change: { mainPiece: 'line:M-30' } },
    ]);
  });
});

describe('what has to be said beside a plan', () => {
  const notes = (more: Partial<ReelDraft>, pieces = RACK): string[] => {
    const typed = draft(more);
    return planNotes(typed, planFrom(typed, pieces), TestBed.inject(UnitsService));
  };

  it('is nothing where all was said', () => {
    expect(notes({})).toEqual([]);
  });

  it('the gear that was taken as usual', () => {
    expect(notes({ gear: '' })).toEqual([expect.stringMatching(/^Gear 5\.2:1 is taken, as usual/)]);
  });

  it('what the thickness of old line would change, where it changes anything', () => {
    const [note] = notes({ kept: '25 m' });
    expect(note).toMatch(
      /taken to be 0\.30\smm\. At 0\.25\smm it comes to \d+\sm of backing, at 0\.35\smm to \d+\sm/,
    );
    expect(notes({ kept: 'a quarter of the spool' })).toEqual([]);
  });

  it('a gap that has no say', () => {
    expect(notes({ backingLength: '40 m' })).toEqual([
      expect.stringMatching(/has no say: it comes out \d+\.\d\smm below the lip\./),
    ]);
  });

  it('whether turning line end for end is worth it', () => {
    const turned = { mainPiece: 'turned', ownDiameter: '0.28 mm' };
    expect(notes({ ...turned, mainLength: '150 m' })).toEqual([
      expect.stringMatching(/^With casts of 50\sm: Reverse it: 100\sm at the inner end have not been used/),
    ]);
    expect(notes({ ...turned, mainLength: '80 m' })).toEqual([
      expect.stringMatching(/Renew it when it is due/),
    ]);
  });

  it('a drag above what the weakest layer or its knot stands', () => {
    const weak = [
      piece(1, 'B-25', 0.25, { product: product('B-25', 0.25, 4) }),
      piece(2, 'M-30', 0.3, { product: product('M-30', 0.3, 12) }),
    ];
    expect(notes({ drag: '5 kg' }, weak)).toEqual([
      expect.stringMatching(
        /5\.0\skg is more than B-25 stands: it is rated 4\.0\skg, a knot in it about 3\.4\skg/,
      ),
    ]);
    expect(notes({ drag: '3 kg' }, weak)).toEqual([]);
  });
});

describe('a question that becomes a booking', () => {
  it('takes the place of a reel nobody has begun, and goes before those that are', () => {
    dropDraft();
    addToDraft(draft());
    expect(savedDraft().reels.map(({ label }) => label)).toEqual(['Kitta']);
    keepDraft({ ...savedDraft(), customerName: 'Wenna' });
    addToDraft(draft({ label: 'Other' }));
    expect(savedDraft()).toMatchObject({
      customerName: 'Wenna',
      reels: [{ label: 'Other' }, { label: 'Kitta' }],
    });
    dropDraft();
  });
});

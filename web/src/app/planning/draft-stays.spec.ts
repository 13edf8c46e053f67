import { TestBed } from '@angular/core/testing';
import { UnitsService } from '../data/units.service';
import { planFrom } from '../testing/drafts';
import { aPiece } from '../testing/pieces';
import { draftJob, notReady } from './draft-job';
import { planNotes } from './plan-notes';
import { staysSentence } from './plan-sentence';
import { reelFromPlan } from './reel-from-plan';
import { emptyReel, type ReelDraft } from './reel-draft';

const draft = (more: Partial<ReelDraft> = {}): ReelDraft => ({
  ...emptyReel(),
  label: 'Harling 30',
  type: 'trolling',
  mainPiece: 'stays',
  lip: '58 mm',
  ...more,
});
const RACK = [aPiece()];
const units = {
  system: () => 'metric',
  length: (m: number) => `${m.toFixed(0)} m`,
  diameter: (mm: number) => `${String(mm)} mm`,
} as unknown as Parameters<typeof planNotes>[2];
const line = (key: string, diameter: number) => ({ key, material: 'nylon', diameter }) as const;
const LIES = JSON.stringify([
  {
    spool: 'own',
    lipRadius: 29,
    layers: [
      {
        line: line('SN-25', 0.25),
        name: 'Smoke',
        tint: '#aaaaaa',
        length: 60,
        innerRadius: 13,
        outerRadius: 17,
      },
      {
        line: line('CN-45', 0.45),
        name: 'Clear',
        tint: '#bbbbbb',
        length: 140,
        innerRadius: 17,
        outerRadius: 26,
      },
    ],
  },
]);

describe('a reel whose line stays on', () => {
  it('is booked with nothing said of that line, and takes it for what is usual', () => {
    const plan = planFrom(draft(), RACK);
    expect(plan.input!.request.layers).toMatchObject([
      { kind: 'line', id: 'main', line: { material: 'nylon', diameter: 0.4 }, length: 'fits' },
    ]);
    expect(plan.assumed).toContain('kept-diameter');
    expect(plan.cuts).toEqual({});
    expect(notReady(draft(), plan, [])).toBe('');
    const job = draftJob(draft(), plan, 'metric', () => 0)!;
    expect(job.cuts).toEqual([]);
    expect(job.wants).toMatchObject({ counterOnly: true, endForEnd: false });
    expect(planNotes(draft(), plan, units).join(' ')).toContain('taken to be 0.4 mm nylon');
  });

  it('takes the line as somebody measured it, up to the gap as it is now', () => {
    const plan = planFrom(draft({ ownDiameter: '0.5 mm', ownMaterial: 'braid', gap: '6 mm' }), RACK);
    expect(plan.input!.request).toMatchObject({
      gap: 6,
      layers: [{ line: { material: 'braid', diameter: 0.5 }, length: 'fits' }],
    });
    expect(plan.assumed).not.toContain('kept-diameter');
    const { headline, likely } = staysSentence(plan.made!.plan, TestBed.inject(UnitsService));
    expect(headline).toBe('Its line stays on: the counter is matched.');
    expect(likely).toMatch(/^about \d+\sm on it, likely \d+\sm to \d+\sm$/);
  });

  it('is what lies there by the record, whatever was typed of backing', () => {
    const plan = planFrom(draft({ lies: LIES, backingPiece: '1', backingLength: '50 m' }), RACK);
    expect(plan.input!.request.layers).toMatchObject([
      { kind: 'retained', line: { key: 'SN-25' }, left: { length: 60 } },
      { kind: 'line', id: 'main', line: { key: 'CN-45' }, length: 140 },
    ]);
  });

  it('is planned again as it was booked', () => {
    const plan = planFrom(draft(), RACK);
    const { planInput, wants } = draftJob(draft(), plan, 'metric', () => 0)!;
    const again = reelFromPlan(
      { tag: 'R-1', type: 'trolling', label: 'Harling 30' },
      { planInput, wants, cuts: [], spool: 'own' },
      'metric',
    );
    expect(again).toMatchObject({ mainPiece: 'stays', underneath: 'main-only', lip: '58 mm' });
    expect(planFrom(again, RACK).input!.request.layers).toEqual(plan.input!.request.layers);
  });
});

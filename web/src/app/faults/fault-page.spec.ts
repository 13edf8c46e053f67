import type { ComebackFigures, Comeback, Reel, Run } from '@yard-spool/contract';
import { aComeback, aFill, onSpool } from '../testing/fills';
import { anEvent, aRun } from '../testing/runs';
import { openScreen, problem } from '../testing/screen';
import { answered, looksOf, NOTHING_TOLD, oneBack, sayToo, toldFrom } from './fault-case';
import { FaultPage } from './fault-page';
import { filledReelOf } from './filled-reel-of';

const FIGURES: ComebackFigures = {
  months: [],
  seen: [{ type: 'fixed-spool', fault: 'too-full', count: 3 }],
  standsOut: [],
};

describe('what was said of a reel that is not right', () => {
  it('is added to and taken back; an answer takes the place of the one before, and its depth goes with it', () => {
    const said = sayToo(sayToo(NOTHING_TOLD, 'loops'), 'twist');
    expect(sayToo(said, 'loops').symptoms).toEqual(['twist']);
    const measured = answered(answered(said, 'lost', 'no'), 'gap', 'higher', 0.4);
    expect(measured.gapRead).toBe(0.4);
    expect(answered(measured, 'lost', 'yes').answers.map(({ answer }) => answer)).toEqual(['higher', 'yes']);
    expect(oneBack(measured)).toMatchObject({ gapRead: null, answers: [{ look: 'lost', answer: 'no' }] });
    expect(oneBack(NOTHING_TOLD)).toEqual(NOTHING_TOLD);
  });

  it('is read from an address, whatever stands in it', () => {
    expect(looksOf('thumb:springs,load,:no,')).toEqual([{ look: 'thumb', answer: 'springs' }]);
    expect(toldFrom('loops,nonsense', looksOf('thumb:springs,thumb:sings,tea:cold'))).toEqual({
      symptoms: ['loops'],
      answers: [{ look: 'thumb', answer: 'springs' }],
      gapRead: null,
    });
  });
});

describe('what is wrong with it', () => {
  it('of a reel nobody knows: what is said brings the first look, an answer the next, and nothing is kept', async () => {
    const { http, press, shown, element, type } = await openScreen(FaultPage);
    http.expectOne('/api/comebacks/figures').flush(FIGURES);
    await type('Or in their own words', 'nothing of the kind');
    expect(shown()).toContain('None of these is named in that');
    await press('throws loops');
    const asked = (): string => element.querySelector('[data-test=question] h2')?.textContent ?? '';
    const first = asked();
    expect(first).not.toBe('');
    await press('Cannot tell');
    expect(asked()).not.toBe(first);
    expect(shown()).toContain('Cannot be told.');
    await press('Take the last answer back');
    expect(asked()).toBe(first);
    expect(shown()).toContain('Nothing is written down of a reel that has no fill here');
    expect(shown()).toContain('seen here 3 of 3 times');
  });

  it('of a fill on record: the depth as it is measured counts, and what it was is written down with its looks', async () => {
    const { http, press, shown, type, fixture } = await openScreen(FaultPage, {
      tag: 'R-0003',
      say: 'loops',
      look: 'gap:higher',
    });
    http.expectOne('/api/comebacks/figures').flush(FIGURES);
    const fill = aFill({ gapRead: 1 });
    const reel: Reel = {
      tag: 'R-0003',
      version: 1,
      type: 'fixed-spool',
      label: 'Pier 3000',
      looks: '',
      customer: { id: 2, name: 'Ivo', contact: '' },
      fills: [fill],
      spools: [{ name: 'own', observations: [], on: onSpool() }],
      gear: null,
      tags: [],
      history: [],
      waiting: null,
    };
    http.expectOne('/api/reels/R-0003').flush(reel);
    await fixture.whenStable();
    http.expectOne('/api/runs/5').flush({ ...aRun(), id: 5 });
    await fixture.whenStable();
    expect(shown()).toMatch(/It left 1\.0\smm below the lip/);
    expect(shown()).toContain('Enough is known');
    // A look that was made by eye is made again with a calliper.
    await press('Change');
    await type('Depth below the lip', '0.2 mm');
    await press('That deep');
    expect(shown()).toContain('It stands higher now than the house fills.');
    expect(shown()).toMatch(/Take [\d.]+\sm off the top/);
    await press('It is this: write it down');
    await type('What was done', 'four metres off');
    await press('Write it down');
    http.expectOne('/api/fills/3/comebacks').flush(aComeback());
    const call = http.expectOne('/api/comebacks/9');
    const body = call.request.body as Comeback;
    expect(body).toMatchObject({
      fault: 'too-full',
      cause: 'our-winding',
      did: 'four metres off',
      worked: null,
    });
    expect(body.looks).toContainEqual({ look: 'gap', answer: 'higher' });
    call.flush(problem('stale-version', 'Somebody wrote something else here meanwhile.'), {
      status: 409,
      statusText: 'no',
    });
    await fixture.whenStable();
    expect(shown()).toContain('Somebody wrote something else here meanwhile.');
    // Tried again, what was booked already is gone on with: it is not booked twice.
    await press('Write it down');
    http.expectNone('/api/fills/3/comebacks');
    http.expectOne('/api/comebacks/9');
  });
});

describe('what the record tells of a fill', () => {
  const main = aFill().layers.at(-1)!.id;
  const supply = {
    layer: main,
    way: 'over-end',
    supplyTurns: 'clockwise',
    reelTurns: 'anticlockwise',
  } as const;
  const supplies: Run['supplies'] = [
    { layer: main, diameters: [100, 100], measured: true, leaves: 'unknown', strengthKg: 3 },
  ];
  const log = [
    anEvent(2, { kind: 'supply', payload: supply }),
    anEvent(3, { kind: 'noted', payload: { step: 'drag-reading', values: { drag: 2.5 } } }),
  ];
  const of = (wet: boolean, hand: string, soak: 'none' | 'short' = 'none') => {
    const fill = aFill();
    const under = { ...fill.under, rules: { ...fill.under.rules, soak } };
    const layers = fill.layers.map((layer) => ({
      ...layer,
      wet,
      line: { ...layer.line, material: 'nylon' as const },
    }));
    return filledReelOf(
      { type: 'fixed-spool', spools: [] },
      { ...fill, under, layers },
      aRun(log, { supplies }),
      {
        lots: new Set<string>(),
        hands: new Set([hand]),
      },
    );
  };

  it('is how its supply stood, its drag, its water and whose other reels come back', () => {
    const reel = of(true, aFill().by);
    expect(reel).toMatchObject({ wet: true, drag: 2.5, handStandsOut: true });
    // Against the bail both turns add up; the other way round they take from each other.
    const { turns = 0, best = 0 } = reel.supplyTwist ?? {};
    expect(turns - best).toBeCloseTo(2000 / (Math.PI * 100), 6);
    expect(of(false, 'Nobody')).toMatchObject({ wet: false, handStandsOut: false });
    // A house that soaks may have done so where no tub knows of it.
    expect(of(false, 'Nobody', 'short').wet).toBeNull();
  });
});

import type { ComebackFigures, Comeback, Reel } from '@yard-spool/contract';
import { aComeback, aFill, onSpool } from '../testing/fills';
import { aRun } from '../testing/runs';
import { openScreen, problem } from '../testing/screen';
import { answered, looksOf, NOTHING_TOLD, oneBack, sayToo, toldFrom } from './fault-case';
import { FaultPage } from './fault-page';

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

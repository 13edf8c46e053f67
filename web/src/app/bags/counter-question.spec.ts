import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { openScreen } from '../testing/screen';
import { dropDraft, savedDraft } from './booking-draft';
import { CounterQuestionPage } from './counter-question';

describe('a counter that is off', () => {
  it('is answered with one reading, and more surely with the spool measured', async () => {
    const { type, shown } = await openScreen(CounterQuestionPage);
    expect(shown()).toContain('Type what the counter reads');
    await type('At this length of line', '100 ft');
    await type('Counter reads', '33');
    expect(shown()).toMatch(/Add about \d+(\.\d)?.m/);
    expect(shown()).toContain('as on reels of this sort');
    await type('Line on top', '0.45 mm');
    await type('Across the full spool', '40 mm');
    await type('Width between', '25 mm');
    expect(shown()).toContain('by the spool as it was measured');
  });

  it('becomes a booking whose line stays on, with what was asked', async () => {
    dropDraft();
    const { type, press } = await openScreen(CounterQuestionPage);
    await type('At this length of line', '100 ft');
    await type('Counter reads', '117');
    await type('Line on top', '0.45 mm');
    await type('Width between', '25 mm');
    const to: unknown[] = [];
    TestBed.inject(Router).navigate = (commands) => {
      to.push(commands);
      return Promise.resolve(true);
    };
    await press('Book it in');
    expect(to).toEqual([['/bags/new']]);
    expect(savedDraft().reels[0]).toMatchObject({
      type: 'trolling',
      mainPiece: 'stays',
      underneath: 'main-only',
      ownDiameter: '0.45 mm',
      width: '25 mm',
      onItNow: 'counter reads 117 m at 100 ft',
    });
    dropDraft();
  });

  it('says that it agrees, takes off where it reads low, and says what cannot be read', async () => {
    const { type, shown } = await openScreen(CounterQuestionPage);
    await type('Counter reads', '30');
    expect(shown()).toContain('It agrees: nothing to do');
    await type('Counter reads', '28');
    expect(shown()).toContain('Take off about');
    await type('Counter reads', 'lots');
    expect(shown()).toContain('Type a number the counter shows');
  });
});

import { TestBed } from '@angular/core/testing';
import { Subject, throwError } from 'rxjs';
import { openScreen } from '../testing/screen';
import { UndoStrip } from './undo-strip';
import { RequestProblem } from '../data/request-problem';
import { Undo } from './undo.service';

describe('what was taken away', () => {
  it('comes back by a press, is told until then, and says why where it cannot', async () => {
    const screen = await openScreen(UndoStrip);
    const undo = TestBed.inject(Undo);
    expect(screen.shown()).toBe('');
    let looked = 0;
    TestBed.runInInjectionContext(() => undo.whenUndone(() => (looked += 1)));
    const gone = new RequestProblem('not-enough-line', 'Its line was promised to others.');
    undo.tell({ words: 'Bag 4 is cancelled.', back: () => throwError(() => gone) });
    await screen.fixture.whenStable();
    await screen.press('Undo');
    expect(screen.shown()).toMatch(/Bag 4 is cancelled.*Its line was promised to others/);
    const answer = new Subject<void>();
    undo.tell({ words: 'Left is deleted.', back: () => answer });
    await screen.fixture.whenStable();
    expect(screen.shown()).not.toContain('promised');
    await screen.press('Undo');
    answer.next();
    await screen.fixture.whenStable();
    expect([screen.shown(), looked]).toEqual(['', 1]);
  });
});

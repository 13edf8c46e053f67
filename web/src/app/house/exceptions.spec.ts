import type { Exception } from '@yard-spool/contract';
import { effectiveRules, tell, USUAL_HOUSE_RULES } from '@yard-spool/core';
import { aHouse, signInAs } from '../testing/house';
import { openScreen, problem } from '../testing/screen';
import { ExceptionsPage } from './exceptions-page';
import { exceptionWords } from '../words/exception-words';

const NOW = '2031-03-10T17:00:00.000Z';

describe('exceptions to the house rules', () => {
  const one: Exception = {
    id: 5,
    scope: 'customer',
    key: '3',
    name: 'Wenna',
    question: 'guides',
    school: 'all',
    why: 'takes the rod',
    at: NOW,
    by: 'Tova',
  };

  it('are said with whom they are for', () => {
    const ruling = effectiveRules(USUAL_HOUSE_RULES, [{ scope: 'line', question: 'soak', school: 'none' }]);
    expect(exceptionWords(ruling).map((words) => tell(words, 'metric'))).toEqual([
      'Soak: Not at all, set for this line.',
    ]);
  });

  it('say what is missing before one can be set, and send it', async () => {
    const screen = await openScreen(ExceptionsPage);
    screen.http.expectOne('/api/products').flush([]);
    screen.http.expectOne('/api/house-rules').flush(aHouse());
    screen.http.expectOne('/api/exceptions').flush([one]);
    await signInAs(screen, 'manager');
    expect(screen.shown()).toContain('Guides: All of them instead of The first guide');
    expect(screen.shown()).toContain('three letters do');
    screen.fixture.componentInstance.form.patchValue({ scope: 'sort' });
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('Choose a type of reel, what the main line is made of, or both.');
    screen.fixture.componentInstance.form.patchValue({ scope: 'reel', tag: 'R-0001', question: 'soak' });
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('Choose the option');
    await screen.type('What they want', 'none');
    await screen.type('Why', 'asked');
    await screen.press('Set the exception');
    const sent = screen.http.expectOne('/api/exceptions');
    expect(sent.request.body).toEqual({
      target: { scope: 'reel', tag: 'R-0001' },
      question: 'soak',
      school: 'none',
      why: 'asked',
    });
    sent.flush(problem('not-found', 'No reel has the tag R-0001.'), { status: 404, statusText: 'no' });
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('No reel has the tag R-0001.');
    // A sort of reel: by its type, by what its main line is made of, or by both.
    const { form } = screen.fixture.componentInstance;
    const targets = [];
    for (const [type, material] of [
      ['trolling', 'any'],
      ['any', 'hollow-braid'],
      ['trolling', 'braid'],
    ] as const) {
      form.patchValue({ scope: 'sort', question: 'soak', school: 'none', why: 'asked', type, material });
      await screen.fixture.whenStable();
      await screen.press('Set the exception');
      const asked = screen.http.expectOne('/api/exceptions');
      targets.push((asked.request.body as { target: object }).target);
      asked.flush(problem('not-allowed', 'Not now.'), { status: 403, statusText: 'no' });
      await screen.fixture.whenStable();
    }
    expect(targets).toEqual([
      { scope: 'type', type: 'trolling' },
      { scope: 'material', material: 'hollow-braid' },
      { scope: 'material-on-type', type: 'trolling', material: 'braid' },
    ]);
  });
});

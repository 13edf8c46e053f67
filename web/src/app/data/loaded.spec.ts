import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { of, Subject, throwError, type Observable } from 'rxjs';
import { loadFor, type Loader } from './loaded';
import { RequestProblem } from './request-problem';

const away = new RequestProblem('server-away', 'The server does not answer.');

/** A loader of pages by their names, whose answers are given one by one. */
function openPages(between?: 'nothing') {
  const name = signal('tag');
  const asked: string[] = [];
  let answer: (name: string) => Observable<string> = (one) => of(`the ${one}`);
  const pages: Loader<string> = TestBed.runInInjectionContext(() =>
    loadFor(
      name,
      (one) => {
        asked.push(one);
        return answer(one);
      },
      between,
    ),
  );
  TestBed.tick();
  return { name, asked, pages, answerWith: (next: typeof answer) => void (answer = next) };
}

describe('what is asked for an input that changes', () => {
  it('is asked for the next one after one that failed', () => {
    const { name, pages, answerWith } = openPages();
    expect(pages.value()).toBe('the tag');
    answerWith(() => throwError(() => away));
    name.set('slip');
    TestBed.tick();
    expect(pages.now()).toEqual({ state: 'failed', sentence: 'The server does not answer.' });
    answerWith((one) => of(`the ${one}`));
    name.set('tag');
    TestBed.tick();
    expect(pages.value()).toBe('the tag');
  });

  it('is asked again for the one there is, after one that failed too', () => {
    const { pages, asked, answerWith } = openPages();
    answerWith(() => throwError(() => away));
    pages.reload();
    expect(pages.now().state).toBe('failed');
    answerWith(() => of('here again'));
    pages.reload();
    expect(pages.value()).toBe('here again');
    expect(asked).toEqual(['tag', 'tag', 'tag']);
  });

  it('shows the last one, or nothing, while the next is on its way', () => {
    for (const [between, shown] of [
      [undefined, 'the tag'],
      ['nothing', undefined],
    ] as const) {
      const { name, pages, answerWith } = openPages(between);
      const slow = new Subject<string>();
      answerWith(() => slow);
      name.set('slip');
      TestBed.tick();
      expect(pages.value()).toBe(shown);
      slow.next('the slip');
      expect(pages.value()).toBe('the slip');
    }
  });
});

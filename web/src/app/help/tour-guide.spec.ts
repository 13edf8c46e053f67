import { ChangeDetectionStrategy, Component } from '@angular/core';
import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { TourGuide } from './tour-guide.service';
import { TourStrip } from './tour-strip';
import { TOURS } from './tours';

@Component({ template: '', changeDetection: ChangeDetectionStrategy.OnPush })
class Somewhere {}

const [booking] = TOURS;
/** What the screens of the tour show at a step. */
const PAGES = {
  list: '<a href="/bags/new">Book a bag in</a>',
  customer: (name: string) => `<input id="customer" value="${name}">`,
} as const;

describe('a tour', () => {
  let page: HTMLElement;
  const open = (demo: boolean) => {
    TestBed.configureTestingModule({
      providers: [
        provideHttpClient(),
        provideHttpClientTesting(),
        provideRouter([{ path: '**', component: Somewhere }]),
      ],
    });
    const guide = TestBed.inject(TourGuide);
    const sheet = {
      people: [],
      ...(demo ? { demo: { people: [], counterPanel: 'http://127.0.0.1:9' } } : {}),
    };
    TestBed.inject(HttpTestingController).expectOne('/api/sign-in').flush(sheet);
    return guide;
  };
  beforeEach(() => {
    sessionStorage.clear();
    // The test's page is not laid out: there is nothing to scroll.
    HTMLElement.prototype.scrollIntoView = () => undefined;
    page = document.body.appendChild(document.createElement('div'));
  });
  afterEach(() => {
    TestBed.inject(TourGuide).leave();
    page.remove();
  });
  const shows = async (html: string): Promise<void> => {
    page.innerHTML = html;
    TestBed.tick();
    await Promise.resolve();
  };
  const go = (url: string) => TestBed.inject(Router).navigateByUrl(url);

  it('marks what is to be used, and goes on as it is done on the real screen', async () => {
    const guide = open(false);
    page.innerHTML = PAGES.list;
    guide.begin(booking!);
    await go('/bags');
    expect(guide.at()).toBe(0);
    expect(page.querySelector('a')?.hasAttribute('data-tour-mark')).toBe(true);
    await go('/bags/new');
    await shows(PAGES.customer('We'));
    expect(guide.at()).toBe(1);
    expect(page.querySelector('input')?.hasAttribute('data-tour-mark')).toBe(true);
    page.querySelector('input')!.value = 'Wenna';
    page.querySelector('input')!.dispatchEvent(new Event('input', { bubbles: true }));
    expect(guide.at()).toBe(2);
  });

  it('goes on after a reload, and leaves nothing behind once it is left', async () => {
    const guide = open(false);
    page.innerHTML = PAGES.list;
    guide.begin(booking!);
    await go('/bags');
    guide.skip();
    expect(JSON.parse(sessionStorage.getItem('yard-spool.tour')!)).toEqual({
      id: 'book',
      at: 1,
      skipped: [0],
    });
    guide.leave();
    expect(guide.tour()).toBeNull();
    expect(sessionStorage.getItem('yard-spool.tour')).toBeNull();
    expect(document.querySelector('[data-tour-mark]')).toBeNull();
    // Taken up where it was left; step by step back to what was skipped.
    guide.begin(booking!);
    expect(guide.at()).toBe(1);
    guide.back();
    expect([guide.at(), guide.skipped()]).toEqual([0, []]);
    guide.leave();
  });

  it('is not broken by what somebody else put where it is kept', () => {
    sessionStorage.setItem('yard-spool.tour', '{"id":"book"');
    expect(open(false).tour()).toBeNull();
  });

  it('says in a shop what to do, and in the demo also what to try; elsewhere it shows the way', async () => {
    for (const demo of [false, true]) {
      const guide = open(demo);
      const strip = TestBed.createComponent(TourStrip);
      guide.begin(booking!);
      guide.skip();
      strip.componentRef.setInput('url', '/rack');
      await strip.whenStable();
      const text = (strip.nativeElement as HTMLElement).textContent;
      expect(text).toContain('Three letters of a name');
      expect(text.includes('Try “Wen”')).toBe(demo);
      expect(text).toContain(demo ? 'Book in three reels, 2 of' : 'Book reels in, 2 of');
      expect(text).toContain('Go there');
      guide.leave();
      sessionStorage.clear();
      TestBed.resetTestingModule();
    }
    open(false);
  });

  it('leads the demo to its second bench, and a shop to whichever it has', async () => {
    const [, filling] = TOURS;
    for (const demo of [false, true]) {
      const guide = open(demo);
      page.innerHTML = `<ys-bench-list><ys-pick-field><input value="Bench 1"></ys-pick-field><ul>
        <li data-bench="Bench 1"><a>one</a></li><li data-bench="Bench 2"><a>two</a></li></ul></ys-bench-list>`;
      guide.begin(filling!);
      await go('/bench');
      expect(guide.at()).toBe(demo ? 0 : 1);
      if (demo) guide.skip();
      expect(page.querySelector('[data-tour-mark]')?.textContent).toBe(demo ? 'two' : 'one');
      guide.leave();
      sessionStorage.clear();
      TestBed.resetTestingModule();
    }
    open(false);
  });

  it('along the bench is done by the reel’s page that closing leads to, and by no other', async () => {
    const [, filling] = TOURS;
    const guide = open(false);
    guide.begin(filling!);
    for (let step = 1; step < filling!.steps.length; step += 1) guide.skip();
    await go('/reels/R-1');
    expect(guide.step()).not.toBeNull();
    await TestBed.inject(Router).navigateByUrl('/reels/R-2', { state: { filled: true } });
    expect(guide.step()).toBeNull();
  });

  it('has an end that is said', async () => {
    const guide = open(false);
    const strip = TestBed.createComponent(TourStrip);
    strip.componentRef.setInput('url', '/bags/7');
    guide.begin(booking!);
    for (const step of booking!.steps) if (step.say) guide.skip();
    await strip.whenStable();
    const text = (strip.nativeElement as HTMLElement).textContent;
    expect(text).toContain('done, steps 1, 2, 3, 4, 5, 6 skipped.');
    expect(text).toContain(booking!.end);
    expect(text).not.toContain('Skip this step');
  });
});

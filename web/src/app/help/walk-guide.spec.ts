import { ChangeDetectionStrategy, Component } from '@angular/core';
import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { WalkGuide } from './walk-guide.service';
import { WalkStrip } from './walk-strip';
import { WALKS } from './walks';

@Component({ template: '', changeDetection: ChangeDetectionStrategy.OnPush })
class Somewhere {}

const [booking] = WALKS;
/** What the screens of the walk show at a step. */
const PAGES = {
  list: '<a href="/bags/new">Book a bag in</a>',
  customer: (name: string) => `<input id="customer" value="${name}">`,
} as const;

describe('a walk', () => {
  let page: HTMLElement;
  const open = (demo: boolean) => {
    TestBed.configureTestingModule({
      providers: [
        provideHttpClient(),
        provideHttpClientTesting(),
        provideRouter([{ path: '**', component: Somewhere }]),
      ],
    });
    const guide = TestBed.inject(WalkGuide);
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
    TestBed.inject(WalkGuide).leave();
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
    expect(page.querySelector('a')?.hasAttribute('data-walk-mark')).toBe(true);
    await go('/bags/new');
    await shows(PAGES.customer('We'));
    expect(guide.at()).toBe(1);
    expect(page.querySelector('input')?.hasAttribute('data-walk-mark')).toBe(true);
    page.querySelector('input')!.value = 'Wenna';
    page.querySelector('input')!.dispatchEvent(new Event('input', { bubbles: true }));
    expect(guide.at()).toBe(2);
  });

  it('goes on after a reload, and leaves nothing behind once it is left', async () => {
    const guide = open(false);
    page.innerHTML = PAGES.list;
    guide.begin(booking!);
    await go('/bags');
    guide.next();
    expect(JSON.parse(sessionStorage.getItem('yard-spool.walk')!)).toEqual({ id: 'book', at: 1 });
    guide.leave();
    expect(guide.walk()).toBeNull();
    expect(sessionStorage.getItem('yard-spool.walk')).toBeNull();
    expect(document.querySelector('[data-walk-mark]')).toBeNull();
  });

  it('is not broken by what somebody else put where it is kept', () => {
    sessionStorage.setItem('yard-spool.walk', '{"id":"book"');
    expect(open(false).walk()).toBeNull();
  });

  it('says in a shop what to do, and in the demo also what to try; elsewhere it shows the way', async () => {
    for (const demo of [false, true]) {
      const guide = open(demo);
      const strip = TestBed.createComponent(WalkStrip);
      guide.begin(booking!);
      guide.next();
      strip.componentRef.setInput('url', '/rack');
      await strip.whenStable();
      const text = (strip.nativeElement as HTMLElement).textContent;
      expect(text).toContain('Three letters of a name');
      expect(text.includes('Try “Wen”')).toBe(demo);
      expect(text).toContain(demo ? 'Book in three reels, 2 of' : 'Book reels in, 2 of');
      expect(text).toContain('Go there');
      guide.leave();
      TestBed.resetTestingModule();
    }
    open(false);
  });

  it('leads the demo to its second bench, and a shop to whichever it has', async () => {
    const [, filling] = WALKS;
    for (const demo of [false, true]) {
      const guide = open(demo);
      page.innerHTML = `<ys-bench-list><select><option value="1">Bench 1</option></select><ul>
        <li data-bench="Bench 1"><a>one</a></li><li data-bench="Bench 2"><a>two</a></li></ul></ys-bench-list>`;
      guide.begin(filling!);
      await go('/bench');
      expect(guide.at()).toBe(demo ? 0 : 1);
      if (demo) guide.next();
      expect(page.querySelector('[data-walk-mark]')?.textContent).toBe(demo ? 'two' : 'one');
      guide.leave();
      TestBed.resetTestingModule();
    }
    open(false);
  });

  it('along the bench is done by the reel’s page that closing leads to, and by no other', async () => {
    const [, filling] = WALKS;
    const guide = open(false);
    guide.begin(filling!);
    for (let step = 1; step < filling!.steps.length; step += 1) guide.next();
    await go('/reels/R-1');
    expect(guide.step()).not.toBeNull();
    await TestBed.inject(Router).navigateByUrl('/reels/R-2', { state: { filled: true } });
    expect(guide.step()).toBeNull();
  });

  it('has an end that is said', async () => {
    const guide = open(false);
    const strip = TestBed.createComponent(WalkStrip);
    strip.componentRef.setInput('url', '/bags/7');
    guide.begin(booking!);
    for (const step of booking!.steps) if (step.say) guide.next();
    await strip.whenStable();
    const text = (strip.nativeElement as HTMLElement).textContent;
    expect(text).toContain('done.');
    expect(text).toContain(booking!.end);
    expect(text).not.toContain('Skip this step');
  });
});

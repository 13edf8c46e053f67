import { DOCUMENT, Location } from '@angular/common';
import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { NavigationEnd, Router } from '@angular/router';
import { filter } from 'rxjs';
import { DemoService } from '../data/demo.service';
import { pathOf } from './path-of';
import { TOURS, type JustFilled, type SeenPage, type Tour, type TourStep } from './tours';

const KEPT_AT = 'yard-spool.tour';
const LEFT_AT = 'yard-spool.tour-left';
const MARK = 'data-tour-mark';
/** What may change what a page shows: also a field that is typed into, which changes no element. */
const HAPPENINGS = ['input', 'change', 'click', 'keyup'] as const;

interface Kept {
  readonly id: string;
  readonly at: number;
  /** Steps that were passed over without being done. */
  readonly skipped: readonly number[];
}

/** A tour over the real screens: which one, how far, and whether a step was done. It can be left at any time. */
@Injectable({ providedIn: 'root' })
export class TourGuide {
  private readonly router = inject(Router);
  private readonly document = inject(DOCUMENT);
  private readonly location = inject(Location);
  private readonly demo = inject(DemoService);
  private readonly kept = signal(readSaved(KEPT_AT));
  /** Gone back to: a step that was done once is not passed by itself. */
  private held = false;
  private watching: (() => void) | null = null;

  readonly tour = computed((): Tour | null => TOURS.find(({ id }) => id === this.kept()?.id) ?? null);
  readonly at = computed(() => this.kept()?.at ?? 0);
  readonly skipped = computed(() => this.kept()?.skipped ?? []);
  /** The step that is to be done; null behind the last. */
  readonly step = computed(() => this.tour()?.steps[this.at()] ?? null);
  readonly name = computed(() => this.nameOf(this.tour()));

  constructor() {
    if (this.tour()) this.watch();
    inject(DestroyRef).onDestroy(() => this.watching?.());
  }

  nameOf(tour: Tour | null): string {
    return tour ? (this.demo.isDemo() ? tour.demoName : tour.name) : '';
  }

  /** Begins a tour, or takes up one that was left on its way; the one that is under way begins again. */
  begin(tour: Tour): void {
    const left = readSaved(LEFT_AT);
    const from = left?.id === tour.id && this.tour() !== tour ? left : { id: tour.id, at: 0, skipped: [] };
    this.held = false;
    this.keep(from);
    this.watch();
    void this.router.navigateByUrl(tour.steps[from.at]?.way ?? '/bags');
  }

  /** Past a step that is not done. */
  skip(): void {
    const kept = this.kept();
    this.next(kept && !this.held ? [...kept.skipped, kept.at] : undefined);
  }

  /** To the step before, to look at it or to do it after all. */
  back(): void {
    const kept = this.kept();
    if (!kept || kept.at === 0) return;
    const at = kept.at - 1;
    this.held = true;
    this.keep({ ...kept, at, skipped: kept.skipped.filter((one) => one !== at) });
    this.follow();
  }

  private next(skipped = this.skipped()): void {
    const kept = this.kept();
    this.held = false;
    if (kept) this.keep({ ...kept, at: kept.at + 1, skipped });
    this.follow();
  }

  leave(): void {
    this.watching?.();
    this.watching = null;
    // Where it was left it can be taken up again.
    if (this.step() && this.at() > 0) sessionStorage.setItem(LEFT_AT, JSON.stringify(this.kept()));
    else sessionStorage.removeItem(LEFT_AT);
    this.keep(null);
    this.mark(null);
  }

  private keep(kept: Kept | null): void {
    this.kept.set(kept);
    if (kept) sessionStorage.setItem(KEPT_AT, JSON.stringify(kept));
    else sessionStorage.removeItem(KEPT_AT);
  }

  /** Looks at the page whenever it changes. */
  private watch(): void {
    if (this.watching) return;
    const follow = (): void => this.follow();
    const changes = new MutationObserver(follow);
    changes.observe(this.document.body, {
      childList: true,
      subtree: true,
      attributes: true,
      attributeFilter: ['disabled', 'class'],
    });
    for (const one of HAPPENINGS) this.document.addEventListener(one, follow);
    const moved = this.router.events
      .pipe(filter((event) => event instanceof NavigationEnd))
      .subscribe(follow);
    this.watching = () => {
      changes.disconnect();
      moved.unsubscribe();
      for (const one of HAPPENINGS) this.document.removeEventListener(one, follow);
    };
    this.follow();
  }

  /** Goes on past what is done, and marks what is to be used. A step is done only where it is done. */
  private follow(): void {
    const page = seen(this.document, pathOf(this.router.url), this.location.getState(), this.demo.isDemo());
    const step = this.step();
    const done = step?.done(page) ?? false;
    if (!done) this.held = false;
    if (done && !this.held) this.next();
    else this.mark(step?.at.test(page.url) ? marked(step, page.demo) : null);
  }

  private mark(selector: string | null): void {
    const now = selector ? this.document.querySelector(selector) : null;
    for (const one of this.document.querySelectorAll(`[${MARK}]`)) if (one !== now) one.removeAttribute(MARK);
    if (!now || now.hasAttribute(MARK)) return;
    now.setAttribute(MARK, '');
    now.scrollIntoView({ block: 'nearest' });
  }
}

function readSaved(place: string): Kept | null {
  try {
    const kept = JSON.parse(sessionStorage.getItem(place) ?? 'null') as Partial<Kept> | null;
    return typeof kept?.id === 'string' && Number.isInteger(kept.at)
      ? { id: kept.id, at: Number(kept.at), skipped: (kept.skipped ?? []).filter(Number.isInteger) }
      : null;
  } catch {
    return null;
  }
}

const marked = ({ mark, demoMark }: TourStep, demo: boolean): string | null =>
  (demo ? demoMark : undefined) ?? mark ?? null;

const seen = (document: Document, url: string, state: unknown, demo: boolean): SeenPage => ({
  url,
  demo,
  filled: (state as Partial<JustFilled> | null)?.filled === true,
  has: (selector) => document.querySelector(selector) !== null,
  typed: (selector) => {
    const field = document.querySelector(selector);
    return field instanceof HTMLInputElement || field instanceof HTMLSelectElement ? field.value.trim() : '';
  },
});

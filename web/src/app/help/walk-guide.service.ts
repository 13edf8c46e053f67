import { DOCUMENT, Location } from '@angular/common';
import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { NavigationEnd, Router } from '@angular/router';
import { filter } from 'rxjs';
import { DemoService } from '../data/demo.service';
import { pathOf } from './path-of';
import { WALKS, type JustFilled, type SeenPage, type Walk, type WalkStep } from './walks';

const KEPT_AT = 'yard-spool.walk';
const MARK = 'data-walk-mark';
/** What may change what a page shows: also a field that is typed into, which changes no element. */
const HAPPENINGS = ['input', 'change', 'click', 'keyup'] as const;

interface Kept {
  readonly id: string;
  readonly at: number;
}

/** A walk over the real screens: which one, how far, and whether a step was done. It can be left at any time. */
@Injectable({ providedIn: 'root' })
export class WalkGuide {
  private readonly router = inject(Router);
  private readonly document = inject(DOCUMENT);
  private readonly location = inject(Location);
  private readonly demo = inject(DemoService);
  private readonly kept = signal(readSaved());
  private watching: (() => void) | null = null;

  readonly walk = computed((): Walk | null => WALKS.find(({ id }) => id === this.kept()?.id) ?? null);
  readonly at = computed(() => this.kept()?.at ?? 0);
  /** The step that is to be done; null behind the last. */
  readonly step = computed(() => this.walk()?.steps[this.at()] ?? null);
  readonly name = computed(() => this.nameOf(this.walk()));

  constructor() {
    if (this.walk()) this.watch();
    inject(DestroyRef).onDestroy(() => this.watching?.());
  }

  nameOf(walk: Walk | null): string {
    return walk ? (this.demo.isDemo() ? walk.demoName : walk.name) : '';
  }

  /** Begins a walk where its first step is done. */
  begin(walk: Walk): void {
    this.keep({ id: walk.id, at: 0 });
    this.watch();
    void this.router.navigateByUrl(walk.steps[0]?.way ?? '/bags');
  }

  next(): void {
    const kept = this.kept();
    if (kept) this.keep({ ...kept, at: kept.at + 1 });
    this.follow();
  }

  leave(): void {
    this.watching?.();
    this.watching = null;
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
    if (step?.done(page)) this.next();
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

function readSaved(): Kept | null {
  try {
    const kept = JSON.parse(sessionStorage.getItem(KEPT_AT) ?? 'null') as Partial<Kept> | null;
    return typeof kept?.id === 'string' && Number.isInteger(kept.at)
      ? { id: kept.id, at: Number(kept.at) }
      : null;
  } catch {
    return null;
  }
}

const marked = ({ mark, demoMark }: WalkStep, demo: boolean): string | null =>
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

import { DOCUMENT } from '@angular/common';
import { DestroyRef, inject, Injectable } from '@angular/core';
import { NavigationEnd, Router } from '@angular/router';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { distinctUntilChanged, filter, map, skip } from 'rxjs';

/** After each change of the page the keyboard, and whoever reads the screen aloud, is at its heading. */
@Injectable({ providedIn: 'root' })
export class PageFocus {
  private readonly document = inject(DOCUMENT);
  private watching: MutationObserver | null = null;

  constructor() {
    const settle = (): void => this.settle();
    for (const one of ['pointerdown', 'keydown'] as const) this.document.addEventListener(one, settle, true);
    inject(Router)
      .events.pipe(
        filter((event) => event instanceof NavigationEnd),
        map(({ urlAfterRedirects }) => urlAfterRedirects.split(/[?#]/)[0] ?? ''),
        distinctUntilChanged(),
        // The first page begins where a page begins.
        skip(1),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.wait());
    inject(DestroyRef).onDestroy(() => {
      settle();
      for (const one of ['pointerdown', 'keydown'] as const)
        this.document.removeEventListener(one, settle, true);
    });
  }

  /** To the page's own part, past what every page begins with. */
  toPage(): void {
    const heading =
      this.document.querySelector<HTMLElement>('main h1') ?? this.document.querySelector('main');
    if (heading) stand(heading);
  }

  /** Until something is pressed: what has the keyboard may be taken away as the page is read again. */
  keep(): void {
    const kept = (): void => {
      if (this.document.activeElement === this.document.body) this.toPage();
    };
    kept();
    this.watch(kept);
  }

  /** The heading may come with what the page is about. */
  private wait(): void {
    this.settle();
    if (this.stood()) return;
    this.watch(() => {
      if (this.stood()) this.settle();
    });
  }

  private watch(changed: () => void): void {
    this.settle();
    const main = this.document.querySelector('main');
    if (!main) return;
    this.watching = new MutationObserver(changed);
    this.watching.observe(main, { childList: true, subtree: true });
  }

  /** Nobody is waited for any more: somebody pressed something. */
  private settle(): void {
    this.watching?.disconnect();
    this.watching = null;
  }

  /** Whether the keyboard is on the page: where the page itself put it, or at its heading. */
  private stood(): boolean {
    const now = this.document.activeElement;
    if (now?.closest('main') && now.tagName !== 'H1') return true;
    const heading = this.document.querySelector<HTMLElement>('main h1');
    if (!heading) return false;
    stand(heading);
    return true;
  }
}

function stand(element: HTMLElement): void {
  element.tabIndex = -1;
  element.focus({ preventScroll: true });
}

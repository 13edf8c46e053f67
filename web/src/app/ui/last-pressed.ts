import { DOCUMENT } from '@angular/common';
import { DestroyRef, inject, Injectable } from '@angular/core';

const PRESSED = 'button, a[href], summary';

/** What was pressed last, by hand or by key: a form that is drawn in its place has no other way to know. */
@Injectable({ providedIn: 'root' })
export class LastPressed {
  private element: HTMLElement | null = null;

  constructor() {
    const document = inject(DOCUMENT);
    const press = ({ target }: Event): void => {
      this.element = target instanceof Element ? target.closest<HTMLElement>(PRESSED) : null;
    };
    document.addEventListener('click', press, true);
    inject(DestroyRef).onDestroy(() => document.removeEventListener('click', press, true));
  }

  /** The pressed one where the keyboard is at it still, or where it was taken away since. */
  get opener(): HTMLElement | null {
    const { element } = this;
    return element && (!element.isConnected || element === element.ownerDocument.activeElement)
      ? element
      : null;
  }
}

import { DOCUMENT } from '@angular/common';
import { DestroyRef, inject, Injectable } from '@angular/core';

/** Escape folds in what is unfolded around the keyboard, which is at its heading then. */
@Injectable({ providedIn: 'root' })
export class Folds {
  constructor() {
    const document = inject(DOCUMENT);
    const key = (event: KeyboardEvent): void => {
      if (event.key !== 'Escape' || event.defaultPrevented || !(event.target instanceof Element)) return;
      const around = event.target.closest<HTMLDetailsElement>('details[open]');
      if (!around) return;
      event.preventDefault();
      around.open = false;
      around.querySelector('summary')?.focus();
    };
    document.addEventListener('keydown', key);
    inject(DestroyRef).onDestroy(() => document.removeEventListener('keydown', key));
  }
}

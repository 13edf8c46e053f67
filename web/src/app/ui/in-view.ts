import { afterNextRender, Directive, ElementRef, inject } from '@angular/core';

/** Brings what asks for an answer into view when it appears: on a phone it may lie below the fold. */
@Directive({ selector: '[ysInView]' })
export class InView {
  constructor() {
    const { nativeElement } = inject<ElementRef<HTMLElement>>(ElementRef);
    afterNextRender(() => {
      // Not there where nothing is laid out, as in a test without a window.
      if (typeof nativeElement.scrollIntoView === 'function')
        nativeElement.scrollIntoView({ block: 'center' });
    });
  }
}

import { afterNextRender, Directive, ElementRef, inject } from '@angular/core';

/** Scrolls to an element, no farther than it takes. */
export function intoSight(element: Element | undefined, block: 'center' | 'nearest' = 'nearest'): void {
  // Not there where nothing is laid out, as in a test without a window.
  if (typeof element?.scrollIntoView === 'function') element.scrollIntoView({ block });
}

/** Brings what asks for an answer into view when it appears: on a phone it may lie below the fold. */
@Directive({ selector: '[ysInView]' })
export class InView {
  constructor() {
    const { nativeElement } = inject<ElementRef<HTMLElement>>(ElementRef);
    afterNextRender(() => intoSight(nativeElement, 'center'));
  }
}

import { Directive, ElementRef, inject } from '@angular/core';

const FIELDS = 'input:not(:disabled):not([readonly])';

/**
 * Enter in a field goes on to the next one that has to be filled (`data-asked` on it or around it) and is empty, and to
 * the form’s own action once there is none.
 */
@Directive({ selector: '[ysNextAsked]', host: { '(keydown.enter)': 'next($event)' } })
export class NextAsked {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected next(event: Event): void {
    const { target } = event;
    // A choice that was taken with it is looked at first; the next Enter goes on.
    if (event.defaultPrevented || !(target instanceof HTMLInputElement)) return;
    event.preventDefault();
    const empty = this.asked().filter((field) => field !== target && field.value.trim() === '');
    const behind = empty.find(
      (field) => target.compareDocumentPosition(field) & Node.DOCUMENT_POSITION_FOLLOWING,
    );
    (behind ?? empty[0] ?? this.host.querySelector<HTMLElement>('button.go:not(:disabled)'))?.focus();
  }

  private asked(): HTMLInputElement[] {
    return [...this.host.querySelectorAll<HTMLElement>('[data-asked]')].flatMap((one) => {
      const field = one instanceof HTMLInputElement ? one : one.querySelector<HTMLInputElement>(FIELDS);
      return field ? [field] : [];
    });
  }
}

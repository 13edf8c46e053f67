import { DOCUMENT } from '@angular/common';
import {
  afterNextRender,
  ApplicationRef,
  DestroyRef,
  Directive,
  ElementRef,
  inject,
  Injector,
  output,
} from '@angular/core';

const FIELDS = 'input:not([type=hidden]):not(:disabled), select:not(:disabled), textarea:not(:disabled)';
const OPENERS = 'button, a[href], summary';

/**
 * A form that opens on a page: the keyboard is at its first field then, Escape leaves it, and where it is gone the keyboard
 * is at what opened it again.
 */
@Directive({ selector: '[ysOpened]' })
export class OpenedForm {
  private readonly document = inject(DOCUMENT);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly opener = this.openerOf(this.document.activeElement);
  /** Escape was pressed in it. */
  readonly escaped = output();

  constructor() {
    // Of the application: what is drawn once this is gone is drawn without it.
    const injector = inject(ApplicationRef).injector.get(Injector);
    const key = (event: KeyboardEvent): void => this.onKey(event);
    let form: HTMLElement = this.host;
    afterNextRender(() => {
      form = this.host.closest('form') ?? this.host;
      form.addEventListener('keydown', key);
      if (!form.contains(this.document.activeElement)) form.querySelector<HTMLElement>(FIELDS)?.focus();
    });
    inject(DestroyRef).onDestroy(() => {
      form.removeEventListener('keydown', key);
      // What is drawn in its place comes first.
      afterNextRender(() => this.giveBack(), { injector });
    });
  }

  private onKey(event: KeyboardEvent): void {
    if (event.key !== 'Escape' || event.defaultPrevented) return;
    event.preventDefault();
    event.stopPropagation();
    this.escaped.emit();
  }

  private openerOf(
    element: Element | null,
  ): { readonly element: HTMLElement; readonly words: string } | null {
    return element instanceof HTMLElement && element.matches(OPENERS)
      ? { element, words: element.textContent.trim() }
      : null;
  }

  /** To the opener itself, or to the one that was drawn in its place. */
  private giveBack(): void {
    const now = this.document.activeElement;
    if (!this.opener || (now !== null && now !== this.document.body)) return;
    const { element, words } = this.opener;
    const there = element.isConnected
      ? element
      : [...this.document.querySelectorAll<HTMLElement>(OPENERS)].find(
          (one) => one.textContent.trim() === words,
        );
    there?.focus();
  }
}

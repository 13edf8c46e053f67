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
import { LastPressed } from './last-pressed';
import { PageFocus } from './page-focus';

const FIELDS = 'input:not([type=hidden]):not(:disabled), select:not(:disabled), textarea:not(:disabled)';

/**
 * A form that opens on a page: the keyboard is at its first field then, Escape leaves it, and where it is gone the keyboard
 * is at what opened it again, or at the page's heading where that is gone too.
 */
@Directive({ selector: '[ysOpened]' })
export class OpenedForm {
  private readonly document = inject(DOCUMENT);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly page = inject(PageFocus);
  private readonly opener = inject(LastPressed).opener;
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

  /** To the opener itself, or to the one that was drawn in its place. */
  private giveBack(): void {
    const now = this.document.activeElement;
    if (!this.opener || (now !== null && now !== this.document.body)) return;
    const { opener } = this;
    const there = opener.isConnected
      ? opener
      : [...this.document.querySelectorAll<HTMLElement>(opener.tagName)].find(
          ({ textContent }) => textContent === opener.textContent,
        );
    there?.focus();
    this.page.keep();
  }
}

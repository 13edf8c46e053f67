import { vi } from 'vitest';
import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import type { Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';

/** A component on a server that answers what the test says. */
export interface Screen<T> {
  readonly fixture: ComponentFixture<T>;
  readonly element: HTMLElement;
  readonly http: HttpTestingController;
  /** Types into the field with this caption. */
  readonly type: (caption: string, text: string) => Promise<void>;
  /** Presses the button with these words on it. */
  readonly press: (words: string) => Promise<void>;
  readonly shown: () => string;
}

export async function openScreen<T>(
  component: Type<T>,
  inputs: Record<string, unknown> = {},
): Promise<Screen<T>> {
  TestBed.configureTestingModule({
    providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])],
  });
  const fixture = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
  const element = fixture.nativeElement as HTMLElement;
  const shown = (): string => element.textContent.replace(/\s+/g, ' ');
  const fieldOf = (caption: string): HTMLInputElement => {
    const label = [...element.querySelectorAll('label')].find((one) =>
      (one.querySelector('span')?.textContent ?? one.textContent).trim().startsWith(caption),
    );
    const field = label?.htmlFor
      ? document.getElementById(label.htmlFor)
      : label?.querySelector('input, select');
    if (!(field instanceof HTMLInputElement || field instanceof HTMLSelectElement))
      throw new Error(`No field "${caption}" in: ${shown()}`);
    return field as HTMLInputElement;
  };
  return {
    fixture,
    element,
    http: TestBed.inject(HttpTestingController),
    shown,
    type: async (caption, text) => {
      const field = fieldOf(caption);
      field.value = text;
      field.dispatchEvent(new Event(field instanceof HTMLSelectElement ? 'change' : 'input'));
      // Whoever leaves a list with the one they mean has chosen it.
      if ('picks' in field.dataset) field.dispatchEvent(new Event('blur'));
      await fixture.whenStable();
    },
    press: async (words) => {
      const button = [...element.querySelectorAll('button')].find((one) => one.textContent.includes(words));
      if (!button) throw new Error(`No button "${words}" in: ${shown()}`);
      button.click();
      await fixture.whenStable();
    },
  };
}

/** A problem as the server tells it. */
export const problem = (code: string, detail: string, errors: { path: string; message: string }[] = []) => ({
  type: `urn:yard-spool:${code}`,
  title: code,
  status: 409,
  code,
  detail,
  errors,
});

/** Presses one key, as a hand does: what a scanner types comes faster. */
export function pressKey(key: string): void {
  vi.useFakeTimers();
  document.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
  vi.runAllTimers();
  vi.useRealTimers();
}

import { DOCUMENT } from '@angular/common';
import { DestroyRef, inject, Injectable } from '@angular/core';
import { Subject } from 'rxjs';
import { BurstCatcher } from './burst-catcher';
import { isHeldBack, isTyping, pressedControl } from './held-keys';
import { keyName } from './key-name';

/** What keys do: an action by the key's name, or whatever is to be done for a name now; nothing where it does nothing. */
export type Keys = Readonly<Record<string, () => void>> | ((name: string) => (() => void) | undefined);

/** What keys do, in words, by their names; asked for when it is listed where it changes. */
export type KeyWords = Readonly<Record<string, string>> | (() => Readonly<Record<string, string>>);

/**
 * The keys of the whole application, in one place. Screens and panels say what their keys do while they are shown; the
 * one shown last is asked first. No key is taken from the control that has the focus and needs it, and what a scanner
 * types never reaches a screen.
 */
@Injectable({ providedIn: 'root' })
export class Keyboard {
  private readonly shown: { readonly keys: Keys; readonly words: KeyWords }[] = [];
  /** Keys that were held back and are let through now. */
  private readonly replayed = new WeakSet<Event>();
  private readonly scans = new Subject<string>();
  /** Who takes what is scanned instead of the whole application; the last one first. */
  private readonly takers: ((text: string) => void)[] = [];
  private readonly burst = new BurstCatcher((text) => {
    const taker = this.takers.at(-1);
    if (taker) taker(text);
    else this.scans.next(text);
  });

  /** What a keyboard-type scanner read, anywhere but in a field. */
  readonly scanned = this.scans.asObservable();

  constructor() {
    const document = inject(DOCUMENT);
    const caught = (event: KeyboardEvent): void => this.catchBurst(event, document);
    const down = (event: KeyboardEvent): void => this.down(event);
    const click = (event: MouseEvent): void => this.letGo(event, document);
    // Bursts in the capture phase, so that a scanner's keys are seen before anything else sees them.
    document.addEventListener('keydown', caught, { capture: true });
    document.addEventListener('keydown', down);
    document.addEventListener('click', click);
    inject(DestroyRef).onDestroy(() => {
      document.removeEventListener('keydown', caught, { capture: true });
      document.removeEventListener('keydown', down);
      document.removeEventListener('click', click);
    });
  }

  /** Gives what is scanned to a screen that waits for just that. Returns what takes it away again. */
  takeScans(taker: (text: string) => void): () => void {
    this.takers.push(taker);
    return () => {
      this.takers.splice(this.takers.indexOf(taker), 1);
    };
  }

  /** Adds keys in front of those there are. Returns what takes them away again. */
  use(keys: Keys, words: KeyWords = {}): () => void {
    const shown = { keys, words };
    this.shown.unshift(shown);
    return () => {
      this.shown.splice(this.shown.indexOf(shown), 1);
    };
  }

  /** What the keys do now, the screen's own before those of every screen. */
  listed(): readonly (readonly [key: string, does: string])[] {
    return this.shown.flatMap(({ words }) => Object.entries(typeof words === 'function' ? words() : words));
  }

  private actionOf(name: string): (() => void) | undefined {
    for (const { keys } of this.shown) {
      const act =
        typeof keys === 'function' ? keys(name) : Object.hasOwn(keys, name) ? keys[name] : undefined;
      if (act) return act;
    }
    return undefined;
  }

  private down(event: KeyboardEvent): void {
    const name = keyName(event);
    if (event.defaultPrevented || isHeldBack(event.target, name)) return;
    const act = this.actionOf(name);
    if (!act) return;
    event.preventDefault();
    // A key held down is one press.
    if (!event.repeat) act();
  }

  /** What was pressed with a pointer lets the focus go where Enter or Space mean something to the screen. */
  private letGo(event: MouseEvent, document: Document): void {
    const control = event.detail > 0 ? pressedControl(event.target) : null;
    if (control && control === document.activeElement && (this.actionOf('Space') ?? this.actionOf('Enter')))
      control.blur();
  }

  private catchBurst(event: KeyboardEvent, document: Document): void {
    if (isTyping(event) || this.replayed.has(event)) return;
    if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
    const ended = event.key === 'Enter' && this.burst.enter();
    const held = /^[\w-]$/.test(event.key);
    if (!ended && !held) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    if (!held) return;
    const { target, key, code, shiftKey } = event;
    this.burst.take(key, () => {
      const again = new KeyboardEvent('keydown', { key, code, shiftKey, bubbles: true, cancelable: true });
      this.replayed.add(again);
      (target ?? document).dispatchEvent(again);
    });
  }
}

/**
 * Gives a screen or panel its keys for as long as it is shown.
 *
 * @param words what each does, where that is listed
 */
export function useKeys(keys: Keys, words: KeyWords = {}): void {
  inject(DestroyRef).onDestroy(inject(Keyboard).use(keys, words));
}

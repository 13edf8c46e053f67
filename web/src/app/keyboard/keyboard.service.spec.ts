import { ChangeDetectionStrategy, Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Keyboard, useKeys } from './keyboard.service';

const did: string[] = [];

@Component({
  selector: 'ys-with-keys',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button type="button" id="button">A button</button>
    <input id="field" />
    <input id="box" type="checkbox" />
    <a id="link" href="#">A link</a>
  `,
})
class WithKeys {
  constructor() {
    useKeys({
      Enter: () => did.push('Enter'),
      Space: () => did.push('Space'),
      Escape: () => did.push('Escape'),
      N: () => did.push('N'),
      'Ctrl Enter': () => did.push('Ctrl Enter'),
      'Alt L': () => did.push('Alt L'),
    });
  }
}

/** Presses a key on an element; false where somebody took it. */
const press = (target: EventTarget, key: string, more: KeyboardEventInit = {}): boolean =>
  target.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more }));

describe('the keyboard', () => {
  let keyboard: Keyboard;
  const at = (id: string): HTMLElement => document.getElementById(id)!;

  beforeEach(() => {
    vi.useFakeTimers();
    did.length = 0;
    keyboard = TestBed.inject(Keyboard);
    document.body.append(TestBed.createComponent(WithKeys).nativeElement as HTMLElement);
  });
  afterEach(() => {
    vi.useRealTimers();
    TestBed.resetTestingModule();
    document.body.replaceChildren();
  });

  it('does what the screen says, and takes the key from the browser', () => {
    expect(press(document, ' ')).toBe(false);
    expect(press(document, 'Enter')).toBe(false);
    expect(press(document, 'x')).toBe(false);
    vi.runAllTimers();
    expect(did).toEqual(['Space', 'Enter']);
    press(document, 'n');
    vi.runAllTimers();
    expect(did).toEqual(['Space', 'Enter', 'N']);
    expect(press(document, 'Home')).toBe(true);
  });

  it.each([
    ['button', 'Enter'],
    ['button', ' '],
    ['link', 'Enter'],
    ['field', 'Enter'],
    ['field', ' '],
    ['field', 'n'],
    ['box', ' '],
  ])('leaves a focused %s its own key %j', (id, key) => {
    expect(press(at(id), key)).toBe(true);
    vi.runAllTimers();
    expect(did).toEqual([]);
  });

  it.each([
    ['button', 'n', {}, 'N'],
    ['box', 'Enter', {}, 'Enter'],
    ['field', 'Escape', {}, 'Escape'],
    ['field', 'Enter', { ctrlKey: true }, 'Ctrl Enter'],
    ['field', 'Enter', { metaKey: true }, 'Ctrl Enter'],
    ['field', 'ł', { altKey: true, code: 'KeyL' }, 'Alt L'],
  ])('gives the screen what a focused %s does not need: %j with %j', (id, key, more, name) => {
    press(at(id), key, more);
    vi.runAllTimers();
    expect(did).toEqual([name]);
  });

  it('takes a key held down as one press', () => {
    press(document, ' ');
    expect(press(document, ' ', { repeat: true })).toBe(false);
    expect(did).toEqual(['Space']);
  });

  it('asks whoever was shown last first, and forgets it when it goes', () => {
    const away = keyboard.use((name) => (name === 'Space' ? () => did.push('mine') : undefined));
    press(document, ' ');
    press(document, 'Enter');
    away();
    press(document, ' ');
    expect(did).toEqual(['mine', 'Enter', 'Space']);
  });

  it('lets go of what a pointer pressed, and not of what a key pressed', () => {
    const button = at('button');
    button.focus();
    button.dispatchEvent(new MouseEvent('click', { bubbles: true, detail: 0 }));
    expect(document.activeElement).toBe(button);
    button.dispatchEvent(new MouseEvent('click', { bubbles: true, detail: 1 }));
    expect(document.activeElement).not.toBe(button);
  });

  it('tells a scan from keys, wherever the focus is but in a field', () => {
    const scans: string[] = [];
    keyboard.scanned.subscribe((text) => scans.push(text));
    for (const key of 'N-0042') press(at('button'), key);
    press(at('button'), 'Enter');
    vi.runAllTimers();
    expect(scans).toEqual(['N-0042']);
    expect(did).toEqual([]);
  });
});

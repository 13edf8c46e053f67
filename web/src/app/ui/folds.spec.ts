import { TestBed } from '@angular/core/testing';
import { Folds } from './folds';

describe('what is unfolded', () => {
  it('is folded in by Escape from within, and the keyboard is at its heading; elsewhere nothing happens', () => {
    TestBed.inject(Folds);
    document.body.innerHTML =
      '<details open><summary>More</summary><input id="in" /></details><details open id="other"></details><input id="out" />';
    const escape = (id: string): void => {
      const field = document.getElementById(id)!;
      field.focus();
      field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true, cancelable: true }));
    };
    const [first, other] = [...document.querySelectorAll('details')];
    escape('out');
    expect([first!.open, other!.open]).toEqual([true, true]);
    escape('in');
    expect([first!.open, other!.open, document.activeElement?.textContent]).toEqual([false, true, 'More']);
  });
});

import { TestBed } from '@angular/core/testing';
import { FormControl } from '@angular/forms';
import { UnitsService } from '../data/units.service';
import { QuantityField } from './quantity-field';

async function field(typed: string, allowed: { min?: number; max?: number } = {}) {
  const control = new FormControl(typed, { nonNullable: true });
  const fixture = TestBed.createComponent(QuantityField);
  fixture.componentRef.setInput('control', control);
  fixture.componentRef.setInput('label', 'Lip diameter');
  fixture.componentRef.setInput('dimension', 'small-length');
  fixture.componentRef.setInput('allowed', allowed);
  await fixture.whenStable();
  const element = fixture.nativeElement as HTMLElement;
  const leave = () => element.querySelector('input')!.dispatchEvent(new Event('blur'));
  return { control, fixture, element, leave };
}

describe('QuantityField', () => {
  it('names its input and gives a bare number its unit when it is left', async () => {
    const { control, element, leave } = await field('46');
    expect(element.querySelector('label')!.htmlFor).toBe(element.querySelector('input')!.id);
    leave();
    expect(control.value).toBe('46 mm');
  });

  it('leaves a number that has a unit as it was typed', async () => {
    const { control, leave } = await field('1/16"');
    leave();
    expect(control.value).toBe('1/16"');
  });

  it('takes a bare number in the person’s own units', async () => {
    localStorage.clear();
    TestBed.inject(UnitsService).switch();
    const { control, leave } = await field('1.8');
    leave();
    expect(control.value).toBe('1.8 in');
    localStorage.clear();
  });

  it('says what is wrong and what is allowed, and keeps what was typed', async () => {
    const { control, element } = await field('460 mm', { min: 12, max: 250 });
    expect(element.textContent).toContain('460 mm is outside what this takes: from 12 mm to 250 mm.');
    expect(element.querySelector('input')!.getAttribute('aria-invalid')).toBe('true');
    expect(control.value).toBe('460 mm');
  });
});

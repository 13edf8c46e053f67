import { FormControl } from '@angular/forms';
import { vi } from 'vitest';
import { openScreen } from '../testing/screen';
import { CustomerPicker } from './customer-picker';

const text = () => new FormControl('', { nonNullable: true });

describe('the customer of a booking', () => {
  it('is never one who was found for fewer letters than are typed by now', async () => {
    const controls = { name: text(), customerId: text(), contact: text() };
    const { element, http, fixture } = await openScreen(CustomerPicker, controls);
    const field = element.querySelector('input')!;
    const letters = (typed: string): void => {
      field.value = typed;
      field.dispatchEvent(new Event('input'));
    };
    const enter = (): boolean =>
      field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }));
    letters('mar');
    const found = await vi.waitUntil(() => http.match(({ url }) => url.endsWith('/customers'))[0]);
    found.flush([
      { id: 4, name: 'Mara Holm', contact: 'berth 3' },
      { id: 7, name: 'Marit Askeby', contact: '' },
    ]);
    await fixture.whenStable();
    letters('marl');
    enter();
    expect([controls.customerId.value, controls.name.value]).toEqual(['', 'marl']);
    letters('mari');
    enter();
    expect([controls.customerId.value, controls.name.value]).toEqual(['7', 'Marit Askeby']);
  });
});

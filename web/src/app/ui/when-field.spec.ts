import { FormControl } from '@angular/forms';
import { Settings } from 'luxon';
import { openScreen } from '../testing/screen';
import { WhenField } from './when-field';

const control = (value = '') => new FormControl(value, { nonNullable: true });

describe('the field for a day or a moment', () => {
  beforeEach(() => {
    Settings.defaultZone = 'Europe/Lisbon';
  });
  afterEach(() => {
    Settings.defaultZone = 'system';
  });
  const open = async (of: FormControl<string>, time = true) => {
    const screen = await openScreen(WhenField, { control: of, label: 'Promised', time });
    return { ...screen, field: screen.element.querySelector('input')! };
  };

  it('shows a moment as the shop tells it, and takes it as people type it', async () => {
    const promised = control('2031-11-27T16:00');
    const { field, type, shown, fixture } = await open(promised);
    expect(field.value).toBe('27 Nov 2031, 16:00');
    await type('Promised', '3.12.2031 9.30');
    expect(promised.value).toBe('2031-12-03T09:30');
    expect(shown()).toContain('Wed 3 Dec 2031, 9:30');
    field.dispatchEvent(new Event('blur'));
    await fixture.whenStable();
    expect(field.value).toBe('3 Dec 2031, 9:30');
  });

  it('keeps what cannot be read, says how to write it, and lets nothing take it for a day', async () => {
    const promised = control('2031-11-27T16:00');
    const { field, type, shown, fixture } = await open(promised);
    await type('Promised', '2031');
    expect(promised.value).not.toMatch(/^\d/);
    field.dispatchEvent(new Event('blur'));
    await fixture.whenStable();
    expect(field.value).toBe('2031');
    expect(shown()).toMatch(/Write it like \d+ \w{3} \d{4}, 17:00/);
    await type('Promised', '');
    expect(promised.value).toBe('');
    expect(shown()).not.toContain('Write it like');
  });

  it('follows what the form is filled with', async () => {
    const by = control('2031-11-27');
    const { field, fixture } = await open(by, false);
    expect(field.value).toBe('27 Nov 2031');
    by.setValue('2032-01-05');
    await fixture.whenStable();
    expect(field.value).toBe('5 Jan 2032');
  });
});

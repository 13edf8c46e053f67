import { FormControl } from '@angular/forms';
import { openScreen } from '../testing/screen';
import { PickField } from './pick-field';

const OPTIONS = ['Clear nylon 0.26', 'Clear nylon 0.31', 'Moss braid 0.19'].map((name, i) => ({
  value: String(i + 1),
  name,
}));

describe('a list that is searched by typing', () => {
  const open = async (mayBeEmpty = false) => {
    const control = new FormControl('3', { nonNullable: true });
    const screen = await openScreen(PickField, { control, label: 'Line', options: OPTIONS, mayBeEmpty });
    const field = screen.element.querySelector('input')!;
    const key = async (name: string) => {
      const event = new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true });
      field.dispatchEvent(event);
      await screen.fixture.whenStable();
      return event.defaultPrevented;
    };
    const letters = async (typed: string) => {
      field.value = typed;
      field.dispatchEvent(new Event('input'));
      await screen.fixture.whenStable();
    };
    const offered = () => [...screen.element.querySelectorAll('li')].map(({ textContent }) => textContent);
    return { ...screen, control, field, key, letters, offered };
  };

  it('takes the one that is marked by Enter or Tab, and holds what it held until then', async () => {
    const { control, field, key, letters, offered } = await open();
    expect(field.value).toBe('Moss braid 0.19');
    await letters('clear n');
    expect([offered(), control.value]).toEqual([['Clear nylon 0.26', 'Clear nylon 0.31'], '3']);
    expect(await key('ArrowDown')).toBe(true);
    await key('Enter');
    expect([control.value, field.value, offered()]).toEqual(['2', 'Clear nylon 0.31', []]);
    await letters('26');
    expect(await key('Tab')).toBe(false);
    expect(control.value).toBe('1');
  });

  it('takes what its letters say though they were typed faster than they are drawn', async () => {
    const { control, field } = await open();
    field.value = '31';
    field.dispatchEvent(new Event('input'));
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Tab', bubbles: true }));
    expect([control.value, field.value]).toEqual(['2', 'Clear nylon 0.31']);
  });

  it('is typed into in place of what it holds, though that came when somebody was in it already', async () => {
    const { fixture, field } = await open();
    fixture.componentRef.setInput('options', []);
    await fixture.whenStable();
    field.focus();
    fixture.componentRef.setInput('options', OPTIONS);
    await fixture.whenStable();
    expect([field.value, field.selectionStart, field.selectionEnd]).toEqual(['Moss braid 0.19', 0, 15]);
  });

  it.each([
    ['moss', '3', ''],
    ['0.31', '2', ''],
    ['clear', '3', '“clear” could be several'],
    ['gold', '3', '“gold” is none of them'],
    ['', '3', ''],
  ])('left with “%s” typed it holds %s', async (typed, value, told) => {
    const { type, control, field, shown } = await open();
    await type('Line', typed);
    expect([control.value, field.value]).toEqual([value, OPTIONS[Number(value) - 1]!.name]);
    expect(shown()).toContain(told);
  });

  it('is emptied where it may be, and shows all it has by an arrow; Escape closes only that', async () => {
    const { type, control, key, offered } = await open(true);
    await type('Line', '');
    expect(control.value).toBe('');
    await key('ArrowDown');
    expect(offered()).toHaveLength(3);
    await key('Escape');
    expect(offered()).toHaveLength(0);
  });
});

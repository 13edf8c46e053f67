import { FormControl } from '@angular/forms';
import { openScreen } from '../testing/screen';
import { WrapsHelper } from './wraps-helper';

describe('WrapsHelper', () => {
  it('works a diameter out of turns on a pencil, with its range, and puts it in its field', async () => {
    const into = new FormControl('', { nonNullable: true });
    const screen = await openScreen(WrapsHelper, { into });
    await screen.type('Total width', '3 mm');
    expect(screen.shown()).toContain('0.30 mm, likely 0.27 mm to 0.33 mm');
    await screen.press('Use it');
    expect(into.value).toBe('0.300 mm');
  });

  it('says what cannot be', async () => {
    const screen = await openScreen(WrapsHelper, { into: new FormControl('', { nonNullable: true }) });
    await screen.type('Number of turns', '2');
    await screen.type('Total width', '3 mm');
    expect(screen.shown()).toContain('Lay from 5 to 200 turns');
  });
});

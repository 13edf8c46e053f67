import { TestBed } from '@angular/core/testing';
import { UnitsService } from '../data/units.service';
import { laidWords } from './laid-words';

describe('what lies under the line', () => {
  it('is told row by row in the reader’s units, and nothing where nothing does', () => {
    const units = TestBed.inject(UnitsService);
    const laid = { tape: { wraps: 2, thickness: 0.15 }, reducer: 31, washers: -1 };
    const rows = laidWords(laid, units).map(({ name, text }) => `${name}: ${text.replace(/\u00a0/g, ' ')}`);
    expect(rows[0]).toMatch(/^Reducer: 31(\.0)? mm across$/);
    expect(rows[1]).toMatch(/^Tape on the arbor: 2 wraps of 0\.\d+ mm$/);
    expect(rows[2]).toBe('Washers: 1 taken out');
    expect(laidWords(null, units)).toEqual([]);
    expect(laidWords({ tape: null, reducer: null, washers: 0 }, units)).toEqual([
      { name: 'Washers', text: 'as they were' },
    ]);
  });
});

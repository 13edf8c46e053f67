import fc from 'fast-check';
import * as v from 'valibot';
import { describe, expect, it } from 'vitest';
import { line, text } from './basics';
import { oneLine, SEEN, someLines, withHiddenSeen } from './hidden';

const NASTY = [
  '\u0000',
  '\u0007',
  '\u001B[31m',
  '\u007F',
  '\u0085',
  '\u202E',
  '\u2066',
  '\u200F',
  '\r\n',
  '\t',
  '\u2028',
  '\uD800',
  '\uDFFF',
];

describe('what is typed in one line', () => {
  it('has nothing in it that nobody sees, and keeps all else', () => {
    expect(oneLine('  Nell\u202E Harrow\u0000 ')).toBe('Nell Harrow');
    expect(oneLine('half \uD83D of it \uDE00')).toBe('half  of it');
    expect(oneLine('two\r\nlines\tand\u2028more')).toBe('two lines and more');
    for (const kept of ['שלום', 'Bjørk', '👩‍🔧', 'a\u0301', '漢字', '12′']) expect(oneLine(kept)).toBe(kept);
  });

  it('is so whatever it is made of', () => {
    const unit = fc.oneof(fc.constantFrom(...NASTY), fc.string({ unit: 'binary', maxLength: 6 }));
    fc.assert(
      fc.property(fc.array(unit, { maxLength: 12 }), (parts) => {
        const typed = parts.join('');
        const single = oneLine(typed);
        const several = someLines(typed);
        expect(single).not.toMatch(/[\p{Cc}\p{Cs}\u061C\u200E\u200F\u202A-\u202E\u2066-\u2069\u2028\u2029]/u);
        expect(several).not.toMatch(/(?![\n\t])\p{Cc}|[\u202A-\u202E\u2066-\u2069\u200E\u200F\u061C]/u);
        expect(oneLine(single)).toBe(single);
        expect(someLines(several)).toBe(several);
      }),
    );
  });

  it('is empty where nothing else was typed, and that is said', () => {
    expect(v.safeParse(line('A name'), '\u202E\u0000 ').issues?.[0].message).toBe('A name is needed.');
    expect(v.parse(text('Notes', 40), 'not before\r\nnoon\u0007')).toBe('not before\nnoon');
  });
});

describe('what was stored before', () => {
  it('shows a sign where something hidden stands, and is the same JSON otherwise', () => {
    const stored = { name: 'Nell\u202E\u0000 \\u0007 \\\\ "x"', notes: 'a\nb\tc\b', nr: 7 };
    expect(JSON.parse(withHiddenSeen(JSON.stringify(stored)))).toEqual({
      name: `Nell${SEEN}${SEEN} \\u0007 \\\\ "x"`,
      notes: `a\nb\tc${SEEN}`,
      nr: 7,
    });
  });

  it('is so whatever was stored', () => {
    const unit = fc.oneof(
      fc.constantFrom(...NASTY, '\\', '\\u0007', '"', '\\b'),
      fc.string({ maxLength: 4 }),
    );
    fc.assert(
      fc.property(fc.array(unit, { maxLength: 10 }), (parts) => {
        const stored = parts.join('');
        const told = JSON.parse(withHiddenSeen(JSON.stringify({ stored }))) as { stored: string };
        const expected = stored.replace(
          /(?![\n\r\t])[\p{Cc}\u061C\u200E\u200F\u202A-\u202E\u2066-\u2069]/gu,
          SEEN,
        );
        expect(told.stored).toBe(expected);
      }),
    );
  });
});

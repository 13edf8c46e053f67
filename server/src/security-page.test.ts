import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

const ROOT = join(import.meta.dirname, '..', '..');
const PAGE = readFileSync(join(ROOT, 'docs', 'security.md'), 'utf8');

/** Rows of the page's tables, each as its cells. */
const rows = PAGE.split('\n')
  .filter((line) => line.startsWith('|'))
  .map((line) =>
    line
      .slice(1, -1)
      .split('|')
      .map((cell) => cell.trim()),
  );
const lines = rows.filter((cells) => cells.length === 5 && /^\d+\.\d+\.\d+$/.test(cells[0] ?? ''));
const tests = rows.flatMap(([name = '', file = '', title = '', ...rest]) =>
  rest.length === 0 && /^`[a-z-]+`$/.test(name) ? [{ name, file: file.replaceAll('`', ''), title }] : [],
);

describe('the page of threats and answers', () => {
  it('says of each line once whether it is met', () => {
    expect(lines.length).toBeGreaterThan(250);
    expect(new Set(lines.map(([number]) => number)).size).toBe(lines.length);
    for (const [number, , met] of lines)
      expect([number, ['yes', 'partly', 'no', '—']]).toEqual([number, expect.arrayContaining([met])]);
  });

  it('names tests that are there, by the words they have, and none for nothing', () => {
    const named = new Set(lines.flatMap((cells) => (cells[4] ? [cells[4]] : [])));
    expect([...named].sort()).toEqual(tests.map(({ name }) => name).sort());
    for (const { file, title } of tests.filter(({ name }) => name !== '`fuzz`'))
      expect([file, title, readFileSync(join(ROOT, file), 'utf8').includes(`'${title}'`)]).toEqual([
        file,
        title,
        true,
      ]);
  });
});

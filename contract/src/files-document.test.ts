import { describe, expect, it } from 'vitest';
import document from '../../docs/files.md?raw';
import { FILE_COLUMNS, MOST_ROWS, RACK_FILES } from './rack-files';
import { MOVE_KINDS, PIECE_KINDS, WOUND_WAYS } from './rack';

const section = (what: string): string => document.split(`\n## ${what}\n`)[1]!.split('\n## ')[0]!;

describe('docs/files.md', () => {
  it.each(RACK_FILES)('names the columns of %s, in their order', (what) => {
    const named = [...section(what).matchAll(/^\| `(\w+)` /gm)].map(([, column]) => column);
    expect(named).toEqual(FILE_COLUMNS[what]);
  });

  it('names every choice a column has, and the most rows', () => {
    for (const kind of PIECE_KINDS) expect(section('pieces')).toContain(`\`${kind}\``);
    for (const way of WOUND_WAYS) expect(section('pieces')).toContain(`\`${way}\``);
    for (const kind of MOVE_KINDS) expect(section('ledger')).toContain(`\`${kind}\``);
    expect(document).toContain(MOST_ROWS.toLocaleString('en'));
  });
});

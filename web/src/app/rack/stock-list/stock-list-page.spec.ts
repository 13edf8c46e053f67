import type { StockListFound } from '@yard-spool/contract';
import { openScreen } from '../../testing/screen';
import { StockListPage } from './stock-list-page';

const FOUND: StockListFound = {
  heads: ['Name', 'Dia', 'Full'],
  first: [['Clear 26', '0,26', '3000']],
  reading: {
    columns: [
      { field: 'line', unit: null },
      { field: 'diameter', unit: 'mm' },
      { field: null, unit: null },
    ],
    comma: true,
    material: null,
    place: '',
  },
  rows: 1,
  lines: 0,
  pieces: 0,
  sample: [],
  errors: [{ row: 0, column: '', message: 'Say which column is: Length of a full one.' }],
  wrongRows: 1,
  taken: false,
};
const RIGHT: StockListFound = {
  ...FOUND,
  errors: [],
  wrongRows: 0,
  lines: 1,
  pieces: 1,
  sample: [{ row: 2, code: 'CLE-26-1', line: 'CLE-26', receivedM: '3000', leftM: '3000', place: 'Wall' }],
};

describe('a stock list of one’s own', () => {
  it('is shown column by column, put right, and imported when that is said', async () => {
    const screen = await openScreen(StockListPage);
    const { fixture, http } = screen;
    const page = fixture.nativeElement as HTMLElement;
    const answer = async (found: StockListFound) => {
      for (;;) {
        await fixture.whenStable();
        const [request] = http.match('/api/stock-lists');
        if (request) {
          request.flush(found);
          await fixture.whenStable();
          return request.request.body as { preview: boolean; reading: StockListFound['reading'] | null };
        }
        await new Promise((resolve) => setTimeout(resolve));
      }
    };
    const change = (label: string, value: string) => {
      const select = page.querySelector<HTMLSelectElement>(`select[aria-label="${label}"]`)!;
      select.value = value;
      select.dispatchEvent(new Event('change'));
    };
    const input = page.querySelector<HTMLInputElement>('input[type=file]')!;
    const file = new File(['Name;Dia;Full\nClear 26;0,26;3000\n'], 'ours.csv');
    Object.defineProperty(input, 'files', { value: [file] });
    input.dispatchEvent(new Event('change'));
    expect(await answer(FOUND)).toMatchObject({ preview: true, reading: null });
    // The same file can be chosen once more, corrected.
    expect(input.value).toBe('');
    expect(screen.shown()).toContain('Say which column is: Length of a full one.');
    change('Full is the', 'length');
    const said = await answer({
      ...RIGHT,
      reading: {
        ...FOUND.reading,
        columns: [...FOUND.reading.columns.slice(0, 2), { field: 'length', unit: 'm' }],
      },
    });
    expect(said.reading?.columns[2]).toEqual({ field: 'length', unit: 'm' });
    change('Full is in', 'yd');
    expect((await answer(RIGHT)).reading?.columns[2]).toEqual({ field: 'length', unit: 'yd' });
    // A thing is in one column: said of another, it is this one's no more.
    change('Name is the', 'diameter');
    expect((await answer(RIGHT)).reading?.columns.map(({ field }) => field)).toEqual([
      'diameter',
      null,
      null,
    ]);
    expect(screen.shown()).toContain('1 row of ours.csv: 1 piece and 1 new line. Nothing is imported yet.');
    await screen.press('Import 1 piece');
    expect(await answer({ ...RIGHT, taken: true })).toMatchObject({ preview: false });
    expect(screen.shown()).toContain('Imported: 1 piece and 1 new line.');
  });
});

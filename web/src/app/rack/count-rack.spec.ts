import { TestBed } from '@angular/core/testing';
import { aPiece } from '../testing/pieces';
import { openScreen, problem } from '../testing/screen';
import { CountRack } from './count-rack';
import { byPlace } from './rack-count';

const RACK = [
  aPiece({ id: 1, code: 'N-10', place: 'Wall B', lengthMm: 500_000 }),
  aPiece({ id: 2, code: 'N-2', place: 'Wall B', lengthMm: 1_200_000 }),
  aPiece({ id: 3, code: 'B-1', place: '', lengthMm: 90_000 }),
  aPiece({ id: 4, code: 'X-1', place: 'Wall A', lengthMm: 90_000 }),
  aPiece({ id: 5, code: 'Own', place: 'Wall A', broughtWith: 7 }),
];

async function opened(rack = RACK) {
  const screen = await openScreen(CountRack);
  screen.http.expectOne('/api/pieces').flush(rack);
  await screen.fixture.whenStable();
  const count = async (code: string, text: string): Promise<void> => {
    const field = screen.element.querySelector<HTMLInputElement>(`[data-code="${code}"]`)!;
    field.value = text;
    field.dispatchEvent(new Event('input'));
    await screen.fixture.whenStable();
  };
  return { ...screen, count };
}

describe('the whole rack counted', () => {
  beforeEach(() => localStorage.removeItem('yard-spool.rack-count'));

  it('is one list by place, then by code as people count, without what customers brought', () => {
    expect(byPlace(RACK).map(({ place, pieces }) => [place, pieces.map(({ code }) => code)])).toEqual([
      ['Wall A', ['X-1']],
      ['Wall B', ['N-2', 'N-10']],
      ['', ['B-1']],
    ]);
  });

  it('shows what differs, and takes in what is ticked, each against what the books said', async () => {
    const { count, shown, press, http, element, fixture } = await opened();
    expect(shown()).toContain('0 of 4 pieces counted');
    await count('N-2', '1,150');
    await count('N-10', '500 m');
    await count('X-1', '94');
    await count('B-1', 'some');
    const field = element.querySelector<HTMLInputElement>('[data-code="N-2"]')!;
    field.dispatchEvent(new Event('blur'));
    await fixture.whenStable();
    expect(field.value).toBe('1,150 m');
    expect(shown()).toMatch(/50.m less/);
    expect(shown()).toContain('as the books');
    expect(shown()).toMatch(/4.m more/);
    expect(shown()).toContain('Write a length');
    expect(shown()).toMatch(/4 of 4 pieces counted, 2 differ from the books: 46.m less in all/);
    element.querySelector<HTMLInputElement>('[aria-label="Take in X-1"]')!.click();
    await fixture.whenStable();
    await press('Set the books of 1');
    const sent = http.expectOne('/api/pieces/N-2/count');
    expect(sent.request.body).toMatchObject({ lengthMm: 1_150_000, booksMm: 1_200_000 });
    http.expectNone('/api/pieces/X-1/count');
    sent.flush({ ...RACK[1]!, lengthMm: 1_150_000 });
    await fixture.whenStable();
    http
      .expectOne('/api/pieces')
      .flush(RACK.map((one) => (one.id === 2 ? { ...one, lengthMm: 1_150_000 } : one)));
    await fixture.whenStable();
    // What was left out is still typed.
    expect(element.querySelector<HTMLInputElement>('[data-code="X-1"]')!.value).toBe('94');
    expect(element.querySelector<HTMLInputElement>('[data-code="N-2"]')!.value).toBe('');
  });

  it('keeps what was refused, and says why; goes on another day, and asks again where the books moved', async () => {
    const { count, press, http, fixture, shown } = await opened();
    await count('N-2', '100');
    await press('Set the books of 1');
    http
      .expectOne('/api/pieces/N-2/count')
      .flush(problem('not-enough-line', 'There is too little for what is promised.'), {
        status: 409,
        statusText: 'no',
      });
    await fixture.whenStable();
    http.expectOne('/api/pieces').flush(RACK);
    await fixture.whenStable();
    expect(shown()).toContain('N-2: There is too little for what is promised.');
    fixture.destroy();
    TestBed.resetTestingModule();
    const again = await opened(RACK.map((one) => (one.id === 2 ? { ...one, lengthMm: 1_100_000 } : one)));
    expect(again.shown()).toContain('the books have changed since: count it again');
    expect(again.shown()).toContain('Set the books of 0');
  });

  it('goes to the piece whose code is scanned', async () => {
    const { element, fixture, shown } = await opened();
    const scan = element.querySelector<HTMLInputElement>('[data-test=scan]')!;
    const press = async (code: string): Promise<void> => {
      scan.value = code;
      scan.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
      await fixture.whenStable();
    };
    let focused = '';
    for (const field of element.querySelectorAll<HTMLInputElement>('[data-code]'))
      field.focus = () => {
        focused = field.dataset.code ?? '';
      };
    await press('n-10');
    expect(focused).toBe('N-10');
    await press('Own');
    expect(shown()).toContain('No piece of the shop’s own has the code OWN.');
  });
});

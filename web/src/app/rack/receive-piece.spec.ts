import { TestBed } from '@angular/core/testing';
import type { Pack } from '@yard-spool/contract';
import { aPiece } from '../testing/pieces';
import { openScreen, problem } from '../testing/screen';
import { LastLine } from './last-line';
import { ReceivePiece } from './receive-piece';

const { product, lot, priceMinor, tareG, flangeMm, coreMm, wound, leaves, newOn } = aPiece({ tareG: 24 });
const PACK: Pack = {
  product,
  kind: 'pack',
  place: 'Drawer 4',
  lengthMm: 150_000,
  nextCode: 'F-109',
  lot,
  priceMinor,
  tareG,
  flangeMm,
  coreMm,
  wound,
  leaves,
  newOn,
};
/** What a scanner types, far faster than a hand. */
const scan = (code: string): void => {
  for (const key of [...Array.from(code), 'Enter'])
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
};

describe('packs that are scanned', () => {
  const open = async () => {
    const screen = await openScreen(ReceivePiece);
    const stored: string[] = [];
    const received: string[] = [];
    screen.fixture.componentInstance.stored.subscribe(({ code }) => stored.push(code));
    screen.fixture.componentInstance.received.subscribe(({ code }) => received.push(code));
    screen.http.expectOne('/api/products').flush([product]);
    await screen.fixture.whenStable();
    return { ...screen, stored, received };
  };

  it('are known again: one scan fills the form, one key puts the pack on the rack, and the next can be scanned', async () => {
    const { http, fixture, press, shown, stored, received } = await open();
    scan('4900000000017');
    http.expectOne('/api/packs/4900000000017').flush(PACK);
    await fixture.whenStable();
    expect(shown()).toContain('Smoke nylon 0.25, 150 m: Enter puts it on the rack.');
    await press('Add to stock');
    const asked = http.expectOne('/api/pieces');
    const facts = { tareG: 24, place: 'Drawer 4', kind: 'pack', lengthMm: 150_000 };
    const pack = { code: 'F-109', product: { id: 1 }, packCode: '4900000000017', ...facts };
    expect(asked.request.body).toMatchObject(pack);
    asked.flush(aPiece({ code: 'F-109' }));
    await fixture.whenStable();
    expect([stored, received]).toEqual([['F-109'], []]);
    expect(shown()).toContain('F-109 is on the rack. Scan the next one.');
  });

  it('that are new are said once, and what is typed for them is kept with their code', async () => {
    const { http, fixture, type, press, shown } = await open();
    scan('4900000000024');
    http
      .expectOne('/api/packs/4900000000024')
      .flush(problem('not-found', 'This bar code is new here. Say once what it stands for.'), {
        status: 404,
        statusText: 'no',
      });
    await fixture.whenStable();
    expect(shown()).toContain('new here. Say once');
    await type('Line', product.name);
    await type('Piece code', 'F-200');
    await type('Length on it', '50 m');
    await press('Add to stock');
    const { request } = http.expectOne('/api/pieces');
    expect(request.body).toMatchObject({ code: 'F-200', lengthMm: 50_000, packCode: '4900000000024' });
  });

  it('without a code are received as any piece', async () => {
    const { http, fixture, element, type, press, stored, received } = await open();
    await type('Line', product.name);
    await type('Piece code', 'F-201');
    // What was typed stays, whatever is proposed.
    http.expectOne('/api/products/1/next-piece').flush({ ...PACK, kind: 'bulk' });
    await fixture.whenStable();
    await press('Add to stock');
    const asked = http.expectOne('/api/pieces');
    expect(asked.request.body).toMatchObject({
      packCode: null,
      code: 'F-201',
      lengthMm: 150_000,
      place: 'Drawer 4',
    });
    const error = { path: 'code', message: 'There is a piece F-201 already.' };
    asked.flush(
      { ...problem('already-exists', error.message), errors: [error] },
      { status: 409, statusText: 'no' },
    );
    await fixture.whenStable();
    expect(element.querySelector('[data-test=code-taken]')?.textContent).toBe(error.message);
    await press('Add to stock');
    http.expectOne('/api/pieces').flush(aPiece({ code: 'F-201' }));
    await fixture.whenStable();
    expect([stored, received]).toEqual([[], ['F-201']]);
    // The next one is likely another of the same line.
    expect(TestBed.inject(LastLine).productId).toBe(product.id);
  });
});

import { aPiece } from '../testing/pieces';
import { openScreen, problem } from '../testing/screen';
import { CountPiece } from './count-piece';
import { LetGo } from './let-go';
import { PieceCard } from './piece-card';
import { PieceLedger } from './piece-ledger';
import { WeighPiece } from './weigh-piece';

const refusal = { status: 409, statusText: 'no' };

describe('counting a piece', () => {
  it('says how far the books are off, and sends whole millimetres', async () => {
    const screen = await openScreen(CountPiece, { piece: aPiece({ lengthMm: 200_000 }) });
    await screen.type('Line on it', '187.5 m');
    expect(screen.shown()).toContain('13 m less');
    await screen.press('Set the books');
    const { request } = screen.http.expectOne('/api/pieces/N-201/count');
    expect(request.body).toEqual({ lengthMm: 187_500, why: '', anyway: false });
  });

  it('that breaks a promise says whose, and is sent again only where that is said to be known', async () => {
    const screen = await openScreen(CountPiece, { piece: aPiece() });
    await screen.type('Line on it', '0 m');
    await screen.press('Set the books');
    screen.http
      .expectOne('/api/pieces/N-201/count')
      .flush(problem('not-enough-line', 'Too little for R-0004 in bag 4.'), refusal);
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('R-0004 in bag 4');
    screen.element.querySelector<HTMLInputElement>('[data-test=anyway] input')!.click();
    await screen.press('Set the books');
    expect(screen.http.expectOne('/api/pieces/N-201/count').request.body).toMatchObject({ anyway: true });
  });

  it('keeps what was typed when it is refused, and sends a double click once', async () => {
    const screen = await openScreen(CountPiece, { piece: aPiece() });
    await screen.type('Line on it', '20 m');
    await screen.press('Set the books');
    await screen.press('Set the books');
    screen.http
      .expectOne('/api/pieces/N-201/count')
      .flush(problem('database-away', 'The database does not answer.'), refusal);
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('The database does not answer. Nothing you typed is lost.');
    expect(screen.element.querySelector('input')!.value).toBe('20 m');
  });
});

describe('weighing a piece', () => {
  const piece = aPiece({ tareG: 118.5, lengthMm: 2_000_000 });

  it('turns what the scale shows into metres with their range', async () => {
    const screen = await openScreen(WeighPiece, { piece });
    await screen.press('Read the scale');
    screen.http
      .expectOne('/api/scale')
      .flush({ device: 'scale-1', grams: 200, at: '2031-03-10T08:00:00.000Z' });
    await screen.fixture.whenStable();
    // 81.5 g of 0.25 nylon at 1.14 g/cm³.
    expect(screen.shown()).toMatch(/1,456 m on it, likely 1,3\d\d m to 1,6\d\d m/);
    await screen.press('Set the books');
    const { request } = screen.http.expectOne('/api/pieces/N-201/weigh');
    expect(request.body).toEqual({ grossG: 200, tareG: 118.5, dry: false, by: 'scale' });
  });

  it('says when the books are within the range, so that they need not be set', async () => {
    const screen = await openScreen(WeighPiece, { piece: aPiece({ tareG: 118.5, lengthMm: 1_450_000 }) });
    await screen.type('With its spool', '200 g');
    expect(screen.shown()).toContain('The books are within that.');
  });

  it('doubts a weight that means more than ever came on it', async () => {
    const screen = await openScreen(WeighPiece, { piece: aPiece({ tareG: 20, receivedMm: 300_000 }) });
    await screen.type('With its spool', '412 g');
    expect(screen.shown()).toContain('more than the 300 m it came with');
  });

  it('says a scale that is away, and lets it be typed', async () => {
    const screen = await openScreen(WeighPiece, { piece });
    await screen.press('Read the scale');
    screen.http
      .expectOne('/api/scale')
      .flush(problem('not-set-up', 'No scale is set up. Type what it shows instead.'), refusal);
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('Type what it shows instead.');
    await screen.type('With its spool', '150');
    await screen.press('Set the books');
    expect(screen.http.expectOne('/api/pieces/N-201/weigh').request.body).toMatchObject({ by: 'typed' });
  });

  it('asks for a weighed length of braid first', async () => {
    const braid = aPiece({ product: { ...aPiece().product, id: 7, material: 'braid', diameter: 0.2 } });
    const screen = await openScreen(WeighPiece, { piece: braid });
    expect(screen.shown()).toContain('mostly air');
    await screen.type('Measured length', '100 m');
    await screen.type('It weighs', '2 g');
    await screen.press('Learn its weight');
    const call = screen.http.expectOne('/api/products/7/mass');
    expect(call.request.body).toEqual({ lengthMm: 100_000, grams: 2 });
    call.flush({ ...braid.product, mass: { gramsPerMetre: 0.02, sd: 0.03, samples: 1 } });
    await screen.fixture.whenStable();
    await screen.type('Empty spool', '20 g');
    await screen.type('With its spool', '26 g');
    expect(screen.shown()).toContain('300 m on it');
  });

  it('asks about a wet piece whether it is dry', async () => {
    const wet = aPiece({ ...piece, wetUntil: '2031-03-11T08:00:00.000Z' });
    const screen = await openScreen(WeighPiece, { piece: wet });
    expect(screen.shown()).toContain('I know that it is dry.');
    expect(screen.shown()).toContain('wet until');
  });
});

describe('letting a piece go', () => {
  it('goes to the bin of its material, with no weight where it was not weighed', async () => {
    const screen = await openScreen(LetGo, { piece: aPiece({ lengthMm: 60_000 }) });
    expect(screen.shown()).toContain('60 m leave the rack');
    await screen.press('Into the bin');
    expect(screen.http.expectOne('/api/recycling').request.body).toEqual({
      stream: 'nylon',
      grams: null,
      tubes: 0,
      why: '',
      piece: 'N-201',
    });
  });
});

describe('a piece', () => {
  it('shows what is left and free, what is known of it, and what can be done', async () => {
    const piece = aPiece({ lengthMm: 300_000, promisedMm: 80_000, lot: 'L9', priceMinor: 4500 });
    const screen = await openScreen(PieceCard, { piece });
    screen.http.expectOne('/api/house-rules');
    screen.http.expectOne('/api/exceptions');
    expect(screen.shown()).toContain('300 m left');
    expect(screen.shown()).toContain('220 m free');
    expect(screen.shown()).toContain('lot L9');
    expect(screen.shown()).toMatch(/1\.50 per 100 m/);
    const offered = [...screen.element.querySelectorAll('button')].map((one) => one.textContent.trim());
    expect(offered).toEqual(['Count', 'Weigh in', 'Soak', 'Move, rename', 'On its box', 'Write off']);
  });

  it('in the water offers to take it out; braid is not offered to soak; the past offers nothing', async () => {
    const soaking = { id: 4, tub: 'Left', inAt: '', readyAt: '2031-03-10T08:00:00.000Z', tooLongAt: '' };
    const wet = await openScreen(PieceCard, { piece: aPiece({ soaking }) });
    expect(wet.shown()).toContain('Take it out');
    wet.fixture.componentRef.setInput(
      'piece',
      aPiece({ product: { ...aPiece().product, material: 'braid' } }),
    );
    await wet.fixture.whenStable();
    expect(wet.shown()).not.toContain('Soak');
    wet.fixture.componentRef.setInput('past', true);
    await wet.fixture.whenStable();
    expect(wet.element.querySelector('button')).toBeNull();
  });

  it('has a ledger, newest first, with what was on it after each move', async () => {
    const move = { at: '2031-03-10T08:00:00.000Z', by: 'Joss', why: '' };
    const piece = aPiece({ lengthMm: 385_000 });
    const first = { ...move, id: 1, kind: 'received', lengthMm: 500_000 } as const;
    const later = [
      { ...move, id: 2, kind: 'filled', lengthMm: -120_000 },
      { ...move, id: 3, kind: 'counted', lengthMm: 5000 },
    ] as const;
    const screen = await openScreen(PieceLedger, { read: { piece, moves: later, earlier: true } });
    const rows = () =>
      [...screen.element.querySelectorAll('tbody tr')].map((row) =>
        [...row.querySelectorAll('td')].slice(1).map((cell) => cell.textContent.trim()),
      );
    expect(rows()).toEqual([
      ['+5\u00a0m', '385\u00a0m'],
      ['−120\u00a0m', '380\u00a0m'],
    ]);
    await screen.press('Show earlier ones');
    const asked = screen.http.expectOne(({ url }) => url === `/api/pieces/${piece.code}`);
    expect(asked.request.params.get('before')).toBe('2');
    asked.flush({ piece, moves: [first], earlier: false });
    await screen.fixture.whenStable();
    expect(rows().at(-1)).toEqual(['+500\u00a0m', '500\u00a0m']);
    expect(screen.shown()).not.toContain('Show earlier ones');
  });
});

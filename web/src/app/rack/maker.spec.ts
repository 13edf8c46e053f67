import { besideStep } from '../bench/step-beside';
import { aPiece } from '../testing/pieces';
import { aRun } from '../testing/runs';
import { openScreen, problem } from '../testing/screen';
import { MakerPanel } from './maker-panel';
import { PieceCard } from './piece-card';
import { ReceivePiece } from './receive-piece';

const MAKER = {
  soakHours: 2.5,
  labelSide: 'down' as const,
  strength: '20 lb test',
  diameter: '.31 mm',
  says: 'Wet before you fish it',
};
const withMaker = aPiece({ product: { ...aPiece().product, maker: MAKER } });

describe('what its maker says of a line', () => {
  it('is written down for every piece of it, and what is wrong is told before it is sent', async () => {
    const screen = await openScreen(MakerPanel, { piece: aPiece() });
    await screen.type('Strength as printed', ' 20 lb test ');
    await screen.type('Soak, hours', '3 days');
    expect(screen.shown()).toContain('Type the hours its maker says, from 0 to 72, or nothing.');
    await screen.press('Save');
    screen.http.expectNone('/api/products/1/maker');
    await screen.type('Soak, hours', '2,5 h');
    await screen.type('Label', 'down');
    await screen.press('Save');
    const asked = screen.http.expectOne('/api/products/1/maker');
    expect(asked.request.body).toEqual({
      soakHours: 2.5,
      labelSide: 'down',
      strength: '20 lb test',
      diameter: '',
      says: '',
    });
    asked.flush(problem('not-found', 'This line is not on the list any more.'), {
      status: 404,
      statusText: 'no',
    });
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('not on the list any more. Nothing you typed is lost.');
  });

  it('is filled from what is written down; line that is not soaked is asked for no hours', async () => {
    const screen = await openScreen(MakerPanel, { piece: withMaker });
    expect([...screen.element.querySelectorAll('input')].map(({ value }) => value)).toEqual([
      '20 lb test',
      '.31 mm',
      '2.5',
      'Wet before you fish it',
    ]);
    screen.fixture.componentRef.setInput(
      'piece',
      aPiece({ product: { ...withMaker.product, material: 'braid' } }),
    );
    await screen.fixture.whenStable();
    expect(screen.shown()).not.toContain('Soak, hours');
  });

  it('stands on the piece and beside its winding', async () => {
    const screen = await openScreen(PieceCard, { piece: withMaker });
    screen.http.match('/api/house-rules');
    expect(screen.shown()).toContain(
      'On its box: printed 20 lb test, .31 mm · its maker says to soak it 2.5 h · label down, as its box says · “Wet before you fish it”',
    );
    const run = aRun();
    const supplies = [
      {
        layer: 'main',
        diameters: [90, 60] as [number, number],
        measured: true,
        leaves: 'unknown' as const,
        strengthKg: null,
        maker: MAKER,
      },
    ];
    const units = { length: String, small: String, strength: String, diameter: String };
    const words = besideStep(
      { id: 'wind-main', kind: 'wind', layer: 'main' },
      { ...run, supplies },
      { units, per: 5 },
    );
    expect(words[0]).toMatch(/^On its box: printed 20 lb test, \.31 mm; /);
    expect(
      besideStep({ id: 'wind-main', kind: 'wind', layer: 'main' }, run, { units, per: 5 }).join(),
    ).not.toContain('On its box');
  });

  it('is taken with a new line, but no hours for one that is not soaked', async () => {
    const screen = await openScreen(ReceivePiece);
    screen.http.expectOne('/api/products').flush([]);
    await screen.fixture.whenStable();
    await screen.type('Name', 'Smoke nylon 0.30');
    await screen.type('Line code', 'SN-30');
    await screen.type('Diameter', '0.30 mm');
    await screen.type('Soak, hours', '4');
    await screen.type('Diameter as printed', '.012"');
    await screen.type('Material', 'braid');
    await screen.type('Piece code', 'N-9');
    await screen.type('Length on it', '500 m');
    await screen.press('Add to stock');
    const { body } = screen.http.expectOne('/api/pieces').request;
    expect((body as { product: object }).product).toMatchObject({
      material: 'braid',
      maker: { soakHours: null, diameter: '.012"', labelSide: null },
    });
  });
});

describe('a piece with facts that cannot be read', () => {
  it('says which, and how that is mended', async () => {
    const screen = await openScreen(PieceCard, { piece: aPiece({ unread: ['tareG', 'newOn'] }) });
    screen.http.match('/api/house-rules');
    expect(screen.shown()).toContain(
      'Cannot be read: the weight of the empty spool, the day the line was new. Write it down again under “Move, rename”.',
    );
    screen.fixture.componentRef.setInput('piece', aPiece({ unread: ['maker'] }));
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain(
      'Cannot be read: what its maker says. Write it down again under “On its box”.',
    );
  });
});

import { aPiece } from '../testing/pieces';
import { anEvent } from '../testing/runs';
import { onARun, TROLLING } from '../testing/spec-run';
import { CounterPiece } from './counter-piece';
import { WhichPiece } from './which-piece';

const clear = { ...aPiece().product, id: 2, code: 'CN-26', name: 'Clear nylon 0.26' };
const braid = {
  ...aPiece().product,
  id: 3,
  code: 'MB-19',
  name: 'Moss braid 0.19',
  material: 'braid' as const,
};
const RACK = [
  aPiece({ id: 2, code: 'M-2', product: clear, lengthMm: 150_000 }),
  aPiece({ id: 3, code: 'B-3', product: braid, lengthMm: 90_000, promisedMm: 30_000 }),
  aPiece({ id: 4, code: 'B-4', product: braid, broughtWith: 12 }),
  aPiece({ id: 5, code: 'S-5', product: braid, kind: 'salvage' }),
];
type Screen = Awaited<ReturnType<typeof onARun>>;
async function withRack(screen: Screen): Promise<Screen> {
  for (const asked of screen.http.match('/api/pieces')) asked.flush(RACK);
  await screen.fixture.whenStable();
  return screen;
}

describe('another line than was said', () => {
  const opened = async () => withRack(await onARun(WhichPiece, { layer: 'main' }, []));

  it('is found by code or name among the shop’s own of other lines, and was on all along', async () => {
    const { shown, type, press, store } = await opened();
    // The line that was said, and what customers brought, are no answer.
    expect(shown()).not.toContain('M-2');
    expect(shown()).not.toContain('B-4');
    expect(shown()).toMatch(/B-3 Moss braid 0.19[^]*60.m free/);
    await type('Piece or line', 'nothing such');
    expect(shown()).toContain('There is no such piece on the rack.');
    await type('Piece or line', 'moss');
    await press('B-3');
    expect(store.happened).toEqual([
      {
        kind: 'piece-changed',
        payload: {
          layer: 'main',
          pieceId: 3,
          code: 'B-3',
          usedUp: false,
          allAlong: true,
          line: { key: 'MB-19', material: 'braid', diameter: 0.25 },
        },
      },
    ]);
  });

  it('may be one that nobody knows', async () => {
    const { press, store } = await opened();
    await press('Nobody knows');
    expect(store.happened).toEqual([{ kind: 'settled', payload: { cause: 'line', about: 'main' } }]);
  });
});

describe('what a counter asks for, on a reel whose line stays on', () => {
  const FACTS = { ...TROLLING, counterOnly: true };
  const AT_COUNTER = [anEvent(2, { kind: 'step-skipped', payload: { step: 'gap' } })];

  it('comes off a piece of the rack, of any line, but for stripped line', async () => {
    const { shown, press, store } = await withRack(await onARun(CounterPiece, {}, AT_COUNTER, FACTS));
    expect(shown()).toContain('Off which piece does it come?');
    expect(shown()).not.toContain('S-5');
    await press('B-3');
    const taken = { layer: 'main', pieceId: 3, code: 'B-3', usedUp: false };
    expect(store.happened).toEqual([{ kind: 'piece-changed', payload: taken }]);
  });

  it('says which piece it is once that was said', async () => {
    const taken = { layer: 'main', pieceId: 3, code: 'B-3', usedUp: false };
    const log = [...AT_COUNTER, anEvent(3, { kind: 'piece-changed', payload: taken })];
    const { shown } = await onARun(CounterPiece, {}, log, FACTS);
    expect(shown()).toMatch(/comes off B-3/);
  });
});

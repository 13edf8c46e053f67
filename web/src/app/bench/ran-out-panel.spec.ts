import { runFacts } from '@yard-spool/core';
import type { PlannedCut, Run } from '@yard-spool/contract';
import { aPiece } from '../testing/pieces';
import { anEvent, aRun, stepsDone } from '../testing/runs';
import { onARun } from '../testing/spec-run';
import { RanOutPanel } from './ran-out-panel';

const cut = (layer: string, pieceId: number, code: string): PlannedCut =>
  ({ layer, pieceId, pieceCode: code, own: false, productName: 'nylon', water: 'dry' }) as PlannedCut;
const CUTS = [cut('backing', 1, 'B-1'), cut('main', 2, 'M-2')];
const ON_MAIN = [
  ...stepsDone('strip', 'mount', 'tie-on'),
  anEvent(9, { kind: 'turns', payload: { layer: 'backing', turns: 160 } }),
  ...['wind-backing', 'depth-backing', 'join-main'].map((step, i) =>
    anEvent(10 + i, { kind: 'step-done', payload: { step } }),
  ),
  anEvent(14, { kind: 'turns', payload: { layer: 'main', turns: 120 } }),
];
const clear = { ...aPiece().product, id: 2, code: 'CN-26' };
const RACK = [
  aPiece({ id: 2, code: 'M-2', product: clear, lengthMm: 150_000 }),
  aPiece({ id: 5, code: 'M-5', product: clear, lengthMm: 20_000 }),
  aPiece({ id: 6, code: 'M-6', product: clear, lengthMm: 300_000, lot: '77' }),
  aPiece({ id: 7, code: 'S-7', product: clear, lengthMm: 300_000, kind: 'salvage' }),
];

async function ranOut(held: number, more: readonly PlannedCut[] = []) {
  const pieces: Run['pieces'] = { main: { length: held, sd: 1, sealed: false } };
  const screen = await onARun(RanOutPanel, {}, ON_MAIN, runFacts(aRun()));
  screen.store.run.set(aRun([], { pieces }, { cuts: [...CUTS, ...more] }));
  for (const asked of screen.http.match('/api/pieces')) asked.flush(RACK);
  await screen.fixture.whenStable();
  return screen;
}

describe('a supply that ran out', () => {
  it('asks whose the metres are that the piece lacks before anything else', async () => {
    const { shown, store, press } = await ranOut(150);
    expect(shown()).toMatch(
      /M-2 held 150.m by the books, and \d+.m of it is on by the count: \d+.m are missing/,
    );
    expect(shown()).not.toContain('M-6');
    await press('The books: all 150');
    const [event] = store.happened;
    expect(event).toMatchObject({ kind: 'metres', payload: { layer: 'main' } });
    const added = (event as { payload: { metres: number } }).payload.metres;
    expect(added).toBeGreaterThan(60);
    expect(added).toBeLessThan(85);
    await press('the piece was shorter');
    expect(store.happened[1]).toEqual({ kind: 'settled', payload: { cause: 'piece', about: 'main' } });
  });

  it('goes on with the next piece, says where its join lies, and never offers salvage for a main', async () => {
    const { shown, store, press } = await ranOut(72);
    expect(shown()).toMatch(/a join here lies \d+.m below the top, so it runs through the rings/);
    expect(shown()).toMatch(/M-6 to it and go on[^]*300.m free, lot 77: enough/);
    expect(shown()).toMatch(/M-5[^]*20.m free: \d+.m too few/);
    expect(shown()).not.toContain('S-7');
    await press('Join M-6');
    expect(store.happened).toEqual([
      { kind: 'piece-changed', payload: { layer: 'main', pieceId: 6, code: 'M-6', usedUp: true } },
    ]);
  });

  it('that is booked to be joined goes on with that piece, which has for it what it is promised', async () => {
    const joined = { ...cut('main', 5, 'M-5'), lengthMm: 15_000, tailMm: 0 };
    RACK[1] = aPiece({ id: 5, code: 'M-5', product: clear, lengthMm: 20_000, promisedMm: 15_000 });
    const { shown } = await ranOut(72, [joined]);
    expect(shown()).toMatch(/Join M-5 to it and go on\s*as it is booked, 20.m free[^]*M-6/);
  });
});

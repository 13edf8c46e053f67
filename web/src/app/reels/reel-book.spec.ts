import type { ReelKind } from '@yard-spool/contract';
import { openScreen, problem } from '../testing/screen';
import { ReelBook } from './reel-book';

const kind = (id: number, label: string): ReelKind => ({
  id,
  type: 'fixed-spool',
  label,
  observations: [
    { kind: 'rating', length: 208, diameter: 0.25 },
    { kind: 'lip', diameter: 46.2 },
    { kind: 'retrieve', perTurn: 0.7, gear: 5 },
  ],
  learned: [],
  gear: 5.2,
  timesSeen: 3,
  version: 2,
});

const open = async (kinds: ReelKind[]) => {
  const screen = await openScreen(ReelBook);
  screen.http.expectOne('/api/reel-kinds').flush(kinds);
  await screen.fixture.whenStable();
  return screen;
};

describe('the reel book', () => {
  it('of a new shop says how it grows', async () => {
    expect((await open([])).shown()).toContain('It grows with each bag booked in');
  });

  it('corrects a kind and keeps what it does not show', async () => {
    const screen = await open([kind(1, 'Pier 3000'), kind(2, 'Pier 3000 S')]);
    expect(screen.shown()).toContain('208 m × 0.25 mm, lip 46.2 mm');
    await screen.type('Width', '16.4 mm');
    await screen.press('Save it');
    const call = screen.http.expectOne('/api/reel-kinds/1');
    expect(call.request.body).toEqual({
      version: 2,
      label: 'Pier 3000',
      type: 'fixed-spool',
      gear: 5.2,
      observations: [
        { kind: 'rating', length: 208, diameter: 0.25 },
        { kind: 'lip', diameter: 46.2 },
        { kind: 'width', width: 16.4 },
        { kind: 'retrieve', perTurn: 0.7, gear: 5 },
      ],
    });
    call.flush(problem('stale-version', 'Somebody changed this kind.'), { status: 409, statusText: 'no' });
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('Somebody changed this kind. Nothing you typed is lost.');
  });

  it('makes one of two that are the same', async () => {
    const screen = await open([kind(1, 'Pier 3000'), kind(2, 'Pier 3000 S')]);
    await screen.type('It is the same kind as', 'Pier 3000 S');
    await screen.press('Merge');
    expect(screen.http.expectOne('/api/reel-kinds/1/merge').request.body).toEqual({ into: 2 });
  });
});

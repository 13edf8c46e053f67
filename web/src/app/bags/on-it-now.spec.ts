import type { Reel } from '@yard-spool/contract';
import { onSpool } from '../testing/fills';
import { openScreen } from '../testing/screen';
import { OnItNow } from './on-it-now';

describe('what is on a reel, in its bag', () => {
  async function opened(on: Reel['spools'][number]['on']) {
    const screen = await openScreen(OnItNow, { tag: 'R-7', spool: 'spare' });
    const spools = [
      {
        name: 'own',
        observations: [],
        on: onSpool({ lines: [{ role: 'main', name: 'Another line', lengthMm: 9000 }] }),
      },
      { name: 'spare', observations: [], on },
    ];
    screen.http.expectOne('/api/reels/R-7').flush({
      tag: 'R-7',
      type: 'trolling',
      label: 'Troll 30',
      looks: '',
      waiting: null,
      gear: null,
      version: 1,
      tags: [],
      history: [],
      fills: [],
      customer: { id: 3, name: 'Ivo', contact: '' },
      spools,
    } satisfies Reel);
    await screen.fixture.whenStable();
    return screen;
  }

  it('is told from the top down, of the spool the bag is about', async () => {
    const lines = [
      { role: 'backing' as const, name: 'Smoke nylon 0.25', lengthMm: 68_000 },
      { role: 'top-shot' as const, name: 'Moss braid 0.19', lengthMm: 120_000 },
    ];
    const { shown } = await opened(onSpool({ lines, gap: 1.6 }));
    expect(shown()).toMatch(/120.m Moss braid 0.19 top shot[^]*68.m Smoke nylon 0.25 backing/);
    expect(shown()).toMatch(/1.6.mm below the lip/);
    expect(shown()).not.toContain('Another line');
  });

  it('stands proud of the lip in words', async () => {
    const lines = [{ role: 'main' as const, name: 'Clear', lengthMm: 100_000 }];
    expect((await opened(onSpool({ lines, gap: -0.4 }))).shown()).toMatch(/0.4.mm proud of the lip/);
  });

  it('is nothing where nothing lies there', async () => {
    const { element } = await opened(null);
    expect(element.querySelector('[data-test=on-it-now]')).toBeNull();
  });
});

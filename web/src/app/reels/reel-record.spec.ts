import type { Fill } from '@yard-spool/contract';
import { runFacts, USUAL_HOUSE_RULES } from '@yard-spool/core';
import { anEvent, aRun, stepsDone } from '../testing/runs';
import { openScreen } from '../testing/screen';
import { FillBeside } from './fill-beside';
import { FillTold } from './fill-told';
import { KnownSpool } from './known-spool';

/** With plain spaces where a number holds on to its unit. */
const plain = (text: string): string => text.replace(/[\s\u00a0]+/g, ' ');

it('tells how a reel was filled, part by part, with the whole log behind it', async () => {
  const events = [
    ...stepsDone('strip', 'mount', 'tie-on'),
    anEvent(20, { kind: 'turns', payload: { layer: 'backing', turns: 160 } }),
    anEvent(21, { kind: 'turns', payload: { layer: 'backing', turns: 6 } }),
    anEvent(22, { kind: 'depth-read', payload: { after: 'backing', depth: 6.2, by: 'calliper' } }),
  ];
  const screen = await openScreen(FillTold, { runId: 7 });
  screen.http.expectOne('/api/runs/7').flush({ ...aRun(), state: 'closed', events });
  await screen.fixture.whenStable();
  const told = screen.element.querySelector('[data-test=told]')?.textContent ?? '';
  expect(told).toContain('166 turns counted by hand.');
  expect(told).toContain('6.2 mm, by calliper');
  const log = screen.element.querySelector('[data-test=whole-log]')?.textContent.replace(/\s+/g, ' ') ?? '';
  expect(log).toContain('Backing: 166 turns.');
  expect(log).toContain('Mount and thread: done.');
  expect(runFacts(aRun()).request.layers).toHaveLength(2);
});

it('puts two fills side by side, and marks what differs', async () => {
  const layer = (lengthMm: number): Fill['layers'][number] => ({
    id: 'main',
    role: 'main',
    lineName: 'Smoke 0.26',
    tint: '#aaa',
    pieceCode: 'N-1',
    lot: '',
    pieceKind: 'bulk',
    wet: false,
    line: { key: 'N', material: 'nylon', diameter: 0.26 },
    lengthMm,
    likelyMm: [lengthMm, lengthMm],
    restsOn: [],
    handleTurns: 200,
    innerRadius: 15,
    outerRadius: 20,
  });
  const fill = (id: number, lengthMm: number, gapRead: number | null): Fill => ({
    corrections: 0,
    comebacks: [],
    id,
    runId: id,
    bagNumber: id,
    spoolName: 'own',
    closedAt: '2031-03-01T08:00:00.000Z',
    by: 'Joss',
    gapRead,
    gapByCount: 1.5,
    layers: [layer(lengthMm)],
    counter: null,
    laid: null,
    spool: { lipRadius: 23, width: 17, arborRadius: 14, packing: 0.7, ratingDepth: 1.5 },
    under: { rules: USUAL_HOUSE_RULES, from: {}, tailMm: 2000, spanMm: 1500, hand: 'right' },
  });
  const { element } = await openScreen(FillBeside, {
    fills: [fill(2, 120_000, 1.4), fill(1, 110_000, null)],
  });
  const cells = [...element.querySelectorAll('td')].map((cell) => [
    plain(cell.textContent).trim(),
    cell.className,
  ]);
  expect(cells[0]?.[0]).toContain('120 m of Smoke 0.26 off N-1, 200 turns');
  expect(cells[1]?.[1]).toContain('font-bold');
  expect(cells[3]).toEqual(['not read', expect.stringContaining('font-bold')]);
  expect(cells.at(-1)).toEqual(['Joss', expect.not.stringContaining('font-bold')]);
});

it('says what is known of a spool, surer the more was read', async () => {
  const rating = { kind: 'rating', length: 148, diameter: 0.3 } as const;
  const shown = async (observations: readonly object[]): Promise<number> => {
    const { element } = await openScreen(KnownSpool, { type: 'fixed-spool', observations, fills: 1 });
    const text = plain(element.textContent);
    expect(text).toContain('filled here once');
    return Number(/Lip diameter ?[\d.]+ ± ([\d.]+)/.exec(text)?.[1]);
  };
  const printed = await shown([rating]);
  const { TestBed } = await import('@angular/core/testing');
  TestBed.resetTestingModule();
  expect(await shown([rating, { kind: 'lip', diameter: 46 }])).toBeLessThan(printed / 2);
});

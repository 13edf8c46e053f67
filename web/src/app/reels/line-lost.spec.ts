import { openScreen } from '../testing/screen';
import { aFill, onSpool } from '../testing/fills';
import { fillNow } from '../data/fill-now';
import { LineLost } from './line-lost';

const line = { key: 'CN-26', material: 'nylon', diameter: 0.26 } as const;
const layer = (id: string, key: string, lengthMm: number, innerRadius: number, outerRadius: number) => ({
  id,
  role: 'main' as const,
  line: { ...line, key },
  lineName: key,
  tint: '#aabbcc',
  pieceCode: null,
  pieceKind: null,
  wet: false,
  lot: '',
  lengthMm,
  likelyMm: [lengthMm, lengthMm] as [number, number],
  restsOn: [],
  handleTurns: 100,
  innerRadius,
  outerRadius,
});
const FILL = aFill({
  layers: [layer('backing', 'SN-25', 60_000, 14, 17), layer('main', 'CN-26', 120_000, 17, 21.4)],
});

describe('line lost on the water', () => {
  const opened = (offMm = 0) => openScreen(LineLost, { on: onSpool({ offMm }), fill: FILL });

  it.each([
    ['40 m', 40_000],
    ['half', 60_000],
    ['half of it is gone', 60_000],
    ['a quarter', 30_000],
  ])('told as %s is so many metres', async (said, offMm) => {
    const { type, press, http } = await opened();
    await type('Line lost since then', said);
    await press('Record the loss');
    expect(http.expectOne('/api/fills/3/marks').request.body).toEqual({ kind: 'off', offMm, why: '' });
  });

  it('told by the depth it stands at now is what lies above that', async () => {
    const { type, press, http, shown } = await opened();
    // The lip stands at 23 mm: 6 mm below it is the join.
    await type('Line lost since then', `${String(FILL.spool.lipRadius - 17)} mm below the lip`);
    expect(shown()).toMatch(/120.m gone, 60.m left on top/);
    await press('Record the loss');
    expect(http.expectOne('/api/fills/3/marks').request.body).toMatchObject({ offMm: 120_000 });
  });

  it('adds to what was told before', async () => {
    const { type, press, http, shown } = await opened(20_000);
    expect(shown()).toMatch(/20.m of line lost since it was filled/);
    await type('Line lost since then', '10 m');
    await press('Record the loss');
    expect(http.expectOne('/api/fills/3/marks').request.body).toMatchObject({ offMm: 30_000 });
  });

  it('is undone where nothing was lost after all', async () => {
    const { press, http } = await opened(20_000);
    await press('Nothing is lost');
    expect(http.expectOne('/api/fills/3/marks').request.body).toMatchObject({ kind: 'off', offMm: 0 });
  });

  it('leaves the fill as shorter layers under a deeper gap', () => {
    const now = fillNow(FILL, 130);
    expect(now.layers.map(({ id, lengthMm }) => [id, lengthMm])).toEqual([['backing', 50_000]]);
    expect(now.gapByCount).toBeGreaterThan(FILL.gapByCount + 4.4);
  });
});

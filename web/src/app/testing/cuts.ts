import type { CutFigures, CutsPlan, LayerOfPlan, PieceOfPlan } from '@yard-spool/contract';

export const NO_FIGURES: CutFigures = {
  unserved: 0,
  shortMm: 0,
  opened: 0,
  scrapMm: 0,
  tailsMm: 0,
  wasteMinor: 0,
};

export const pieceOfPlan = (code: string, more: Partial<PieceOfPlan> = {}): PieceOfPlan => ({
  code,
  product: {
    id: 1,
    code: 'N-26',
    name: 'Test nylon',
    material: 'nylon',
    diameter: 0.26,
    strengthKg: null,
    tint: '#aabbcc',
    mass: null,
  },
  kind: 'bulk',
  place: 'Wall',
  lot: '',
  opened: true,
  water: 'dry',
  freeMm: 200_000,
  receivedMm: 300_000,
  offs: [],
  leftMm: 200_000,
  tailsMm: 0,
  isScrap: false,
  ...more,
});

export const layerOfPlan = (jobId: number, more: Partial<LayerOfPlan> = {}): LayerOfPlan => ({
  jobId,
  layer: 'main',
  role: 'main',
  tag: `R-${String(jobId)}`,
  label: 'Test 3000',
  bag: 7,
  customer: 'Someone New',
  promisedAt: '2030-01-03T16:00:00.000Z',
  line: 'N-26',
  wantedMm: 120_000,
  leastMm: null,
  mayGive: true,
  now: 'L-1',
  nowJoined: null,
  planned: 'L-1',
  plannedJoined: null,
  givenMm: 120_000,
  matches: false,
  pinned: false,
  ...more,
});

export const cutsPlan = (more: Partial<CutsPlan> = {}): CutsPlan => ({
  revision: 'one',
  looking: false,
  pieces: [pieceOfPlan('L-1'), pieceOfPlan('L-2', { opened: false })],
  layers: [layerOfPlan(1)],
  now: NO_FIGURES,
  planned: NO_FIGURES,
  firstCome: NO_FIGURES,
  open: [],
  shortages: [],
  moved: [],
  saved: { plans: 0, minor: 0, scrapMm: 0 },
  ...more,
});

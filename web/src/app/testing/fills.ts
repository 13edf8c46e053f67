import type { Comeback, Fill, OnSpool } from '@yard-spool/contract';
import { USUAL_HOUSE_RULES } from '@yard-spool/core';
import { A_DRAWING } from './drawings';

/** A fill of 120 m over 80 m of nylon, to 1.5 mm. */
export const aFill = (more: Partial<Fill> = {}): Fill => {
  const layer = (role: 'backing' | 'main', lengthMm: number): Fill['layers'][number] => ({
    id: role,
    role,
    lineName: `Smoke ${role}`,
    tint: '#aabbcc',
    pieceCode: 'N-1',
    pieceKind: 'bulk',
    wet: false,
    lot: '',
    line: { key: 'N', material: 'nylon', diameter: 0.26 },
    lengthMm,
    likelyMm: [lengthMm, lengthMm],
    restsOn: [],
    handleTurns: 200,
    innerRadius: 15,
    outerRadius: 20,
  });
  return {
    id: 3,
    runId: 5,
    bagNumber: 4,
    spoolName: 'own',
    closedAt: '2031-03-01T08:00:00.000Z',
    by: 'Joss',
    gapRead: 1.6,
    gapByCount: 1.5,
    counter: null,
    laid: null,
    corrections: 0,
    comebacks: [],
    layers: [layer('backing', 80_000), layer('main', 120_000)],
    spool: { lipRadius: 23, width: 17, arborRadius: 14, packing: 0.7, ratingDepth: 1.5 },
    under: { rules: USUAL_HOUSE_RULES, from: {}, tailMm: 2000, spanMm: 1500, hand: 'right' },
    ...more,
  };
};

/** What lies on a spool, not due before long. */
export const onSpool = (more: Partial<OnSpool> = {}): OnSpool => ({
  fillId: 3,
  filledAt: '2031-03-01T08:00:00.000Z',
  drawing: A_DRAWING,
  gap: 1.6,
  lines: [{ role: 'main', name: 'Smoke nylon 0.26', lengthMm: 120_000 }],
  offMm: 0,
  trips: null,
  reversedAt: null,
  dueAt: '2132-03-01T08:00:00.000Z',
  by: 'months',
  toldAt: null,
  reverse: '',
  ...more,
});

export const aComeback = (more: Partial<Comeback> = {}): Comeback => ({
  id: 9,
  fillId: 3,
  tag: 'R-0003',
  label: 'Pier 3000',
  customer: 'Ivo',
  filledAt: '2031-03-01T08:00:00.000Z',
  filledBy: 'Joss',
  at: '2031-04-01T08:00:00.000Z',
  by: 'Tova',
  complaint: 'loops',
  saw: 'loops since Friday',
  cause: null,
  found: '',
  did: '',
  fault: null,
  second: null,
  looks: [],
  worked: null,
  version: 1,
  ...more,
});

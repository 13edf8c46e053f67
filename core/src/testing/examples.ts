import { tellMetric, type Words } from '../words/message';
import type { Line } from '../lines/line';
import type { FillRequest } from '../plan/fill-request';
import type { Observation } from '../spool/observation';
import { STARTING_PRIORS, type SpoolPriors } from '../spool/priors';
import type { SpoolGeometry } from '../spool/spool-geometry';

/** Main and backing of the worked examples. */
export const MAIN: Line = { key: 'main', material: 'nylon', diameter: 0.26 };
export const BACKING: Line = { key: 'backing', material: 'nylon', diameter: 0.25 };

/** The worked spool: its capacity of 13.2225 m·mm² read at 1.5 mm fixes the arbor. */
export const WORKED_SPOOL: SpoolGeometry = {
  lipRadius: 23,
  width: 16.5,
  arborRadius: Math.sqrt(21.5 ** 2 - 13222.5 / (4 * 0.7 * 16.5)),
  packing: 0.7,
  ratingDepth: 1.5,
};

/** 120 m of main over as much backing as fits, to 1.5 mm. */
export const WORKED_REQUEST: FillRequest = {
  layers: [
    { kind: 'line', id: 'backing', role: 'backing', line: BACKING, length: 'fits' },
    { kind: 'line', id: 'main', role: 'main', line: MAIN, length: 120 },
  ],
  gap: 1.5,
  gear: 5.2,
};

/** The five readings of the worked inference, in the order they become known. */
export const WORKED_READINGS: readonly Observation[] = [
  { kind: 'rating', length: 210, diameter: 0.25 },
  { kind: 'rating', length: 148, diameter: 0.3 },
  { kind: 'lip', diameter: 46 },
  { kind: 'width', width: 16.5 },
  { kind: 'arbor', diameter: 26.5 },
];

/**
 * The beliefs the worked figures were computed from by independent code: a rating off by 4 % in all. Each print's own 3 %
 * and a bias of this size make that up for one rating.
 */
export const WORKED_PRIORS: SpoolPriors = {
  ...STARTING_PRIORS,
  makersBias: { median: 1, sd: Math.sqrt(0.04 ** 2 - 0.03 ** 2) },
};

/** The value of a result, or a failed test with its sentences. */
export function valueOf<T>(
  result: { ok: true; value: T } | { ok: false; issues: readonly { sentence: Words }[] },
): T {
  if (result.ok) return result.value;
  throw new Error(result.issues.map(({ sentence }) => said(sentence)).join(' '));
}

/** A sentence as a metric reader has it, with plain spaces. */
export const said = (words: Words | undefined): string => tellMetric(words ?? '');

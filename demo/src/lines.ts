import type { Material } from '@yard-spool/core';

/** A line of the shop's own label. */
export interface DemoLine {
  readonly code: LineCode;
  readonly name: string;
  readonly material: Material;
  readonly diameter: number;
  readonly strengthKg: number | null;
  readonly tint: string;
}

const SMOKE = '#aab7bd';
const CLEAR = '#bfd9df';
const AMBER = '#e3b872';
const GLASS = '#d9dcea';
const MOSS = '#7f9a6b';
const FOAM = '#c8c3b4';
const STRIPPED = '#d9c38b';

type Row = readonly [
  code: string,
  name: string,
  material: Material,
  diameter: number,
  strengthKg: number | null,
  tint: string,
];
/** All invented: strengths are of no maker's line. */
const ROWS = [
  ['SN-20', 'Smoke nylon 0.20', 'nylon', 0.2, 3.4, SMOKE],
  ['SN-25', 'Smoke nylon 0.25', 'nylon', 0.25, 5.2, SMOKE],
  ['SN-30', 'Smoke nylon 0.30', 'nylon', 0.3, 7.3, SMOKE],
  ['SN-40', 'Smoke nylon 0.40', 'nylon', 0.4, 12.5, SMOKE],
  ['CN-26', 'Clear nylon 0.26', 'nylon', 0.26, 5.6, CLEAR],
  ['AN-45', 'Amber nylon 0.45', 'nylon', 0.45, 15.8, AMBER],
  ['AN-70', 'Amber nylon 0.70', 'nylon', 0.7, 34, AMBER],
  ['CF-28', 'Clear fluorocarbon 0.28', 'fluorocarbon', 0.28, 5.4, GLASS],
  ['CF-35', 'Clear fluorocarbon 0.35', 'fluorocarbon', 0.35, 8.1, GLASS],
  ['MB-15', 'Moss braid 0.15', 'braid', 0.15, 9, MOSS],
  ['MB-19', 'Moss braid 0.19', 'braid', 0.19, 13, MOSS],
  ['FB-23', 'Foam braid 0.23', 'braid', 0.23, 18, FOAM],
  ['HB-50', 'Foam hollow braid 0.50', 'hollow-braid', 0.5, 36, FOAM],
  ['OL-25', 'Stripped nylon 0.25', 'nylon', 0.25, null, STRIPPED],
  ['SN-35', 'Smoke nylon 0.35', 'nylon', 0.35, 9.8, SMOKE],
  ['CN-22', 'Clear nylon 0.22', 'nylon', 0.22, 4.2, CLEAR],
  ['CN-33', 'Clear nylon 0.33', 'nylon', 0.33, 8.7, CLEAR],
  ['AN-55', 'Amber nylon 0.55', 'nylon', 0.55, 22.5, AMBER],
  ['AN-90', 'Amber nylon 0.90', 'nylon', 0.9, 53, AMBER],
  ['CF-22', 'Clear fluorocarbon 0.22', 'fluorocarbon', 0.22, 3.5, GLASS],
  ['CF-50', 'Clear fluorocarbon 0.50', 'fluorocarbon', 0.5, 15.2, GLASS],
  ['MB-11', 'Moss braid 0.11', 'braid', 0.11, 6, MOSS],
  ['MB-28', 'Moss braid 0.28', 'braid', 0.28, 23, MOSS],
  ['FB-36', 'Foam braid 0.36', 'braid', 0.36, 36, FOAM],
  ['HB-70', 'Foam hollow braid 0.70', 'hollow-braid', 0.7, 61, FOAM],
] as const satisfies readonly Row[];

export type LineCode = (typeof ROWS)[number][0];

/** The shop's own lines, described by tint, material and diameter. */
export const DEMO_LINES: readonly DemoLine[] = ROWS.map(
  ([code, name, material, diameter, strengthKg, tint]) => ({
    code,
    name,
    material,
    diameter,
    strengthKg,
    tint,
  }),
);

/** A piece: code, line, metres as it came, kind, place, and what it cost. */
export type DemoPiece = readonly [
  code: string,
  line: LineCode,
  metres: number,
  kind: 'bulk' | 'pack' | 'remnant' | 'salvage',
  place: string,
  price: number | null,
];

/** What hangs on the rack when the demo begins. */
export const DEMO_PIECES: readonly DemoPiece[] = [
  ['N-201', 'SN-20', 3000, 'bulk', 'Wall A', 46.5],
  ['N-204', 'SN-25', 3000, 'bulk', 'Wall A', 52],
  ['N-205', 'SN-25', 340, 'remnant', 'Drawer 2', null],
  ['N-207', 'CN-26', 3000, 'bulk', 'Wall A', 64.9],
  ['N-211', 'SN-30', 2500, 'bulk', 'Wall A', 49],
  ['N-212', 'SN-30', 155, 'remnant', 'Drawer 2', null],
  ['N-220', 'SN-40', 1200, 'bulk', 'Wall B', 34],
  ['N-231', 'AN-45', 1000, 'bulk', 'Wall B', 31.5],
  ['N-240', 'AN-70', 800, 'bulk', 'Wall B', 42],
  ['F-102', 'CF-28', 300, 'pack', 'Drawer 4', 29.9],
  ['F-105', 'CF-35', 500, 'bulk', 'Wall C', 61],
  ['B-301', 'MB-15', 1800, 'bulk', 'Wall C', 118],
  ['B-303', 'MB-19', 1500, 'bulk', 'Wall C', 104],
  ['B-304', 'MB-19', 270, 'remnant', 'Drawer 4', null],
  ['B-310', 'FB-23', 1000, 'bulk', 'Wall C', 89],
  ['H-401', 'HB-50', 1200, 'bulk', 'Wall D', 168],
  ['S-031', 'OL-25', 240, 'salvage', 'Tub shelf', null],
  ['S-034', 'OL-25', 410, 'salvage', 'Tub shelf', null],
];

import type { Material } from '@yard-spool/core';

/** A line of the shop's own label. */
export interface DemoLine {
  readonly code: string;
  readonly name: string;
  readonly material: Material;
  readonly diameter: number;
  readonly strengthKg: number | null;
  readonly tint: string;
}

/** The shop's own lines, described by tint, material and diameter. */
export const DEMO_LINES = [
  {
    code: 'SN-20',
    name: 'Smoke nylon 0.20',
    material: 'nylon',
    diameter: 0.2,
    strengthKg: 3.4,
    tint: '#aab7bd',
  },
  {
    code: 'SN-25',
    name: 'Smoke nylon 0.25',
    material: 'nylon',
    diameter: 0.25,
    strengthKg: 5.2,
    tint: '#aab7bd',
  },
  {
    code: 'SN-30',
    name: 'Smoke nylon 0.30',
    material: 'nylon',
    diameter: 0.3,
    strengthKg: 7.3,
    tint: '#aab7bd',
  },
  {
    code: 'SN-40',
    name: 'Smoke nylon 0.40',
    material: 'nylon',
    diameter: 0.4,
    strengthKg: 12.5,
    tint: '#aab7bd',
  },
  {
    code: 'CN-26',
    name: 'Clear nylon 0.26',
    material: 'nylon',
    diameter: 0.26,
    strengthKg: 5.6,
    tint: '#bfd9df',
  },
  {
    code: 'AN-45',
    name: 'Amber nylon 0.45',
    material: 'nylon',
    diameter: 0.45,
    strengthKg: 15.8,
    tint: '#e3b872',
  },
  {
    code: 'AN-70',
    name: 'Amber nylon 0.70',
    material: 'nylon',
    diameter: 0.7,
    strengthKg: 34,
    tint: '#e3b872',
  },
  {
    code: 'CF-28',
    name: 'Clear fluorocarbon 0.28',
    material: 'fluorocarbon',
    diameter: 0.28,
    strengthKg: 5.4,
    tint: '#d9dcea',
  },
  {
    code: 'CF-35',
    name: 'Clear fluorocarbon 0.35',
    material: 'fluorocarbon',
    diameter: 0.35,
    strengthKg: 8.1,
    tint: '#d9dcea',
  },
  {
    code: 'MB-15',
    name: 'Moss braid 0.15',
    material: 'braid',
    diameter: 0.15,
    strengthKg: 9,
    tint: '#7f9a6b',
  },
  {
    code: 'MB-19',
    name: 'Moss braid 0.19',
    material: 'braid',
    diameter: 0.19,
    strengthKg: 13,
    tint: '#7f9a6b',
  },
  {
    code: 'FB-23',
    name: 'Foam braid 0.23',
    material: 'braid',
    diameter: 0.23,
    strengthKg: 18,
    tint: '#c8c3b4',
  },
  {
    code: 'HB-50',
    name: 'Foam hollow braid 0.50',
    material: 'hollow-braid',
    diameter: 0.5,
    strengthKg: 36,
    tint: '#c8c3b4',
  },
  {
    code: 'OL-25',
    name: 'Stripped nylon 0.25',
    material: 'nylon',
    diameter: 0.25,
    strengthKg: null,
    tint: '#d9c38b',
  },
] as const satisfies readonly DemoLine[];

export type LineCode = (typeof DEMO_LINES)[number]['code'];

/** What hangs on the rack when the demo begins: code, line, metres as it came, kind, place, and what it cost. */
export const DEMO_PIECES: readonly (readonly [
  code: string,
  line: LineCode,
  metres: number,
  kind: 'bulk' | 'pack' | 'remnant' | 'salvage',
  place: string,
  price: number | null,
])[] = [
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

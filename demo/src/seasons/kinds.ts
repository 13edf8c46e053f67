import type { ReelType } from '@yard-spool/core';
import type { LineCode } from '../lines';

/** A kind of reel of the scenario: what is printed on it, what its spool truly measures, and what people put on it. */
export interface SeasonKind {
  readonly label: string;
  readonly type: ReelType;
  readonly gear: number;
  readonly ratings: readonly (readonly [length: number, diameter: number])[];
  /** Across the lip and the arbor, and between the flanges, mm. */
  readonly lip: number;
  readonly arbor: number;
  readonly width: number;
  readonly gap: number;
  readonly mains: readonly [Main, ...Main[]];
  readonly backing: LineCode;
  /** Over the main, m. */
  readonly topShot?: Main;
  /** How many of the shop's reels are of it. */
  readonly reels: number;
}

type Main = readonly [line: LineCode, metres: number];

/** All invented; figures are of no maker's. */
export const SEASON_KINDS: readonly SeasonKind[] = [
  {
    label: 'Skerrywind 3000, deep spool',
    type: 'fixed-spool',
    gear: 5.2,
    gap: 1.5,
    reels: 18,
    ratings: [[208, 0.25]],
    lip: 46.2,
    arbor: 27,
    width: 16.4,
    backing: 'SN-25',
    mains: [
      ['MB-15', 150],
      ['CN-26', 120],
      ['MB-19', 140],
    ],
  },
  {
    label: 'Skerrywind 8000 long cast',
    type: 'fixed-spool',
    gear: 4.6,
    gap: 2.5,
    reels: 14,
    ratings: [[310, 0.35]],
    lip: 66,
    arbor: 42,
    width: 27,
    backing: 'SN-25',
    mains: [
      ['SN-30', 240],
      ['FB-23', 220],
      ['SN-35', 210],
      ['FB-36', 130],
    ],
  },
  {
    label: 'Ternling 2000',
    type: 'fixed-spool',
    gear: 5,
    gap: 1.4,
    reels: 16,
    ratings: [[160, 0.22]],
    lip: 40.5,
    arbor: 25,
    width: 13.6,
    backing: 'SN-25',
    mains: [
      ['SN-20', 120],
      ['MB-15', 110],
      ['MB-11', 130],
    ],
  },
  {
    label: 'Lowtide 2500',
    type: 'fixed-spool',
    gear: 5.1,
    gap: 1.5,
    reels: 13,
    ratings: [[175, 0.25]],
    lip: 43.8,
    arbor: 26,
    width: 15,
    backing: 'SN-25',
    mains: [
      ['CF-28', 100],
      ['MB-15', 130],
      ['CN-22', 140],
    ],
  },
  {
    label: 'Brackwater 200 low',
    type: 'baitcaster',
    gear: 6.4,
    gap: 1.6,
    reels: 12,
    ratings: [[120, 0.33]],
    lip: 36,
    arbor: 17,
    width: 22.5,
    backing: 'SN-25',
    mains: [
      ['MB-19', 110],
      ['CF-35', 60],
      ['MB-28', 60],
    ],
  },
  {
    label: 'Reedcaster 100',
    type: 'baitcaster',
    gear: 7.1,
    gap: 1.4,
    reels: 8,
    ratings: [[95, 0.3]],
    lip: 33,
    arbor: 16,
    width: 21,
    backing: 'SN-25',
    mains: [
      ['MB-15', 90],
      ['CN-33', 60],
    ],
  },
  {
    label: 'Pierlight closed face',
    type: 'spincast',
    gear: 3.4,
    gap: 1.2,
    reels: 8,
    ratings: [[80, 0.28]],
    lip: 38,
    arbor: 26,
    width: 11,
    backing: 'SN-25',
    mains: [['SN-25', 60]],
  },
  {
    label: 'Holmtroll 30 counter',
    type: 'trolling',
    gear: 4.2,
    gap: 3,
    reels: 16,
    ratings: [[260, 0.45]],
    lip: 58,
    arbor: 30,
    width: 34,
    backing: 'SN-40',
    mains: [
      ['AN-45', 150],
      ['AN-45', 180],
      ['AN-55', 110],
    ],
  },
  {
    label: 'Deepholm 50',
    type: 'big-game',
    gear: 2.8,
    gap: 3.5,
    reels: 6,
    ratings: [[480, 0.8]],
    lip: 98,
    arbor: 52,
    width: 58,
    backing: 'SN-40',
    mains: [
      ['HB-50', 420],
      ['HB-70', 220],
    ],
    topShot: ['AN-90', 60],
  },
];

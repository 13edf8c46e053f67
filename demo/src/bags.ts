import type { ReelType } from '@yard-spool/core';
import type { LineCode } from './lines';

/** One reel of the scenario: what is known of its spool and what is to go on. mm and m. */
export interface DemoReel {
  readonly label: string;
  readonly type: ReelType;
  readonly gear: number;
  readonly ratings: readonly (readonly [length: number, diameter: number])[];
  readonly lip?: number;
  readonly width?: number;
  readonly arbor?: number;
  readonly main: { readonly line: LineCode; readonly piece: string; readonly length: number };
  readonly backing: { readonly line: LineCode; readonly piece: string };
  /** Over the main, where one is wanted. */
  readonly topShot?: readonly [line: LineCode, length: number];
  /** Gap the customer asked for, mm; left to the house where nobody did. */
  readonly gap?: number;
}

/** How far a bag is when the demo begins: days from today, and what has been done. */
export interface DemoBag {
  readonly customer: readonly [name: string, contact: string];
  readonly bookedDay: number;
  readonly promisedDay: number;
  readonly promisedHour: number;
  readonly notes?: string;
  readonly state: 'filled' | 'half-filled' | 'booked';
  readonly reels: readonly DemoReel[];
}

const pier3000: Omit<DemoReel, 'main' | 'backing'> = {
  label: 'Skerrywind 3000, deep spool',
  type: 'fixed-spool',
  gear: 5.2,
  ratings: [
    [208, 0.25],
    [145, 0.3],
  ],
  lip: 46.2,
  width: 16.4,
  gap: 1.5,
};

const surf8000: Omit<DemoReel, 'main' | 'backing'> = {
  label: 'Skerrywind 8000 long cast',
  type: 'fixed-spool',
  gear: 4.6,
  ratings: [[310, 0.35]],
  lip: 66,
};

const club2000: Omit<DemoReel, 'main' | 'backing'> = {
  label: 'Ternling 2000',
  type: 'fixed-spool',
  gear: 5,
  ratings: [[160, 0.22]],
};

const pikeCaster: Omit<DemoReel, 'main' | 'backing'> = {
  label: 'Brackwater 200 low',
  type: 'baitcaster',
  gear: 6.4,
  ratings: [[120, 0.33]],
  lip: 36,
  width: 22.5,
  arbor: 17,
  gap: 1.6,
};

const charterCounter: Omit<DemoReel, 'main' | 'backing'> = {
  label: 'Holmtroll 30 counter',
  type: 'trolling',
  gear: 4.2,
  ratings: [[260, 0.45]],
  lip: 58,
  width: 34,
  gap: 3,
};

/** Bags of the scenario, oldest first. */
export const DEMO_BAGS: readonly DemoBag[] = [
  {
    customer: ['Oddmar Linskare', 'quay 4, berth 11'],
    bookedDay: -9,
    promisedDay: -7,
    promisedHour: 16,
    state: 'filled',
    reels: [
      {
        ...surf8000,
        main: { line: 'SN-30', piece: 'N-211', length: 240 },
        backing: { line: 'SN-25', piece: 'N-204' },
      },
    ],
  },
  {
    customer: ['Sound School Angling Club', 'Ms Harrow, staff room'],
    bookedDay: -8,
    promisedDay: -6,
    promisedHour: 12,
    notes: 'Club reels, keep them alike.',
    state: 'filled',
    reels: [
      {
        ...club2000,
        main: { line: 'SN-20', piece: 'N-201', length: 120 },
        backing: { line: 'OL-25', piece: 'S-034' },
      },
      {
        ...club2000,
        main: { line: 'SN-20', piece: 'N-201', length: 120 },
        backing: { line: 'OL-25', piece: 'S-034' },
      },
    ],
  },
  {
    customer: ['Wenna Fairholt', 'evenings after six'],
    bookedDay: -3,
    promisedDay: -1,
    promisedHour: 17,
    state: 'filled',
    reels: [
      {
        ...pier3000,
        main: { line: 'MB-15', piece: 'B-301', length: 150 },
        backing: { line: 'SN-25', piece: 'N-205' },
      },
    ],
  },
  {
    customer: ['Inshore Pike League', 'Corrin, league desk'],
    bookedDay: -2,
    promisedDay: 0,
    promisedHour: 15,
    notes: 'Thumb bars sticky, wipe them down.',
    state: 'half-filled',
    reels: [
      {
        ...pikeCaster,
        main: { line: 'MB-19', piece: 'B-303', length: 100 },
        backing: { line: 'SN-25', piece: 'N-204' },
      },
    ],
  },
  {
    customer: ['Bastian Okerlind', 'boat Grey Petrel'],
    bookedDay: -1,
    promisedDay: 0,
    promisedHour: 18,
    state: 'booked',
    reels: [
      {
        ...charterCounter,
        main: { line: 'AN-45', piece: 'N-231', length: 200 },
        backing: { line: 'SN-40', piece: 'N-220' },
      },
      {
        ...charterCounter,
        main: { line: 'AN-45', piece: 'N-231', length: 200 },
        backing: { line: 'SN-40', piece: 'N-220' },
      },
    ],
  },
  {
    customer: ['Wenna Fairholt', 'evenings after six'],
    bookedDay: 0,
    promisedDay: 1,
    promisedHour: 17,
    state: 'booked',
    reels: [
      {
        ...pier3000,
        main: { line: 'CN-26', piece: 'N-207', length: 120 },
        backing: { line: 'OL-25', piece: 'S-031' },
      },
    ],
  },
  {
    customer: ['Torvin Aske', ''],
    bookedDay: 0,
    promisedDay: 2,
    promisedHour: 11,
    state: 'booked',
    reels: [
      {
        ...surf8000,
        main: { line: 'FB-23', piece: 'B-310', length: 260 },
        backing: { line: 'SN-30', piece: 'N-211' },
      },
    ],
  },
];

/** What a counting device counts: turns of the handle, turns of the spool, or line as it passes. */
interface CountedTraits {
  readonly of: 'handle' | 'spool' | 'line';
  /** What a hand, or a winder, does of it at its fastest, a second; from memory. */
  readonly fastest: number;
}

/** Each kind of counting device: all that differs between them follows from here. */
export const COUNTED_TRAITS = {
  'handle-turns': { of: 'handle', fastest: 8 },
  'spool-turns': { of: 'spool', fastest: 60 },
  metres: { of: 'line', fastest: 12 },
} as const satisfies Readonly<Record<string, CountedTraits>>;

export type DeviceCounts = keyof typeof COUNTED_TRAITS;

export const COUNTED = Object.keys(COUNTED_TRAITS) as readonly DeviceCounts[];

/** Whether a device meters line instead of counting turns. */
export const countsLine = ({ counts }: { readonly counts: DeviceCounts }): boolean =>
  COUNTED_TRAITS[counts].of === 'line';

/** How many of what a device counts make one handle turn, or one metre where it meters line. */
export const eachTurn = ({ counts }: { readonly counts: DeviceCounts }, gear: number): number =>
  COUNTED_TRAITS[counts].of === 'spool' ? gear : 1;

export const WATER_STATES = ['dry', 'soaking', 'wet'] as const;
export type WaterState = (typeof WATER_STATES)[number];

/** The water a piece is in, or is still wet from: ISO dates as its books have them. */
export interface InWater {
  readonly soaking: object | null;
  readonly wetUntil: string | null;
}

/** The same in one word. */
export const waterState = (water: InWater | undefined): WaterState =>
  water?.soaking ? 'soaking' : water?.wetUntil ? 'wet' : 'dry';

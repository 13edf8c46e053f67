/** What was typed, and what it means in the core's unit for that dimension (m, mm, g, kg, a plain ratio). */
export interface Quantity {
  readonly text: string;
  readonly value: number;
  /** The unit it was read in, in the spelling of `TO_BASE`. */
  readonly unit: string;
}

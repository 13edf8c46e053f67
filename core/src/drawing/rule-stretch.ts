import type { LineStyle } from './line-style';

/** One stretch of a length of line, m. */
export interface RuleStretch {
  readonly metres: number;
  readonly lineStyle: LineStyle;
  readonly label: string;
  /** A join in brass where this stretch begins. */
  readonly joined?: boolean;
  /** Outlined in ink: promised and not yet cut. */
  readonly promised?: boolean;
}

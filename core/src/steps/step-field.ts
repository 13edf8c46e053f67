import { allowedIn, type Allowed } from '../quantities/parse-quantity';
import type { Dimension } from '../quantities/units';

/** A word, a figure or a yes written down at a step: how it was stripped, what the drag read. */
export type NoteValue = string | number | boolean;

interface Field {
  readonly key: string;
  readonly label: string;
  /** Asked only where another field holds this. */
  readonly where?: { readonly key: string; readonly is: string };
}

/** One thing that may be written down at a step. */
export type StepField =
  | (Field & {
      readonly kind: 'choice';
      readonly options: readonly { readonly value: string; readonly name: string }[];
    })
  | (Field & { readonly kind: 'quantity'; readonly dimension: Dimension; readonly allowed: Allowed })
  /** `line` is one of the shop's own lines, by its code. */
  | (Field & { readonly kind: 'text' | 'check' | 'line' });

type Where = NonNullable<Field['where']>;

export const choice = (
  key: string,
  label: string,
  options: Readonly<Record<string, string>>,
  where?: Where,
): StepField => ({
  kind: 'choice',
  key,
  label,
  options: Object.entries(options).map(([value, name]) => ({ value, name })),
  ...(where && { where }),
});
export const quantity = (
  key: string,
  label: string,
  dimension: Dimension,
  range: readonly [number, number],
  where?: Where,
): StepField => ({
  kind: 'quantity',
  key,
  label,
  dimension,
  allowed: allowedIn(range),
  ...(where && { where }),
});
export const check = (key: string, label: string, where?: Where): StepField => ({
  kind: 'check',
  key,
  label,
  ...(where && { where }),
});
export const shopLine = (key: string, label: string, where?: Where): StepField => ({
  kind: 'line',
  key,
  label,
  ...(where && { where }),
});
export const words = (key: string, label: string, where?: Where): StepField => ({
  kind: 'text',
  key,
  label,
  ...(where && { where }),
});

import type { RowError } from '@yard-spool/contract';
import { tellMetric, wordsFromText } from '@yard-spool/core';
import * as v from 'valibot';

/** A row of a file, checked, with its place: row 1 is the first after the heading. */
export interface Checked<T> {
  readonly row: number;
  readonly value: T;
}

/** Checks each row by itself. Every wrong field is named; good rows come through. */
export function checkRows<S extends v.GenericSchema>(
  schema: S,
  rows: readonly Readonly<Record<string, string>>[],
): { good: Checked<v.InferOutput<S>>[]; errors: RowError[] } {
  const good: Checked<v.InferOutput<S>>[] = [];
  const errors: RowError[] = [];
  rows.forEach((one, i) => {
    const read = v.safeParse(schema, one, { abortPipeEarly: true });
    if (read.success) good.push({ row: i + 1, value: read.output });
    else
      errors.push(
        ...read.issues.map((issue) => ({
          row: i + 1,
          column: v.getDotPath(issue) ?? '',
          // A file is metric, whoever brings it.
          message: tellMetric(wordsFromText(issue.message)),
        })),
      );
  });
  return { good, errors };
}

/** Rows whose key stands in the file before. */
export function findTwice<T>(
  rows: readonly Checked<T>[],
  column: string,
  keyOf: (value: T) => string,
): RowError[] {
  const first = new Map<string, number>();
  return rows.flatMap(({ row, value }) => {
    const key = keyOf(value);
    const before = first.get(key);
    if (before === undefined) {
      first.set(key, row);
      return [];
    }
    return [{ row, column, message: `${key} stands in row ${before} already.` }];
  });
}

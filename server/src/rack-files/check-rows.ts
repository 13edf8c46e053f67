import type { RowError } from '@yard-spool/contract';
import { tellMetric, wordsFromText } from '@yard-spool/core';
import * as v from 'valibot';

/** A row of a file, checked, with its place as whoever looks into the file counts. */
export interface Checked<T> {
  readonly row: number;
  readonly value: T;
}

/** Checks each row by itself. Every wrong field is named; good rows come through. @param first what the first is called */
export function checkRows<S extends v.GenericSchema>(
  schema: S,
  rows: readonly Readonly<Record<string, string>>[],
  first = 1,
): { good: Checked<v.InferOutput<S>>[]; errors: RowError[] } {
  const good: Checked<v.InferOutput<S>>[] = [];
  const errors: RowError[] = [];
  rows.forEach((one, i) => {
    const read = v.safeParse(schema, one, { abortPipeEarly: true });
    if (read.success) good.push({ row: first + i, value: read.output });
    else
      errors.push(
        ...read.issues.map((issue) => ({
          row: first + i,
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

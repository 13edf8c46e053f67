import { wordsFromText, type Words } from '@yard-spool/core';
import * as v from 'valibot';
import { ProblemError } from '../problem-error';
import type { BookFact } from './book-facts';

/** A fact as its schema sees it: decimals come from the database as text, instants as dates. */
function factValue({ sort }: BookFact, stored: unknown): unknown {
  if (stored === null || stored === undefined) return null;
  if (sort === 'number') return Number(stored);
  if (sort !== 'instant') return stored;
  return stored instanceof Date && !Number.isNaN(stored.getTime()) ? stored.toISOString() : '';
}

/** A fact as it is shown and typed. */
export function factText(fact: BookFact, stored: unknown): string {
  const value = factValue(fact, stored);
  if (value === null) return '';
  return typeof value === 'string' && fact.sort !== 'json' ? value : JSON.stringify(value);
}

/** What is wrong with a fact; empty where it fits. */
export function wrongWith(fact: BookFact, stored: unknown): Words {
  const read = v.safeParse(fact.schema, factValue(fact, stored));
  return read.success ? '' : wordsFromText(read.issues[0].message);
}

/** What a fact can be, where it is one of a few. */
export function choicesOf({ schema }: BookFact): string[] {
  const { options } = schema as { options?: unknown };
  return Array.isArray(options) && options.every((one) => typeof one === 'string') ? options : [];
}

/**
 * What was typed as the fact is stored.
 *
 * @throws `bad-request` with what is wrong, at the path `is`
 */
export function readTyped(fact: BookFact, typed: string): unknown {
  const read = v.safeParse(fact.schema, typedValue(fact, typed));
  if (!read.success) throw notThis(wordsFromText(read.issues[0].message));
  return fact.sort === 'instant' && typeof read.output === 'string' ? new Date(read.output) : read.output;
}

function typedValue({ sort, schema }: BookFact, typed: string): unknown {
  const said = typed.trim();
  if (said === '' && v.is(schema, null)) return null;
  if (sort === 'number') return said === '' ? undefined : Number(said);
  if (sort !== 'json') return said;
  try {
    return JSON.parse(said) as unknown;
  } catch {
    throw notThis('This is not JSON: a bracket, a comma or a quotation mark is missing.');
  }
}

const notThis = (message: Words): ProblemError =>
  new ProblemError('bad-request', message, [{ path: 'is', message }]);

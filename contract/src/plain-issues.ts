import * as v from 'valibot';

/** What a part has to be, by the schema it does not fit. */
const FORMS: Readonly<Record<string, string>> = {
  string: 'This has to be text.',
  number: 'This has to be a number.',
  boolean: 'This has to be true or false.',
  array: 'This has to be a list.',
  tuple: 'This has to be a list.',
  object: 'This has to be an object.',
  record: 'This has to be an object.',
  integer: 'This has to be a whole number.',
  finite: 'This has to be a number.',
  min_length: 'This is too short.',
  max_length: 'This is too long.',
  non_empty: 'This cannot be empty.',
  min_value: 'This is too low.',
  max_value: 'This is too high.',
};

/** What is said of a part that does not fit its schema, where the schema itself says nothing. */
export function plainIssue({ received, expected, type, input }: v.BaseIssue<unknown>): string {
  if (type === 'strict_object') return 'Nothing here takes this part.';
  if (input === undefined || received === 'undefined') return 'This is missing.';
  const choices = CHOOSES.has(type) ? choicesOf(expected) : [];
  if (choices.length > 0) return `This has to be ${choices.join(', ').replace(/, ([^,]*)$/, ' or $1')}.`;
  return FORMS[type] ?? 'This does not fit.';
}

/** Schemas that take one of a few values. */
const CHOOSES = new Set(['picklist', 'literal', 'enum', 'variant']);

/** The values a part may have, as the library tells them: `("a" | "b")`, or one alone. */
const choicesOf = (expected: string | null): string[] => expected?.match(/"[^"]*"|[\w.-]+/g) ?? [];

/** The library's own words are a programmer's: from here on it has ours. */
v.setGlobalMessage(plainIssue);

import { isCode } from './catalogue';
import type { Message, Words } from './message';
import { isMeasured } from './value';

const BEGINS = '{"code":"';

/** A sentence for where only text can be kept or handed on: a message as JSON. */
export const wordsAsText = (words: Words): string =>
  typeof words === 'string' ? words : JSON.stringify(words);

/** What `wordsAsText` made, as it was. Any other text is itself, whatever it looks like. */
export function wordsFromText(text: string): Words {
  if (!text.startsWith(BEGINS)) return text;
  try {
    const read: unknown = JSON.parse(text);
    return isMessage(read) && isCode(read.code) ? read : text;
  } catch {
    return text;
  }
}

/** Whether two sentences say the same. */
export const sameWords = (one: Words, other: Words): boolean => wordsAsText(one) === wordsAsText(other);

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Whether something has the shape of a message, of this version's catalogue or of another's. */
export const isMessage = (read: unknown): read is Message =>
  isObject(read) &&
  typeof read.code === 'string' &&
  isObject(read.values) &&
  Object.values(read.values).every(isValue);

function isValue(value: unknown): boolean {
  if (typeof value === 'string' || typeof value === 'number') return true;
  return isObject(value) && ('code' in value ? isMessage(value) : isMeasured(value));
}

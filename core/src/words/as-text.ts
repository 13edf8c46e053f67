import type { Message, Words } from './message';
import { isCode } from './catalogue';

const BEGINS = '{"code":"';

/** A sentence for where only text can be kept or handed on: a message as JSON. */
export const wordsAsText = (words: Words): string =>
  typeof words === 'string' ? words : JSON.stringify(words);

/** What `wordsAsText` made, as it was. Any other text is itself, whatever it looks like. */
export function wordsFromText(text: string): Words {
  if (!text.startsWith(BEGINS)) return text;
  try {
    const read: unknown = JSON.parse(text);
    return isMessage(read) ? read : text;
  } catch {
    return text;
  }
}

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function isMessage(read: unknown): read is Message {
  if (!isObject(read) || typeof read.code !== 'string' || !isCode(read.code)) return false;
  return isObject(read.values) && Object.values(read.values).every(isValue);
}

const isFigure = (value: unknown): boolean =>
  typeof value === 'number' || (Array.isArray(value) && value.length === 2 && value.every(isNumber));
const isNumber = (value: unknown): value is number => typeof value === 'number';
const DIMENSIONS = ['m', 'mm', 'line', 'kg', 'g'];

function isValue(value: unknown): boolean {
  if (typeof value === 'string' || typeof value === 'number') return true;
  if (!isObject(value)) return false;
  if ('code' in value) return isMessage(value);
  const held = Object.entries(value);
  return held.length === 1 && held.every(([name, figure]) => DIMENSIONS.includes(name) && isFigure(figure));
}

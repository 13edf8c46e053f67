import { MESSAGE_WORDS, unknownWords } from '@yard-spool/core';
import * as v from 'valibot';
import { text } from './basics';

/** What customers are written about: reels that can be fetched, line that is due, line that is not in stock. */
export const MESSAGE_KINDS = ['ready', 'due', 'waits'] as const;
export type MessageKind = (typeof MESSAGE_KINDS)[number];

/** A message's words, in which only what can be filled in stands in braces. */
const wording = (kind: MessageKind) =>
  v.pipe(
    text('A message', 800),
    v.check(
      (words) => unknownWords(kind, words).length === 0,
      `Only these can be filled in: ${MESSAGE_WORDS[kind].map((word) => `{${word}}`).join(', ')}.`,
    ),
  );
export const WordingsSchema = v.object({
  ready: wording('ready'),
  due: wording('due'),
  waits: v.optional(wording('waits'), ''),
});

/** Where a printer listens; empty for none. */
export const PrinterSchema = v.pipe(
  v.string(),
  v.trim(),
  v.check(
    (address) =>
      address === '' ||
      (/^[\w.-]{1,100}:\d{1,5}$/.test(address) &&
        Number(address.split(':')[1]) >= 1 &&
        Number(address.split(':')[1]) <= 65_535),
    'A printer is a host and a port, like 192.168.1.30:9100, or nothing where there is none.',
  ),
);

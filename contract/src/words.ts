import {
  isMessage,
  message,
  wordsAsText,
  type Message,
  type MessageCode,
  type ValuesFor,
  type Words,
} from '@yard-spool/core';
import * as v from 'valibot';

/** A sentence: as it stands, or as its code and values, which whoever reads it has in their own units. */
export const WordsSchema: v.GenericSchema<Words> = v.union([v.string(), v.custom<Message>(isMessage)]);

/** What a schema says of a figure outside its limits: only text has a place there. */
export const limit = <Code extends MessageCode>(code: Code, values: ValuesFor<Code>): string =>
  wordsAsText(message(code, values));

import {
  message,
  wordsAsText,
  type Message,
  type MessageCode,
  type MessageValue,
  type ValuesFor,
  type Words,
} from '@yard-spool/core';
import * as v from 'valibot';

const figure = v.pipe(v.number(), v.finite());
const measure = v.union([figure, v.tuple([figure, figure])]);

const ValueSchema: v.GenericSchema<MessageValue> = v.union([
  v.string(),
  figure,
  v.strictObject({ m: measure }),
  v.strictObject({ mm: measure }),
  v.strictObject({ line: figure }),
  v.strictObject({ kg: measure }),
  v.strictObject({ g: figure }),
  v.lazy(() => MessageSchema),
]) as v.GenericSchema<MessageValue>;

/** A sentence that holds figures, as its code and its values: whoever reads it has it in their own units. */
export const MessageSchema: v.GenericSchema<Message> = v.object({
  code: v.pipe(v.string(), v.maxLength(60)),
  values: v.record(v.pipe(v.string(), v.regex(/^[a-zA-Z]{1,20}$/)), ValueSchema),
});

/** A sentence: as it stands, or what it is made from. */
export const WordsSchema: v.GenericSchema<Words> = v.union([v.string(), MessageSchema]);

/** What a schema says of a figure outside its limits: only text has a place there. */
export const limit = <Code extends MessageCode>(code: Code, values: ValuesFor<Code>): string =>
  wordsAsText(message(code, values));

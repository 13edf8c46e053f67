import * as v from 'valibot';
import { IdSchema, InstantSchema, text, VersionSchema } from './basics';
import { CustomerSchema } from './customers';
import { afterOf } from './pages';
import { MESSAGE_KINDS } from './wordings';

export const MESSAGE_STATES = ['waiting', 'sent', 'dropped'] as const;
export type MessageState = (typeof MESSAGE_STATES)[number];

/** Something to tell a customer: shown, edited, marked as sent. The shop sends it its own way. */
export const MessageSchema = v.object({
  id: IdSchema,
  kind: v.picklist(MESSAGE_KINDS),
  customer: CustomerSchema,
  /** The bag that is ready, or the reel that is due. */
  bag: v.nullable(IdSchema),
  tag: v.nullable(v.string()),
  text: v.string(),
  state: v.picklist(MESSAGE_STATES),
  at: InstantSchema,
  by: v.string(),
  /** When it was sent or dropped, and by whom. */
  done: v.nullable(v.object({ at: InstantSchema, by: v.string() })),
  version: VersionSchema,
});
export type Message = v.InferOutput<typeof MessageSchema>;

export const MessagesQuerySchema = v.object({
  state: v.optional(v.picklist(['waiting', 'done']), 'waiting'),
  after: afterOf(/^\d{0,12}$/),
});
/** The text for a reel that is due, or for a bag whose line is not there, put among those that wait to be sent. */
export const NewMessageSchema = v.union([v.object({ fillId: IdSchema }), v.object({ bag: IdSchema })]);
export type NewMessage = v.InferOutput<typeof NewMessageSchema>;
/** A message's text, or that it was sent or is not to be, on the message as it was looked at. */
export const ChangeMessageSchema = v.object({
  version: VersionSchema,
  text: v.pipe(text('A message', 3000), v.minLength(1, 'A message says something.')),
  state: v.picklist(MESSAGE_STATES),
});
export type MessageChange = v.InferOutput<typeof ChangeMessageSchema>;

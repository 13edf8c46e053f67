import * as v from 'valibot';
import { IdSchema, InstantSchema } from './basics';

/** What is kept of access. */
export const AUDIT_KINDS = [
  'signed-in',
  'sign-in-failed',
  'signed-out',
  'session-ended',
  'person-added',
  'person-changed',
  'passcode-set',
  'second-step',
  'exported',
  'imported',
] as const;
export type AuditKind = (typeof AUDIT_KINDS)[number];

/** Something about access: who, from where, what. */
export const AuditSchema = v.object({
  id: IdSchema,
  at: InstantSchema,
  kind: v.picklist(AUDIT_KINDS),
  name: v.string(),
  place: v.string(),
  what: v.string(),
});
export type Audit = v.InferOutput<typeof AuditSchema>;

/** A device somebody is signed in at. */
export const SignedInSchema = v.object({
  /** Names the session without telling its token. */
  key: v.string(),
  name: v.string(),
  place: v.string(),
  since: InstantSchema,
  seenAt: InstantSchema,
  /** Whether it is the one that asks. */
  here: v.boolean(),
});
export type SignedIn = v.InferOutput<typeof SignedInSchema>;

export const SessionKeySchema = v.object({ key: v.pipe(v.string(), v.regex(/^[0-9a-f]{16}$/)) });

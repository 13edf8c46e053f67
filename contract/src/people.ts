import * as v from 'valibot';
import { IdSchema, line } from './basics';

export const PersonSchema = v.object({
  id: IdSchema,
  name: v.string(),
  role: v.picklist(['technician', 'manager']),
});
export type Person = v.InferOutput<typeof PersonSchema>;

export const PasscodeSchema = v.pipe(
  v.string(),
  v.minLength(4, 'A passcode has at least 4 characters.'),
  v.maxLength(64, 'A passcode has at most 64 characters.'),
);

export const SignInSchema = v.object({ name: line('A name'), passcode: v.pipe(v.string(), v.maxLength(64)) });
export const FirstPersonSchema = v.object({ name: line('A name'), passcode: PasscodeSchema });

/** Who may sign in here. Passcodes are told for the demo's invented people only. */
export const SignInSheetSchema = v.object({
  people: v.array(v.object({ name: v.string(), role: v.picklist(['technician', 'manager']) })),
  demo: v.exactOptional(v.array(v.object({ name: v.string(), passcode: v.string() }))),
});
export type SignInSheet = v.InferOutput<typeof SignInSheetSchema>;

import * as v from 'valibot';
import { IdSchema, InstantSchema, line, VersionSchema } from './basics';
import { CountryCodeSchema } from './country';
import { isTheirName, PasscodeSchema } from './passcode';
import { StepCodeSchema } from './second-step';

const RoleSchema = v.picklist(['technician', 'manager'], 'Say whether they are a technician or a manager.');

export const PersonSchema = v.object({ id: IdSchema, name: v.string(), role: RoleSchema });
export type Person = v.InferOutput<typeof PersonSchema>;

/** A passcode as it is typed to be compared: what it is made of does not matter. */
const typed = v.pipe(v.string(), v.maxLength(64));

export const SignInSchema = v.object({
  name: line('A name'),
  passcode: typed,
  /** What the authenticator shows, for whoever has a second step. */
  code: v.exactOptional(StepCodeSchema),
});
export const ProofSchema = v.object({ passcode: typed });
export const NAME_AS_PASSCODE = 'A passcode is not the name it belongs to. Choose another.';

export const FirstPersonSchema = v.pipe(
  v.object({
    name: line('A name'),
    passcode: PasscodeSchema,
    /** What the shop begins with is what is usual there; left out, it begins in metres and euros. */
    country: v.exactOptional(CountryCodeSchema),
  }),
  v.forward(
    v.check(({ name, passcode }) => !isTheirName(passcode, name), NAME_AS_PASSCODE),
    ['passcode'],
  ),
);
export type FirstPerson = v.InferOutput<typeof FirstPersonSchema>;

/** What is told of the demo: its invented people with their passcodes, and where its simulated counter is turned. */
export const DemoSchema = v.object({
  people: v.array(v.object({ name: v.string(), passcode: v.string() })),
  counterPanel: v.string(),
});
export type Demo = v.InferOutput<typeof DemoSchema>;

/** The header that has the words shown where the server was started, as a part of an address is written. */
export const FIRST_WORDS_HEADER = 'x-first-words';

/** Who may sign in here. Passcodes are told for the demo's invented people only. */
export const SignInSheetSchema = v.object({
  people: v.array(v.object({ name: v.string(), role: RoleSchema })),
  /** Whether the first person, or a shop's file, comes with the words shown where the server was started. */
  needsWords: v.exactOptional(v.boolean()),
  demo: v.exactOptional(DemoSchema),
});
export type SignInSheet = v.InferOutput<typeof SignInSheetSchema>;

/** A person as the house keeps them; whoever has left keeps their name in every record. */
export const MemberSchema = v.object({
  ...PersonSchema.entries,
  since: InstantSchema,
  left: v.nullable(InstantSchema),
  /** Whether signing in takes a code of their authenticator too. */
  secondStep: v.exactOptional(v.boolean()),
  version: VersionSchema,
});
export type Member = v.InferOutput<typeof MemberSchema>;

export const NewPersonSchema = v.pipe(
  v.object({ name: line('A name'), role: RoleSchema, passcode: PasscodeSchema }),
  v.forward(
    v.check(({ name, passcode }) => !isTheirName(passcode, name), NAME_AS_PASSCODE),
    ['passcode'],
  ),
);
export type NewPerson = v.InferOutput<typeof NewPersonSchema>;

/** Another name or role, leaving, or coming back; on the person as they were looked at. */
export const ChangePersonSchema = v.object({
  version: VersionSchema,
  name: line('A name'),
  role: RoleSchema,
  here: v.boolean(),
});
export type PersonChange = v.InferOutput<typeof ChangePersonSchema>;

/** A new passcode: a manager's for anybody, or one's own with the one that holds now. */
export const NewPasscodeSchema = v.object({
  passcode: PasscodeSchema,
  now: v.optional(typed, ''),
});

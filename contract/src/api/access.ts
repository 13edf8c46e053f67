import * as v from 'valibot';
import { NothingSchema } from '../basics';
import { CountrySchema } from '../country';
import {
  ChangePersonSchema,
  FirstPersonSchema,
  MemberSchema,
  NewPasscodeSchema,
  NewPersonSchema,
  PersonSchema,
  ProofSchema,
  SignInSchema,
  SignInSheetSchema,
} from '../people';
import { AuditSchema, SessionKeySchema, SignedInSchema } from '../audit';
import { NetworkSchema } from '../network';
import { BegunStepSchema, ConfirmStepSchema } from '../second-step';
import { ShopFileSchema, ShopFileStepSchema } from '../shop-file';
import { route } from '../route';
import { byId } from './params';

/** Who is here, and signing in. */
export const accessApi = {
  health: route('GET', '/health', { reply: v.object({ ready: v.boolean() }) }),
  signInSheet: route('GET', '/sign-in', { reply: SignInSheetSchema }),
  /** What is usual in each country, for whoever sets a shop up. */
  listCountries: route('GET', '/sign-in/countries', { reply: v.array(CountrySchema) }),
  addFirstPerson: route('POST', '/sign-in/first', { body: FirstPersonSchema, reply: PersonSchema }),
  /** A shop's file, as its bytes, into an empty house: what it holds, or taken. */
  importShop: route('POST', '/sign-in/shop-file', { query: ShopFileStepSchema, reply: ShopFileSchema }),
  signIn: route('POST', '/session', { body: SignInSchema, reply: PersonSchema }),
  /** The passcode of whoever is signed in, again: before a manager's act. */
  proveAgain: route('POST', '/session/again', { body: ProofSchema, reply: NothingSchema }),
  whoAmI: route('GET', '/session', { reply: PersonSchema }),
  signOut: route('DELETE', '/session', { reply: NothingSchema }),
  listSignedIn: route('GET', '/sessions', { reply: v.array(SignedInSchema) }),
  endSession: route('DELETE', '/sessions/:key', { params: SessionKeySchema, reply: NothingSchema }),
  readNetwork: route('GET', '/network', { reply: NetworkSchema }),
  listAudit: route('GET', '/audit', { reply: v.array(AuditSchema) }),
  listPeople: route('GET', '/people', { reply: v.array(MemberSchema) }),
  addPerson: route('POST', '/people', { body: NewPersonSchema, reply: MemberSchema }),
  changePerson: route('PUT', '/people/:id', { params: byId, body: ChangePersonSchema, reply: MemberSchema }),
  setPasscode: route('POST', '/people/:id/passcode', {
    params: byId,
    body: NewPasscodeSchema,
    reply: MemberSchema,
  }),
  /** A second step at signing in: begun, on once a code of it was typed, and off. */
  beginSecondStep: route('POST', '/people/:id/second-step', {
    params: byId,
    body: NothingSchema,
    reply: BegunStepSchema,
  }),
  confirmSecondStep: route('PUT', '/people/:id/second-step', {
    params: byId,
    body: ConfirmStepSchema,
    reply: MemberSchema,
  }),
  endSecondStep: route('DELETE', '/people/:id/second-step', { params: byId, reply: MemberSchema }),
} as const;

import type { FaultLook } from './look';
import { LOOKS_ASKED } from './looks-asked';
import { LOOKS_BY_HAND } from './looks-by-hand';

/** Every look there is. Those of the record stand first; then in the order in which a patient person would go through them. */
export const FAULT_LOOKS = { ...LOOKS_ASKED, ...LOOKS_BY_HAND } as const;

export type LookKey = keyof typeof FAULT_LOOKS;
export type AnswerOf<K extends LookKey> = Extract<keyof (typeof FAULT_LOOKS)[K]['answers'], string>;

/** In the order in which a patient person would go through them. */
export const LOOK_KEYS = Object.keys(FAULT_LOOKS) as [LookKey, ...LookKey[]];

export const lookOf = (key: LookKey): FaultLook => FAULT_LOOKS[key];

/** What anybody can answer to any look. */
export const CANNOT_TELL = 'cannot-tell';

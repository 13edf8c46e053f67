import type { Comeback, ComebackChange } from '@yard-spool/contract';

/** An entry as it is sent to be changed: what is not said again stays with it. */
export const changeOf = (
  { version, complaint, saw, cause, found, did, fault, second, looks, worked }: Comeback,
  more: Partial<ComebackChange>,
): ComebackChange => ({
  version,
  complaint,
  saw,
  cause,
  found,
  did,
  fault,
  second,
  looks,
  worked,
  ...more,
});

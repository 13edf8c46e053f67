import type { Member } from '@yard-spool/contract';
import type { PersonRow } from '../db/models/people';

export const toMember = ({ id, name, role, createdAt, leftAt, stepSecret, version }: PersonRow): Member => ({
  id,
  name,
  role,
  version,
  since: createdAt.toISOString(),
  left: leftAt?.toISOString() ?? null,
  // A row that was just made does not say.
  ...((stepSecret as string | null | undefined) == null ? {} : { secondStep: true }),
});

import type { Audit, AuditKind, Person } from '@yard-spool/contract';
import { managersOnly } from '../house-rules/house-changes';
import type { Reading } from '../context';
import type { Unit } from '../unit';

/** The latest a manager is shown. */
const LATEST = 300;
/** As much of a place as is kept, characters. */
const PLACE = 80;

/** Writes down something about access. Never edited, never removed. */
export const noteAudit = async (
  { tables, clock }: Pick<Unit, 'tables' | 'clock'>,
  kind: AuditKind,
  { name, place, what = '' }: { readonly name: string; readonly place: string; readonly what?: string },
): Promise<void> => {
  await tables.audits.create({
    at: clock(),
    kind,
    name,
    place: place.slice(0, PLACE),
    what: what.slice(0, 200),
  });
};

/** What was done about access lately, newest first: a manager's. */
export async function listAudit({ tables }: Reading, person: Person): Promise<Audit[]> {
  managersOnly(person, 'reads who signed in');
  const rows = await tables.audits.findAll({ order: [['id', 'DESC']], limit: LATEST });
  return rows.map(({ id, at, kind, name, place, what }) => ({
    ...{ id, kind, name, place, what },
    at: at.toISOString(),
  }));
}

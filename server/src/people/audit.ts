import type { Audit, AuditKind, Person } from '@yard-spool/contract';
import { Op } from 'sequelize';
import { managersOnly } from '../shop/house-changes';
import type { Reading, Unit } from '../context/context';

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

/** How long a place is one where somebody was signed in lately, days. */
const LATELY_DAYS = 30;

/** Whether somebody signed in from a place lately: what is done there is not a stranger's. */
export async function wasSignedInHere(
  { tables, clock }: Reading,
  name: string,
  place: string,
): Promise<boolean> {
  const since = new Date(clock().getTime() - LATELY_DAYS * 86_400_000);
  const kind: AuditKind = 'signed-in';
  const found = await tables.audits.findOne({
    where: { at: { [Op.gt]: since }, kind, name, place: place.slice(0, PLACE) },
  });
  return found !== null;
}

/** What was done about access lately, newest first: a manager's. */
export async function listAudit({ tables }: Reading, person: Person): Promise<Audit[]> {
  managersOnly(person, 'reads who signed in');
  const rows = await tables.audits.findAll({ order: [['id', 'DESC']], limit: LATEST });
  return rows.map(({ id, at, kind, name, place, what }) => ({
    id,
    kind,
    name,
    place,
    what,
    at: at.toISOString(),
  }));
}

import type { DueRow, Page } from '@yard-spool/contract';
import type { SpoolRow } from '../db/models/customers';
import type { Reading } from '../context';
import { readHouseRules } from '../house-rules/read-house-rules';
import { pageOf } from '../db/page-of';
import { whatIsOn } from './on-spool';
import type { ServiceSchool } from './when-due';

const PAGE = 50;
const COLUMN: Readonly<Record<ServiceSchool, string>> = {
  'by-trips': 'worn_at',
  'by-months': 'ripe_at',
  'whichever-first': 'due_at',
};

interface Asked {
  readonly by: string;
  readonly told: 'hide' | 'show';
  readonly after: string;
}

interface Candidate {
  readonly spoolId: number;
  readonly due: Date;
  readonly school: ServiceSchool;
}

/** An exception to when line is renewed: whose reels it is about, and what holds for them. */
interface ServiceException {
  readonly scope: 'line' | 'customer' | 'reel';
  readonly target: number;
  readonly school: ServiceSchool;
}

/** Reels whose line is due by a moment, the one that became due last first: those are the ones to tell. */
export async function listDue(from: Reading, { by, told, after }: Asked): Promise<Page<DueRow>> {
  const until = by === '' ? from.clock() : new Date(by);
  const [{ rules }, exceptions] = await Promise.all([readHouseRules(from), serviceExceptions(from)]);
  const [at = '', id = ''] = after.split('_');
  const shared = {
    until: at === '' ? until : new Date(Number(at)),
    spool: at === '' ? Number.MAX_SAFE_INTEGER : Number(id),
  };
  const fresh = told === 'hide' ? 'AND spools.told_at IS NULL' : '';
  const ask = (school: ServiceSchool, where: string, values: object): Promise<Candidate[]> => {
    const column = `spools.${COLUMN[school]}`;
    return from.query<Candidate>(
      `SELECT spools.id AS spoolId, ${column} AS due, '${school}' AS school FROM spools
         JOIN reels ON reels.id = spools.reel_id
       WHERE ${column} <= :until AND (${column} < :until OR spools.id < :spool) ${fresh} AND ${where}
       ORDER BY ${column} DESC, spools.id DESC LIMIT ${String(PAGE + 1)}`,
      { ...shared, ...values },
    );
  };
  const lists = await Promise.all([
    ask(rules.service, `NOT ${underException(exceptions)}`, {}),
    ...exceptions.map((one, i) => {
      // What is closer to the reel goes before: the reel, its customer, its line.
      const closer = exceptions.filter((other) => RANK[other.scope] > RANK[one.scope]);
      const where = `${reaches(one.scope, `:target${String(i)}`)} AND NOT ${underException(closer)}`;
      return ask(one.school, where, { [`target${String(i)}`]: one.target });
    }),
  ]);
  const rows = lists
    .flat()
    .sort((a, b) => b.due.getTime() - a.due.getTime() || b.spoolId - a.spoolId)
    .slice(0, PAGE + 1);
  const { rows: shown, next } = pageOf(
    rows,
    PAGE,
    (last) => `${String(last.due.getTime())}_${String(last.spoolId)}`,
  );
  return { rows: await asRows(from, shown), next };
}

const RANK = { line: 0, customer: 1, reel: 2 } as const;

/** The main line of what lies on a spool is the one it is about. */
const reaches = (scope: ServiceException['scope'], target: string): string =>
  ({
    reel: `reels.id = ${target}`,
    customer: `reels.customer_id = ${target}`,
    line: `EXISTS (SELECT 1 FROM fill_layers WHERE fill_layers.fill_id = spools.fill_id
      AND fill_layers.role = 'main' AND fill_layers.product_id = ${target})`,
  })[scope];

const underException = (exceptions: readonly ServiceException[]): string =>
  exceptions.length === 0
    ? 'FALSE'
    : `(${exceptions.map(({ scope, target }) => reaches(scope, String(target))).join(' OR ')})`;

async function serviceExceptions({ tables }: Reading): Promise<ServiceException[]> {
  const rows = await tables.ruleExceptions.findAll({ where: { question: 'service' }, order: ['id'] });
  return rows.map(({ scope, productId, customerId, reelId, school }) => ({
    scope,
    target: productId ?? customerId ?? reelId ?? 0,
    school: school as ServiceSchool,
  }));
}

interface ReelOfSpool extends Omit<DueRow, 'customer' | 'on' | 'here'> {
  readonly spoolId: number;
  readonly customerId: number;
  readonly customerName: string;
  readonly contact: string;
  readonly here: number;
}

async function asRows(from: Reading, due: readonly Candidate[]): Promise<DueRow[]> {
  const ids = due.map(({ spoolId }) => spoolId);
  if (ids.length === 0) return [];
  const [spools, reels] = await Promise.all([
    from.tables.spools.findAll({ where: { id: ids } }),
    from.query<ReelOfSpool>(
      `SELECT spools.id AS spoolId, reels.tag, reels.type, reels.label, spools.name AS spool,
         customers.id AS customerId, customers.name AS customerName, customers.contact,
         EXISTS (SELECT 1 FROM jobs WHERE jobs.spool_id = spools.id AND jobs.state NOT IN ('handed-back', 'cancelled')) AS here
       FROM spools JOIN reels ON reels.id = spools.reel_id JOIN customers ON customers.id = reels.customer_id
       WHERE spools.id IN (:ids)`,
      { ids },
    ),
  ]);
  const schools = new Map(due.map(({ spoolId, school }) => [spoolId, school]));
  const on = await whatIsOn(from, spools, ({ id }: SpoolRow) => schools.get(id) ?? 'whichever-first');
  return ids.flatMap((id): DueRow[] => {
    const [reel, lies] = [reels.find(({ spoolId }) => spoolId === id), on.get(id)];
    if (!reel || !lies) return [];
    const { tag, type, label, spool, customerId, customerName, contact, here } = reel;
    const customer = { id: customerId, name: customerName, contact };
    return [{ tag, type, label, spool, customer, on: lies, here: here === 1 }];
  });
}

/** What tells when the line of each spool of some reels is due: the house's rule, or the exception closest to it. */
export async function serviceSchools(
  from: Reading,
  reels: readonly { readonly id: number; readonly customerId: number }[],
): Promise<(spool: SpoolRow) => ServiceSchool> {
  const [{ rules }, exceptions] = await Promise.all([readHouseRules(from), serviceExceptions(from)]);
  const of = (scope: ServiceException['scope'], targets: readonly number[]): ServiceSchool | undefined =>
    exceptions.find((one) => one.scope === scope && targets.includes(one.target))?.school;
  const whole = new Map(
    reels.map(({ id, customerId }) => [id, of('reel', [id]) ?? of('customer', [customerId])]),
  );
  const mains = exceptions.some(({ scope }) => scope === 'line') ? await mainLines(from, reels) : [];
  return ({ fillId, reelId }) =>
    whole.get(reelId) ??
    of(
      'line',
      mains.flatMap((main) => (main.fillId === fillId && main.productId ? [main.productId] : [])),
    ) ??
    rules.service;
}

const mainLines = (from: Reading, reels: readonly { readonly id: number }[]) =>
  from.query<{ readonly fillId: number; readonly productId: number | null }>(
    `SELECT fill_layers.fill_id AS fillId, fill_layers.product_id AS productId FROM fill_layers
       JOIN spools ON spools.fill_id = fill_layers.fill_id
     WHERE spools.reel_id IN (:reels) AND fill_layers.role = 'main'`,
    { reels: [0, ...reels.map(({ id }) => id)] },
  );

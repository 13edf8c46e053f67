import { OWNER_OF_REEL } from '../db/joins';
import { HERE, inSql } from '../db/job-states';
import type { DueRow, Page } from '@yard-spool/contract';
import { type ExceptionScope, type Material, nearness, type ReelType, sortKey } from '@yard-spool/core';
import type { SpoolRow } from '../db/models/customers';
import { heldAnswer } from '../context/held-answer';
import type { Reading } from '../context/context';
import { readHouseRules } from '../shop/read-house-rules';
import { pageOf } from '../db/page-of';
import { whatIsOn } from '../record/on-spool';
import type { ServiceSchool } from '../record/when-due';

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
  readonly scope: ExceptionScope;
  /** The number of the line, customer or reel; a sort as it stands in the books. */
  readonly target: number | string;
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
      // What is closer to the reel goes before: the reel, its customer, its line, its sort.
      const closer = exceptions.filter((other) => nearness(other) > nearness(one));
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

/** The main line of what lies on a spool is the one it is about. */
const reaches = (scope: ServiceException['scope'], target: string): string =>
  ({
    reel: `reels.id = ${target}`,
    customer: `reels.customer_id = ${target}`,
    line: hasMain(`products.id = ${target}`),
    type: `reels.type = ${target}`,
    material: hasMain(`products.material = ${target}`),
    'material-on-type': hasMain(`CONCAT(products.material, ' ', reels.type) = ${target}`),
  })[scope];

const hasMain = (which: string): string =>
  `EXISTS (SELECT 1 FROM fill_layers JOIN products ON products.id = fill_layers.product_id
    WHERE fill_layers.fill_id = spools.fill_id AND fill_layers.role = 'main' AND ${which})`;

const underException = (exceptions: readonly ServiceException[]): string =>
  exceptions.length === 0
    ? 'FALSE'
    : `(${exceptions.map(({ scope, target }) => reaches(scope, literal(target))).join(' OR ')})`;

/** A sort is one of those there are: nothing anybody typed stands here. */
const literal = (target: number | string): string =>
  typeof target === 'number' ? String(target) : `'${target.replace(/[^a-z -]/g, '')}'`;

const serviceExceptions = heldAnswer(readServiceExceptions, ['ruleExceptions']).ask;

async function readServiceExceptions({ tables }: Reading): Promise<readonly ServiceException[]> {
  const rows = await tables.ruleExceptions.findAll({ where: { question: 'service' }, order: ['id'] });
  return rows.map(({ scope, sort, productId, customerId, reelId, school }) => ({
    scope,
    target: sort ?? productId ?? customerId ?? reelId ?? 0,
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
         EXISTS (SELECT 1 FROM jobs WHERE jobs.spool_id = spools.id AND jobs.state IN (${inSql(HERE)})) AS here
       FROM spools JOIN reels ON reels.id = spools.reel_id ${OWNER_OF_REEL}
       WHERE spools.id IN (:ids)`,
      { ids },
    ),
  ]);
  const schools = new Map(due.map(({ spoolId, school }) => [spoolId, school]));
  const on = await whatIsOn(from, spools, ({ id }: SpoolRow) => schools.get(id) ?? 'whichever-first');
  return ids.flatMap((id): DueRow[] => {
    const reel = reels.find(({ spoolId }) => spoolId === id);
    const lies = on.get(id);
    if (!reel || !lies) return [];
    const { tag, type, label, spool, customerId, customerName, contact, here } = reel;
    const customer = { id: customerId, name: customerName, contact };
    return [{ tag, type, label, spool, customer, on: lies, here: here === 1 }];
  });
}

/** A reel, as far as an exception may be set for it or its sort. */
interface RuledReel {
  readonly id: number;
  readonly customerId: number;
  readonly type: ReelType;
}

/** What tells when the line of each spool of some reels is due: the house's rule, or the exception closest to it. */
export async function serviceSchools(
  from: Reading,
  reels: readonly RuledReel[],
): Promise<(spool: SpoolRow) => ServiceSchool> {
  const [{ rules }, exceptions] = await Promise.all([readHouseRules(from), serviceExceptions(from)]);
  const byLine = exceptions.some(({ scope }) => scope !== 'reel' && scope !== 'customer' && scope !== 'type');
  const mains = byLine ? await mainLines(from, reels) : [];
  const closestFirst = [...exceptions].sort((a, b) => nearness(b) - nearness(a));
  return ({ fillId, reelId }) => {
    const reel = reels.find(({ id }) => id === reelId);
    if (!reel) return rules.service;
    const lines = mains.filter((main) => main.fillId === fillId);
    const materials = lines.flatMap(({ material }) => material ?? []);
    const about: Readonly<Record<ExceptionScope, readonly (number | string | null)[]>> = {
      reel: [reel.id],
      customer: [reel.customerId],
      line: lines.map(({ productId }) => productId),
      'material-on-type': materials.map((material) => sortKey({ material, type: reel.type })),
      material: materials,
      type: [reel.type],
    };
    const closest = closestFirst.find(({ scope, target }) => about[scope].includes(target));
    return closest?.school ?? rules.service;
  };
}

interface MainLine {
  readonly fillId: number;
  readonly productId: number | null;
  readonly material: Material | null;
}

const mainLines = (from: Reading, reels: readonly RuledReel[]): Promise<MainLine[]> =>
  from.query<MainLine>(
    `SELECT fill_layers.fill_id AS fillId, fill_layers.product_id AS productId, products.material FROM fill_layers
       JOIN spools ON spools.fill_id = fill_layers.fill_id LEFT JOIN products ON products.id = fill_layers.product_id
     WHERE spools.reel_id IN (:reels) AND fill_layers.role = 'main'`,
    { reels: [0, ...reels.map(({ id }) => id)] },
  );

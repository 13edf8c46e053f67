import type { ComebackFigures } from '@yard-spool/contract';
import {
  HOUSE_QUESTIONS,
  schoolOf,
  standingOut,
  tellMetric,
  type FillGroup,
  type HouseRules,
} from '@yard-spool/core';
import { DateTime } from 'luxon';
import type { Reading } from '../context/context';
import { heldAnswer } from '../context/held-answer';
import { OWNER_OF_REEL, REEL_OF_FILL } from '../db/joins';
import { parsed } from '../db/parsed';
import { readHouseRules } from '../shop/read-house-rules';

type Figures = ComebackFigures;
type Cause = Figures['months'][number]['causes'][number]['cause'];
type What = Exclude<Figures['standsOut'][number]['what'], 'rule'>;

/** Comebacks and fills are looked at so far back. */
const MONTHS = 24;
/** Reels told of one thing that stands out. */
const REELS = 30;

/** What comebacks turned out to be, over time and by type of reel, and what stands out among the fills that came back. */
export const COMEBACK_FIGURES = heldAnswer(readFigures, [
  'comebacks',
  'fills',
  'fillLayers',
  'houseRules',
  'pieces',
  'reels',
  'people',
]);

async function readFigures(from: Reading): Promise<Figures> {
  const { zone } = await readHouseRules(from);
  const now = DateTime.fromJSDate(from.clock(), { zone: zone || 'UTC' });
  const since = now.startOf('month').minus({ months: MONTHS - 1 });
  const [months, seen, standsOut] = await Promise.all([
    monthsOf(from, since),
    seenOf(from),
    allThatStandsOut(from, since.toJSDate()),
  ]);
  return { months, seen, standsOut };
}

/** Each month since then, with what came back in it; a month without any is there too. */
async function monthsOf({ query, clock }: Reading, since: DateTime): Promise<Figures['months']> {
  const rows = await query<{ at: Date; cause: Cause }>(
    'SELECT at, cause FROM comebacks WHERE at >= :since ORDER BY id',
    { since: since.toJSDate() },
  );
  const monthOf = (at: Date): string =>
    DateTime.fromJSDate(at).setZone(since.zone).startOf('month').toISODate() ?? '';
  const last = monthOf(clock());
  const of = new Map<string, Map<Cause, number>>();
  for (const { at, cause } of rows) {
    const month = monthOf(at);
    const counts = of.get(month) ?? new Map<Cause, number>();
    of.set(month, counts.set(cause, (counts.get(cause) ?? 0) + 1));
  }
  return Array.from({ length: MONTHS }, (_, i) => since.plus({ months: i }).toISODate() ?? '')
    .filter((month) => month <= last)
    .map((month) => ({
      month,
      causes: [...(of.get(month) ?? [])].map(([cause, count]) => ({ cause, count })),
    }));
}

/** What comebacks turned out to be, where what was done did not fail to cure them. */
const seenOf = ({ query }: Reading): Promise<Figures['seen']> =>
  query<Figures['seen'][number]>(
    `SELECT reels.type, faults.fault, COUNT(*) AS count
     FROM (SELECT fill_id, fault, worked FROM comebacks UNION ALL SELECT fill_id, second, worked FROM comebacks) AS faults
       JOIN fills ON fills.id = faults.fill_id ${REEL_OF_FILL}
     WHERE faults.fault IS NOT NULL AND faults.worked IS NOT FALSE
     GROUP BY reels.type, faults.fault`,
  );

/** Fills that were looked at, and which of them came back with something. */
const LOOKED = `WITH looked AS (
  SELECT fills.id, fills.spool_id, fills.run_id, fills.by_id,
    EXISTS (SELECT 1 FROM comebacks WHERE comebacks.fill_id = fills.id
      AND (comebacks.cause IS NULL OR comebacks.cause <> 'nothing')) AS back
  FROM fills WHERE fills.taken_back_at IS NULL AND fills.closed_at >= :since)`;
const PIECES = `JOIN fill_layers ON fill_layers.fill_id = fills.id JOIN pieces ON pieces.id = fill_layers.piece_id`;

const RUN = 'JOIN runs ON runs.id = fills.run_id';

/** What fills may have in common: the column it is called by, and how it is reached from the fills that were looked at. */
const COMMON: Readonly<Record<What, { readonly name: string; readonly join: string }>> = {
  lot: { name: `NULLIF(pieces.lot, '')`, join: PIECES },
  piece: { name: 'pieces.code', join: PIECES },
  hand: { name: 'people.name', join: 'JOIN people ON people.id = fills.by_id' },
  kind: { name: 'reels.label', join: REEL_OF_FILL },
};

async function allThatStandsOut(from: Reading, since: Date): Promise<Figures['standsOut']> {
  const [all] = await from.query<{ filled: number; back: string | number | null }>(
    `${LOOKED} SELECT COUNT(*) AS filled, SUM(back) AS back FROM looked`,
    { since },
  );
  const whole = { filled: all?.filled ?? 0, back: Number(all?.back ?? 0) };
  if (whole.back === 0) return [];
  const common = Object.entries(COMMON) as [What, (typeof COMMON)[What]][];
  const each = await Promise.all(
    common.map(async ([what, { name, join }]) => {
      const groups = await from.query<FillGroup>(
        `${LOOKED} SELECT ${name} AS \`key\`, COUNT(DISTINCT fills.id) AS filled,
           COUNT(DISTINCT IF(fills.back, fills.id, NULL)) AS back
         FROM looked AS fills ${join} WHERE ${name} IS NOT NULL GROUP BY ${name}`,
        { since },
      );
      return Promise.all(
        standingOut(groups, whole).map(async ({ key, ...figures }) => ({
          what,
          name: key,
          ...figures,
          reels: await reelsOf(from, `${join} WHERE ${name} = :key`, { since, key }),
        })),
      );
    }),
  );
  return [...each.flat(), ...(await rulesThatStandOut(from, since, whole))].sort((a, b) => b.odds - a.odds);
}

type Reels = Figures['standsOut'][number]['reels'];

/** Reels of some fills, those that came back first. */
async function reelsOf(
  { query }: Reading,
  which: string,
  values: Readonly<Record<string, unknown>>,
): Promise<Reels> {
  const rows = await query<{ tag: string; label: string; customer: string; back: number }>(
    `${LOOKED}, meant AS (SELECT DISTINCT fills.id, fills.spool_id, fills.back FROM looked AS fills ${which})
     SELECT reels.tag, reels.label, customers.name AS customer, MAX(fills.back) AS back, MAX(fills.id) AS last
     FROM meant AS fills ${REEL_OF_FILL} ${OWNER_OF_REEL}
     GROUP BY reels.id ORDER BY back DESC, last DESC LIMIT ${String(REELS)}`,
    values,
  );
  return rows.map(({ tag, label, customer, back }) => ({ tag, label, customer, back: back === 1 }));
}

/** House rules under which more came back than under the others. */
async function rulesThatStandOut(
  from: Reading,
  since: Date,
  whole: Pick<FillGroup, 'filled' | 'back'>,
): Promise<Figures['standsOut']> {
  const rows = await from.query<{ rules: HouseRules | string; filled: number; back: string | number }>(
    `${LOOKED} SELECT JSON_EXTRACT(runs.made_under, '$.rules') AS rules, COUNT(*) AS filled, SUM(fills.back) AS back
     FROM looked AS fills ${RUN} GROUP BY rules`,
    { since },
  );
  const sheets = rows.map(({ rules, filled, back }) => ({
    rules: parsed(rules) as HouseRules,
    filled,
    back: Number(back),
  }));
  const questions = Object.keys(HOUSE_QUESTIONS) as (keyof HouseRules)[];
  const groups = questions.flatMap((question) => {
    const schools = [...new Set(sheets.map(({ rules }) => rules[question]))];
    return schools.map((school): FillGroup => {
      const own = sheets.filter(({ rules }) => rules[question] === school);
      const sum = (of: 'filled' | 'back'): number => own.reduce((total, one) => total + one[of], 0);
      return { key: `${question} ${school}`, filled: sum('filled'), back: sum('back') };
    });
  });
  return Promise.all(
    standingOut(groups, whole).map(async ({ key, ...figures }) => {
      const [question, school] = key.split(' ') as [keyof HouseRules, string];
      return {
        what: 'rule' as const,
        name: tellMetric(schoolOf({ [question]: school }, question).name),
        ...figures,
        reels: await reelsOf(from, `${RUN} WHERE JSON_VALUE(runs.made_under, :path) = :school`, {
          since,
          path: `$.rules.${question}`,
          school,
        }),
      };
    }),
  );
}

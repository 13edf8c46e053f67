import { overridesFor, type OverrideFacts, type RunRules } from '@yard-spool/contract';
import { effectiveRules, USUAL_SPAN, type EffectiveRules } from '@yard-spool/core';
import type { Transaction } from 'sequelize';
import type { JobRow } from '../db/models/bags';
import type { House } from '../house';
import { readHouseRules } from './read-house-rules';
import { listOverrides } from './list-overrides';

/** The rules that hold for a line, a customer or a reel: the house's with what was set otherwise. */
export async function rulesFor(
  house: House,
  facts: OverrideFacts,
  transaction?: Transaction,
): Promise<EffectiveRules> {
  const [{ rules }, overrides] = await Promise.all([
    readHouseRules(house, transaction),
    listOverrides(house, transaction),
  ]);
  return effectiveRules(rules, overridesFor(overrides, facts));
}

/** The main line's code of a job, by which what was set otherwise for a line is found. */
export function mainLineOf({ planInput }: Pick<JobRow, 'planInput'>): string | undefined {
  const lines = planInput.request.layers.flatMap((layer) => (layer.kind === 'line' ? [layer] : []));
  return (lines.find(({ role }) => role === 'main') ?? lines.at(-1))?.line.key;
}

/** Everything a run is made under, as it holds now. */
export async function rulesForRun(
  house: House,
  job: JobRow,
  benchName: string,
  transaction: Transaction,
): Promise<RunRules> {
  const { tables } = house;
  const bag = await tables.bags.findByPk(job.bagId, { transaction });
  const spool = await tables.spools.findByPk(job.spoolId, { transaction });
  const reel = spool && (await tables.reels.findByPk(spool.reelId, { transaction }));
  const bench = await tables.benches.findOne({ where: { name: benchName }, transaction });
  const facts = { line: mainLineOf(job), customer: bag?.customerId, reel: reel?.tag };
  const { rules, from } = await rulesFor(house, facts, transaction);
  const { tailMm } = await readHouseRules(house, transaction);
  return { rules, from, tailMm, spanMm: bench?.spanMm ?? 1000 * USUAL_SPAN, hand: bench?.hand ?? 'right' };
}

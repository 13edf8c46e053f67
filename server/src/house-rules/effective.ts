import type { RunRules } from '@yard-spool/contract';
import { effectiveRules, type EffectiveRules, type ExceptionFacts, exceptionsFor } from '@yard-spool/core';
import type { JobRow } from '../db/models/bags';
import type { BenchRow } from '../db/models/house-rules';
import type { Reading, Unit } from '../context/context';
import { lineFacts } from './main-line';
import { readHouseRules } from '../shop/read-house-rules';
import { listExceptions } from './list-exceptions';

/** The rules that hold for a line, a customer or a reel and its sort: the house's, with exceptions. */
export async function rulesFor(from: Reading, facts: ExceptionFacts): Promise<EffectiveRules> {
  const [{ rules }, exceptions] = await Promise.all([readHouseRules(from), listExceptions(from)]);
  return effectiveRules(rules, exceptionsFor(exceptions, facts));
}

/** Everything a run is made under, as it holds now. */
export async function rulesForRun(
  u: Unit,
  job: JobRow,
  bench: Pick<BenchRow, 'spanMm' | 'hand'>,
): Promise<RunRules> {
  const { tables } = u;
  const bag = await tables.bags.findByPk(job.bagId);
  const spool = await tables.spools.findByPk(job.spoolId);
  const reel = spool && (await tables.reels.findByPk(spool.reelId));
  const facts = { ...lineFacts(job), type: reel?.type, customer: bag?.customerId, reel: reel?.tag };
  const { rules, from } = await rulesFor(u, facts);
  const { tailMm } = await readHouseRules(u);
  return { rules, from, tailMm, spanMm: bench.spanMm, hand: bench.hand };
}

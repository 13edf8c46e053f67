import type { CutsPlan } from '@yard-spool/contract';
import { Op } from 'sequelize';
import type { Reading } from '../context/context';

const YEAR_MS = 365 * 24 * 3_600_000;

/** What plans that were accepted saved against what was booked before them, over the last twelve months. */
export async function savedSoFar({ tables, clock }: Reading): Promise<CutsPlan['saved']> {
  const since = new Date(clock().getTime() - YEAR_MS);
  const plans = await tables.cutPlans.findAll({ where: { at: { [Op.gt]: since } } });
  return {
    plans: plans.length,
    minor: plans.reduce(
      (all, { beforeFigures, afterFigures }) => all + beforeFigures.wasteMinor - afterFigures.wasteMinor,
      0,
    ),
    scrapMm: plans.reduce(
      (all, { beforeFigures, afterFigures }) => all + beforeFigures.scrapMm - afterFigures.scrapMm,
      0,
    ),
  };
}

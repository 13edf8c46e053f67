import type { PlannedCut } from '@yard-spool/contract';
import { waterState } from '@yard-spool/core';
import type { Reading } from '../context/context';
import { JOB_OF_CUT } from '../db/joins';
import { parsed } from '../db/parsed';
import { waterByPiece } from '../rack/water';

interface CutOfJob extends Omit<PlannedCut, 'own' | 'water' | 'soakId' | 'lengthMm' | 'tailMm'> {
  readonly jobId: number;
  readonly lengthMm: number | string;
  readonly tailMm: number | string;
  readonly broughtWith: number | null;
  readonly lot: string | null;
}

/** What some jobs are cut from, by job: one question for the cuts, one for the water their pieces are in. */
export async function cutsOf(
  from: Reading,
  jobIds: readonly number[],
): Promise<ReadonlyMap<number, PlannedCut[]>> {
  if (jobIds.length === 0) return new Map();
  const [rows, waters] = await Promise.all([
    from.query<CutOfJob>(
      `SELECT cuts.job_id AS jobId, cuts.layer, cuts.piece_id AS pieceId, cuts.product_id AS productId,
         cuts.length_mm AS lengthMm, cuts.tail_mm AS tailMm, cuts.takes, products.code AS productCode,
         products.name AS productName, products.tint, pieces.code AS pieceCode, pieces.kind AS pieceKind,
         pieces.brought_with AS broughtWith, pieces.lot
       FROM cuts JOIN products ON products.id = cuts.product_id LEFT JOIN pieces ON pieces.id = cuts.piece_id
         ${JOB_OF_CUT} AND jobs.state <> 'cancelled'
       WHERE cuts.job_id IN (:jobIds) ORDER BY cuts.id`,
      { jobIds },
    ),
    waterByPiece(from),
  ]);
  const byJob = new Map<number, PlannedCut[]>();
  for (const { jobId, broughtWith, lot, ...cut } of rows) {
    const water = cut.pieceId === null ? undefined : waters.get(cut.pieceId);
    // Own line goes by what its customer calls it.
    const own = broughtWith !== null;
    const told: PlannedCut = {
      ...cut,
      own,
      productName: own && lot ? lot : cut.productName,
      lengthMm: Number(cut.lengthMm),
      tailMm: Number(cut.tailMm),
      takes: parsed(cut.takes),
      water: waterState(water),
      soakId: water?.soaking?.id ?? null,
    };
    byJob.set(jobId, [...(byJob.get(jobId) ?? []), told]);
  }
  return byJob;
}

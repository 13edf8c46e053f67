import type { Unit } from '../context/context';
import type { PlanInput } from '@yard-spool/core';

/** Gears that differ by less are one. */
const DIFFERS = 0.05;

/** A plan with a reel's gear as it turned out: its turns are told by that. A retrieve was measured at the same handle. */
export function withGear(planInput: PlanInput, found: number | null): PlanInput {
  if (found === null) return planInput;
  const { assumed, ...rest } = planInput;
  return {
    ...rest,
    observations: planInput.observations.map((one) =>
      one.kind === 'retrieve' ? { ...one, gear: found } : one,
    ),
    request: { ...planInput.request, gear: found },
    ...(assumed ? { assumed: assumed.filter((one) => one !== 'gear') } : {}),
  };
}

/** Whether a booking says a reel's gear, or takes the usual one for its type. */
export const saysGear = ({ assumed }: PlanInput): boolean => !assumed?.includes('gear');

/** A gear that is said at the counter goes before the one a fill showed. */
export async function gearSaid(u: Unit, spoolId: number, planInput: PlanInput): Promise<void> {
  const spool = await u.tables.spools.findByPk(spoolId);
  const reel = spool && (await u.tables.reels.findByPk(spool.reelId));
  if (reel?.gearFound == null || !saysGear(planInput)) return;
  if (Math.abs(planInput.request.gear - reel.gearFound) >= DIFFERS)
    await u.tables.reels.change(reel, { gearFound: null, gearRunId: null });
}

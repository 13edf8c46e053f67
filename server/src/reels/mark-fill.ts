import type { FillMark, Person, Reel } from '@yard-spool/contract';
import type { Reading, ServerContext, Unit } from '../context/context';
import { ProblemError } from '../problem-error';
import { unit } from '../context/unit';
import { noteWhatIsOn } from '../record/on-spool';
import { readReel } from './reels';

/** The tag of the reel that a fill is on. */
export async function tagOfFill({ tables }: Reading, spoolId: number): Promise<string> {
  const spool = await tables.spools.findByPk(spoolId);
  const reel = spool && (await tables.reels.findByPk(spool.reelId));
  if (!reel) throw new ProblemError('not-found', 'This reel is not on the books any more.');
  return reel.tag;
}

/** Writes down what is known of a fill since it was handed back: trips, that it was reversed, that its customer was told. */
export async function markFill(
  context: ServerContext,
  person: Person,
  fillId: number,
  mark: FillMark,
): Promise<Reel> {
  const tag = await unit(context, person, async (u) => {
    const spoolId = await noteFillMark(u, fillId, mark);
    if (spoolId === null)
      throw new ProblemError(
        'not-allowed',
        'Something else lies on this spool by now. Look at its last fill.',
      );
    return tagOfFill(u, spoolId);
  });
  return readReel(context, tag);
}

/**
 * Marks a fill inside a change.
 *
 * @returns its spool; null where something else lies on it by now, and nothing was marked
 */
export async function noteFillMark(u: Unit, fillId: number, mark: FillMark): Promise<number | null> {
  const { tables } = u;
  const fill = await tables.fills.lock(fillId);
  if (!fill || fill.takenBackAt) throw new ProblemError('not-found', 'There is no such fill any more.');
  const spool = await tables.spools.findByPk(fill.spoolId);
  const last = await tables.fills.findOne({
    where: { spoolId: fill.spoolId, takenBackAt: null },
    order: [
      ['closedAt', 'DESC'],
      ['id', 'DESC'],
    ],
  });
  // What was all gone can be told to be there again; of anything else only what lies there can be told.
  if (last?.id !== fillId || (mark.kind !== 'off' && spool?.fillId !== fillId)) return null;
  const trips = mark.kind === 'trips' ? mark.trips : null;
  const off = mark.kind === 'off' ? { offMm: mark.offMm, why: mark.why } : {};
  await tables.fillMarks.create({ fillId, kind: mark.kind, trips, ...off, at: u.clock(), byId: u.actor.id });
  await noteWhatIsOn(u, fill.spoolId);
  return fill.spoolId;
}

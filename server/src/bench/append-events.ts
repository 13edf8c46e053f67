import type { Person } from '@yard-spool/contract';
import { byDevice, EVENT_TRAITS, type RunEvent } from '@yard-spool/core';
import type { ServerContext, Unit } from '../context/context';
import { ProblemError } from '../problem-error';
import { unit } from '../context/unit';
import { writeEvents, type ToLog } from './run-log';
import { checkEvents } from './check-events';
import { stateOfRun } from './state-of-run';
import { checkPieces } from './pieces-of-run';
import { leavesBench, standsAt, takeTo } from './at-bench';

/** Kinds only the server writes: they come with other changes in one transaction. */

/**
 * Appends to a run's log. An event that is there already (same id) is passed over, so sending again is harmless; a
 * gap or a place that is taken is refused and nothing of the batch is written.
 *
 * @returns what was added
 */
export const appendEvents = (
  context: ServerContext,
  person: Person,
  runId: number,
  sent: readonly RunEvent[],
): Promise<{ events: RunEvent[] }> =>
  unit(context, person, async (u) => {
    const run = await u.tables.runs.lock(runId);
    if (!run) throw new ProblemError('not-found', `There is no run ${String(runId)}.`);
    const there = await alreadyThere(u, runId, sent);
    const fresh = sent.filter(({ id }) => !there.has(id));
    if (fresh.length === 0) return { events: [] };
    if (run.state !== 'open')
      throw new ProblemError('already-closed', 'This run is closed. Nothing was added to it.');
    const { facts, state, last } = await stateOfRun(u, run);
    await checkPieces(u, run.jobId, state, fresh);
    checkEvents(facts, state, fresh);
    checkPlaces(sent, there, last.seq);
    const authors = await authorsOf(u, fresh);
    const toLog = fresh.map(({ id, at, by, ...happening }): ToLog => {
      const author = authors.get(by);
      return { ...happening, id, at: new Date(at), ...(author ? { author } : {}) };
    });
    const events = await writeEvents(u, runId, last.seq, toLog);
    const moved = fresh.findLast((event) => event.kind === 'taken-up');
    await takeTo(u, run, moved?.payload.benchId);
    if (fresh.at(-1)?.kind === 'put-aside') await leavesBench(u, runId, run.benchId);
    else if (!fresh.every(byDevice)) await standsAt(u, runId, run.benchId);
    return { events };
  });

/**
 * Whom events happened under. A machine that was cut off sends what one person counted while another is signed in: it
 * stays that person's, and the log keeps who sent it. A name nobody has is the sender's.
 */
async function authorsOf(
  { tables }: Unit,
  sent: readonly RunEvent[],
): Promise<ReadonlyMap<string, { readonly id: number; readonly name: string }>> {
  const names = [...new Set(sent.map(({ by }) => by))];
  const people = await tables.people.findAll({ where: { name: names }, attributes: ['id', 'name'] });
  return new Map(people.map(({ id, name }) => [name, { id, name }]));
}

/** Where in the log those of the events are that it has already, by their ids. */
async function alreadyThere(
  { tables }: Unit,
  runId: number,
  sent: readonly RunEvent[],
): Promise<ReadonlyMap<string, number>> {
  const there = await tables.runEvents.findAll({
    where: { id: sent.map(({ id }) => id) },
    attributes: ['id', 'runId', 'seq'],
  });
  if (there.some((row) => row.runId !== runId))
    throw new ProblemError('bad-request', 'An event belongs to another run.');
  return new Map(there.map(({ id, seq }) => [id, seq]));
}

/**
 * Events follow one another without a gap behind what their sender knew of the log, and the log has nothing beyond that
 * but what is sent here once more.
 */
function checkPlaces(sent: readonly RunEvent[], there: ReadonlyMap<string, number>, last: number): void {
  const wrong = sent.find(({ id, kind }) => !there.has(id) && EVENT_TRAITS[kind].serverOnly);
  if (wrong) throw new ProblemError('bad-request', `A bench cannot write "${wrong.kind}" into the log.`);
  const knew = (sent[0]?.seq ?? 1) - 1;
  const ownSince = [...there.values()].filter((seq) => seq > knew).length;
  const inOrder = sent.every(({ seq }, i) => seq === knew + 1 + i);
  if (!inOrder || knew > last || last - ownSince > knew)
    throw new ProblemError(
      'out-of-order',
      'This run went on at another bench. Read it again and go on from there.',
    );
}

import type { Person } from '@yard-spool/contract';
import { addMessage, type ServerContext } from '@yard-spool/server';

/** So many of those whose line is due are to be written to today. */
const WRITTEN = 3;

/** Texts for customers whose line became due last, among the messages that wait to be sent. */
export async function writeDue(context: ServerContext, person: Person): Promise<void> {
  const due = await context.query<{ readonly fillId: number }>(
    `SELECT fill_id AS fillId FROM spools WHERE fill_id IS NOT NULL AND due_at < :now ORDER BY due_at DESC
     LIMIT ${String(WRITTEN)}`,
    { now: context.clock() },
  );
  for (const { fillId } of due) await addMessage(context, person, { fillId });
}

import { HERE } from '../db/job-states';
import { REEL_OF_JOB } from '../db/joins';
import type { Unit } from '../context/context';
import { formatQuantity, readyText, toldWords, type FaultCause } from '@yard-spool/core';
import { readHouseRules } from '../shop/read-house-rules';

/** As much of a text as is kept. */
export const LONGEST = 3000;

/**
 * Keeps the message that a bag is ready in step with its reels: it is put among those that wait to be sent when the last
 * reel is checked, and taken away again where the bag is not ready any more, or is gone already.
 */
export async function tellReady(u: Unit, bagId: number): Promise<void> {
  const { jobs, messages } = u.tables;
  const rows = await jobs.findAll({ where: { bagId }, attributes: ['state'] });
  const here = rows.filter(({ state }) => HERE.includes(state));
  const ready = here.length > 0 && here.every(({ state }) => state === 'ready');
  const told = await messages.lockAll({ where: { bagId, kind: 'ready', state: ['waiting', 'sent'] } });
  if (ready && told.length === 0) await compose(u, bagId);
  // A bag that is ready waits for no line, whatever was to be asked about it.
  const stale = ready ? await messages.lockAll({ where: { bagId, kind: 'waits', state: 'waiting' } }) : told;
  const done = { state: 'dropped' as const, doneAt: u.clock(), doneById: u.actor.id };
  for (const message of stale)
    if (message.state === 'waiting')
      await messages.change(message, { ...done, version: message.version + 1 });
}

interface ReadyReel {
  readonly tag: string;
  readonly label: string;
  readonly lineName: string | null;
  readonly lengthMm: number | null;
  /** What it came back with last, where nobody knows yet whether that is cured. */
  readonly fault: FaultCause | null;
}

async function compose(u: Unit, bagId: number): Promise<void> {
  const bag = await u.tables.bags.findByPk(bagId);
  const customer = bag && (await u.tables.customers.findByPk(bag.customerId));
  if (!customer) throw new Error(`Bag ${String(bagId)} has no customer.`);
  const { shopName, wordings, units } = await readHouseRules(u);
  const reels = await u.query<ReadyReel>(
    `SELECT reels.tag, reels.label, fill_layers.line_name AS lineName, fill_layers.length_mm AS lengthMm,
       (SELECT comebacks.fault FROM comebacks JOIN fills AS earlier ON earlier.id = comebacks.fill_id
        WHERE earlier.spool_id = jobs.spool_id AND comebacks.worked IS NULL
        ORDER BY comebacks.id DESC LIMIT 1) AS fault
     FROM jobs ${REEL_OF_JOB}
       LEFT JOIN runs ON runs.job_id = jobs.id AND runs.state = 'closed'
       LEFT JOIN fills ON fills.run_id = runs.id AND fills.taken_back_at IS NULL
       LEFT JOIN fill_layers ON fill_layers.fill_id = fills.id AND fill_layers.position =
         (SELECT MAX(outermost.position) FROM fill_layers AS outermost WHERE outermost.fill_id = fills.id)
     WHERE jobs.bag_id = :bagId AND jobs.state = 'ready' ORDER BY jobs.position`,
    { bagId },
  );
  const facts = {
    customer: customer.name,
    bag: bagId,
    shop: shopName,
    reels: reels.map(({ tag, label, lineName, lengthMm, fault }) => ({
      tag,
      label,
      was: fault === null ? '' : toldWords(fault),
      on:
        lineName === null
          ? ''
          : `${formatQuantity((lengthMm ?? 0) / 1000, 'line-length', units).text} ${lineName}`,
    })),
  };
  await u.tables.messages.create({
    kind: 'ready',
    customerId: customer.id,
    bagId,
    at: u.clock(),
    byId: u.actor.id,
    text: readyText(facts, wordings.ready).slice(0, LONGEST),
  });
}

import type { Message, MessageChange, NewMessage, Page, Person } from '@yard-spool/contract';
import { dueMessage } from '@yard-spool/core';
import type { Reading, ServerContext } from '../context/context';
import { pageOf } from '../db/page-of';
import { readHouseRules } from '../shop/read-house-rules';
import { inZone } from '../shop/shop-day';
import { ProblemError } from '../problem-error';
import { noteFillMark, tagOfFill } from '../reels/mark-fill';
import { readReel } from '../reels/reels';
import { unit } from '../context/unit';
import { LONGEST } from './tell-ready';
import { tellWaits } from './tell-waits';

interface Row extends Omit<Message, 'at' | 'customer' | 'done'> {
  readonly at: Date;
  readonly customerId: number;
  readonly name: string;
  readonly contact: string;
  readonly doneAt: Date | null;
  readonly doneBy: string | null;
}

const MESSAGES = `SELECT messages.id, messages.kind, messages.bag_id AS bag, reels.tag, messages.text, messages.state,
    messages.at, people.name AS \`by\`, messages.done_at AS doneAt, doers.name AS doneBy, messages.version,
    customers.id AS customerId, customers.name, customers.contact
  FROM messages JOIN customers ON customers.id = messages.customer_id JOIN people ON people.id = messages.by_id
    LEFT JOIN people AS doers ON doers.id = messages.done_by_id
    LEFT JOIN fills ON fills.id = messages.fill_id LEFT JOIN spools ON spools.id = fills.spool_id
    LEFT JOIN reels ON reels.id = spools.reel_id`;
const PAGE = 50;
const GONE = 'There is no such message.';

const toMessage = ({ customerId, name, contact, at, doneAt, doneBy, ...row }: Row): Message => ({
  ...row,
  customer: { id: customerId, name, contact },
  at: at.toISOString(),
  done: doneAt && { at: doneAt.toISOString(), by: doneBy ?? '' },
});

/** Messages that wait to be sent, oldest first; or those that are done with, newest first. */
export async function listMessages(
  from: Reading,
  { state, after }: { readonly state: 'waiting' | 'done'; readonly after: string },
): Promise<Page<Message>> {
  const waiting = state === 'waiting';
  const behind = after === '' ? '' : `AND messages.id ${waiting ? '>' : '<'} :after`;
  const rows = await from.query<Row>(
    `${MESSAGES} WHERE messages.state ${waiting ? "= 'waiting'" : "<> 'waiting'"} ${behind}
     ORDER BY messages.id ${waiting ? '' : 'DESC'} LIMIT ${String(PAGE + 1)}`,
    { after: Number(after) || 0 },
  );
  return pageOf(rows.map(toMessage), PAGE, ({ id }) => String(id));
}

async function readMessage(from: Reading, id: number): Promise<Message> {
  const [row] = await from.query<Row>(`${MESSAGES} WHERE messages.id = :id`, { id });
  if (!row) throw new ProblemError('not-found', GONE);
  return toMessage(row);
}

/** Puts the text for a reel that is due, or a bag whose line is not there, among those that wait to be sent. */
export async function addMessage(
  context: ServerContext,
  person: Person,
  about: NewMessage,
): Promise<Message> {
  const id =
    'bag' in about
      ? await tellWaits(context, person, about.bag)
      : await tellDue(context, person, about.fillId);
  return readMessage(context, id);
}

/** The message about a reel that is due: the one that waits already, where there is one. */
async function tellDue(context: ServerContext, person: Person, fillId: number): Promise<number> {
  const fill = await context.tables.fills.findByPk(fillId);
  const tag = fill && !fill.takenBackAt ? await tagOfFill(context, fill.spoolId) : null;
  const reel = tag === null ? null : await readReel(context, tag);
  const spool = reel?.spools.find(({ on }) => on?.fillId === fillId);
  if (!reel || !spool?.on)
    throw new ProblemError('not-allowed', 'Something else lies on this spool by now. Look at its last fill.');
  const { shopName, wordings, zone } = await readHouseRules(context);
  const { customer, label, tag: reelTag } = reel;
  const text = dueMessage(
    { customer, label, tag: reelTag, spool: spool.name, on: spool.on },
    { shop: shopName, wording: wordings.due, day: (iso) => inZone(iso, zone).toFormat('d LLL yyyy') },
  ).slice(0, LONGEST);
  return unit(context, person, async (u) => {
    await u.tables.fills.lock(fillId);
    const there = await u.tables.messages.findOne({ where: { fillId, kind: 'due', state: 'waiting' } });
    const message = { kind: 'due' as const, customerId: reel.customer.id, fillId, text };
    const row = there ?? (await u.tables.messages.create({ ...message, at: u.clock(), byId: u.actor.id }));
    return row.id;
  });
}

/**
 * Another text for a message, or that it was sent or is not to be. That line is due is then known to have been told. A
 * message that was marked by mistake can wait again; one that was sent keeps its words.
 */
export async function changeMessage(
  context: ServerContext,
  person: Person,
  id: number,
  { version, text, state }: MessageChange,
): Promise<Message> {
  await unit(context, person, async (u) => {
    const row = await u.lockVersioned(u.tables.messages, id, version, {
      gone: GONE,
      changed: 'Somebody changed this message meanwhile. What you typed is still here; look again.',
    });
    if (row.state !== 'waiting' && text !== row.text)
      throw new ProblemError('already-closed', 'This message is done with: its words stay as they were.');
    const before = row.state;
    const done = state === 'waiting' ? null : { at: u.clock(), by: u.actor.id };
    await u.tables.messages.change(row, {
      text,
      state,
      version: version + 1,
      ...(state === before ? {} : { doneAt: done?.at ?? null, doneById: done?.by ?? null }),
    });
    if (state === 'sent' && before !== 'sent' && row.fillId !== null && row.kind === 'due')
      await noteFillMark(u, row.fillId, { kind: 'told' });
  });
  return readMessage(context, id);
}

import { FILLED } from '../db/job-states';
import { ALL_WAITING, ANY_REEL, TO_ORDER, TODAY, type Fill, type PaperQuery } from '@yard-spool/contract';
import { recordedTable, metresPer } from '@yard-spool/core';
import { readBag } from '../bags/bags';
import type { Reading } from '../context/context';
import { orderRows } from '../cuts/order-rows';
import { readReorder } from '../cuts/reorder';
import { readHouseRules } from '../shop/read-house-rules';
import { inZone } from '../shop/shop-day';
import { ProblemError } from '../problem-error';
import { listCustomerCounters } from '../reels/customer-counters';
import { readReel } from '../reels/reels';
import type {
  CounterRows,
  CutsFacts,
  HandBackFacts,
  OrderListFacts,
  PaperFacts,
  SetFacts,
  TagFacts,
  TapeFacts,
} from './facts';
import { cutsOfBags, gaugeOfBag } from './gather-cuts';
import { cutsOfToday, orderOfToday } from './gather-day-sheets';

/** Reads what a paper is made of. */
export async function gather(from: Reading, { what, of, label }: PaperQuery): Promise<PaperFacts> {
  switch (what) {
    case 'tag':
      return { what, facts: await tagOf(from, of.toUpperCase(), label) };
    case 'claim-slip':
      return { what, facts: await readBag(from, numberOf(of)) };
    case 'cut-list':
    case 'set-out':
      return { what, facts: await cutsOf(from, of) };
    case 'hand-back':
      return { what, facts: await handedBack(from, numberOf(of)) };
    case 'set-sheet':
      return { what, facts: await setOf(from, numberOf(of)) };
    case 'gauge':
      return { what, facts: gaugeOfBag(await readBag(from, numberOf(of))) };
    case 'tape-marks':
      return { what, facts: await tapeOf(from, of) };
    case 'order-list':
      if (of !== TO_ORDER) throw new ProblemError('bad-request', 'An order is of what is to be ordered now.');
      return { what, facts: await orderOf(from) };
    case 'running-order':
      if (of !== TODAY) throw new ProblemError('bad-request', 'A running order is today’s.');
      return { what, facts: await orderOfToday(from) };
  }
}

async function orderOf(from: Reading): Promise<OrderListFacts> {
  const [{ lines }, { money, zone }] = await Promise.all([readReorder(from), readHouseRules(from)]);
  const title = inZone(from.clock().toISOString(), zone).toFormat('d LLLL yyyy');
  return { title, money, rows: orderRows(lines) };
}

function cutsOf(from: Reading, of: string): Promise<CutsFacts> {
  if (of === TODAY) return cutsOfToday(from);
  return cutsOfBags(from, of === ALL_WAITING ? null : numberOf(of));
}

function numberOf(of: string): number {
  const number = Number(of);
  if (!/^\d{1,12}$/.test(of) || number < 1)
    throw new ProblemError('bad-request', `“${of}” is no number of a bag or a customer.`, [
      { path: 'of', message: 'A bag and a customer have a number.' },
    ]);
  return number;
}

async function tagOf(from: Reading, of: string, label: TagFacts['label']): Promise<TagFacts> {
  const { tag, label: reel, customer, spools } = await readReel(from, of);
  const filled = spools.flatMap(({ on }) => on ?? []);
  const [last] = filled.sort((a, b) => b.filledAt.localeCompare(a.filledAt));
  return { tag, reel, customer: customer.name, on: last ?? null, label };
}

async function handedBack(from: Reading, number: number): Promise<HandBackFacts> {
  const bag = await readBag(from, number);
  const { bins } = await readHouseRules(from);
  const filled = bag.jobs.filter(({ state }) => FILLED.includes(state));
  const reels = await Promise.all(
    filled.map(async ({ tag, label, type, spool, wants }) => {
      const reel = await readReel(from, tag);
      const fill = reel.fills.find((one) => one.bagNumber === number && one.spoolName === spool);
      const on = reel.spools.find(({ name }) => name === spool)?.on ?? null;
      return fill
        ? [
            {
              tag: reel.tag,
              reel: label,
              type,
              spool,
              fill,
              on: on?.fillId === fill.id ? on : null,
              counter: counterOf(fill),
              dragKg: wants.dragKg,
              leader: wants.leader,
            },
          ]
        : [];
    }),
  );
  return { bag, reels: reels.flat(), bins };
}

const counterOf = ({ counter }: Pick<Fill, 'counter'>): CounterRows | null =>
  counter && {
    unit: counter.unit,
    match: counter.match / metresPer(counter.unit),
    rows: recordedTable(counter),
  };

async function setOf(from: Reading, id: number): Promise<SetFacts> {
  const customer = await from.tables.customers.findByPk(id);
  if (!customer) throw new ProblemError('not-found', 'There is no such customer.');
  return { customer: customer.name, counters: await listCustomerCounters(from, id) };
}

async function tapeOf(from: Reading, of: string): Promise<TapeFacts> {
  const any = Object.entries(ANY_REEL).find(([, name]) => name === of.toLowerCase());
  if (any) return { tag: '', reel: '', counter: null, unit: any[0] as keyof typeof ANY_REEL };
  const { tag, label, fills } = await readReel(from, of.toUpperCase());
  const matched = fills.find(({ counter }) => counter !== null);
  const counter = matched ? counterOf(matched) : null;
  return { tag, reel: label, counter, unit: counter?.unit ?? 'm' };
}

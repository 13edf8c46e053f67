import type { Bag, Calendar, DayPlan, SavedHouseRules } from '@yard-spool/contract';
import ICAL from 'ical.js';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { booking, receiveTwo } from '../testing/bookings';
import { filledReel } from '../testing/filled';
import type { Ask } from '../testing/rack';
import { TestShop } from '../testing/test-shop';

const NAME = 'Orla; Quay, "the\\older"\u{1F3A3}';

let shop: TestShop;
let ask: Ask;
let manager: Ask;
let bag: Bag;
let tag: string;
beforeAll(async () => {
  shop = await TestShop.open(() => new Date('2030-01-01T09:00:00.000Z'));
  ask = await shop.as('Bo');
  manager = await shop.as('Ada');
  const asked = booking(await receiveTwo(ask, 900, 'CA'), { customer: { name: NAME, contact: '' } });
  bag = (await ask<Bag>('POST', '/bags', asked)).body;
  tag = (await filledReel(shop, ask, 'CB'))[0].job.tag;
});
afterAll(() => shop.close());

const subscribed = async (path: string | null): Promise<{ status: number; text: string }> => {
  const response = await fetch(`${shop.address}${path ?? ''}`);
  return { status: response.status, text: await response.text() };
};

describe('the calendar', () => {
  it('is read by another program with nothing but its address: what is promised and what is due', async () => {
    const { body: made } = await manager<Calendar>('POST', '/calendar', {});
    expect(made.path).toMatch(/^\/api\/calendar\/[\w-]{43}\.ics$/);
    const { status, text } = await subscribed(made.path);
    expect(status).toBe(200);
    const events = new ICAL.Component(ICAL.parse(text) as unknown[])
      .getAllSubcomponents('vevent')
      .map((one) => new ICAL.Event(one));
    const promised = events.find(({ uid }) => uid === `bag-${bag.number}@yard-spool`);
    expect(promised?.summary).toBe(`Bag ${bag.number}: ${NAME}, 1 reel`);
    expect(promised?.startDate.toJSDate().toISOString()).toBe(bag.promisedAt);
    expect(promised?.description).toBe('1 of 1 still to fill.');
    const due = events.find(({ summary }) => summary.startsWith(`Due: ${tag}`));
    expect(due?.startDate.isDate).toBe(true);
    expect(due?.startDate.toString()).toBe('2031-01-01');
    // A second reading tells the same entries, so that a program keeps one of each.
    const again = await subscribed(made.path);
    expect([...again.text.matchAll(/^UID:(.*)$/gm)].map(([, uid]) => uid)).toEqual(
      [...text.matchAll(/^UID:(.*)$/gm)].map(([, uid]) => uid),
    );
  });

  it('has what goes into the water and comes out of it, as the day has it', async () => {
    const { body: house } = await manager<SavedHouseRules>('GET', '/house-rules');
    await manager('PUT', '/house-rules', { ...house, zone: 'UTC', rules: { ...house.rules, soak: 'short' } });
    const { text } = await subscribed((await manager<Calendar>('POST', '/calendar', {})).body.path);
    const events = new ICAL.Component(ICAL.parse(text) as unknown[])
      .getAllSubcomponents('vevent')
      .map((one) => new ICAL.Event(one));
    const of = (summary: string) => events.find((one) => one.summary === summary);
    const into = of('CA-26 into the water');
    expect(into?.description).toBe(`for bag ${bag.number}`);
    const { rows } = (await ask<DayPlan>('GET', '/day')).body;
    expect(into?.startDate.toJSDate().toISOString()).toBe(
      rows.find(({ id }) => id === 'soak:CA-26')?.startAt,
    );
    expect(of('CA-26 out of the water')!.startDate.compare(into!.endDate)).toBe(1);
  });

  it('has an address that is told once, ends with the next one, and can be taken away', async () => {
    const first = (await manager<Calendar>('POST', '/calendar', {})).body.path;
    expect((await manager<Calendar>('GET', '/calendar')).body).toMatchObject({ path: null });
    const second = (await manager<Calendar>('POST', '/calendar', {})).body.path;
    expect((await subscribed(first)).status).toBe(404);
    expect((await subscribed(second)).status).toBe(200);
    await manager('DELETE', '/calendar');
    expect((await subscribed(second)).status).toBe(404);
    expect((await manager<Calendar>('GET', '/calendar')).body).toEqual({ since: null, path: null });
    // Only its hash was ever kept.
    expect((await ask('POST', '/calendar', {})).body.code).toBe('not-allowed');
    expect((await ask('DELETE', '/calendar')).body.code).toBe('not-allowed');
  });

  it('is nobody’s by guessing', async () => {
    const { path } = (await manager<Calendar>('POST', '/calendar', {})).body;
    const near = `${path?.slice(0, -5) ?? ''}.ics`;
    for (const guess of ['/api/calendar/', near, '/api/calendar/.ics', '/api/calendar/x.ics'])
      expect([401, 404], guess).toContain((await subscribed(guess)).status);
  });
});

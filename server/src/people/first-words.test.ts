import { FIRST_WORDS_HEADER, type Country, type Person, type SignInSheet } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TestShop } from '../testing/test-shop';
import { readHouseRules } from '../shop/read-house-rules';
import { FirstWords, isThisMachine } from './first-words';

const WHO = { name: 'Wren', passcode: 'herring-9-net' };

describe('an empty shop on a network', () => {
  const firstWords = new FirstWords();
  let here = false;
  let shop: TestShop;
  beforeAll(async () => {
    shop = await TestShop.open(undefined, { firstWords, isHere: () => here });
    await shop.force(({ tables }) => tables.people.removeAll({}));
  });
  afterAll(() => shop.close());

  const first = (words?: string, country = 'US') =>
    shop.ask<Person>(
      'POST',
      '/sign-in/first',
      { ...WHO, country },
      words === undefined ? {} : { [FIRST_WORDS_HEADER]: encodeURIComponent(words) },
    );

  it('tells another device that words are needed, and its own machine nothing of them', async () => {
    const { body } = await shop.ask<SignInSheet>('GET', '/sign-in');
    expect(body).toEqual({ people: [], needsWords: true });
    here = true;
    expect((await shop.ask('GET', '/sign-in')).body).toEqual({ people: [] });
    here = false;
    // A stranger sees where in the world a shop could be.
    const { body: all } = await shop.ask<Country[]>('GET', '/sign-in/countries');
    expect(all.find(({ code }) => code === 'PT')).toMatchObject({
      name: 'Portugal',
      money: '€',
      dayOrder: 'day-first',
    });
  });

  it('takes no first person and no shop’s file from a stranger', async () => {
    for (const words of [undefined, '', 'amber anchor apple bark basin', '%E0%A4%A']) {
      const { status, body } = await first(words);
      expect([words, status, body]).toMatchObject([words, 403, { code: 'not-allowed' }]);
    }
    const file = await shop.ask('POST', '/sign-in/shop-file?step=look', 'not one', {
      'content-type': 'application/gzip',
    });
    expect(file.body).toMatchObject({ code: 'not-allowed', errors: [{ path: 'words' }] });
    expect(await shop.context.tables.people.count()).toBe(0);
  });

  it('takes whoever read the words on its console, however they typed them', async () => {
    const typed = ` ${firstWords.text.toUpperCase().replaceAll(' ', ', ')} `;
    expect((await first(typed, 'XX')).body).toMatchObject({ errors: [{ path: 'country' }] });
    expect(await first(typed)).toMatchObject({ status: 200, body: { name: 'Wren', role: 'manager' } });
    expect((await shop.ask<SignInSheet>('GET', '/sign-in')).body.needsWords).toBeUndefined();
    // As is usual in its country.
    const local = { units: 'imperial', money: '$', dayOrder: 'month-first', weekBegins: 7, paper: 'Letter' };
    expect(await readHouseRules(shop.context)).toMatchObject(local);
  });
});

describe('the words of a start', () => {
  it('are others each time, and right no more after too many wrong ones', () => {
    expect(new Set(Array.from({ length: 50 }, () => new FirstWords().text)).size).toBe(50);
    const words = new FirstWords();
    expect(() => words.check(words.text)).not.toThrow();
    for (let i = 0; i < 100; i++) expect(() => words.check('heron')).toThrow('not the words shown');
    expect(() => words.check(words.text)).toThrow('Start Yard Spool again');
  });
});

describe('the server’s own machine', () => {
  it('is told from others by the two ends of the connection', () => {
    const at = (remoteAddress?: string, localAddress = '192.0.2.7') =>
      isThisMachine({ remoteAddress, localAddress });
    for (const own of ['127.0.0.1', '::ffff:127.0.0.1', '::1', '127.0.4.2', '192.0.2.7', '::ffff:192.0.2.7'])
      expect([own, at(own)]).toEqual([own, true]);
    for (const other of ['192.0.2.8', '::ffff:192.0.2.70', 'fe80::1', '', undefined])
      expect([other, at(other)]).toEqual([other, false]);
    expect(at('', '')).toBe(false);
  });
});

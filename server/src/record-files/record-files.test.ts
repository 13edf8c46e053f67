import { readFileSync } from 'node:fs';
import { RECORD_COLUMNS, RecordFileSchema, type Bag, type Fill, type Run } from '@yard-spool/contract';
import { toJsonSchema } from '@valibot/to-json-schema';
import { Ajv } from 'ajv';
import { parse } from 'csv-parse/sync';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { asItWas } from '../rack-files/harmless';
import { filledReel } from '../testing/filled';
import { recordedCounter } from '../testing/recorded-counter';
import type { Ask } from '../testing/rack';
import { TestShop } from '../testing/test-shop';

/** Names a spreadsheet, another script or a program's markup would trip over. */
const AWKWARD = '=HYPERLINK("x";"y"),\u05E9\u05DC\u05D5\u05DD \u{1F3A3} </title>';

let shop: TestShop;
let ask: Ask;
let run: Run;
let fill: Fill;
let customer: number;
beforeAll(async () => {
  shop = await TestShop.open();
  ask = await shop.as('Bo');
  [run, fill] = await filledReel(shop, ask, 'RF', {
    bag: { customer: { name: AWKWARD, contact: '-1+1' } },
    reel: { label: '@Pier "3000"' },
  });
  customer = (await ask<Bag>('GET', `/bags/${run.bagNumber}`)).body.customer.id;
  await filledReel(shop, ask, 'RG', { bag: { customer: { id: customer } } });
  await shop.force(({ tables }) => tables.fills.changeAll({ counter: recordedCounter() }, { id: fill.id }));
});
afterAll(() => shop.close());

const fileOf = async (of: string, which: string | number, format: string): Promise<string> =>
  (await ask<string>('GET', `/record-file?of=${of}&which=${which}&format=${format}`)).body;

describe('the record as a file', () => {
  it('is JSON that its published schema holds for, by a validator that did not write it', async () => {
    const { body: schema } = await ask<object>('GET', '/record-file/schema');
    const validator = new Ajv({ strict: false, allErrors: true });
    validator.addFormat('date-time', /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/);
    const holds = validator.compile(schema);
    const record = JSON.parse(await fileOf('customer', customer, 'json')) as { reels: { tag: string }[] };
    expect(holds(record), JSON.stringify(holds.errors)).toBe(true);
    expect(record.reels.map(({ tag }) => tag)).toContain(run.job.tag);
    expect(record.reels).toHaveLength(2);
    // And is no schema that holds for anything.
    expect(holds({ ...record, version: 2 })).toBe(false);
    expect(holds({ ...record, reels: [{ ...record.reels[0], spools: [{ name: 1 }] }] })).toBe(false);
    const [reel] = (
      JSON.parse(await fileOf('reel', run.job.tag.toLowerCase(), 'json')) as {
        reels: {
          customer: { name: string };
          spools: { fills: { layers: object[]; log: object[]; counter: object }[] }[];
        }[];
      }
    ).reels;
    expect(reel?.customer.name).toBe(AWKWARD);
    const written = reel?.spools[0]?.fills[0];
    expect(written?.layers).toMatchObject(
      fill.layers.map(({ lengthMm, role }) => ({ role, length: lengthMm / 1000 })),
    );
    expect(written?.log.length).toBeGreaterThan(10);
    expect(written?.counter).toMatchObject({ unit: 'm', match: 30, agrees: true });
  });

  it('is published beside the documents as it is', () => {
    const published: unknown = JSON.parse(
      readFileSync(new URL('../../../docs/record.schema.json', import.meta.url), 'utf8'),
    );
    expect(published).toEqual(toJsonSchema(RecordFileSchema));
  });

  it('is CSV that a spreadsheet cannot run, and that another reader reads back the same', async () => {
    const rows = parse<Record<string, string>>(await fileOf('customer', customer, 'csv'), {
      bom: true,
      columns: true,
    });
    expect(Object.keys(rows[0] ?? {})).toEqual([...RECORD_COLUMNS]);
    const own = rows.filter(({ tag }) => tag === run.job.tag);
    expect(own).toHaveLength(fill.layers.length);
    for (const row of own) {
      expect(row.customer?.startsWith("'=")).toBe(true);
      expect(asItWas(row.customer ?? '')).toBe(AWKWARD);
      expect(asItWas(row.reel ?? '')).toBe('@Pier "3000"');
      expect(asItWas(row.contact ?? '')).toBe('-1+1');
    }
    // To the digits that are known: no length a hundredth of a millimetre finer than its range.
    fill.layers.forEach(({ lengthMm, likelyMm: [least, most], handleTurns }, i) => {
      const row = own[i];
      const off = (most - least) / 2000;
      expect(Math.abs(Number(row?.length_m) - lengthMm / 1000)).toBeLessThanOrEqual(off >= 1 ? 0.5 : 0.05);
      for (const figure of [row?.length_m, row?.least_m, row?.most_m])
        expect(figure).toMatch(off >= 1 ? /^\d+$/ : off >= 0.1 ? /^\d+(\.\d)?$/ : /^\d+(\.\d\d?)?$/);
      expect(row?.handle_turns).toBe(handleTurns.toFixed(0));
      expect(row?.gap_mm).toMatch(/^-?\d+(\.\d)?$/);
    });
  });

  it('of what is not there is refused; who exported what is written down', async () => {
    const refused = async (of: string, which: string): Promise<string> =>
      (await ask('GET', `/record-file?of=${of}&which=${which}&format=csv`)).body.code;
    expect(await refused('reel', 'NOT-THERE')).toBe('not-found');
    expect(await refused('customer', '999')).toBe('not-found');
    expect(await refused('customer', 'R-1')).toBe('not-found');
    expect(await refused('shelf', '1')).toBe('bad-request');
    const manager = await shop.as('Ada');
    const { body } = await manager<{ kind: string; what: string }[]>('GET', '/audit');
    expect(
      body.some(({ kind, what }) => kind === 'exported' && what.startsWith('the record of customer')),
    ).toBe(true);
  });
});

describe('a drawing', () => {
  const svgOf = async (what: string, more = ''): Promise<string> =>
    (await ask<string>('GET', `/drawing?fill=${fill.id}&what=${what}${more}`)).body;

  it('of the section or the rule is SVG that says what it shows, in the units asked for', async () => {
    const section = await svgOf('section');
    expect(section).toContain('xmlns="http://www.w3.org/2000/svg"');
    expect(section).toMatch(/<title>Spool cut open\. \d+.m backing/);
    expect(section.match(/<pattern /g)).toHaveLength(fill.layers.length);
    expect(await svgOf('rule')).toMatch(/<title>backing \d+ m, main \d+ m<\/title>/);
    expect(await svgOf('rule', '&units=imperial')).toContain(' yd');
  });

  it('holds no markup of anybody’s words', async () => {
    const lineName = '<script>x</script>"&';
    await shop.force(({ tables }) => tables.fillLayers.changeAll({ lineName }, { fillId: fill.id }));
    expect(await svgOf('section')).not.toContain('<script');
    expect((await ask('GET', '/drawing?fill=999999&what=rule')).body.code).toBe('not-found');
  });
});

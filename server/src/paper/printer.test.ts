import { createServer, type Server, type Socket } from 'node:net';
import type { AddressInfo } from 'node:net';
import type { SavedHouseRules, Run } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { filledReel } from '../testing/filled';
import { codeOf, type Ask } from '../testing/rack';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
let ask: Ask;
let manager: Ask;
let run: Run;
const servers: Server[] = [];
beforeAll(async () => {
  shop = await TestShop.open();
  ask = await shop.as('Bo');
  manager = await shop.as('Ada');
  [run] = await filledReel(shop, ask, 'PR');
});
afterAll(async () => {
  for (const server of servers) server.close();
  await shop.close();
});

/** A printer that does with a connection whatever it does. */
async function printerThat(does: (socket: Socket) => void): Promise<string> {
  const server = createServer({ allowHalfOpen: true }, (socket) => {
    socket.on('error', () => undefined);
    does(socket);
  });
  servers.push(server);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return `127.0.0.1:${String((server.address() as AddressInfo).port)}`;
}
async function set(printer: string): Promise<void> {
  const { body } = await manager<SavedHouseRules>('GET', '/house-rules');
  expect((await manager('PUT', '/house-rules', { ...body, printer })).status).toBe(200);
}
const print = () => ask<{ pages: number }>('POST', '/paper', { what: 'tag', of: run.job.tag });

describe('the label printer', () => {
  it('is not there until a manager says where: the sentence says so', async () => {
    const answer = await print();
    expect([answer.status, codeOf(answer)]).toEqual([409, 'not-set-up']);
    expect((answer.body as { detail?: string }).detail).toContain('No label printer is set up');
  });

  it('gets the whole file and then the end of the connection', async () => {
    const got: Buffer[] = [];
    await set(
      await printerThat((socket) => {
        socket.on('data', (part) => got.push(part));
        socket.on('end', () => socket.end());
      }),
    );
    expect((await print()).body).toMatchObject({ pages: 1, title: `Tag ${run.job.tag}` });
    const bytes = Buffer.concat(got);
    expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
    expect(bytes.subarray(-6).toString().trim()).toBe('%%EOF');
  });

  it('that breaks the connection, or is off, is told of; nothing is said to have been printed', async () => {
    await set(await printerThat((socket) => socket.resetAndDestroy()));
    expect(codeOf(await print())).toBe('device-away');
    await set('127.0.0.1:1');
    expect(codeOf(await print())).toBe('device-away');
  });
});

import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Problem } from '@yard-spool/contract';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { unit } from '../context/unit';
import { createApp, type AppParts } from '../app';
import { connect } from '../db/connect';
import { migrateAt } from '../db/migrate';
import type { ServerContext, Unit } from '../context/context';
import { openShop } from '../open-shop';
import { BenchCounters } from '../devices/bench-counters';
import { addPerson } from '../people/people';
import { rowsReadOf } from './rows-read';
import { testClock } from './test-clock';

/** Whoever makes a change in a test that goes past the API. */
export const ADA = { id: 1, name: 'Ada', role: 'manager' } as const;

/** An answer of the API as a test looks at it. */
export interface Answer<T = unknown> {
  readonly status: number;
  readonly body: T;
  readonly headers: Headers;
}

/** A passcode that costs next to nothing to try: what it costs in a shop has its own test. */
const CHEAP = { N: 1024, r: 8, p: 1 };

const PASSCODE = 'right-passcode';

interface More {
  readonly proofMinutes?: number;
  /** The name of a database that may be there from before. */
  readonly keptAs?: string;
}

/** A whole server on a database of its own, for one test file. The real MariaDB, the real app, a real port. */
export class TestShop {
  /** Whether an answer is taken once what follows from it is done as well. */
  patient = true;

  private constructor(
    readonly context: ServerContext,
    public counters: BenchCounters,
    private readonly admin: Sequelize,
    /** Of its database. */
    readonly name: string,
    private readonly server: Server,
    readonly address: string,
    /** How often the database was asked so far. */
    readonly asked: { queries: number },
  ) {}

  /** Opens a shop with a manager (Ada) and a technician (Bo). The clock can be set. */
  static async open(
    clock: () => Date = testClock,
    // Tests let days go by between one act of a manager's and the next.
    { proofMinutes = Infinity, keptAs, ...more }: Partial<AppParts> & More = {},
  ): Promise<TestShop> {
    const base = process.env.YARD_SPOOL_TEST_DATABASE;
    if (!base) throw new Error('These tests need a database: run them with "npm test -- api".');
    const name = keptAs ?? `test_${crypto.randomUUID().replaceAll('-', '')}`;
    const admin = connect(base);
    await admin.query(
      `CREATE DATABASE IF NOT EXISTS ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`,
    );
    const address = new URL(base);
    address.pathname = `/${name}`;
    await migrateAt(address.href);
    // As in a shop: the application may change rows and no table.
    const user = name.slice(0, 20);
    await admin.query(`CREATE OR REPLACE USER '${user}'@'127.0.0.1' IDENTIFIED BY '${name}'`);
    await admin.query(`GRANT SELECT, INSERT, UPDATE, DELETE ON ${name}.* TO '${user}'@'127.0.0.1'`);
    // Tests look who waits for whose lock.
    await admin.query(`GRANT PROCESS ON *.* TO '${user}'@'127.0.0.1'`);
    address.username = user;
    address.password = name;
    const asked = { queries: 0 };
    const sequelize = connect(address.href, () => (asked.queries += 1));
    const context = openShop(sequelize, clock, { passcodeCost: CHEAP, proofMinutes });
    if ((await context.tables.people.count()) === 0) {
      await addPerson(context, 'Ada', 'manager', PASSCODE);
      await addPerson(context, 'Bo', 'technician', PASSCODE);
    }
    const counters = await BenchCounters.open(context);
    const server = createServer(
      createApp({
        context,
        counters,
        log: pino({ level: process.env.YARD_SPOOL_TEST_LOG ?? 'silent' }),
        ...more,
      }),
    );
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const { port } = server.address() as AddressInfo;
    return new TestShop(context, counters, admin, name, server, `http://127.0.0.1:${port}`, asked);
  }

  /** Asks the database as an account that may change tables. */
  schema(sql: string): Promise<unknown> {
    return this.admin.query(sql);
  }

  /** What a start of the server begins with: the counters’ links, from what was kept. */
  async restartCounters(): Promise<BenchCounters> {
    await this.counters.close();
    this.counters = await BenchCounters.open(this.context);
    return this.counters;
  }

  /** @param keeps its database stands for the next one that is opened by its name */
  async close(keeps = false): Promise<void> {
    this.server.closeAllConnections();
    await new Promise((resolve) => this.server.close(resolve));
    await this.counters.close();
    await this.context.behind.idle();
    await this.context.sequelize.close();
    if (!keeps) await this.admin.query(`DROP DATABASE ${this.name}`);
    await this.admin.query(`DROP USER '${this.name.slice(0, 20)}'@'127.0.0.1'`);
    await this.admin.close();
  }

  /** A way to count the rows the database reads for this shop while something is done. */
  rowsRead(): ReturnType<typeof rowsReadOf> {
    return rowsReadOf(this.admin, this.context.sequelize, this.name);
  }

  /** Asks as nobody, or as whoever the cookie belongs to. */
  async ask<T = Problem>(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Answer<T>> {
    const response = await fetch(`${this.address}/api${path}`, {
      method,
      headers: { ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
      ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
    if (this.patient) await this.context.behind.idle();
    // Byte for byte: `text()` would leave the byte order mark out.
    const text = Buffer.from(await response.arrayBuffer()).toString('utf8');
    // A file comes as it is, whatever is in it.
    const told: unknown = response.headers.has('content-disposition') ? text : JSON.parse(text);
    return { status: response.status, headers: response.headers, body: told as T };
  }

  /** Puts something into the books that no request could. */
  force<T>(work: (u: Unit) => Promise<T>): Promise<T> {
    return unit(this.context, ADA, work);
  }

  /** Signs in and gives the session’s cookie. */
  async cookieOf(name: 'Ada' | 'Bo'): Promise<string> {
    const { headers } = await this.ask('POST', '/session', { name, passcode: PASSCODE });
    return headers.get('set-cookie')?.split(';')[0] ?? '';
  }

  /** Signs in and gives a way to ask as that person. */
  async as(
    name: 'Ada' | 'Bo',
  ): Promise<<T = Problem>(method: string, path: string, body?: unknown) => Promise<Answer<T>>> {
    const cookie = await this.cookieOf(name);
    return (method, path, body) => this.ask(method, path, body, { cookie });
  }
}

// The fuzz: requests by the thousand to a whole server, nearly right and nothing like it, seeded. What is told at the end:
// answers that were the server's fault, requests it never answered, and refusals that changed something all the same.
import { fork } from 'node:child_process';
import { parseArgs } from 'node:util';
import { QueryTypes, type Sequelize } from 'sequelize';
import { connect } from '../db/connect';
import { ask, type Ask } from './asks';
import type { Books } from './books';
import { Dice } from './dice';
import { MOST_PROBE_MS, probeHealth } from './probe-health';
import { readAll } from './read-all';

/** How long an answer may take, ms. */
const PATIENCE_MS = 30_000;
/** Longer than this nobody else may be kept waiting by one request, ms. */
const MOST_LAG_MS = 100;
/** Requests after which those who ask sign in again. */
const SESSIONS_EACH = 100;
/** What changes by itself, or is meant to be written at a refusal. */
const OWN_WAYS = new Set(['sessions', 'audits', 'counters', 'answered_requests']);

const { values } = parseArgs({
  options: {
    count: { type: 'string', default: '3000' },
    seed: { type: 'string', default: '20260704' },
    lag: { type: 'boolean', default: false },
    waiting: { type: 'string', default: '0' },
  },
});
const count = Number(values.count);
const seed = Number(values.seed);

type Told = Books & { readonly address: string; readonly database: string };

const child = fork(new URL('./shop-process.ts', import.meta.url).pathname, [values.waiting], {
  execArgv: ['--import', 'tsx'],
});
const told = await new Promise<Told>((resolve, reject) => {
  child.once('message', (message) => resolve(message as Told));
  child.once('exit', () => reject(new Error('The shop to fuzz did not start.')));
});
const base = new URL(process.env.YARD_SPOOL_TEST_DATABASE ?? '');
base.pathname = `/${told.database}`;
const database = connect(base.href);
const tables = (
  await database.query<{ name: string }>(
    'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()',
    { type: QueryTypes.SELECT },
  )
).flatMap(({ name }) => (OWN_WAYS.has(name) ? [] : [name]));

const books = async (from: Sequelize): Promise<string> => {
  const sums = await from.query<{ Checksum: number | null }>(`CHECKSUM TABLE ${tables.join(', ')}`, {
    type: QueryTypes.SELECT,
  });
  return sums.map(({ Checksum }) => String(Checksum)).join(' ');
};

/** How long the server's event loop stood still at the longest since it was asked last, ms. */
const lag = (): Promise<number> =>
  new Promise((resolve) => {
    child.once('message', (message) => resolve((message as { lag: number }).lag));
    child.send('lag');
  });

/** Sessions of those who ask, begun again: what is asked may end them. */
const freshCookies = (): Promise<string[]> =>
  new Promise((resolve) => {
    child.once('message', (message) => resolve((message as { cookies: string[] }).cookies));
    child.send('cookies');
  });

async function answer({ method, path, headers, body }: Ask): Promise<{ status: number; text: string }> {
  try {
    const response = await fetch(`${told.address}/api${path}`, {
      method,
      headers,
      signal: AbortSignal.timeout(PATIENCE_MS),
      ...(body === undefined ? {} : { body }),
    });
    return { status: response.status, text: await response.text() };
  } catch (error) {
    return { status: 0, text: String(error) };
  }
}

const problems: string[] = [];
child.on('exit', (code) => problems.push(`The server ended, with ${String(code)}.`));

const dice = new Dice(seed);
const statuses = new Map<number, number>();
const lags: { readonly ms: number; readonly of: string }[] = [];
const said = ({ method, path, body = '' }: Ask): string =>
  `${method} ${path.slice(0, 120)} ${body.slice(0, 600)}`;
let stands = await books(database);
await lag();
const probe = values.lag ? probeHealth(told.address) : null;
let cookies = [...told.cookies];
for (let i = 0; i < count; i += 1) {
  if (i % SESSIONS_EACH === SESSIONS_EACH - 1) {
    cookies = await freshCookies();
    stands = await books(database);
  }
  const asked = ask(dice, told.known, cookies);
  const { status, text } = await answer(asked);
  statuses.set(status, (statuses.get(status) ?? 0) + 1);
  if (status === 0 || status >= 500)
    problems.push(`${String(status)} ${text.slice(0, 200)}\n  ${said(asked)}`);
  const now = await books(database);
  if (status >= 400 && now !== stands)
    problems.push(`refused with ${String(status)}, and changed something\n  ${said(asked)}`);
  stands = now;
  if (!values.lag) continue;
  let ms = await lag();
  // A machine that stood still is not the request's doing: one that is, is so again.
  for (let again = 0; ms > MOST_LAG_MS && again < 2; again += 1) {
    await answer(asked);
    ms = Math.min(ms, await lag());
  }
  lags.push({ ms, of: said(asked) });
}

const probed = await probe?.stop();
const longestProbe = probed?.worst;
problems.push(...(probed?.failed ?? []).map((why) => `/health was not answered: ${why}`));
const [cookie = ''] = await freshCookies();
const everything = await readAll((path) => answer({ method: 'GET', path, headers: { cookie } }));
problems.push(...everything.wrong.map((one) => `cannot be read afterwards: ${one}`));

process.stdout.write(`\n${count.toLocaleString('en')} requests, seed ${String(seed)}\n`);
for (const [status, times] of [...statuses].sort(([a], [b]) => a - b))
  process.stdout.write(`  ${status === 0 ? 'no answer' : String(status)}: ${String(times)}\n`);
process.stdout.write(`  read afterwards: ${String(everything.read)} lists, pages and entries\n`);
if (longestProbe !== undefined)
  process.stdout.write(
    `  /health at the longest: ${longestProbe.toFixed(0)} ms, limit ${String(MOST_PROBE_MS)} ms\n`,
  );
const slow = lags.filter(({ ms }) => ms > MOST_LAG_MS);
if (values.lag) {
  const longest = [...lags].sort((a, b) => b.ms - a.ms);
  process.stdout.write(
    `  event loop at the longest: ${(longest[0]?.ms ?? 0).toFixed(0)} ms, limit ${String(MOST_LAG_MS)} ms\n`,
  );
  for (const { ms, of } of slow.slice(0, 10))
    process.stdout.write(`  ${ms.toFixed(0)} ms: ${of.slice(0, 200)}\n`);
}
for (const problem of problems.slice(0, 20)) process.stdout.write(`\n${problem}\n`);
process.stdout.write(
  problems.length === 0 ? 'Nothing was the server’s fault.\n' : `${String(problems.length)} were.\n`,
);
await database.close();
child.removeAllListeners('exit');
child.disconnect();
process.exitCode = problems.length + slow.length === 0 && (longestProbe ?? 0) <= MOST_PROBE_MS ? 0 : 1;

import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { connect } from './connect';

/** An account as the database keeps it. */
interface Account {
  readonly user: string;
  readonly host: string;
  readonly kept: string;
}

const addressOf = (name: string): string => {
  const address = process.env[name];
  if (!address) throw new Error('These tests need a database: run them with "npm test -- api".');
  return address;
};
const [tests, app, schema] = [
  'YARD_SPOOL_TEST_DATABASE',
  'YARD_SPOOL_TEST_APP',
  'YARD_SPOOL_TEST_SCHEMA',
].map((name) => connect(addressOf(name)));
beforeAll(() => schema!.query('CREATE TABLE IF NOT EXISTS accounts_test (id INT NOT NULL PRIMARY KEY)'));
afterAll(async () => {
  await schema!.query('DROP TABLE accounts_test');
  for (const one of [tests, app, schema]) await one!.close();
});

it('no account is without a password, open to the network, or there for nothing', async () => {
  const accounts = await tests!.query<Account>(
    'SELECT User AS user, Host AS host, CAST(Priv AS CHAR) AS kept FROM mysql.global_priv',
    { type: QueryTypes.SELECT },
  );
  const open = accounts.filter(({ user }) => !user.startsWith('test_'));
  expect(open.map(({ user }) => user).sort()).toEqual([
    'mariadb.sys',
    'yard_spool',
    'yard_spool_schema',
    'yard_spool_tests',
  ]);
  for (const { user, host, kept } of accounts) {
    const { account_locked, authentication_string } = JSON.parse(kept) as {
      account_locked?: boolean;
      authentication_string?: string;
    };
    expect([user, account_locked === true || /^\*[0-9A-F]{40}$/.test(authentication_string ?? '')]).toEqual([
      user,
      true,
    ]);
    expect(['localhost', '127.0.0.1']).toContain(host);
  }
});

it('the application reads and writes its rows, and changes no table, account or other schema', async () => {
  await app!.query('INSERT INTO accounts_test (id) VALUES (1)');
  await app!.query('DELETE FROM accounts_test');
  for (const statement of [
    'CREATE TABLE mine (id INT)',
    'ALTER TABLE accounts_test ADD COLUMN more INT',
    'DROP TABLE accounts_test',
    'TRUNCATE accounts_test',
    'SELECT * FROM mysql.global_priv',
    'CREATE DATABASE another',
    "CREATE USER 'me'@'127.0.0.1'",
    'GRANT ALL ON *.* TO CURRENT_USER',
    "SELECT 1 INTO OUTFILE '/tmp/yard-spool-accounts-test'",
  ])
    await expect(app!.query(statement), statement).rejects.toThrow(/denied/i);
});

// Sets a new passcode for somebody of the shop whose database is in the environment. Name and passcode come as one line of
// JSON, so that neither stands in the list of what runs on the machine; what went wrong is one sentence.
import { text } from 'node:stream/consumers';
import * as v from 'valibot';
import { openShop } from './open-shop';
import { connect } from './db/connect';
import { CannotSet, setForgotten } from './people/forgotten-passcode';

const asked = v.parse(
  v.object({ name: v.string(), passcode: v.string() }),
  JSON.parse(await text(process.stdin)),
);
const sequelize = connect(process.env.YARD_SPOOL_DATABASE ?? '');
try {
  const { name, role } = await setForgotten(openShop(sequelize), asked);
  process.stdout.write(`${name}, ${role}, has a new passcode, and is signed out everywhere.\n`);
} catch (error) {
  if (!(error instanceof CannotSet)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 2;
} finally {
  await sequelize.close();
}

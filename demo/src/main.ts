// Loads the demo into the database named by YARD_SPOOL_DATABASE and writes its people to the file named first.
import { writeFileSync } from 'node:fs';
import { connect, migrate, untilItAnswers } from '@yard-spool/server';
import { loadDemo } from './load';
import { DEMO_PEOPLE } from './people';

const sequelize = connect(process.env.YARD_SPOOL_DATABASE ?? '');
await untilItAnswers(sequelize);
await migrate(sequelize);
await loadDemo(sequelize, new Date(), process.env.YARD_SPOOL_DEMO_COUNTER);
await sequelize.close();
const [file] = process.argv.slice(2);
if (file) writeFileSync(file, JSON.stringify(DEMO_PEOPLE.map(({ name, passcode }) => ({ name, passcode }))));

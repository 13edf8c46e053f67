// npm run passcode -- NAME: a new passcode for somebody who forgot theirs, on the shop's own machine. It is asked for, or
// read from standard input, and stands neither on the screen nor in the list of what runs.
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { text } from 'node:stream/consumers';
import { askedFor } from './lib/arguments.mjs';
import { startDatabase } from './lib/database.mjs';
import { holderOf, lockFolder } from './lib/folder-lock.mjs';
import { atEnd, live } from './lib/lifetime.mjs';
import { ROOT, shopDataFolder } from './lib/paths.mjs';
import { prepareDatabase } from './lib/prepare.mjs';
import { say, Told } from './lib/progress.mjs';
import { run } from './lib/run.mjs';

live(async () => {
  const name = askedFor('npm run passcode -- NAME', { allowPositionals: true }).positionals.join(' ');
  if (name === '') throw new Told('Say whose: npm run passcode -- NAME');
  const address = await databaseOf(shopDataFolder());
  const passcode = process.stdin.isTTY ? await askTwice() : (await text(process.stdin)).replace(/\r?\n$/, '');
  say(await set(address, { name, passcode }));
  return 0;
});

/** The shop's database, started for this where it is its own. @param {string} folder */
async function databaseOf(folder) {
  const outside = process.env.YARD_SPOOL_DATABASE;
  if (outside) {
    await prepareDatabase();
    return outside;
  }
  if (holderOf(folder))
    throw new Told('The shop is running. End it with Ctrl-C where it was started, and run this again.');
  atEnd(lockFolder(folder).release);
  await prepareDatabase();
  const database = await startDatabase(join(folder, 'database'));
  return database.address;
}

async function askTwice() {
  const first = await hidden('New passcode: ');
  if ((await hidden('Once more: ')) !== first)
    throw new Told('These two are not the same. Nothing was changed.');
  return first;
}

/** One line that is not shown while it is typed. @param {string} prompt @returns {Promise<string>} */
function hidden(prompt) {
  return new Promise((resolve) => {
    const lines = createInterface({ input: process.stdin, output: process.stdout, terminal: true });
    lines.question(prompt, (line) => {
      process.stdout.write('\n');
      lines.close();
      resolve(line);
    });
    // Only what is typed behind the prompt is kept from the screen.
    Object.assign(lines, { _writeToOutput: () => undefined });
  });
}

/** @param {string} address @param {{ name: string, passcode: string }} asked @returns {Promise<string>} */
async function set(address, asked) {
  const program = join(ROOT, 'server', 'src', 'passcode-main.ts');
  const { code, output } = await run('node', ['--import', 'tsx', program], {
    env: { YARD_SPOOL_DATABASE: address },
    input: JSON.stringify(asked),
    allowFailure: true,
  });
  if (code !== 0) throw new Told(output.trim());
  return output.trim();
}

// Keeps a database for as long as whoever started it lives: its standard input closes when that process ends, even
// by a crash or a kill, and the database is stopped then.
import { spawn } from 'node:child_process';
import { openSync } from 'node:fs';
import { setInterval } from 'node:timers';

const [log = '/dev/null', command = '', ...args] = process.argv.slice(2);
const out = openSync(log, 'a');
const child = spawn(command, args, { stdio: ['ignore', out, out] });
/** It may not listen yet while it is still starting, so it is told again; what never listens is killed: nothing is lost by it. */
const DEAF_SECONDS = 20;
let asked = 0;
const stop = () => {
  child.kill(asked < DEAF_SECONDS ? 'SIGTERM' : 'SIGKILL');
  if (asked === 0) setInterval(stop, 1000);
  asked += 1;
};
process.stdin.on('end', stop).on('error', stop).resume();
process.on('SIGTERM', stop);
process.on('SIGINT', () => undefined);
child.on('error', () => process.exit(1));
child.on('exit', (code) => process.exit(code ?? 0));

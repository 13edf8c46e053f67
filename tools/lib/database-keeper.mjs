// Keeps a database for as long as whoever started it lives: its standard input closes when that process ends, even
// by a crash or a kill, and the database is stopped then.
import { spawn } from 'node:child_process';
import { openSync } from 'node:fs';

const [log = '/dev/null', command = '', ...args] = process.argv.slice(2);
const out = openSync(log, 'a');
const child = spawn(command, args, { stdio: ['ignore', out, out] });
const stop = () => child.kill('SIGTERM');
process.stdin.on('end', stop).on('error', stop).resume();
process.on('SIGTERM', stop);
process.on('SIGINT', () => undefined);
child.on('error', () => process.exit(1));
child.on('exit', (code) => process.exit(code ?? 0));

import { spawn } from 'node:child_process';
import { atEnd } from './lifetime.mjs';
import { ROOT } from './paths.mjs';
import { Told } from './progress.mjs';

/**
 * Runs a program to its end and gives back what it printed. It ends with whoever started it.
 * @param {string} command
 * @param {string[]} args
 * @param {{ env?: Record<string, string>, show?: boolean, allowFailure?: boolean, cwd?: string, input?: string }} [options]
 *   `input` is what it reads from its standard input; nothing where left out
 * @returns {Promise<{ code: number, output: string }>}
 */
export function run(command, args, options = {}) {
  const { env = {}, show = false, allowFailure = false, cwd = ROOT, input } = options;
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd,
      env: { ...process.env, ...env },
      detached: true,
      stdio: [input === undefined ? 'ignore' : 'pipe', show ? 'inherit' : 'pipe', show ? 'inherit' : 'pipe'],
    });
    // With what it started itself: a script's own programs would outlive it.
    atEnd(() => endGroup(child));
    let output = '';
    child.stdin?.end(input);
    child.stdout?.on('data', (chunk) => (output += chunk));
    child.stderr?.on('data', (chunk) => (output += chunk));
    child.on('error', (error) => reject(new Told(`Could not run ${command}: ${error.message}`)));
    child.on('close', (code) => {
      if (code === 0 || allowFailure) resolve({ code: code ?? 1, output });
      else
        reject(
          new Told(`${[command, ...args].join(' ')} failed:\n${output.split('\n').slice(-60).join('\n')}`),
        );
    });
  });
}

/** @param {import('node:child_process').ChildProcess} child */
function endGroup({ pid, exitCode, signalCode }) {
  if (pid === undefined || exitCode !== null || signalCode !== null) return;
  try {
    process.kill(-pid, 'SIGTERM');
  } catch {
    // It has just ended.
  }
}

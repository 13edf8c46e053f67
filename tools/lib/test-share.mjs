// Counts lines of code and how many of them are tests; blank lines and whole-line comments count for neither.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './paths.mjs';

const LEAST = 0.25;
const MOST = 1 / 3;
const CODE = /\.(ts|mjs|cjs|js|html|css)$/;
const TEST = /\.(test|spec)\.(ts|mjs)$|\/testing\/|^e2e\//;
const COMMENT = /^(\/\/|\/?\*|<!--.*-->$)/;

/** Lines of a text that are code: blank ones and those of a comment alone are none. @param {string} text */
export const linesOfCode = (text) =>
  text.split('\n').filter((line) => line.trim() !== '' && !COMMENT.test(line.trim())).length;

/** Whether a file counts as a test: one of its own, what tests are made with, a journey. @param {string} file */
export const isTest = (file) => TEST.test(file);

/** What is installed or built, and therefore not ours to count. */
const LEFT_OUT = new Set(['node_modules', 'dist', 'docs']);

/** @param {string} folder @returns {string[]} */
const codeFiles = (folder = '') =>
  readdirSync(join(ROOT, folder), { withFileTypes: true }).flatMap((entry) => {
    const path = folder === '' ? entry.name : `${folder}/${entry.name}`;
    if (entry.isDirectory())
      return entry.name.startsWith('.') || LEFT_OUT.has(entry.name) ? [] : codeFiles(path);
    return CODE.test(entry.name) ? [path] : [];
  });

/** @returns {import('./stages.mjs').Outcome} */
export function checkTestShare() {
  let tests = 0;
  let all = 0;
  /** @type {Map<string, { tests: number, all: number }>} */
  const folders = new Map();
  for (const file of codeFiles()) {
    const folder = file.includes('/') ? (file.split('/')[0] ?? '') : '.';
    const lines = linesOfCode(readFileSync(join(ROOT, file), 'utf8'));
    const sum = folders.get(folder) ?? { tests: 0, all: 0 };
    sum.all += lines;
    all += lines;
    if (isTest(file)) {
      sum.tests += lines;
      tests += lines;
    }
    folders.set(folder, sum);
  }
  const share = all > 0 ? tests / all : 0;
  const rows = [...folders].map(([name, sum]) => `    ${name.padEnd(10)} ${sum.tests} of ${sum.all}`);
  const within = share >= LEAST && share <= MOST;
  const said = `Tests are ${(100 * share).toFixed(1)} % of ${all} lines of code; a quarter to a third is wanted.`;
  return { passed: within ? 1 : 0, failed: within ? 0 : 1, output: [said, ...rows].join('\n') };
}

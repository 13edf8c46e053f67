// Put before a program (node --import): its clock is so far ahead as a file says, in every worker and child of it.
import { readFileSync } from 'node:fs';

const FILE = process.env.YARD_SPOOL_TEST_CLOCK ?? '';
const TrueDate = Date;

/** Read at each look: a file of a few letters that lies in memory. */
const now = () => TrueDate.now() + Number(readFileSync(FILE, 'utf8'));

globalThis.Date = new Proxy(TrueDate, {
  construct: (target, given, made) => Reflect.construct(target, given.length === 0 ? [now()] : given, made),
  apply: () => new TrueDate(now()).toString(),
  get: (target, name) => (name === 'now' ? now : Reflect.get(target, name)),
});

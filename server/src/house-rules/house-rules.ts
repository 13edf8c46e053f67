import { MESSAGE_KINDS, type HouseChange, type SavedHouseRules, type Person } from '@yard-spool/contract';
import {
  BUILT_IN_CAUTIONS,
  HOUSE_QUESTIONS,
  type HouseQuestion,
  message,
  schoolOf,
  STREAMS,
  type UnitSystem,
  type Words,
} from '@yard-spool/core';
import { Info } from 'luxon';
import type { ServerContext } from '../context/context';
import { mayBeLocal } from '../links/local-address';
import { ProblemError } from '../problem-error';
import { unit } from '../context/unit';
import { managersOnly, noteHouseChange } from '../shop/house-changes';
import { listExceptions } from './list-exceptions';
import { HOUSE_ROW, lockHouse, readHouseRules, type HouseSheet } from '../shop/read-house-rules';

/**
 * Changes what the shop has settled: a manager's, and on the sheet as it was looked at. Reels that wait and follow the
 * house are planned again with it; every difference is written down.
 */
export async function changeHouseRules(
  context: ServerContext,
  person: Person,
  { version, ...sheet }: SavedHouseRules,
): Promise<SavedHouseRules> {
  managersOnly(person, 'changes the shop rules');
  mustBeNear(sheet.printer);
  return unit(context, person, async (u) => {
    await lockHouse(u);
    const words = 'Somebody changed the shop rules meanwhile. Look again.';
    const { houseRules } = u.tables;
    const row = await u.lockVersioned(houseRules, HOUSE_ROW, version, { gone: words, changed: words });
    const before = await readHouseRules(u);
    const ruling = { rules: before.rules, exceptions: await listExceptions(u) };
    for (const change of differences(before, sheet)) await noteHouseChange(u, change);
    await u.tables.houseRules.change(row, { ...sheet, version: version + 1 });
    await u.happened.rulesChanged(ruling);
    return { ...sheet, version: version + 1 };
  });
}

/** A printer is a device of the shop's own network: what is printed goes nowhere else. */
function mustBeNear(printer: string): void {
  if (printer === '' || mayBeLocal(printer.split(':')[0] ?? '')) return;
  const sentence = 'A printer is in the shop’s own network: this address is outside it.';
  throw new ProblemError('bad-request', sentence, [{ path: 'printer', message: sentence }]);
}

type Difference = Pick<HouseChange, 'about' | 'was' | 'is'>;

const ORDER: Readonly<Record<SavedHouseRules['dayOrder'], string>> = {
  'day-first': 'the day',
  'month-first': 'the month',
};

const weekday = (day: number): string => Info.weekdays('long', { locale: 'en' })[day - 1] ?? '';

const UNITS: Readonly<Record<UnitSystem, string>> = {
  metric: 'metres, millimetres, kilograms',
  imperial: 'yards, inches in fractions, pounds',
  thousandths: 'yards, inches in thousandths, pounds',
};

/** Everything that may have changed; what did not is not written down. */
function differences(before: HouseSheet, after: HouseSheet): Difference[] {
  const questions = (Object.keys(HOUSE_QUESTIONS) as HouseQuestion[]).map((name) => ({
    about: HOUSE_QUESTIONS[name].ask,
    was: schoolOf(before.rules, name).name,
    is: schoolOf(after.rules, name).name,
  }));
  const bins = STREAMS.map((stream) => ({
    about: `Where old ${stream} goes`,
    was: before.bins[stream],
    is: after.bins[stream],
  }));
  const words = BUILT_IN_CAUTIONS.map(({ id, title }) => ({
    about: `Caution: ${title}`,
    was: before.cautions.words[id] ?? '',
    is: after.cautions.words[id] ?? '',
  }));
  const tail = ({ tailMm }: HouseSheet): Words => message('house.length', { length: { m: tailMm / 1000 } });
  const idle = ({ idleMinutes }: HouseSheet): string =>
    idleMinutes === 0 ? 'never' : `after ${String(idleMinutes)} minutes`;
  const open = ({ hours: { opens, closes, closedOn } }: HouseSheet): string =>
    `${opens} to ${closes}, closed on ${closedOn.map(weekday).join(', ') || 'no day'}`;
  const more = ({ cautions }: HouseSheet): string =>
    cautions.more
      .map(({ title, text }) => `${title}: ${text}`)
      .join('; ')
      .slice(0, 400);
  return [
    ...questions,
    ...bins,
    ...words,
    { about: 'Cautions of the shop’s own', was: more(before), is: more(after) },
    { about: 'The shop’s name', was: before.shopName, is: after.shopName },
    { about: 'Label printer', was: before.printer, is: after.printer },
    ...MESSAGE_KINDS.map((kind) => ({
      about: `What a message says: ${kind}`,
      was: before.wordings[kind].slice(0, 400),
      is: after.wordings[kind].slice(0, 400),
    })),
    { about: 'Money', was: before.money, is: after.money },
    { about: 'Tail lost with each cut', was: tail(before), is: tail(after) },
    { about: 'Units a new screen begins with', was: UNITS[before.units], is: UNITS[after.units] },
    { about: 'Which number of a day comes first', was: ORDER[before.dayOrder], is: ORDER[after.dayOrder] },
    { about: 'A week begins with', was: weekday(before.weekBegins), is: weekday(after.weekBegins) },
    { about: 'Paper of the office printer', was: before.paper, is: after.paper },
    { about: 'Signed out without use', was: idle(before), is: idle(after) },
    { about: 'Opening hours', was: open(before), is: open(after) },
    { about: 'Time zone', was: before.zone, is: after.zone },
  ];
}

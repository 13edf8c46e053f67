import { USUAL_HOURS, type SavedHouseRules } from '@yard-spool/contract';
import { USUAL_HOUSE_RULES } from '@yard-spool/core';
import { USUAL_MONEY, type HouseRulesRow } from '../db/models/house-rules';
import type { Reading, Unit } from '../context/context';
import { heldAnswer } from '../context/held-answer';

/** The only row there is. */
export const HOUSE_ROW = 1;

const HOUSE = heldAnswer(readRow, ['houseRules']);

export type HouseSheet = Omit<SavedHouseRules, 'version'>;

/** What a new shop begins with. A tail of 2 m: common practice, no source. */
const USUAL: HouseSheet = {
  rules: USUAL_HOUSE_RULES,
  money: USUAL_MONEY,
  tailMm: 2000,
  units: 'metric',
  dayOrder: 'day-first',
  weekBegins: 1,
  paper: 'A4',
  zone: '',
  idleMinutes: 240,
  hours: USUAL_HOURS,
  shopName: '',
  printer: '',
  wordings: { ready: '', due: '', waits: '' },
  bins: { nylon: '', fluorocarbon: '', braid: '' },
  cautions: { words: {}, more: [] },
};

/** The house's row under its lock, made where nobody has chosen anything yet. Whoever holds it is alone with what it guards. */
export const lockHouse = ({ tables }: Unit): Promise<HouseRulesRow> =>
  tables.houseRules.lockOrCreate({ id: HOUSE_ROW }, { id: HOUSE_ROW, rules: USUAL_HOUSE_RULES });

/**
 * What the shop has chosen; the usual until somebody chooses. Every request asks for it and it changes once a season, so
 * it is read once and again after each change. A change reads it as it stands inside it.
 */
export const readHouseRules = HOUSE.ask;

async function readRow({ tables }: Reading): Promise<SavedHouseRules> {
  const row = await tables.houseRules.findByPk(HOUSE_ROW);
  if (!row) return { ...USUAL, version: 1 };
  const { money, tailMm, units, dayOrder, weekBegins, paper, zone, idleMinutes, shopName, printer, version } =
    row;
  return {
    money,
    tailMm,
    units,
    dayOrder,
    weekBegins,
    paper,
    zone,
    idleMinutes,
    shopName,
    printer,
    version,
    rules: { ...USUAL_HOUSE_RULES, ...row.rules },
    hours: row.hours ?? USUAL_HOURS,
    wordings: { ...USUAL.wordings, ...row.wordings },
    bins: row.bins ?? USUAL.bins,
    cautions: row.cautions ?? USUAL.cautions,
  };
}

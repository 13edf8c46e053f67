import type { KeptHouseRules } from '@yard-spool/contract';
import { USUAL_HOUSE_RULES } from '@yard-spool/core';
import { USUAL_MONEY, type HouseRulesRow } from '../db/models/house-rules';
import type { Reading, Unit } from '../context/context';
import type { Held } from '../context/held';
import { isInsideChange } from '../db/inside-change';

/** The only row there is. */
export const HOUSE_ROW = 1;

/** What the shop has settled, held in memory since it was read last; null where it has to be read. */
interface HeldHouse {
  settled: Promise<KeptHouseRules> | null;
}

const HOUSE: Held<HeldHouse> = {
  make: () => ({ settled: null }),
  forget: (held) => (held.settled = null),
};

/** The rules are read again when they are next asked for. */
export const forgetHouse = ({ held }: Reading): void => HOUSE.forget(held.of(HOUSE));

export type HouseSheet = Omit<KeptHouseRules, 'version'>;

/** What a new house has settled. A tail of 2 m: common practice, no source. */
const USUAL: HouseSheet = {
  rules: USUAL_HOUSE_RULES,
  money: USUAL_MONEY,
  tailMm: 2000,
  units: 'metric',
  zone: '',
  idleMinutes: 240,
  shopName: '',
  printer: '',
  wordings: { ready: '', due: '' },
  bins: { nylon: '', fluorocarbon: '', braid: '' },
  cautions: { words: {}, more: [] },
};

/** The house's row under its lock, made where nobody has settled anything yet. Whoever holds it is alone with what it guards. */
export const lockHouse = ({ tables }: Unit): Promise<HouseRulesRow> =>
  tables.houseRules.lockOrCreate({ id: HOUSE_ROW }, { id: HOUSE_ROW, rules: USUAL_HOUSE_RULES });

/**
 * What the shop has settled; the usual until somebody chooses. Every request asks for it and it changes once a season, so
 * it is read once and again after each change. A change reads it as it stands inside it.
 */
export function readHouseRules(from: Reading): Promise<KeptHouseRules> {
  if (isInsideChange()) return readRow(from);
  const house = from.held.of(HOUSE);
  house.settled ??= readRow(from).catch((error: unknown) => {
    house.settled = null;
    throw error;
  });
  return house.settled;
}

async function readRow({ tables }: Reading): Promise<KeptHouseRules> {
  const row = await tables.houseRules.findByPk(HOUSE_ROW);
  if (!row) return { ...USUAL, version: 1 };
  const { money, tailMm, units, zone, idleMinutes, shopName, printer, version } = row;
  return {
    money,
    tailMm,
    units,
    zone,
    idleMinutes,
    shopName,
    printer,
    version,
    rules: { ...USUAL_HOUSE_RULES, ...row.rules },
    wordings: row.wordings ?? USUAL.wordings,
    bins: row.bins ?? USUAL.bins,
    cautions: row.cautions ?? USUAL.cautions,
  };
}

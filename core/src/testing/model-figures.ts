import {
  compareSupply,
  inferSpool,
  planFill,
  planSwap,
  knownSpool,
  soakUptake,
  type Observation,
  type SupplyChoice,
  type Ranged,
} from '../index';
import { MAIN, BACKING, valueOf, WORKED_READINGS, WORKED_REQUEST, WORKED_SPOOL } from './examples';
import { table } from './markdown-table';
import type { GapError } from './shop-visits';

/** The tables of the model's document, each made by the code it describes. */
export const modelFigures = (visits: readonly GapError[]): Readonly<Record<string, string>> => ({
  readings: readingsTable(),
  'exact-plan': exactPlanTable(),
  visits: visitsTable(visits),
  swap: swapTable(),
  twist: twistTable(),
  soak: soakTable(),
});

const ADDED = ['one rating', 'a second rating', 'lip diameter', 'width', 'arbor diameter'];
const give = ({ value, sd }: Pick<Ranged, 'value' | 'sd'>, digits: number): string =>
  `${value.toFixed(digits)} ± ${sd.toFixed(digits)}`;

/** What the plan from the first so many of the worked readings says of backing and join. */
export function backingFrom(known: readonly Observation[]): { length: Ranged; join: Ranged } {
  const estimate = valueOf(inferSpool(known));
  const [backing] = valueOf(planFill(estimate, WORKED_REQUEST)).layers;
  return { length: backing!.length, join: backing!.depthAfter };
}

function readingsTable(): string {
  const rows = ADDED.map((what, i) => {
    const known = WORKED_READINGS.slice(0, i + 1);
    const { spool, deviation } = valueOf(inferSpool(known));
    const { length, join } = backingFrom(known);
    return [
      i === 0 ? what : `+ ${what}`,
      give({ value: spool.lipRadius, sd: deviation.lipRadius }, 1),
      give({ value: spool.width, sd: deviation.width }, 1),
      give({ value: spool.arborRadius, sd: deviation.arborRadius }, 1),
      give(length, 0),
      give(join, 2),
    ];
  });
  return table(['known', 'lip radius mm', 'width mm', 'arbor radius mm', 'backing m', 'join depth mm'], rows);
}

function exactPlanTable(): string {
  const { layers } = valueOf(planFill(knownSpool(WORKED_SPOOL), WORKED_REQUEST));
  return table(
    ['layer', 'length m', 'depth after mm', 'handle turns', 'm per turn, start', 'm per turn, end'],
    layers.map(({ id, length, depthAfter, handleTurns, perTurnStart, perTurnEnd }) => [
      id,
      length.value.toFixed(2),
      depthAfter.value.toFixed(3),
      handleTurns.value.toFixed(1),
      perTurnStart.toFixed(3),
      perTurnEnd.toFixed(3),
    ]),
  );
}

function visitsTable(visits: readonly GapError[]): string {
  const cell = (depthsRead: number, visit: number): string => {
    const found = visits.find((error) => error.depthsRead === depthsRead && error.visit === visit);
    return found ? `${found.median.toFixed(2)} / ${found.ninetieth.toFixed(2)}` : '';
  };
  return table(
    ['depths read in a fill', 'first visit', 'second visit', 'third visit'],
    [0, 1, 2].map((reads) => [String(reads), cell(reads, 1), cell(reads, 2), cell(reads, 3)]),
  );
}

function swapTable(): string {
  const rows = [0, 1.5, 3].map((gap) => {
    const swap = valueOf(
      planSwap(knownSpool(WORKED_SPOOL), {
        main: MAIN,
        backing: BACKING,
        mainLength: 100,
        gap,
        gear: 5.2,
      }),
    );
    const [, onTop] = swap.first.layers;
    const [atArbor] = swap.second.layers;
    return [
      gap.toFixed(1),
      onTop!.length.value.toFixed(1),
      onTop!.handleTurns.value.toFixed(1),
      atArbor!.handleTurns.value.toFixed(1),
      `${(100 * swap.shortIfReused).toFixed(0)} %`,
    ];
  });
  return table(['gap mm', 'backing m', 'turns at the lip', 'turns at the arbor', 'short if reused'], rows);
}

function twistTable(): string {
  const choice: SupplyChoice = {
    reel: { sense: 1, diameters: [34, 45] },
    supply: { diameters: [110, 100] },
    castOverLip: true,
    rig: true,
  };
  const { options } = compareSupply(choice, { judgeTwistBy: 'spool', supply: 'by-twist' });
  const signed = (value: number): string => (Math.abs(value) < 5e-3 ? '0.00' : value.toFixed(2));
  return table(
    ['supply', 'on the spool, start', 'on the spool, end', 'hanging, start', 'hanging, end'],
    options.map(({ way, start, end }) => [
      way,
      signed(start.onSpool),
      signed(end.onSpool),
      signed(start.hanging),
      signed(end.hanging),
    ]),
  );
}

function soakTable(): string {
  const hours = [2, 6, 12, 24];
  return table(
    ['diameter mm', ...hours.map((h) => `${h} h`)],
    [0.2, 0.3, 0.4, 0.6].map((diameter) => [
      diameter.toFixed(2),
      ...hours.map((h) => {
        const { share, low, high } = soakUptake(diameter, h)!;
        const percent = (part: number): string => (100 * part).toFixed(0);
        return `${percent(share)} % (${percent(low)} to ${percent(high)})`;
      }),
    ]),
  );
}

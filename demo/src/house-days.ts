import type { Device, Person } from '@yard-spool/contract';
import {
  addBench,
  changeHouseRules,
  readHouseRules,
  setException,
  type ServerContext,
} from '@yard-spool/server';
import type { Seasons } from './seasons/make';

const DAY = 86_400_000;

/** Where the simulated devices of the second bench send from. */
export interface BenchDevices {
  readonly counter?: string | undefined;
  readonly meter?: string | undefined;
  /** Where the simulated label printer listens. */
  readonly printer?: string | undefined;
  /** Two seasons of fills that lie behind the shop, once they are simulated. */
  readonly seasons?: Promise<Seasons>;
}

/** The two benches, set up on the first day; the second has a turn counter with a line meter beside it. */
export async function addBenches(
  context: ServerContext,
  manager: Person,
  where: BenchDevices,
): Promise<void> {
  const devices = devicesOf(where);
  await addBench(context, manager, { name: SECOND_BENCH, spanMm: 2100, hand: 'left', pedal: '', devices });
}

export const SECOND_BENCH = 'Bench 2';

export const devicesOf = ({ counter, meter }: BenchDevices): Device[] => [
  ...(counter ? [{ name: 'reed-2', address: counter, counts: 'handle-turns', per: 1 } as const] : []),
  ...(meter ? [{ name: 'wheel-2', address: meter, counts: 'metres', per: 100 } as const] : []),
];

/** What stands on the shop's paper, and where its label printer is. */
export async function nameShop(
  context: ServerContext,
  manager: Person,
  { printer = '' }: BenchDevices,
): Promise<void> {
  const kept = await readHouseRules(context);
  // A harbour in the season is open early and late, every day.
  const hours = { opens: '07:00', closes: '21:00', closedOn: [] };
  await changeHouseRules(context, manager, {
    ...kept,
    shopName: 'Ternholm Sound Chandlery',
    hours,
    printer,
  });
}

/** What the manager settled since: rules tried and taken back, bins, words of the shop's own, and who wants it otherwise. */
export async function settleHouse(
  context: ServerContext,
  manager: Person,
  clock: { at: Date },
  today: Date,
  customers: ReadonlyMap<string, number>,
): Promise<void> {
  const before = clock.at;
  const onDay = (day: number): void => {
    clock.at = new Date(today.getTime() + day * DAY);
  };
  const change = async (more: object): Promise<void> => {
    const kept = await readHouseRules(context);
    await changeHouseRules(context, manager, { ...kept, ...more });
  };
  const { rules, cautions } = await readHouseRules(context);
  onDay(-20);
  await change({ rules: { ...rules, tension: 'tight' } });
  onDay(-13);
  await change({ rules });
  onDay(-9);
  await change({
    bins: {
      nylon: 'Green tube at the harbour office',
      fluorocarbon: 'Green tube at the harbour office',
      braid: 'Grey box under bench 2, posted on each quarter',
    },
    cautions: {
      ...cautions,
      words: {
        'slow-drill': 'Last layer on the drill: half speed, hand on the chuck side, never above the spool.',
      },
    },
  });
  onDay(-4);
  await setException(context, manager, {
    target: { scope: 'line', code: 'AN-45' },
    question: 'soak',
    school: 'overnight',
    why: 'thick, springy when dry',
  });
  const wenna = customers.get('Wenna Fairholt');
  if (wenna !== undefined)
    await setException(context, manager, {
      target: { scope: 'customer', id: wenna },
      question: 'guides',
      school: 'all',
      why: 'takes rod and reel together',
    });
  clock.at = before;
}

import { counterOf, message, type Words } from '@yard-spool/core';
import type { Bench, Device, NewBench, Person } from '@yard-spool/contract';
import type { Reading, ServerContext, Unit } from '../context/context';
import type { BenchRow } from '../db/models/house-rules';
import { sameDevices, type SameDevice } from '../links/device-place';
import { mayBeLocal } from '../links/local-address';
import { managersOnly, noteHouseChange } from '../shop/house-changes';
import { ProblemError } from '../problem-error';
import { unit } from '../context/unit';

/** Sent when a bench was set up, changed or taken away. */
export const BENCHES_TOPIC = 'benches';

const toBench = ({ id, name, spanMm, hand, pedal, devices, version }: BenchRow): Bench => ({
  id,
  name,
  spanMm,
  hand,
  pedal,
  devices,
  version,
});

/** All benches, by name. There is always one. */
export const listBenches = async ({ tables }: Reading): Promise<Bench[]> =>
  (await tables.benches.findAll({ where: { removed: false }, order: ['name'] })).map(toBench);

/** A bench in a sentence, as its changes are written down. */
const said = ({ name, spanMm, hand, pedal, devices }: NewBench): Words => {
  const more = [
    `${hand}-handed`,
    ...(pedal ? [`foot switch types ${pedal}`] : []),
    ...devices.map(
      (one) => `${one.name} at ${one.address}, ${String(one.per)} to one of ${one.counts.replace('-', ' ')}`,
    ),
  ].join('; ');
  return message('house.bench', { name, span: { m: spanMm / 1000 }, more });
};

const WORDS = {
  gone: 'This bench is not there any more.',
  changed: 'Somebody changed this bench meanwhile. Look again.',
} as const;

/** Another bench; one of this name that was taken away comes back. */
export async function addBench(context: ServerContext, person: Person, asked: NewBench): Promise<Bench> {
  managersOnly(person, 'adds a bench');
  const isOne = await sameDevice(context, asked);
  return unit(context, person, async (u) => {
    const { benches } = u.tables;
    await devicesFree(u, asked, null, isOne);
    const gone = await benches.lockOne({ where: { name: asked.name, removed: true } });
    const row = gone
      ? await benches.change(gone, { ...asked, removed: false, version: gone.version + 1 })
      : await benches.create(asked);
    return changed(u, row, '', said(asked));
  });
}

export async function changeBench(
  context: ServerContext,
  person: Person,
  id: number,
  { version, ...asked }: NewBench & { readonly version: number },
): Promise<Bench> {
  managersOnly(person, 'changes a bench');
  const isOne = await sameDevice(context, asked);
  return unit(context, person, async (u) => {
    const { benches } = u.tables;
    const row = await u.lockVersioned(benches, { id, removed: false }, version, WORDS);
    await devicesFree(u, asked, id, isOne);
    const was = said(row);
    const had = counterOf(row.devices);
    const has = counterOf(asked.devices);
    if (had && has && had.name !== has.name && isSameCounter(had, has, isOne))
      await u.happened.counterRenamed({ benchId: id, was: had.name, is: has.name });
    return changed(u, await benches.change(row, { ...asked, version: version + 1 }), was, said(asked));
  });
}

/** Takes a bench away. Runs made at it keep its name; one that is open there has to be closed first. */
export async function removeBench(context: ServerContext, person: Person, id: number): Promise<object> {
  managersOnly(person, 'takes a bench away');
  await unit(context, person, async (u) => {
    const { benches, runs } = u.tables;
    const all = await benches.lockAll({ where: { removed: false }, order: ['id'] });
    const row = all.find((one) => one.id === id);
    if (!row) throw new ProblemError('not-found', WORDS.gone);
    if (all.length === 1)
      throw new ProblemError('last-bench', `${row.name} is the only bench. Set up another one first.`);
    if ((await runs.count({ where: { benchId: id, state: 'open' } })) > 0)
      throw new ProblemError(
        'not-finished',
        `A reel is on ${row.name}. Close it, or take it to another bench.`,
      );
    await changed(u, await benches.change(row, { removed: true }), said(row), '');
  });
  return {};
}

async function changed(u: Unit, row: BenchRow, was: Words, is: Words): Promise<Bench> {
  await noteHouseChange(u, { about: 'Benches', was, is });
  u.afterCommit(() => u.notifier.emit(BENCHES_TOPIC));
  return toBench(row);
}

/** Whether a counter is the same device, whatever it is called: asked at the same place, for the same counts. */
export const isSameCounter = (one: Device, other: Device, isOne: SameDevice): boolean =>
  one.counts === other.counts && one.per === other.per && isOne(one.address, other.address);

/** Whether two addresses of what is asked for and of all benches lead to one device. */
async function sameDevice({ tables }: Reading, { devices }: NewBench): Promise<SameDevice> {
  const benches = await tables.benches.findAll({ where: { removed: false } });
  return sameDevices(
    [...devices, ...benches.flatMap((bench) => bench.devices)].map(({ address }) => address),
  );
}

/** Refuses a device that counts at another bench already: its turns would be counted on two reels. */
async function devicesFree(
  { tables }: Unit,
  { devices }: NewBench,
  mine: number | null,
  isOne: SameDevice,
): Promise<void> {
  const others = (await tables.benches.findAll({ where: { removed: false } })).filter(
    ({ id }) => id !== mine,
  );
  devices.forEach(({ address, name }, i) => {
    const [host = ''] = address.split(':');
    if (!mayBeLocal(host)) {
      const outside = `${host} is not in the shop’s own network. A device is asked there and nowhere else.`;
      throw new ProblemError('bad-request', outside, [
        { path: `devices.${String(i)}.address`, message: outside },
      ]);
    }
    const there = others.find((bench) => bench.devices.some((one) => isOne(one.address, address)));
    if (!there) return;
    const sentence = `${name} at ${address} is at ${there.name} already. Delete it there first.`;
    throw new ProblemError('already-exists', sentence, [
      { path: `devices.${String(i)}.address`, message: sentence },
    ]);
  });
}

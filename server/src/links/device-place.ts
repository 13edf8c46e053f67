import { lookup } from 'node:dns/promises';
import { BlockList, isIPv6 } from 'node:net';

/** This machine has many addresses for itself: all of them are one place. */
const LOOPBACK = new BlockList();
LOOPBACK.addSubnet('127.0.0.0', 8, 'ipv4');
LOOPBACK.addAddress('::1', 'ipv6');

/**
 * Where an address leads, however it is spelled: each of its host's numbers with its port. Two that have one in common lead
 * to one device. Of a name that nobody knows now it is the address as it is written.
 *
 * @param address `host:port`
 */
export async function placesOf(address: string): Promise<ReadonlySet<string>> {
  const [host = '', port = ''] = address.split(':');
  const found = await lookup(host, { all: true }).catch(() => []);
  const hosts = found.length > 0 ? found.map((one) => numberOf(one.address)) : [host.toLowerCase()];
  return new Set(hosts.map((one) => `${one} ${String(Number(port))}`));
}

const numberOf = (ip: string): string =>
  LOOPBACK.check(ip, isIPv6(ip) ? 'ipv6' : 'ipv4') ? 'this machine' : ip.toLowerCase();

export const isSamePlace = (a: ReadonlySet<string>, b: ReadonlySet<string>): boolean =>
  [...a].some((one) => b.has(one));

/** Whether two of some addresses lead to one device, however they are spelled. */
export type SameDevice = (address: string, other: string) => boolean;

/** Asked for before anything is locked, since a name may take a while. */
export async function sameDevices(addresses: Iterable<string>): Promise<SameDevice> {
  const each = [...new Set(addresses)].map(async (one) => [one, await placesOf(one)] as const);
  const places = new Map(await Promise.all(each));
  return (address, other) =>
    address === other || isSamePlace(places.get(address) ?? NOWHERE, places.get(other) ?? NOWHERE);
}

const NOWHERE: ReadonlySet<string> = new Set();

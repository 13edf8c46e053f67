import { lookup } from 'node:dns';
import { BlockList, isIPv4, isIPv6, type LookupFunction } from 'node:net';

/**
 * Addresses that never leave a shop's own network: loopback, private (RFC 1918), link-local (RFC 3927), unique local
 * (RFC 4193) and IPv6 link-local (RFC 4291).
 */
const LOCAL = new BlockList();
for (const [net, bits] of [
  ['127.0.0.0', 8],
  ['10.0.0.0', 8],
  ['172.16.0.0', 12],
  ['192.168.0.0', 16],
  ['169.254.0.0', 16],
] as const)
  LOCAL.addSubnet(net, bits, 'ipv4');
LOCAL.addAddress('::1', 'ipv6');
LOCAL.addSubnet('fc00::', 7, 'ipv6');
LOCAL.addSubnet('fe80::', 10, 'ipv6');

/** Whether an IP address lies in the shop's own network. */
export const isLocalIp = (address: string): boolean =>
  isIPv4(address) ? LOCAL.check(address, 'ipv4') : isIPv6(address) && LOCAL.check(address, 'ipv6');

/** Whether a host may be a device of the shop: an address of its network, or a name, which is looked at when it is asked for. */
export const mayBeLocal = (host: string): boolean => !(isIPv4(host) || isIPv6(host)) || isLocalIp(host);

/** Looks a name up and takes only addresses of the shop's own network: a device's name never leads anywhere else. */
export const lookupLocal: LookupFunction = (hostname, options, done) => {
  lookup(hostname, { ...options, all: true }, (error, found) => {
    const local = error ? [] : found.filter(({ address }) => isLocalIp(address));
    const [first] = local;
    if (error || !first) {
      done(
        error ?? Object.assign(new Error(`${hostname} is not in this network`), { code: 'ENOTFOUND' }),
        '',
        4,
      );
      return;
    }
    if (options.all === true) done(null, local);
    else done(null, first.address, first.family);
  });
};

import type { Network } from '@yard-spool/contract';
import { CERTIFICATE_PAGE } from './certificate-pages';

/**
 * How other devices come in.
 *
 * @param names of the server, first those that other devices can look up
 */
export function networkOf(
  names: readonly string[],
  port: number,
  { fingerprint, authority }: { readonly fingerprint: string; readonly authority: string | null },
): NonNullable<Network> {
  const at = names.map((name) => `${name}:${String(port)}`);
  const [first] = at;
  return {
    addresses: at.map((address) => `https://${address}`),
    fingerprint,
    ...(authority === null || first === undefined
      ? {}
      : { certificateAt: `http://${first}${CERTIFICATE_PAGE}` }),
  };
}

import { connect } from 'node:net';
import { lookupLocal, mayBeLocal } from '../links/local-address';
import { ProblemError } from '../problem-error';

/** How long a printer may take nothing before it is said not to answer, ms. */
const PATIENCE_MS = 8000;

const away = (address: string): ProblemError =>
  new ProblemError(
    'device-away',
    `The label printer at ${address} does not answer. Look at its power, its paper and its cable. Nothing is lost: print again, or save it as a file.`,
  );

/**
 * Sends a PDF to a page printer over TCP, as network printers take it: the file, then the end of the connection. The
 * printer ends its side when it has all of it.
 *
 * @param address host:port, in the shop's own network
 * @throws `device-away` where it does not take all of it
 */
export function sendToPrinter(address: string, pdf: Uint8Array): Promise<void> {
  const [host = '', port = ''] = address.split(':');
  if (!mayBeLocal(host)) return Promise.reject(away(address));
  return new Promise((resolve, reject) => {
    const socket = connect({ host, port: Number(port), lookup: lookupLocal });
    let ended = false;
    const fail = (): void => {
      socket.destroy();
      reject(away(address));
    };
    socket.setTimeout(PATIENCE_MS, fail);
    socket.on('error', fail);
    socket.on('end', () => (ended = true));
    socket.on('close', () => {
      if (ended) resolve();
      else reject(away(address));
    });
    socket.resume();
    socket.end(pdf);
  });
}

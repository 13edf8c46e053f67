import { connect } from 'node:net';
import type { ServerContext } from '../context/context';
import { onLines } from '../links/lines';
import { ProblemError } from '../problem-error';

/** How long a scale may take to come to rest, ms. */
const PATIENCE = 4000;
/** Two readings in a row that differ by no more than this have come to rest, g. */
const AT_REST = 0.2;

const away = (): ProblemError =>
  new ProblemError(
    'device-away',
    'The scale does not answer. Look at its cable and its power, or type what it shows.',
  );

const restless = (): ProblemError =>
  new ProblemError('device-away', 'The scale does not come to rest. Hold the piece still and read it again.');

/**
 * Reads the bench scale once it has come to rest. A scale sends a line of text for each reading over TCP, as
 * serial-to-network adapters give it: `device,sequence,grams`. Lines that are no reading are passed over.
 */
export function readScale({
  scaleAddress,
  clock,
}: ServerContext): Promise<{ device: string; grams: number; at: string }> {
  if (scaleAddress === undefined)
    return Promise.reject(new ProblemError('not-set-up', 'No scale is set up. Type what it shows instead.'));
  return new Promise((resolve, reject) => {
    const socket = connect(scaleAddress.port, scaleAddress.host);
    const giveUp = (why: ProblemError): void => {
      clearTimeout(patience);
      socket.destroy();
      reject(why);
    };
    const patience = setTimeout(() => {
      giveUp(before === null ? away() : restless());
    }, PATIENCE);
    let before: number | null = null;
    const gone = (): void => {
      giveUp(away());
    };
    socket.on('error', gone).on('close', gone);
    const line = (text: string): void => {
      const reading = parseScaleLine(text);
      if (reading === null) return;
      const rested = before !== null && Math.abs(reading.grams - before) <= AT_REST;
      before = reading.grams;
      if (!rested) return;
      resolve({ ...reading, at: clock().toISOString() });
      gone();
    };
    onLines(socket, { line });
  });
}

/** One line of a scale; null where it is none. */
export function parseScaleLine(line: string): { device: string; grams: number } | null {
  const [device = '', sequence = '', grams = '', ...rest] = line.trim().split(',');
  if (device === '' || rest.length > 0 || !/^\d+$/.test(sequence) || !/^-?\d+(\.\d+)?$/.test(grams))
    return null;
  return { device, grams: Number(grams) };
}

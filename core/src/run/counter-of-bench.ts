import { countsLine } from './counted';
import type { CountingDevice } from './credit-count';

type Counting = Pick<CountingDevice, 'counts'>;

/** A bench's counter: the first of its devices that counts turns, else its first. */
export const counterOf = <Device extends Counting>(devices: readonly Device[]): Device | null =>
  devices.find((one) => !countsLine(one)) ?? devices[0] ?? null;

/** The line meter beside a bench's turn counter; null where there is none. */
export function meterOf<Device extends Counting>(devices: readonly Device[]): Device | null {
  const counter = counterOf(devices);
  return devices.find((one) => one !== counter && countsLine(one)) ?? null;
}

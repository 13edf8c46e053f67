import { connect, type Socket } from 'node:net';
import type { Device } from '@yard-spool/contract';
import { parseCounterLine, type CounterLine } from './counter-line';
import { onLines } from './lines';
import { lookupLocal, mayBeLocal } from './local-address';

/** How soon a device that went away is asked again, ms. */
const AGAIN_MS = 1000;
/** How soon the network is asked whether the other end is still there, ms. */
const ALIVE_MS = 5000;

/** What a device's link tells. */
export interface DeviceEars {
  /** @param fresh whether it is the first line of a new link */
  readonly line: (line: CounterLine, fresh: boolean) => void;
  readonly away: () => void;
}

/** The link to one device, opened again whenever it breaks, until it is closed. Lines of another name are passed over. */
export class DeviceLink {
  private socket: Socket | null = null;
  private again: NodeJS.Timeout | null = null;
  private over = false;

  constructor(
    private readonly device: Pick<Device, 'name' | 'address'>,
    private readonly ears: DeviceEars,
  ) {
    this.open();
  }

  close(): void {
    this.over = true;
    if (this.again) clearTimeout(this.again);
    this.socket?.destroy();
  }

  /** Gives up a link on which nothing comes any more: the other end may be gone without a word. */
  reopen(): void {
    this.socket?.destroy();
  }

  private open(): void {
    const [host = '', port = ''] = this.device.address.split(':');
    // A port beyond the last one is a mistake in the bench's set-up, and not a reason to end.
    if (Number(port) > 65_535) return;
    // An address that was written down before addresses were looked at is not asked either.
    if (!mayBeLocal(host)) return;
    const socket = connect({
      ...{ port: Number(port), host, lookup: lookupLocal },
      ...{ keepAlive: true, keepAliveInitialDelay: ALIVE_MS },
    });
    let fresh = true;
    this.socket = socket;
    socket.on('error', () => socket.destroy());
    socket.on('close', () => {
      this.ears.away();
      if (!this.over) this.again = setTimeout(() => this.open(), AGAIN_MS).unref();
    });
    onLines(socket, (text) => {
      const line = parseCounterLine(text);
      if (line?.device !== this.device.name) return;
      this.ears.line(line, fresh);
      fresh = false;
    });
  }
}

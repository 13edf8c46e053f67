import { connect, type Socket } from 'node:net';
import type { Device } from '@yard-spool/contract';
import { parseCounterLine, type CounterLine } from '@yard-spool/core';
import { onLines } from '../links/lines';
import { lookupLocal, mayBeLocal } from '../links/local-address';

/** How soon a device that went away is asked again, ms. */
const AGAIN_MS = 1000;
/** How soon the network is asked whether the other end is still there, ms. */
const ALIVE_MS = 5000;
/**
 * A link on which nothing came for so long is given up and opened again, ms: the other end may be gone without a word, and
 * a device says where it stands every second. The same for a link that does not come about.
 */
const DEAD_MS = 15_000;

/** What a device's link tells. */
export interface DeviceListener {
  /** @param fresh whether it is the first line of a new link */
  readonly line: (line: CounterLine, fresh: boolean) => void;
  readonly away: () => void;
  /** It sends more than is read of it; or no longer. */
  readonly flooded: (on: boolean) => void;
}

/** The link to one device, opened again whenever it breaks, until it is closed. Lines of another name are passed over. */
export class DeviceLink {
  private socket: Socket | null = null;
  private again: NodeJS.Timeout | null = null;
  private over = false;

  constructor(
    private readonly device: Pick<Device, 'name' | 'address'>,
    private readonly listener: DeviceListener,
    private readonly deadMs = DEAD_MS,
  ) {
    this.open();
  }

  close(): void {
    this.over = true;
    if (this.again) clearTimeout(this.again);
    this.socket?.destroy();
  }

  private open(): void {
    const [host = '', port = ''] = this.device.address.split(':');
    // A port beyond the last one is a mistake in the bench's set-up, and not a reason to end.
    if (Number(port) > 65_535) return;
    // An address that was written down before addresses were looked at is not asked either.
    if (!mayBeLocal(host)) return;
    const socket = connect({
      port: Number(port),
      host,
      lookup: lookupLocal,
      keepAlive: true,
      keepAliveInitialDelay: ALIVE_MS,
    });
    let fresh = true;
    this.socket = socket;
    socket.setTimeout(this.deadMs, () => socket.destroy());
    socket.on('error', () => socket.destroy());
    socket.on('connect', () => {
      if (isItself(socket)) socket.destroy();
    });
    socket.on('close', () => {
      this.listener.flooded(false);
      this.listener.away();
      if (!this.over) this.again = setTimeout(() => this.open(), AGAIN_MS).unref();
    });
    onLines(socket, {
      line: (text) => {
        const line = parseCounterLine(text);
        if (line?.device !== this.device.name) return;
        this.listener.line(line, fresh);
        fresh = false;
      },
      flooded: (on) => this.listener.flooded(on),
    });
  }
}

/**
 * Whether a link ends where it begins: where nobody listens on this machine, its own port may be the one that is asked. It
 * would keep the device from ever listening there.
 */
export const isItself = ({ localPort, remotePort, localAddress, remoteAddress }: Socket): boolean =>
  localPort === remotePort && localAddress === remoteAddress;

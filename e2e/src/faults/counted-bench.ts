import { setTimeout as pause } from 'node:timers/promises';
import type { Bench, Device } from '@yard-spool/contract';
import { Away, Refused, type Ask } from './ask';

/** The bench whose counter does wrong: how it is set up, and its counter as it can be turned. */
export class CountedBench {
  private names = 0;

  /**
   * @param panel where the simulated counter is turned from
   * @param beside another bench, without a counter
   */
  constructor(
    private readonly ask: Ask,
    readonly bench: Bench,
    readonly panel: string,
    private readonly beside: Bench,
  ) {}

  /** A name it had never. */
  nextName(): string {
    this.names += 1;
    return `reed-${String(100 + this.names)}`;
  }

  async device(): Promise<Device> {
    return (await this.read(this.bench.id)).devices[0]!;
  }

  /** The same device under another name, or at the same place spelled otherwise. */
  async change(change: Partial<Device>): Promise<void> {
    for (;;) {
      const { id, devices, ...more } = await this.read(this.bench.id);
      const wanted = devices.map((device) => ({ ...device, ...change }));
      // An answer that was lost: it is so already.
      if (JSON.stringify(wanted) === JSON.stringify(devices)) return;
      if (await this.put(id, { ...more, devices: wanted })) return;
      await pause(100);
    }
  }

  /** The other spelling of where a device is: `localhost` for loopback's number, and back. */
  static otherSpelling({ address }: Device): string {
    return address.startsWith('127.0.0.1')
      ? address.replace('127.0.0.1', 'localhost')
      : address.replace('localhost', '127.0.0.1');
  }

  /** Tries to have it at the bench beside as well, spelled otherwise. @throws where that is taken */
  async atTwoBenches(): Promise<void> {
    const device = await this.device();
    const twice = { ...device, name: `${device.name}-b`, address: CountedBench.otherSpelling(device) };
    try {
      const { id, ...beside } = await this.read(this.beside.id);
      await this.ask.once('PUT', `/benches/${String(id)}`, { ...beside, devices: [twice] });
    } catch (error) {
      if (error instanceof Refused || error instanceof Away) return;
      throw error;
    }
    throw new Error(`One counter was taken at two benches: ${device.address} and ${twice.address}.`);
  }

  private async read(id: number): Promise<Bench> {
    const benches = await this.ask.patiently<Bench[]>('GET', '/benches');
    return benches.find((one) => one.id === id)!;
  }

  /** Whether it is changed; false where it has to be looked at again. */
  private async put(id: number, bench: Omit<Bench, 'id'>): Promise<boolean> {
    try {
      await this.ask.once('PUT', `/benches/${String(id)}`, bench);
      return true;
    } catch (error) {
      if (error instanceof Away || (error instanceof Refused && error.status === 409)) return false;
      throw error;
    }
  }
}

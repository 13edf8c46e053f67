import type { CounterAtBench, Device } from '@yard-spool/contract';
import { answered, hearLine, SILENT_MS, type Heard, type MeterStands } from '@yard-spool/core';
import type { ServerContext } from '../context/context';
import { DeviceLink } from './device-link';

/** What a meter said longer ago than this is not where it stands when a turn is counted, ms. */
const FRESH_MS = 250;

/**
 * A line meter beside a bench's turn counter. It credits nothing: how far it went on while turns were counted tells the
 * radius the reel is wound at.
 */
export class BenchMeter {
  private readonly link: DeviceLink;
  private heard: Heard | null = null;
  private state: 'up' | 'silent' | 'away' = 'away';

  /** @param changed called when it can be heard, or no longer */
  constructor(
    private readonly context: ServerContext,
    readonly device: Device,
    private readonly changed: () => void,
  ) {
    this.link = new DeviceLink(device, {
      line: (line, fresh) => {
        const now = this.now();
        const heard = hearLine(this.heard, line, { device, now, fresh });
        // Nothing is credited from it, so nothing is asked: where it jumped, the stretch it jumped in is passed over.
        this.heard = heard.doubt ? answered(heard) : heard;
        this.show('up');
      },
      away: () => this.show('away'),
      // Nothing is credited from it: what is passed over is only measured at fewer places.
      flooded: () => undefined,
    });
  }

  /** Where it stands, while a turn is counted; null where it did not just say so. */
  stands(): MeterStands | null {
    const { heard, device } = this;
    if (!heard || this.state !== 'up' || this.now() - heard.at > FRESH_MS) return null;
    return { meter: device.name, metres: heard.count / device.per };
  }

  frame(): NonNullable<CounterAtBench['meter']> {
    return { device: this.device, link: this.state };
  }

  /** Looks whether it is still there. */
  tick(): void {
    const quiet = this.heard ? this.now() - this.heard.at : 0;
    if (this.state === 'up' && quiet > SILENT_MS) this.show('silent');
  }

  close(): void {
    this.link.close();
  }

  private now(): number {
    return this.context.clock().getTime();
  }

  private show(state: typeof this.state): void {
    if (state === this.state) return;
    this.state = state;
    this.changed();
  }
}

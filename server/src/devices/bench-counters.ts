import type { CounterAtBench, Device } from '@yard-spool/contract';
import { counterOf, meterOf } from '@yard-spool/core';
import { BENCHES_TOPIC, isSameCounter } from '../benches/benches';
import type { ServerContext } from '../context/context';
import { sameDevices } from '../links/device-place';
import { BenchCounter } from './bench-counter';
import { keepHeard } from './keep-heard';

/** How soon the benches are looked at again where that failed, ms. */
const AGAIN_MS = 1000;

/**
 * The counters of all benches: one link per device, from the start of the server to its end, kept in step with how the
 * benches are set up. A line meter beside a turn counter measures the reel.
 */
export class BenchCounters {
  private readonly counters = new Map<number, BenchCounter>();
  private inStep: Promise<void> = Promise.resolve();
  private later: NodeJS.Timeout | null = null;
  private over = false;

  private constructor(private readonly context: ServerContext) {}

  static async open(context: ServerContext): Promise<BenchCounters> {
    const counters = new BenchCounters(context);
    context.notifier.on(BENCHES_TOPIC, counters.changed);
    await counters.keepUp();
    return counters;
  }

  /** What a run at a bench is told of the bench's counter; null where there is none. */
  frameFor(runId: number, benchId: number): CounterAtBench | null {
    return this.counters.get(benchId)?.frameFor(runId) ?? null;
  }

  async close(): Promise<void> {
    this.over = true;
    this.context.notifier.off(BENCHES_TOPIC, this.changed);
    if (this.later) clearTimeout(this.later);
    await this.inStep;
    await Promise.all([...this.counters.values()].map((counter) => counter.close()));
  }

  private readonly changed = (): void => {
    this.inStep = this.inStep.then(() => this.keepUp()).catch(() => this.again());
  };

  /** The database was away: the benches are looked at once more in a while. */
  private again(): void {
    if (!this.over) this.later = setTimeout(this.changed, AGAIN_MS).unref();
  }

  /** Whether a device is asked already, under whichever spelling of its address. */
  private async isLinked(address: string): Promise<boolean> {
    const linked = [...this.counters.values()].flatMap(({ device, meter }) => [
      device.address,
      ...(meter ? [meter.device.address] : []),
    ]);
    const isOne = await sameDevices([address, ...linked]);
    return linked.some((one) => isOne(one, address));
  }

  /** What was heard last of a device goes on under the name it has now. */
  private async heardAs({ benchId, device: was, heard }: BenchCounter, is: Device | null): Promise<void> {
    if (!is || !heard || is.name === was.name) return;
    const isOne = await sameDevices([was.address, is.address]);
    if (isSameCounter(was, is, isOne)) await keepHeard(this.context, benchId, is.name, heard);
  }

  private async keepUp(): Promise<void> {
    const benches = await this.context.tables.benches.findAll({
      where: { removed: false },
      order: ['id'],
    });
    const wanted = new Map(benches.map((bench) => [bench.id, bench]));
    for (const [id, counter] of this.counters) {
      const devices = wanted.get(id)?.devices ?? [];
      const had = [counter.device, counter.meter?.device ?? null];
      if (JSON.stringify([counterOf(devices), meterOf(devices)]) === JSON.stringify(had)) continue;
      this.counters.delete(id);
      await counter.close();
      await this.heardAs(counter, counterOf(devices));
    }
    for (const { id, devices, runId } of benches) {
      const device = counterOf(devices);
      const meter = meterOf(devices);
      // A device that an older set-up lists at two benches counts at the first: its turns are never on two reels.
      if (!device || this.counters.has(id) || (await this.isLinked(device.address))) continue;
      const counter = await BenchCounter.open(this.context, {
        benchId: id,
        device,
        meter,
        runId: runId ?? null,
      });
      this.counters.set(id, counter);
    }
  }
}

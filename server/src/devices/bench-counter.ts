import type { CounterAtBench, Device } from '@yard-spool/contract';
import { runBell } from '../bench/run-log';
import { benchBell } from '../bench/standing';
import type { ServerContext } from '../context';
import { creditRun } from './credit-run';
import { DeviceLink } from './device-link';

/** Pulses are folded into at most four events a second. */
const FOLD_MS = 250;

/** Rings when a bench's counter has something new to show. */
export const counterBell = (benchId: number): string => `counter:${String(benchId)}`;

/**
 * A bench's counter: one link, whoever watches, and the run that stands at the bench. Lines come as fast as the device
 * sends them; the log gets at most four events a second. What the device stood at is in the log with each event, so
 * nothing is missed after a restart.
 */
export class BenchCounter {
  private readonly link: DeviceLink;
  private readonly timer: NodeJS.Timeout;
  private count: number | null = null;
  private up = false;
  private unclaimed = 0;
  private odd: CounterAtBench['odd'] = null;
  /** Whether the device or the log moved since it was last looked at: nothing is read for a handle at rest. */
  private moved = false;
  /** Where the device stood when something was last added to the log and not looked at yet. */
  private atBell: number | null = null;
  private folding: Promise<void> | null = null;
  private over = false;

  /** @param runId the run that stands at the bench */
  constructor(
    private readonly context: ServerContext,
    readonly benchId: number,
    readonly device: Device,
    private runId: number | null,
  ) {
    context.bell.on(benchBell(benchId), this.standing);
    this.listen(runId);
    this.timer = setInterval(() => this.fold(), FOLD_MS).unref();
    this.link = new DeviceLink(device, {
      line: ({ count }) => this.heard(count),
      away: () => this.show(false),
    });
  }

  /** What a run is told of it. */
  frameFor(runId: number): CounterAtBench {
    const { device, count, unclaimed, odd } = this;
    if (runId !== this.runId) return { device, link: 'taken', count: null, unclaimed: 0, odd: null };
    return { device, link: this.up ? 'up' : 'away', count, unclaimed, odd };
  }

  /** Lets the device go, once what is being credited is. */
  async close(): Promise<void> {
    this.over = true;
    clearInterval(this.timer);
    this.context.bell.off(benchBell(this.benchId), this.standing);
    if (this.runId !== null) this.context.bell.off(runBell(this.runId), this.rung);
    this.link.close();
    await this.folding;
  }

  private heard(count: number): void {
    const moved = this.count !== count;
    this.count = count;
    this.moved ||= moved;
    if (moved || !this.up) this.show(true);
  }

  /** A step may have ended: turns from here on belong to the next. */
  private readonly rung = (): void => {
    this.atBell ??= this.count;
    this.moved = true;
    this.fold();
  };

  /** Another run stands at the bench: turns from here on are its own. */
  private readonly standing = (runId: number | null): void => {
    this.listen(runId);
    [this.unclaimed, this.odd] = [0, null];
    this.rung();
    this.tell();
  };

  private listen(runId: number | null): void {
    const { bell } = this.context;
    if (this.runId !== null) bell.off(runBell(this.runId), this.rung);
    this.runId = runId;
    if (runId !== null) bell.on(runBell(runId), this.rung);
  }

  private show(up: boolean): void {
    this.up = up;
    this.tell();
  }

  private tell(): void {
    if (!this.over) this.context.bell.emit(counterBell(this.benchId));
  }

  /** Credits what the device went on by. One at a time: a slow database only makes the next one larger. */
  private fold(): void {
    if (this.count === null || this.runId === null || !this.moved || this.folding || this.over) return;
    const [count, runId, since] = [this.count, this.runId, this.atBell];
    this.moved = false;
    this.atBell = null;
    this.folding = this.credit(count, runId, since).finally(() => {
      this.folding = null;
    });
  }

  private async credit(count: number, runId: number, since: number | null): Promise<void> {
    const { benchId, device } = this;
    try {
      const credit = await creditRun(this.context, runId, { benchId, device, count, since });
      if (runId !== this.runId || !credit) return;
      const { unclaimed, odd } = credit;
      if (unclaimed === this.unclaimed && odd === this.odd) return;
      [this.unclaimed, this.odd] = [unclaimed, odd];
      this.tell();
    } catch {
      // The database is away: the count stands at the device, and is credited once it is back.
      this.moved = true;
      this.atBell ??= since;
    }
  }
}

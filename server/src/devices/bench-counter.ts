import type { CounterAtBench, Device } from '@yard-spool/contract';
import {
  beginCounter,
  reduceCounter,
  shownTo,
  type BenchCounterState,
  type CounterEffect,
  type CounterInput,
  type Heard,
  type RunEvent,
  type Weighed,
} from '@yard-spool/core';
import { runTopic } from '../bench/run-log';
import { benchTopic } from '../bench/at-bench';
import type { ServerContext } from '../context/context';
import { BenchMeter } from './bench-meter';
import { creditRun } from './credit-run';
import { DeviceLink } from './device-link';
import { FirstFailure } from './first-failure';
import { keepHeard, readHeard } from './keep-heard';

/** Pulses are folded into at most four events a second. */
const FOLD_MS = 250;
/**
 * What it says is shown at once, and then at most this often, ms: no eye reads a hundred counts a second, and each one
 * shown costs the server, the link and the page.
 */
const SHOWN_MS = 40;

/** What a counter is opened with: the run that stands at its bench, and the line meter beside it. */
interface AtBench {
  readonly benchId: number;
  readonly device: Device;
  readonly meter: Device | null;
  readonly runId: number | null;
}

/** Sent when a bench's counter has something new to show. */
export const counterTopic = (benchId: number): string => `counter:${String(benchId)}`;

/**
 * A bench's counter: one link, whoever watches, and the run that stands at the bench. Here are its sockets, timers and the
 * database; what follows from what it says is reduced in the core. Lines come as fast as the device sends them; the log
 * gets at most four events a second. What the device stood at is in the log with each event, so nothing is missed after a
 * restart, and what was heard of it is kept, so that a doubt outlasts one too.
 */
export class BenchCounter {
  private readonly link: DeviceLink;
  /** The line meter beside it; null where there is none. */
  readonly meter: BenchMeter | null;
  private readonly timer: NodeJS.Timeout;
  private state: BenchCounterState;
  private crediting: Promise<void> | null = null;
  private keeping: Promise<void> | null = null;
  private telling: NodeJS.Timeout | null = null;
  private toldAt = -Infinity;
  private readonly keeps = new FirstFailure((error) =>
    this.context.tellFailed(`what ${this.device.name} counted was not kept`, error),
  );

  /** @param runId the run that stands at the bench */
  private constructor(
    private readonly context: ServerContext,
    readonly benchId: number,
    readonly device: Device,
    runId: number | null,
    heard: Heard | null,
    meter: Device | null,
  ) {
    this.state = beginCounter(device, { runId, heard });
    this.meter = meter && new BenchMeter(context, meter, () => this.tell());
    context.notifier.on(benchTopic(benchId), this.runChanged);
    this.listen(null, runId);
    this.timer = setInterval(() => this.tick(), FOLD_MS).unref();
    this.link = new DeviceLink(device, {
      line: (line, fresh) =>
        this.take({ kind: 'line', line, fresh, now: this.now(), meter: this.meter?.stands() ?? null }),
      away: () => this.take({ kind: 'away' }),
      flooded: (on) => this.take({ kind: 'flood', on }),
    });
  }

  static async open(
    context: ServerContext,
    { benchId, device, meter, runId }: AtBench,
  ): Promise<BenchCounter> {
    const heard = await readHeard(context, benchId, device.name);
    return new BenchCounter(context, benchId, device, runId, heard, meter);
  }

  /** What was heard of it. */
  get heard(): Heard | null {
    return this.state.heard;
  }

  /** What a run is told of it. */
  frameFor(runId: number): CounterAtBench {
    const { heard, flooding } = this.state;
    const shown = shownTo(this.state, runId);
    return {
      device: this.device,
      heardAt: heard && new Date(heard.at).toISOString(),
      meter: this.meter?.frame() ?? null,
      ...shown,
      ...(flooding && shown.link !== 'taken' ? { flooding: true } : {}),
    };
  }

  /** Lets the device go, once what is being credited is, and what was heard of it is kept for whoever goes on. */
  async close(): Promise<void> {
    this.take({ kind: 'over' });
    clearInterval(this.timer);
    if (this.telling) clearTimeout(this.telling);
    this.context.notifier.off(benchTopic(this.benchId), this.runChanged);
    this.listen(this.state.runId, null);
    this.link.close();
    this.meter?.close();
    while (this.state.crediting) await this.crediting;
    await this.keeping;
    const { heard } = this.state;
    if (heard) await keepHeard(this.context, this.benchId, this.device.name, heard).catch(this.keeps.failed);
  }

  private now(): number {
    return this.context.clock().getTime();
  }

  private take(input: CounterInput): void {
    const { state, effects } = reduceCounter(this.state, input);
    this.state = state;
    for (const effect of effects) this.act(effect);
  }

  private act(effect: CounterEffect): void {
    switch (effect.kind) {
      case 'tell':
        this.tell();
        break;
      case 'credit':
        this.crediting = this.credit(effect.weighed);
        break;
      case 'keep':
        this.keeping = this.keep(effect.heard);
        break;
    }
  }

  private readonly logged = (events: readonly RunEvent[]): void => this.take({ kind: 'logged', events });

  private readonly runChanged = (runId: number | null): void => {
    this.listen(this.state.runId, runId);
    this.take({ kind: 'stands', runId });
  };

  private listen(before: number | null, now: number | null): void {
    const { notifier } = this.context;
    if (before !== null) notifier.off(runTopic(before), this.logged);
    if (now !== null) notifier.on(runTopic(now), this.logged);
  }

  private tick(): void {
    this.meter?.tick();
    this.take({ kind: 'tick', now: this.now() });
  }

  private tell(): void {
    if (this.telling || this.state.over) return;
    const wait = this.toldAt + SHOWN_MS - performance.now();
    if (wait <= 0) this.tellNow();
    else this.telling = setTimeout(() => this.tellNow(), wait).unref();
  }

  private tellNow(): void {
    this.telling = null;
    this.toldAt = performance.now();
    this.context.notifier.emit(counterTopic(this.benchId));
  }

  private async keep(heard: Heard): Promise<void> {
    try {
      await keepHeard(this.context, this.benchId, this.device.name, heard);
    } catch (error) {
      this.keeps.failed(error);
      this.take({ kind: 'not-kept' });
    }
  }

  private async credit(weighed: Weighed): Promise<void> {
    const { context, benchId, device } = this;
    try {
      const credit = await creditRun(context, { benchId, device, ...weighed });
      this.keeps.worked();
      this.take({ kind: 'credited', credit });
    } catch (error) {
      this.keeps.failed(error);
      this.take({ kind: 'not-credited' });
    }
  }
}

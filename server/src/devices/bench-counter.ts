import type { CounterAtBench, Device } from '@yard-spool/contract';
import type { MeterStands, RunEvent } from '@yard-spool/core';
import { runTopic } from '../bench/run-log';
import { benchTopic } from '../bench/standing';
import type { ServerContext } from '../context/context';
import { BenchMeter } from './bench-meter';
import type { CounterLine } from './counter-line';
import { creditRun } from './credit-run';
import { DeviceLink } from './device-link';
import { FirstFailure } from './first-failure';
import type { Heard } from '../db/models/heard';
import { answered, answeredAt, hearLine } from './hear-line';
import { keepHeard, readHeard } from './keep-heard';
import { settledAt } from './settled-at';
import { BESIDE_NOTHING, leavesNothingToAsk, type Weighed } from './weighed-count';

/** Pulses are folded into at most four events a second. */
const FOLD_MS = 250;
/** A device that says nothing for so long is silent: it says where it stands every second, ms. */
const SILENT_MS = 5000;
/**
 * What it says is shown at once, and then at most this often, ms: no eye reads a hundred counts a second, and each one
 * shown costs the server, the link and the page.
 */
const SHOWN_MS = 40;
/** What was heard is kept this often while nothing else is written, ms. */
const KEEP_MS = 2000;

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
 * A bench's counter: one link, whoever watches, and the run that stands at the bench. Lines come as fast as the device
 * sends them; the log gets at most four events a second. What the device stood at is in the log with each event, so
 * nothing is missed after a restart, and what was heard of it is kept, so that a doubt outlasts one too.
 */
export class BenchCounter {
  private readonly link: DeviceLink;
  /** The line meter beside it; null where there is none. */
  readonly meter: BenchMeter | null;
  private readonly timer: NodeJS.Timeout;
  private state: CounterAtBench['link'] = 'away';
  private unclaimed = 0;
  private odd: CounterAtBench['odd'] = null;
  /** Whether the device or the log moved since it was last looked at: nothing is read for a handle at rest. */
  private moved = false;
  /** How far the run's log is known; null before anything was heard of it. */
  private place: number | null = null;
  /** Where the device stood when something was last added to the log and not looked at yet. */
  private atTopic: number | null = null;
  /**
   * Where it stood soundly before it came into doubt, as long as that is not credited. Nothing is asked before: what is
   * answered then would be about those turns too.
   */
  private creditDue: number | null = null;
  /** Where the meter stood when the count last moved. */
  private meterAt: MeterStands | null = null;
  private folding: Promise<void> | null = null;
  private telling: NodeJS.Timeout | null = null;
  private toldAt = -Infinity;
  private keptAt = 0;
  private keeping: Promise<void> | null = null;
  private over = false;
  private readonly keeps = new FirstFailure((error) =>
    this.context.tellFailed(`what ${this.device.name} counted was not kept`, error),
  );
  /** Whether it sends more than is read of it. */
  private flooding = false;

  /** @param runId the run that stands at the bench */
  private constructor(
    private readonly context: ServerContext,
    readonly benchId: number,
    readonly device: Device,
    private runId: number | null,
    private heard: Heard | null,
    meter: Device | null,
  ) {
    this.meter = meter && new BenchMeter(context, meter, () => this.tell());
    context.notifier.on(benchTopic(benchId), this.standing);
    this.listen(runId);
    this.timer = setInterval(() => this.tick(), FOLD_MS).unref();
    this.link = new DeviceLink(device, {
      line: (line, fresh) => this.hear(line, fresh),
      away: () => this.show('away'),
      flooded: (on) => this.flood(on),
    });
  }

  static async open(
    context: ServerContext,
    { benchId, device, meter, runId }: AtBench,
  ): Promise<BenchCounter> {
    const heard = await readHeard(context, benchId, device.name);
    return new BenchCounter(context, benchId, device, runId, heard, meter);
  }

  /** What a run is told of it. */
  frameFor(runId: number): CounterAtBench {
    const { device, heard, unclaimed, odd, creditDue } = this;
    const heardAt = heard && new Date(heard.at).toISOString();
    const meter = this.meter?.frame() ?? null;
    if (runId !== this.runId)
      return { device, meter, link: 'taken', count: null, heardAt, unclaimed: 0, odd: null };
    return {
      device,
      link: this.state,
      count: creditDue ?? heard?.count ?? null,
      heardAt,
      unclaimed,
      odd: (creditDue === null ? heard?.doubt : null) ?? odd,
      meter,
      ...(this.flooding ? { flooding: true } : {}),
    };
  }

  /** Lets the device go, once what is being credited is, and what was heard of it is kept for whoever goes on. */
  async close(): Promise<void> {
    this.over = true;
    clearInterval(this.timer);
    if (this.telling) clearTimeout(this.telling);
    this.context.notifier.off(benchTopic(this.benchId), this.standing);
    if (this.runId !== null) this.context.notifier.off(runTopic(this.runId), this.runChanged);
    this.link.close();
    this.meter?.close();
    await this.folding;
    await this.keeping;
    await this.keepNow().catch(this.keeps.failed);
  }

  private hear(line: CounterLine, fresh: boolean): void {
    const before = this.heard;
    const now = this.context.clock().getTime();
    this.heard = hearLine(before, line, { device: this.device, now, fresh });
    const moved = before?.count !== this.heard.count || before.doubt !== this.heard.doubt;
    if (before?.count !== this.heard.count) this.meterAt = this.meterStands();
    // Heard again, it may settle what was done meanwhile though it did not move.
    this.moved ||= moved || this.state !== 'up';
    if (before?.doubt !== this.heard.doubt) this.keptAt = 0;
    // What was counted soundly up to the doubt is credited before anything is asked.
    if (before?.doubt === null && this.heard.doubt !== null) {
      this.creditDue = before.count;
      this.fold();
    }
    if (moved || this.state !== 'up') this.show('up');
  }

  private meterStands(): MeterStands | null {
    return this.meter?.stands() ?? null;
  }

  /** A step may have ended, or what was asked was answered. */
  private readonly runChanged = (added: readonly RunEvent[]): void => {
    this.knows(added.at(-1)?.seq ?? 0);
    const count = added.flatMap((event) => settledAt(event, this.device.name) ?? []).at(-1);
    if (count !== undefined) this.settled(count);
    this.atTopic ??= this.heard?.count ?? null;
    this.moved = true;
    this.fold();
  };

  /**
   * What it counted is in doubt no more.
   *
   * @param count up to which that was answered; left out where it does not matter what it counted
   */
  private settled(count?: number): void {
    if (!this.heard) return;
    this.heard = count === undefined ? answered(this.heard) : answeredAt(this.heard, count, this.device);
    this.creditDue = null;
    this.keptAt = 0;
    this.tell();
  }

  /** Another run stands at the bench: turns up to here are the last one's, those from here on its own. */
  private readonly standing = (runId: number | null): void => {
    const before = this.runId;
    const count = this.heard?.count;
    if (before !== null && before !== runId && count !== undefined && !this.heard?.doubt) {
      const last = this.folding ?? Promise.resolve();
      this.folding = last
        .then(async () => {
          await this.credit({ ...BESIDE_NOTHING, count, runId: before, leaving: true });
        })
        .finally(() => {
          this.folding = null;
          this.fold();
        });
    }
    this.listen(runId);
    this.unclaimed = 0;
    this.odd = null;
    this.atTopic = null;
    this.settled();
    this.runChanged([]);
    this.tell();
  };

  private listen(runId: number | null): void {
    const { notifier } = this.context;
    if (this.runId !== null) notifier.off(runTopic(this.runId), this.runChanged);
    this.runId = runId;
    this.place = null;
    if (runId !== null) notifier.on(runTopic(runId), this.runChanged);
  }

  private knows(place: number): void {
    if (place > 0) this.place = Math.max(place, this.place ?? 0);
  }

  private show(state: CounterAtBench['link']): void {
    this.state = state;
    this.tell();
  }

  private flood(on: boolean): void {
    if (this.flooding === on) return;
    this.flooding = on;
    this.tell();
  }

  private tell(): void {
    if (this.telling || this.over) return;
    const wait = this.toldAt + SHOWN_MS - performance.now();
    if (wait <= 0) this.tellNow();
    else this.telling = setTimeout(() => this.tellNow(), wait).unref();
  }

  private tellNow(): void {
    this.telling = null;
    this.toldAt = performance.now();
    this.context.notifier.emit(counterTopic(this.benchId));
  }

  private tick(): void {
    const quiet = this.heard ? this.context.clock().getTime() - this.heard.at : 0;
    if (this.state === 'up' && quiet > SILENT_MS) this.show('silent');
    this.meter?.tick();
    this.fold();
    this.keep();
  }

  private keep(): void {
    const now = this.context.clock().getTime();
    if (!this.heard || this.heard.at <= this.keptAt || now - this.keptAt < KEEP_MS || this.over) return;
    this.keptAt = now;
    this.keeping = this.keepNow().catch((error: unknown) => {
      this.keptAt = 0;
      this.keeps.failed(error);
    });
  }

  private async keepNow(): Promise<void> {
    if (this.heard) await keepHeard(this.context, this.benchId, this.device.name, this.heard);
  }

  /**
   * Credits what the device went on by: what was counted soundly before a doubt first, and the rest behind it. One at a
   * time: a slow database only makes the next one larger.
   */
  private fold(): void {
    if (!this.heard || this.runId === null || !this.moved || this.folding || this.over) return;
    const { count, doubt } = this.heard;
    const meter = this.meterAt;
    const sound = this.creditDue;
    const beside = { runId: this.runId, known: this.place, since: this.atTopic };
    this.moved = sound !== null;
    this.atTopic = null;
    const folded =
      sound === null
        ? this.credit({ ...beside, count, doubt, meter })
        : this.credit({ ...BESIDE_NOTHING, ...beside, count: sound });
    this.folding = folded.then((done) => {
      this.folding = null;
      if (sound === null || !done) return;
      if (this.creditDue === sound) this.creditDue = null;
      this.tell();
      this.fold();
    });
  }

  /** @returns whether it came to the log as it was known */
  private async credit(stands: Weighed): Promise<boolean> {
    const { benchId, device } = this;
    const { runId, doubt, since } = stands;
    try {
      const credit = await creditRun(this.context, runId, {
        leaving: false,
        ...stands,
        benchId,
        device,
        live: this.state === 'up',
      });
      this.keeps.worked();
      if (runId !== this.runId || !credit) return true;
      if ('behind' in credit) {
        this.knows(credit.behind);
        return this.later(since);
      }
      const { unclaimed, odd } = credit;
      if (doubt !== null && this.heard?.doubt === doubt && leavesNothingToAsk(credit))
        this.settled(stands.count);
      if (unclaimed === this.unclaimed && odd === this.odd) return true;
      this.unclaimed = unclaimed;
      this.odd = odd;
      this.tell();
      return true;
    } catch (error) {
      // The database is away: the count stands at the device, and is credited once it is back.
      this.keeps.failed(error);
      return this.later(since);
    }
  }

  private later(since: number | null): false {
    this.moved = true;
    // Whatever was added since then was added later.
    this.atTopic = since ?? this.atTopic;
    return false;
  }
}

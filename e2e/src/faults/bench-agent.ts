import { setTimeout as pause } from 'node:timers/promises';
import type { CounterAtBench, Run } from '@yard-spool/contract';
import {
  type CountAnswer,
  countQuestion,
  foldRun,
  gearAt,
  type RunEvent,
  type RunFacts,
  runFacts,
  type RunHappening,
  type RunState,
  withCounters,
} from '@yard-spool/core';
import { Away, Refused, type Ask } from './ask';
import { hearFrames, type Told } from './frames';

/** Events in one request. */
const CHUNK = 200;
const AGAIN_MS = 150;

/**
 * A bench without a screen: it keeps what happens until the server has it, hears its counter, and answers what it is
 * asked, as a technician does who knows what was really wound.
 */
export class BenchAgent {
  private readonly facts: RunFacts;
  private log: readonly RunEvent[];
  private pending: RunEvent[] = [];
  private frame: CounterAtBench | null = null;
  private hears = false;
  private over = false;
  private readonly gone = new AbortController();
  private readonly working: Promise<unknown>[];

  constructor(
    private readonly ask: Ask,
    private readonly address: string,
    readonly run: Run,
  ) {
    this.facts = runFacts(run);
    this.log = run.events;
    this.working = [this.drain(), ...(run.device ? [this.listen()] : [])];
  }

  get heard(): boolean {
    return this.hears && this.frame?.link === 'up';
  }

  get saved(): boolean {
    return this.pending.length === 0;
  }

  /** What its counter is asked about now; empty where nothing is. */
  get odd(): string {
    if (!this.heard) return '';
    return this.frame?.odd ?? (Object.keys(this.state().unheard).length > 0 ? 'unheard' : '');
  }

  /** Whether what was pressed by hand and what was counted meanwhile stand beside each other, for somebody to choose. */
  get choosesByHand(): boolean {
    return Object.values(this.state().unheard).some(({ byHand }) => Object.keys(byHand).length > 0);
  }

  /** Whether somebody has to say what it counted: it is asked about, or went on while the count was held. */
  get waits(): boolean {
    return this.odd !== '' || (this.state().held && (this.frame?.unclaimed ?? 0) !== 0);
  }

  /** Whether all that its counter shows is written down. */
  get isCredited(): boolean {
    const { device, count } = this.frame ?? {};
    return device !== undefined && count !== null && this.state().devices[device.name] === count;
  }

  /** What its counter stands at, as it is shown here. */
  get count(): number | null {
    return this.frame?.count ?? null;
  }

  state(): RunState {
    return foldRun(this.facts, [...this.log, ...this.numbered()]);
  }

  /** What is shown as counted on a layer: what is written down, and what the counter went on by since. */
  shown(layer: string): number {
    const state = this.state();
    return (
      foldRun(this.facts, [
        ...this.log,
        ...this.numbered(),
        ...withCounters({ kind: 'held', payload: { on: false } }, this.sight(state)).map((one, i) =>
          this.event(one, state.seq + 1 + i),
        ),
      ]).turns[layer] ?? 0
    );
  }

  happen(happening: RunHappening): void {
    this.put(withCounters(happening, this.sight(this.state())));
  }

  /** Counts what the counter went on by while the count was held, or leaves it out; and it is held no more. */
  claim(counted: boolean): void {
    const { device, count } = this.frame ?? {};
    if (!device || count == null) return;
    if (!counted) this.happen({ kind: 'device-at', payload: { device: device.name, count } });
    this.happen({ kind: 'held', payload: { on: false } });
  }

  /**
   * Answers what the counter is asked about so that the layers come to what was really wound.
   *
   * @param frank told by how much the nearest answer is off, where none says what was wound
   */
  answer(truth: Readonly<Record<string, number>>, frank: (off: number) => void): void {
    const state = this.state();
    const frame = this.frame;
    // Asked only while it is heard.
    if (!this.heard || !frame?.odd || frame.count === null) return;
    const gear = (layer: string): number => gearAt(this.facts.request, state.supplies, layer);
    const { count, odd } = frame;
    const question = countQuestion(state, { ...frame, count, odd, gear });
    if (!question) return;
    const offs = question.answers.map((answer) => this.offBy(answer, truth));
    const right = question.answers.find((_, i) => Math.abs(offs[i]!) < 0.01);
    this.put((right ?? noneOf(question.answers))?.happenings ?? []);
    if (right) return;
    // What was wound while it could not be heard may belong to several layers, which no answer splits.
    if (odd !== 'unheard')
      frank(offs.reduce((least, off) => (Math.abs(off) < Math.abs(least) ? off : least)));
    this.putRight(truth);
  }

  /** Types what is on each layer, where no answer says it. */
  putRight(truth: Readonly<Record<string, number>>): void {
    const { turns } = this.state();
    for (const [layer, truly] of Object.entries(truth))
      if (Math.abs((turns[layer] ?? 0) - truly) > 0.01)
        this.happen({ kind: 'count-set', payload: { layer, turns: truly } });
  }

  /** Where it stands, for whoever looks into a failure. */
  standing(): string {
    const { turns, unheard, devices, current } = this.state();
    const [log, pending] = [this.log, this.numbered()].map((events) =>
      events.slice(-60).map(({ seq, kind, payload }) => `${String(seq)} ${kind} ${JSON.stringify(payload)}`),
    );
    return JSON.stringify({ frame: this.frame, turns, unheard, devices, current, log, pending }, null, 1);
  }

  async close(): Promise<void> {
    this.over = true;
    this.gone.abort();
    await Promise.all(this.working);
  }

  /** By how many turns the layer that would be off the most with an answer is off. */
  private offBy({ happenings }: CountAnswer, truth: Readonly<Record<string, number>>): number {
    const { seq } = this.state();
    const after = foldRun(this.facts, [
      ...this.log,
      ...this.numbered(),
      ...happenings.map((one, i) => this.event(one, seq + 1 + i)),
    ]);
    const offs = Object.entries(truth).map(([layer, turns]) => (after.turns[layer] ?? 0) - turns);
    return offs.reduce((worst, off) => (Math.abs(off) > Math.abs(worst) ? off : worst), 0);
  }

  private sight(state: RunState) {
    const device = this.frame?.device ?? this.run.device;
    return { device, frame: this.frame, heard: this.heard, facts: this.facts, state };
  }

  private put(happenings: readonly RunHappening[]): void {
    this.pending = [...this.pending, ...happenings.map((one) => this.event(one, 0))];
  }

  private event(happening: RunHappening, seq: number): RunEvent {
    const run = String(this.run.id);
    const at = new Date().toISOString();
    return { ...happening, id: crypto.randomUUID(), run, seq, at, by: 'Faulty' };
  }

  private numbered(): RunEvent[] {
    const known = new Set(this.log.map(({ id }) => id));
    const last = this.log.at(-1)?.seq ?? 0;
    return this.pending
      .filter(({ id }) => !known.has(id))
      .map((event, i) => ({ ...event, seq: last + 1 + i }));
  }

  private hear(events: readonly RunEvent[]): void {
    const known = new Map([...this.log, ...events].map((event) => [event.id, event]));
    this.log = [...known.values()].sort((a, b) => a.seq - b.seq);
  }

  /** Brings what waits to the server, over and over, in pieces. */
  private async drain(): Promise<void> {
    const path = `/runs/${String(this.run.id)}`;
    while (!this.over) {
      const sent = this.numbered().slice(0, CHUNK);
      if (sent.length === 0) {
        this.pending = [];
        await pause(20);
        continue;
      }
      try {
        const { events } = await this.ask.once<{ events: RunEvent[] }>('POST', `${path}/events`, {
          events: sent,
        });
        this.hear(events.length === sent.length ? events : (await this.ask.once<Run>('GET', path)).events);
        const gone = new Set(sent.map(({ id }) => id));
        this.pending = this.pending.filter(({ id }) => !gone.has(id));
      } catch (error) {
        if (error instanceof Refused && error.code === 'out-of-order')
          await this.ask.once<Run>('GET', path).then(
            ({ events }) => this.hear(events),
            () => pause(AGAIN_MS),
          );
        else if (error instanceof Away) await pause(AGAIN_MS);
        else throw error;
      }
    }
  }

  /** Hears of its counter and of what is added to its log, and asks again whenever that breaks. */
  private async listen(): Promise<void> {
    while (!this.over) {
      const runs = `${String(this.run.id)}:${String(this.log.at(-1)?.seq ?? 0)}`;
      // A stream that breaks means that the server is away.
      await hearFrames(this.ask, this.address, runs, (told) => this.told(told), this.gone.signal).catch(
        () => undefined,
      );
      this.hears = false;
      await pause(AGAIN_MS);
    }
  }

  private told({ frame }: Told): void {
    this.hears = true;
    if (frame.kind === 'log') {
      this.hear(frame.events);
      return;
    }
    this.frame = frame.counter;
  }
}

/** The answer that counts nothing: all it says is where the counter stands. */
const noneOf = (answers: readonly CountAnswer[]): CountAnswer | undefined =>
  answers.find(({ happenings }) => happenings.length === 1) ?? answers.at(-1);

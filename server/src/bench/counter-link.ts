import { connect, type Socket } from 'node:net';
import { createInterface } from 'node:readline';
import { runFacts, type Device, type Run, type RunFrame } from '@yard-spool/contract';
import { creditCount, foldRun, gearAt } from '@yard-spool/core';
import type { House } from '../house';
import { appendNext } from './append-events';
import { parseCounterLine } from './counter-line';
import { readRun } from './runs';

/** Pulses are folded into at most four events a second. */
const FOLD_MS = 250;
/** How soon a device that went away is asked again, ms. */
const AGAIN_MS = 1000;

type CounterFrame = Extract<RunFrame, { kind: 'counter' }>;

/**
 * The line from one counting device to the run that holds it. Lines come as fast as the device sends them; the log gets
 * at most four events a second. What the device stood at is in the log with each event, so nothing here is missed after
 * a restart.
 */
export class CounterLink {
  private socket: Socket | null = null;
  private count: number | null = null;
  private link: CounterFrame['link'] = 'away';
  private unclaimed = 0;
  private odd: CounterFrame['odd'] = null;
  /** Whether the device or the log moved since it was last looked at: nothing is read for a handle at rest. */
  private moved = false;
  /** Where the device stood when something was last added to the log and not looked at yet. */
  private atBell: number | null = null;
  private folding = false;
  private timer: NodeJS.Timeout | null = null;
  private over = false;

  constructor(
    private readonly house: House,
    private readonly run: Run,
    private readonly device: Device,
    private readonly personId: number,
    private readonly tell: (frame: CounterFrame) => void,
  ) {
    this.open();
    this.house.bell.on(this.bell, this.rung);
    this.timer = setInterval(() => void this.fold(), FOLD_MS);
  }

  private get bell(): string {
    return `run:${String(this.run.id)}`;
  }

  /** A step may have ended: turns from here on belong to the next. */
  private readonly rung = (): void => {
    this.atBell ??= this.count;
    this.moved = true;
    void this.fold();
  };

  /** Where the device stands now. */
  frame(): CounterFrame {
    const { name, per } = this.device;
    return {
      kind: 'counter',
      device: name,
      link: this.link,
      count: this.count,
      per,
      unclaimed: this.unclaimed,
      odd: this.odd,
    };
  }

  /** Folds once more what came in, then lets the device go. */
  async end(): Promise<void> {
    if (this.over) return;
    await this.fold();
    this.over = true;
    this.house.bell.off(this.bell, this.rung);
    if (this.timer) clearInterval(this.timer);
    this.socket?.destroy();
  }

  private open(): void {
    if (this.over) return;
    const [host = '', port = ''] = this.device.address.split(':');
    const socket = connect(Number(port), host);
    this.socket = socket;
    const gone = (): void => {
      if (this.socket !== socket) return;
      this.socket = null;
      this.say('away');
      if (!this.over) setTimeout(() => this.open(), AGAIN_MS).unref();
    };
    socket.on('error', gone).on('close', gone);
    const lines = createInterface({ input: socket });
    lines.on('error', gone);
    lines.on('line', (line) => {
      const read = parseCounterLine(line);
      if (read?.device !== this.device.name) return;
      const moved = this.count !== read.count;
      this.count = read.count;
      this.moved ||= moved;
      if (moved || this.link !== 'up') this.say('up');
    });
  }

  private say(link: CounterFrame['link']): void {
    this.link = link;
    this.tell(this.frame());
  }

  /** Credits what the device went on by. One at a time: a slow database only makes the next one larger. */
  private async fold(): Promise<void> {
    const { count } = this;
    if (count === null || !this.moved || this.folding || this.over) return;
    this.folding = true;
    this.moved = false;
    const atBell = this.atBell;
    this.atBell = null;
    try {
      await oneAtATime(this.run.id, () => this.credit(count, atBell));
    } catch {
      // The database is away: the count stands at the device, and is credited once it is back.
      this.moved = true;
      this.atBell ??= atBell;
    } finally {
      this.folding = false;
    }
  }

  private async credit(count: number, atBell: number | null): Promise<void> {
    const run = await readRun(this.house, this.run.id);
    if (run.state !== 'open') return;
    // Taken up at another bench, the run has another counter, or none.
    if (run.device?.address !== this.device.address) {
      if (this.link !== 'taken') this.say('taken');
      return;
    }
    const state = foldRun(runFacts(run), run.events);
    const since = atBell === null ? {} : { since: atBell };
    const gear = gearAt(run.job.planInput.request, state.supplies, state.current?.layer ?? '');
    const { happening, unclaimed, odd } = creditCount(this.device, state, count, { gear, ...since });
    if (unclaimed !== this.unclaimed || odd !== this.odd) {
      this.unclaimed = unclaimed;
      this.odd = odd;
      this.say(this.link);
    }
    if (happening) await appendNext(this.house, this.personId, this.run.id, happening);
  }
}

/** What is being credited to each run: a link that ends and one that begins must not credit the same turns twice. */
const crediting = new Map<number, Promise<void>>();

function oneAtATime(runId: number, work: () => Promise<void>): Promise<void> {
  const mine = (crediting.get(runId) ?? Promise.resolve()).catch(() => undefined).then(work);
  crediting.set(runId, mine);
  return mine.finally(() => {
    if (crediting.get(runId) === mine) crediting.delete(runId);
  });
}

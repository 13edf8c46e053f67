import type { Person, RunFrame } from '@yard-spool/contract';
import type { House } from '../house';
import { CounterLink } from './counter-link';
import { readLog, readRun } from './runs';

type Tell = (frame: RunFrame) => void;

interface Watched {
  readonly watchers: Set<Tell>;
  link: CounterLink | null;
}

/**
 * Runs that somebody watches: each is told what is added to its log, and holds its bench's counter. A device serves one
 * run at a time; the next to ask is told that it is taken. All of it is lost at a restart and made again by whoever
 * watches then.
 */
export class LiveRuns {
  private readonly watched = new Map<number, Watched>();
  /** Which run holds a device, by the device's address. */
  private readonly holders = new Map<string, number>();

  constructor(private readonly house: House) {}

  /** Watches a run from a place in its log on, until what is returned is called. */
  async watch(runId: number, person: Person, from: number, tell: Tell): Promise<() => Promise<void>> {
    const run = await readRun(this.house, runId);
    let last = from;
    let telling = Promise.resolve();
    const tellLog = (): void => {
      telling = telling
        .then(async () => {
          const events = await readLog(this.house, runId, last);
          if (events.length === 0) return;
          last = events.at(-1)?.seq ?? last;
          tell({ kind: 'log', events });
        })
        .catch(() => undefined);
    };
    const bell = `run:${String(runId)}`;
    this.house.bell.on(bell, tellLog);
    const entry = this.watched.get(runId) ?? { watchers: new Set<Tell>(), link: null };
    this.watched.set(runId, entry);
    entry.watchers.add(tell);
    if (run.device && run.state === 'open') this.hold(run, person, entry, tell);
    tellLog();
    return async () => {
      this.house.bell.off(bell, tellLog);
      entry.watchers.delete(tell);
      if (entry.watchers.size > 0) return;
      this.watched.delete(runId);
      for (const [address, holder] of this.holders) if (holder === runId) this.holders.delete(address);
      await entry.link?.end();
    };
  }

  private hold(run: Awaited<ReturnType<typeof readRun>>, person: Person, entry: Watched, tell: Tell): void {
    const { device } = run;
    if (!device) return;
    const holder = this.holders.get(device.address);
    if (holder !== undefined && holder !== run.id) {
      tell({
        kind: 'counter',
        device: device.name,
        link: 'taken',
        count: null,
        per: device.per,
        unclaimed: 0,
        odd: null,
      });
      return;
    }
    this.holders.set(device.address, run.id);
    entry.link ??= new CounterLink(this.house, run, device, person.id, (frame) => {
      for (const one of entry.watchers) one(frame);
    });
    tell(entry.link.frame());
  }
}

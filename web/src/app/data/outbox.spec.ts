import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { ProblemCode } from '@yard-spool/contract';
import type { RunEvent } from '@yard-spool/core';
import { Subject } from 'rxjs';
import { anEvent, aRun } from '../testing/runs';
import { Outbox } from './outbox.service';
import { OutboxStore } from './outbox-store';
import type { Waiting } from './waiting';

/** A browser's database that only lasts a test. */
class KeptHere {
  readonly kept = new Map<string, Waiting>();
  readonly keeps = signal(true);
  readonly written = signal<ReadonlySet<string>>(new Set());
  readonly lost$ = new Subject<void>();
  readonly elsewhere$ = new Subject<void>();
  all = (): Promise<Waiting[]> => {
    this.tell();
    return Promise.resolve([...this.kept.values()].sort((a, b) => a.place - b.place));
  };
  put = (waiting: readonly Waiting[]): Promise<void> => {
    for (const one of waiting) this.kept.set(one.event.id, one);
    this.tell();
    return Promise.resolve();
  };
  remove = (ids: readonly string[]): Promise<void> => {
    for (const id of ids) this.kept.delete(id);
    this.tell();
    return Promise.resolve();
  };
  private tell(): void {
    this.written.set(new Set(this.kept.keys()));
  }
}

/** The log of a run up to a place. */
const upTo = (place: number): RunEvent[] => [
  { ...anEvent(place, { kind: 'step-done', payload: { step: 'strip' } }), id: crypto.randomUUID() },
];

const ten = (seq: number, run = '5'): RunEvent => ({
  ...anEvent(seq, { kind: 'turns', payload: { layer: 'main', turns: 10 } }),
  run,
});

function open(before: readonly Waiting[] = []) {
  const store = new KeptHere();
  for (const one of before) store.kept.set(one.event.id, one);
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({
    providers: [provideHttpClient(), provideHttpClientTesting(), { provide: OutboxStore, useValue: store }],
  });
  const server = TestBed.inject(HttpTestingController);
  const outbox = TestBed.inject(Outbox);
  const asked = async (address: string) => {
    let found = server.match(`/api${address}`);
    for (let tries = 0; found.length === 0 && tries < 50; tries += 1) {
      await Promise.resolve();
      found = server.match(`/api${address}`);
    }
    if (!found[0]) throw new Error(`Nothing was asked of ${address}.`);
    return found[0];
  };
  const sent = async (run = '5') => {
    const request = await asked(`/runs/${run}/events`);
    const { events } = request.request.body as { events: RunEvent[] };
    return {
      places: events.map(({ seq }) => seq),
      events,
      take: () => request.flush({ events }),
      refuse: (code: ProblemCode, status = 409) =>
        request.flush(
          { type: `urn:yard-spool:${code}`, title: 'No', status, code, detail: `No: ${code}.` },
          { status, statusText: 'no' },
        ),
    };
  };
  return { outbox, store, asked, sent, server };
}

const settled = async (): Promise<void> => {
  for (let i = 0; i < 40; i += 1) await Promise.resolve();
};

describe('the outbox', () => {
  it('sends what happened in order behind the log, and forgets it once the server has it', async () => {
    const { outbox, store, sent } = open();
    await outbox.knows('5', upTo(4));
    await outbox.put(ten(1));
    expect(outbox.stateOf('5')).toBe('sending');
    const first = await sent();
    expect(first.places).toEqual([5]);
    await outbox.put(ten(2));
    first.take();
    const second = await sent();
    expect(second.places).toEqual([6]);
    second.take();
    await settled();
    expect([outbox.stateOf('5'), outbox.count(), store.kept.size]).toEqual(['saved', 0, 0]);
  });

  it('brings what waited of every run, whichever page is open, in pieces', async () => {
    const waiting = (run: string) =>
      Array.from({ length: 450 }, (_, i): Waiting => {
        const event = { ...ten(i + 1, run), id: crypto.randomUUID() };
        return { event, place: i + 1, refused: '' };
      });
    const { outbox, sent } = open([...waiting('5'), ...waiting('6')]);
    await outbox.knows('5', upTo(1));
    await outbox.knows('6', upTo(9));
    void outbox.sendEverything();
    for (const run of ['5', '6']) {
      const sizes: number[] = [];
      for (let i = 0; i < 3; i += 1) {
        const one = await sent(run);
        sizes.push(one.events.length);
        one.take();
      }
      expect(sizes).toEqual([200, 200, 50]);
    }
    await settled();
    expect(outbox.count()).toBe(0);
  });

  it('puts what waits behind a log that went on elsewhere', async () => {
    const { outbox, sent, asked } = open();
    await outbox.knows('5', upTo(1));
    await outbox.put(ten(2));
    (await sent()).refuse('out-of-order');
    (await asked('/runs/5')).flush(aRun(upTo(2)));
    const again = await sent();
    expect(again.places).toEqual([3]);
    again.take();
    await settled();
    expect(outbox.stateOf('5')).toBe('saved');
  });

  it('whose answer was cut off sends what came after it behind what the server took', async () => {
    for (const heard of [true, false]) {
      const { outbox, sent, asked, store } = open();
      await outbox.knows('5', upTo(1));
      const first = ten(2);
      const second = { ...ten(3), id: crypto.randomUUID() };
      await outbox.put(first);
      (await sent()).refuse('database-away', 503);
      await settled();
      // It took the first all the same, and another bench went on.
      const log = [first, ...upTo(3)];
      if (heard) await outbox.knows('5', log);
      // What is read is told before it is forgotten here: in between it would be counted nowhere.
      const waiting: number[] = [];
      outbox.confirmed$.subscribe(() => waiting.push(outbox.of('5').length));
      await outbox.put(second);
      if (!heard) {
        const refused = await sent();
        expect(refused.events.map(({ id }) => id)).toEqual([first.id, second.id]);
        refused.refuse('out-of-order');
        (await asked('/runs/5')).flush(aRun(log));
      }
      const again = await sent();
      expect([again.places, again.events.map(({ id }) => id)]).toEqual([[4], [second.id]]);
      expect(waiting).toEqual(heard ? [] : [2]);
      again.take();
      await settled();
      expect([outbox.stateOf('5'), outbox.count(), store.kept.size]).toEqual(['saved', 0, 0]);
    }
  });

  it('does not ask on and on where the server refuses the same place', async () => {
    const { outbox, sent, asked, server } = open();
    await outbox.knows('5', upTo(1));
    await outbox.put(ten(2));
    (await sent()).refuse('out-of-order');
    (await asked('/runs/5')).flush(aRun(upTo(1)));
    await settled();
    expect(server.match('/api/runs/5/events')).toEqual([]);
    expect([outbox.stateOf('5'), outbox.count()]).toEqual(['away', 1]);
  });

  it('keeps everything while the server is away or nobody is signed in, and says so', async () => {
    const { outbox, sent, store } = open();
    await outbox.knows('5', upTo(1));
    await outbox.put(ten(2));
    (await sent()).refuse('not-signed-in', 401);
    await settled();
    expect([outbox.stateOf('5'), store.kept.size]).toEqual(['signed-out', 1]);
    void outbox.sendEverything();
    (await sent()).refuse('database-away', 503);
    await settled();
    expect([outbox.stateOf('5'), store.kept.size]).toEqual(['away', 1]);
  });

  it('keeps nothing as refused by a closed run that the run has', async () => {
    const { outbox, sent, asked } = open();
    await outbox.knows('5', upTo(1));
    const first = ten(2);
    const second = { ...ten(3), id: crypto.randomUUID() };
    await outbox.put(first);
    (await sent()).refuse('database-away', 503);
    await settled();
    await outbox.put(second);
    (await sent()).refuse('already-closed');
    (await asked('/runs/5')).flush(aRun([first, ...upTo(3)], { state: 'closed' }));
    await settled();
    expect(outbox.of('5').map(({ id }) => id)).toEqual([second.id]);
    expect(outbox.stateOf('5')).toBe('held');
  });

  it('keeps what a closed run does not take, until it is opened again or thrown away', async () => {
    const { outbox, sent, asked, store } = open();
    await outbox.knows('5', upTo(1));
    await outbox.put(ten(2));
    (await sent()).refuse('already-closed');
    (await asked('/runs/5')).flush(aRun(upTo(2), { state: 'closed' }));
    await settled();
    expect(outbox.stateOf('5')).toBe('held');
    expect(outbox.refusal('5')).toBe('No: already-closed.');
    expect(store.kept.size).toBe(1);
    void outbox.tryAgain('5');
    (await sent()).take();
    await settled();
    expect([outbox.stateOf('5'), outbox.refusal('5')]).toEqual(['saved', '']);

    await outbox.put(ten(3));
    (await sent()).refuse('already-closed');
    (await asked('/runs/5')).flush(aRun(upTo(3), { state: 'closed' }));
    await settled();
    await outbox.discard('5');
    expect([outbox.stateOf('5'), outbox.count(), store.kept.size]).toEqual(['saved', 0, 0]);
  });

  it('lets one event the server refuses hold up no other', async () => {
    const before = [2, 3, 4].map((seq): Waiting => ({ event: ten(seq), place: seq, refused: '' }));
    const { outbox, sent } = open(before);
    await outbox.knows('5', upTo(1));
    void outbox.sendEverything();
    (await sent()).refuse('bad-request', 400);
    const first = await sent();
    expect(first.events).toHaveLength(1);
    first.take();
    (await sent()).refuse('bad-request', 400);
    await settled();
    const rest = await sent();
    expect(rest.events.map(({ id }) => id)).toEqual([before[2]!.event.id]);
    expect(rest.places).toEqual([3]);
    rest.take();
    await settled();
    expect([outbox.stateOf('5'), outbox.count()]).toEqual(['held', 1]);
  });

  it('brings 520 presses of an hour without the server, in pieces', async () => {
    const { outbox, sent, store } = open();
    const presses = Array.from({ length: 520 }, (_, i) => ten(i + 2));
    await outbox.knows('5', upTo(1));
    for (const press of presses) await outbox.put(press);
    (await sent()).refuse('database-away', 503);
    await settled();
    const places: number[] = [];
    void outbox.sendEverything();
    for (let pieces = 0; places.length < 520 && pieces < 10; pieces += 1) {
      const piece = await sent();
      expect(piece.events.length).toBeLessThanOrEqual(200);
      places.push(...piece.places);
      piece.take();
    }
    expect(places).toEqual(Array.from({ length: 520 }, (_, i) => i + 2));
    await vi.waitFor(() => expect(store.kept.size).toBe(0));
    expect(outbox.stateOf('5')).toBe('saved');
  });

  it('puts what it still has again where what was kept was cleared under it', async () => {
    const { outbox, sent, store } = open();
    await outbox.knows('5', upTo(1));
    await outbox.put(ten(2));
    await outbox.put(ten(3));
    store.kept.clear();
    store.lost$.next();
    expect(store.kept.size).toBe(2);
    (await sent()).refuse('database-away', 503);
  });

  it('of two pages on one run goes out in one order, whichever of them sends', async () => {
    const { outbox, store, sent } = open();
    await outbox.knows('5', upTo(1));
    await outbox.put(ten(2));
    const first = await sent();
    first.refuse('database-away', 503);
    await settled();
    // The other page wound seven and typed a count after that; this one goes on.
    const [mine] = [...store.kept.values()];
    const others = [ten(2), ten(3)].map((event, i): Waiting => {
      return { event: { ...event, id: crypto.randomUUID() }, place: mine!.place + 1 + i, refused: '' };
    });
    for (const one of others) store.kept.set(one.event.id, one);
    const last = { ...ten(3), id: crypto.randomUUID() };
    await outbox.put(last);
    const all = await sent();
    const order = [mine!.event.id, ...others.map(({ event }) => event.id), last.id];
    expect(all.events.map(({ id }) => id)).toEqual(order);
    expect(all.places).toEqual([2, 3, 4, 5]);
    all.take();
    await settled();
    expect([outbox.stateOf('5'), outbox.count(), store.kept.size]).toEqual(['saved', 0, 0]);
  });

  it('sends what a page left that was closed in the moment of a press', async () => {
    const { outbox, store, sent, asked } = open();
    await outbox.ready;
    const left = ten(2);
    store.kept.set(left.id, { event: left, place: 1, refused: '' });
    expect(outbox.stateOf('5')).toBe('saved');
    store.elsewhere$.next();
    (await asked('/runs/5')).flush(aRun(upTo(1)));
    const found = await sent();
    expect(found.events.map(({ id, seq }) => [id, seq])).toEqual([[left.id, 2]]);
    expect(outbox.stateOf('5')).toBe('sending');
    found.take();
    await settled();
    expect([outbox.stateOf('5'), store.kept.size]).toEqual(['saved', 0]);
    // Nothing was left: nothing is asked.
    store.elsewhere$.next();
    await settled();
  });

  it('asks the server for what another page sent meanwhile, and keeps what that has not', async () => {
    const { outbox, store, sent, asked } = open();
    await outbox.knows('5', upTo(1));
    const first = ten(2);
    const second = { ...ten(3), id: crypto.randomUUID() };
    await outbox.put(first);
    (await sent()).refuse('database-away', 503);
    await settled();
    await outbox.put(second);
    (await sent()).refuse('database-away', 503);
    await settled();
    expect(outbox.keptOf('5')).toBe(2);
    store.kept.clear();
    void outbox.sendEverything();
    (await asked('/runs/5')).flush(aRun([...upTo(1), { ...first, seq: 2 }]));
    const rest = await sent();
    expect(rest.events.map(({ id, seq }) => [id, seq])).toEqual([[second.id, 3]]);
    expect([...store.kept.keys()]).toEqual([second.id]);
    rest.take();
    await settled();
    expect(outbox.stateOf('5')).toBe('saved');
  });
});

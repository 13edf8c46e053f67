import { IDBFactory } from 'fake-indexeddb';
import 'fake-indexeddb/auto';
import { TestBed } from '@angular/core/testing';
import { anEvent } from '../testing/runs';
import { OutboxStore } from './outbox-store';
import { pressNotes } from './press-notes';
import type { Waiting } from './waiting';

const press = (place: number): Waiting => ({
  event: {
    ...anEvent(place, { kind: 'turns', payload: { layer: 'main', turns: 1 } }),
    id: `press-${String(place)}`,
  },
  place,
  refused: '',
});
const presses = (count: number): Waiting[] => Array.from({ length: count }, (_, i) => press(i + 1));
const idsOf = (waiting: readonly Waiting[]): string[] => waiting.map(({ event }) => event.id);

/** A page that begins, on what the browser kept of the one before. */
function page(): OutboxStore {
  TestBed.resetTestingModule();
  return TestBed.inject(OutboxStore);
}

/** Writing fails for as long as it is wanted. */
function full() {
  const spy = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('No room.', 'QuotaExceededError');
  });
  return () => {
    spy.mockRestore();
  };
}

beforeEach(() => {
  vi.stubGlobal('indexedDB', new IDBFactory());
  localStorage.clear();
});
afterEach(() => {
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

describe('what waits in the browser', () => {
  it('is written however fast it comes, in few transactions, and is said to be kept once it is', async () => {
    const store = page();
    const begun = vi.spyOn(IDBDatabase.prototype, 'transaction');
    const all = presses(2000);
    const written = all.map((one) => store.put([one]));
    expect(store.written().size).toBe(0);
    await Promise.all(written);
    expect(store.written().size).toBe(2000);
    expect(begun.mock.calls.length).toBeLessThan(20);
    expect(idsOf(await page().all())).toEqual(idsOf(all));
    expect(pressNotes.all()).toEqual([]);
  });

  it('is there again where the page was left before it was written', async () => {
    full();
    await page().put(presses(3));
    vi.restoreAllMocks();
    expect(idsOf(await page().all())).toEqual(idsOf(presses(3)));
  });

  it('is written again once there is room, and the warning stays until all of it is', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    const store = page();
    const room = full();
    const tried = store.put(presses(2));
    await vi.waitFor(() => expect(store.keeps()).toBe(false));
    await tried;
    await store.put([press(3)]);
    expect([store.keeps(), store.written().size]).toEqual([false, 0]);
    room();
    await vi.advanceTimersByTimeAsync(2000);
    await vi.waitFor(() => expect(store.written().size).toBe(3));
    expect(store.keeps()).toBe(true);
  });

  it('that was sent is gone, though it was to be written still', async () => {
    const store = page();
    const one = store.put([press(1)]);
    const gone = store.remove(['press-1']);
    await Promise.all([one, gone]);
    expect(await page().all()).toEqual([]);
    expect(store.written().size).toBe(0);
  });
});

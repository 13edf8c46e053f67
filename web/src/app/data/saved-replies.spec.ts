import { IDBFactory } from 'fake-indexeddb';
import 'fake-indexeddb/auto';
import { TestBed } from '@angular/core/testing';
import { SavedReplies } from './saved-replies';

const RUN = '/api/runs/7';
const logged = (...places: number[]) => places.map((seq) => ({ seq, kind: 'turns' }));

/** A page that begins, on what the browser kept of the one before. */
function page(): SavedReplies {
  TestBed.resetTestingModule();
  return TestBed.inject(SavedReplies);
}

beforeEach(() => vi.stubGlobal('indexedDB', new IDBFactory()));
afterEach(() => {
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

describe('what the server said last', () => {
  it('is there for the next page, each under its address', async () => {
    const before = page();
    await before.keep('/api/benches', [{ id: 1 }]);
    await before.keep(RUN, { id: 7, events: logged(1) });
    expect(await page().find('/api/benches')).toEqual([{ id: 1 }]);
    expect(await page().find(RUN)).toEqual({ id: 7, events: logged(1) });
    expect(await page().find('/api/nowhere')).toBeUndefined();
  });

  it('goes on with what came to its log, which is written alone', async () => {
    const before = page();
    await before.keep(RUN, { id: 7, events: logged(1, 2) });
    const put = vi.spyOn(IDBObjectStore.prototype, 'put');
    await before.keepSince(RUN, logged(3));
    await before.keepSince(RUN, logged(4, 5));
    expect(put.mock.calls.map(([value]) => (value as { seq: number }).seq)).toEqual([3, 4, 5]);
    expect(await page().find(RUN)).toEqual({ id: 7, events: logged(1, 2, 3, 4, 5) });
  });

  it('ends before what is missing of its log', async () => {
    const before = page();
    await before.keep(RUN, { id: 7, events: logged(1, 2) });
    await before.keepSince(RUN, logged(3, 5));
    expect(await page().find(RUN)).toEqual({ id: 7, events: logged(1, 2, 3) });
  });

  it('takes the place of the one before, with all that came to its log', async () => {
    const before = page();
    await before.keep(RUN, { id: 7, events: logged(1) });
    await before.keepSince(RUN, logged(2, 3));
    await before.keep(RUN, { id: 7, events: logged(1, 2) });
    expect(await before.find(RUN)).toEqual({ id: 7, events: logged(1, 2) });
  });

  it('of one run is not another one’s', async () => {
    const before = page();
    await before.keep(RUN, { id: 7, events: [] });
    await before.keep('/api/runs/70', { id: 70, events: [] });
    await before.keepSince('/api/runs/70', logged(1));
    expect(await before.find(RUN)).toEqual({ id: 7, events: [] });
    expect(await before.find('/api/runs/70')).toEqual({ id: 70, events: logged(1) });
  });

  it('is forgotten when somebody signs out', async () => {
    const before = page();
    await before.keep(RUN, { id: 7, events: logged(1) });
    await before.keepSince(RUN, logged(2));
    await before.clear();
    await before.keep(RUN, { id: 7, events: logged(1) });
    expect(await page().find(RUN)).toEqual({ id: 7, events: logged(1) });
  });

  it('is gone without where the browser keeps nothing', async () => {
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new DOMException('No.', 'SecurityError');
      },
      deleteDatabase: () => {
        throw new DOMException('No.', 'SecurityError');
      },
    });
    const without = page();
    await without.keep(RUN, { id: 7 });
    expect(await without.find(RUN)).toBeUndefined();
    await without.clear();
  });
});

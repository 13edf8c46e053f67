import { TestBed } from '@angular/core/testing';
import type { Run } from '@yard-spool/contract';
import type { RunEvent } from '@yard-spool/core';
import { SavedReplies } from '../data/saved-replies';
import { aRun, anEvent } from '../testing/runs';
import { RunKeeper } from './run-keeper';

const turns = (seq: number): RunEvent =>
  anEvent(seq, { kind: 'turns', payload: { layer: 'main', turns: 1 } });
const log = (upTo: number): RunEvent[] => Array.from({ length: upTo }, (_, i) => turns(i + 1));

let written: string[];
let keeper: RunKeeper;
/** Keeps a run as it is now; the time until it is written goes by at once. */
const keep = (run: Run, events: readonly RunEvent[]): void => {
  keeper.keep(run, events);
  vi.runAllTimers();
};
const run = aRun();

beforeEach(() => {
  vi.useFakeTimers();
  written = [];
  const noted: Pick<SavedReplies, 'keep' | 'keepSince'> = {
    keep: (_address, reply) => {
      written.push(`whole with ${String((reply as Run).events.length)}`);
      return Promise.resolve();
    },
    keepSince: (_address, events) => {
      written.push(`since ${events.map(({ seq }) => seq).join(', ')}`);
      return Promise.resolve();
    },
  };
  TestBed.configureTestingModule({ providers: [RunKeeper, { provide: SavedReplies, useValue: noted }] });
  keeper = TestBed.inject(RunKeeper);
});
afterEach(() => vi.useRealTimers());

it('a run is written whole once, and then what comes to it', () => {
  keep(run, log(3));
  keep(run, log(4));
  keep(run, log(7));
  expect(written).toEqual(['whole with 3', 'since 4', 'since 5, 6, 7']);
});

it('what comes within half a second is written together, and nothing where nothing came', () => {
  keep(run, log(1));
  keeper.keep(run, log(2));
  keeper.keep(run, log(3));
  vi.runAllTimers();
  keep(run, log(3));
  expect(written).toEqual(['whole with 1', 'since 2, 3']);
});

it('a run that is another by now is written whole', () => {
  keep(run, log(2));
  keep({ ...run, state: 'closed' }, log(3));
  expect(written).toEqual(['whole with 2', 'whole with 3']);
});

it('what comes late, in among what is kept, is not left out', () => {
  keep(run, [turns(1), turns(3)]);
  keep(run, log(3));
  keep(run, log(4));
  expect(written).toEqual(['whole with 2', 'whole with 3', 'since 4']);
});

it('is written when the page goes', () => {
  keeper.keep(run, log(2));
  window.dispatchEvent(new Event('pagehide'));
  expect(written).toEqual(['whole with 2']);
});

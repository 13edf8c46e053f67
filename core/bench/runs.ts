// Speed of a run at the bench: a long log folded, and the spool under the handle worked out again at each count.
import {
  beginFold,
  foldOn,
  foldRun,
  runUnderWay,
  spoolUnderWay,
  stateOf,
  USUAL_HOUSE_RULES,
  type RunEvent,
  type RunFacts,
  type RunHappening,
  windingOn,
} from '../src/index';
import { medianMs, report } from './report';

const line = (key: string, diameter: number) => ({ key, material: 'nylon', diameter }) as const;
const FACTS: RunFacts = {
  request: {
    layers: [
      { kind: 'line', id: 'backing', role: 'backing', line: line('backing', 0.25), length: 'fits' },
      { kind: 'line', id: 'main', role: 'main', line: line('main', 0.26), length: 120 },
    ],
    gap: 1.5,
    gear: 5.2,
  },
  type: 'fixed-spool',
  rules: USUAL_HOUSE_RULES,
  mainFirst: false,
  leader: false,
};
const INPUT = {
  observations: [
    { kind: 'rating', length: 210, diameter: 0.25 } as const,
    { kind: 'rating', length: 148, diameter: 0.3 } as const,
    { kind: 'lip', diameter: 46 } as const,
  ],
};
let seq = 0;
const event = (happening: RunHappening): RunEvent => {
  seq += 1;
  return { ...happening, id: `e${String(seq)}`, run: '1', seq, at: '', by: 'Joss' };
};
const done = (step: string): RunEvent => event({ kind: 'step-done', payload: { step } });
const turns = (layer: string, count: number): RunEvent[] =>
  Array.from({ length: count }, () => event({ kind: 'turns', payload: { layer, turns: 0.1 } }));

// Ten minutes of a counter at four events a second.
const LOG = [
  done('strip'),
  done('mount'),
  done('tie-on'),
  ...turns('backing', 1600),
  done('wind-backing'),
  event({ kind: 'depth-read', payload: { after: 'backing', depth: 6.2, by: 'calliper' } }),
  done('depth-backing'),
  done('join-main'),
  ...turns('main', 800),
  event({ kind: 'depth-read', payload: { after: 'main', depth: 4.1, by: 'calliper' } }),
];

process.stdout.write('\nA run at the bench, median of 21 rounds\n');
report(
  `a log of ${String(LOG.length)} events folded`,
  medianMs(() => foldRun(FACTS, LOG), 21, 5),
  'ms',
);
const state = foldRun(FACTS, LOG);
report(
  'the spool under the handle, two depths read',
  medianMs(() => runUnderWay(INPUT, FACTS, state), 21, 5),
  'ms',
);
/** A run of so many events that is open, ready for one more count. */
function openRun(events: number): () => void {
  const log = Array.from({ length: events }, (_, i) => LOG[3 + (i % 1500)] ?? LOG[3]).flatMap((one, i) =>
    one ? [{ ...one, seq: i + 4, id: `o${String(i)}` }] : [],
  );
  const fold = beginFold(FACTS);
  foldOn(fold, [...LOG.slice(0, 3), ...log]);
  const spool = spoolUnderWay(INPUT, FACTS, stateOf(fold));
  if (!spool) throw new Error('This run can be worked out.');
  return () => {
    foldOn(fold, turns('backing', 1));
    windingOn(spool, stateOf(fold));
  };
}
for (const events of [10, 10_000])
  report(
    `a count to new turns to go, at event ${events.toLocaleString('en')}`,
    medianMs(openRun(events), 21, 5),
    'ms',
    4,
  );

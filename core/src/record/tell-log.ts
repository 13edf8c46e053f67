import type { UnitSystem } from '../quantities/units';
import type { RunEvent } from '../run/run-event';
import type { RunFacts } from '../steps/run-facts';
import { tellEvent } from './tell-event';

/** One line of a log as it is read: when, by whom, what. Counting that goes on is one line. */
export interface ToldEvent {
  readonly at: string;
  /** The end of what took a while. */
  readonly until: string;
  readonly by: string;
  readonly sentence: string;
  /** How many events it stands for. */
  readonly events: number;
}

type Counted = Extract<RunEvent, { kind: 'turns' | 'metres' }>;

const isCounting = (event: RunEvent): event is Counted => event.kind === 'turns' || event.kind === 'metres';

/** Whether an event only goes on counting what the last ones counted: marks of a meter lie in between. */
function goesOn(last: readonly RunEvent[], event: RunEvent): boolean {
  const counted = last.find(isCounting);
  if (!counted || event.by !== last[0]?.by) return false;
  if (event.kind === 'metered') return event.payload.layer === counted.payload.layer;
  return (
    isCounting(event) &&
    event.kind === counted.kind &&
    event.payload.layer === counted.payload.layer &&
    event.payload.device === counted.payload.device &&
    amountOf(event) > 0 === amountOf(counted) > 0
  );
}

const amountOf = ({ kind, payload }: Counted): number => (kind === 'turns' ? payload.turns : payload.metres);

/** A whole log, told. Nothing of it is left out; counting in a row is put together. */
export function tellLog(
  facts: RunFacts,
  log: readonly RunEvent[],
  units: UnitSystem = 'metric',
): ToldEvent[] {
  const rows: RunEvent[][] = [];
  for (const event of log) {
    const last = rows.at(-1);
    if (last && goesOn(last, event)) last.push(event);
    else rows.push([event]);
  }
  return rows.flatMap((events): ToldEvent[] => {
    const [first] = events;
    const last = events.at(-1);
    if (!first || !last) return [];
    const sentence = tellEvent(together(events) ?? first, { facts, log, units });
    return [{ at: first.at, until: last.at, by: first.by, sentence, events: events.length }];
  });
}

/** Counting in a row as one. */
function together(events: readonly RunEvent[]): Counted | null {
  const counting = events.filter(isCounting);
  const [first] = counting;
  if (!first) return null;
  const sum = counting.reduce((total, event) => total + amountOf(event), 0);
  return first.kind === 'turns'
    ? { ...first, payload: { ...first.payload, turns: sum } }
    : { ...first, payload: { ...first.payload, metres: sum } };
}

import { kindOfStep, noteProblem, type RunEvent, type RunFacts, type RunState } from '@yard-spool/core';
import { ProblemError } from '../problem-error';

/**
 * More than is counted on one layer of any reel, a slip of the finger that is taken back among it: turns as they are
 * counted, and metres. Whether a reel can hold what is left in the end is looked at when it is closed.
 */
const MOST = { turns: 30_000, metres: 30_000 } as const;

/**
 * Refuses what can have been seen in no fill like this one: another layer or step than it has, what is not written down at
 * its step, more turns or metres than any reel holds. What is in a log stays there and is reckoned with for good.
 */
export function checkEvents(facts: RunFacts, state: RunState, fresh: readonly RunEvent[]): void {
  const layers = new Set(facts.request.layers.map(({ id }) => id));
  for (const event of fresh) {
    const { payload } = event;
    if ('layer' in payload && !layers.has(payload.layer))
      refuse(`There is no layer "${payload.layer}" in this fill.`);
    if (event.kind === 'depth-read' && event.payload.after !== 'gap' && !layers.has(event.payload.after))
      refuse(`There is no layer "${event.payload.after}" in this fill.`);
    if (event.kind === 'device-at' && event.payload.was !== undefined)
      refuse('What a counter is called is set up with its bench.');
    if (event.kind === 'noted') checkNote(facts, event.payload);
  }
  checkCounts(facts, state, fresh);
}

function checkNote(facts: RunFacts, { step, values }: Extract<RunEvent, { kind: 'noted' }>['payload']): void {
  const kind = kindOfStep(step, facts);
  if (!kind) refuse(`There is no step "${step}" in this fill.`);
  const problem = noteProblem(kind, values);
  if (problem !== '') refuse(problem);
}

/** What a layer comes to with all that is sent, whichever way it went meanwhile. */
function checkCounts({ request }: RunFacts, state: RunState, fresh: readonly RunEvent[]): void {
  for (const { id } of request.layers) {
    let on: On = { turns: state.turns[id] ?? 0, metres: state.metres[id] ?? 0 };
    for (const event of fresh) {
      on = counted(on, id, event);
      if (Math.abs(on.turns) > MOST.turns || Math.abs(on.metres) > MOST.metres)
        refuse(
          'No reel takes this many turns or metres. Nothing of it was written down: put the count right.',
        );
    }
  }
}

interface On {
  readonly turns: number;
  readonly metres: number;
}

/** A layer after one more event. */
function counted(on: On, layer: string, { kind, payload }: RunEvent): On {
  if (!('layer' in payload) || payload.layer !== layer) return on;
  if (kind === 'turns') return { ...on, turns: on.turns + payload.turns };
  if (kind === 'count-set') return { ...on, turns: payload.turns };
  return kind === 'metres' ? { ...on, metres: on.metres + payload.metres } : on;
}

function refuse(sentence: string): never {
  throw new ProblemError('bad-request', sentence);
}

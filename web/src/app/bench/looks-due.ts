import {
  LOOK_AGAIN_AFTER,
  message,
  slackLookDue,
  type RunFacts,
  type RunState,
  type RunUnderWay,
  turnsRound,
  type Words,
} from '@yard-spool/core';

/** A look that belongs to the winding now: due, or from which turn on. */
export interface Look {
  readonly kind: 'slack' | 'lay' | 'tension';
  readonly key: string;
  readonly due: boolean;
  readonly words: Words;
}

/**
 * The looks that belong to the layer being wound, the one that is due first foremost: a slack metre after three free
 * spans, the lay about every 140 m, the tension once a fifth is on.
 *
 * @param span free line between supply and reel, m
 */
export function looksDue(facts: RunFacts, state: RunState, underWay: RunUnderWay, span: number): Look[] {
  const { winding } = underWay;
  const layer = facts.request.layers.find(({ id }) => id === winding?.layer);
  if (!winding || layer?.kind !== 'line') return [];
  return [
    ...slackLook(facts, state, winding, span),
    ...layLook(facts, state, winding),
    ...tensionLook(state, winding),
  ].sort((a, b) => Number(b.due) - Number(a.due));
}

type Winding = NonNullable<RunUnderWay['winding']>;

function slackLook({ type }: RunFacts, state: RunState, winding: Winding, span: number): Look[] {
  const way = state.supplies[winding.layer]?.way;
  // Nothing twists where the reel's spool turns and the supply does not stand over its end.
  const twists = turnsRound(type) ? way !== 'winder' : way === 'over-end';
  if (!twists || state.slacks.some(({ layer }) => layer === winding.layer)) return [];
  const turn = slackLookDue(winding.planned.perTurnStart, span);
  const due = winding.turns >= turn;
  return [
    {
      kind: 'slack',
      key: 'T',
      due,
      words: due
        ? 'Stop. Pinch two metres between cloth and reel, let them hang, and count the loop’s full turns.'
        : `A slack metre from turn ${String(turn)} on, between cloth and reel.`,
    },
  ];
}

function layLook({ type, rules }: RunFacts, state: RunState, winding: Winding): Look[] {
  if (type !== 'fixed-spool') return [];
  const last = state.lays.findLast(({ layer }) => layer === winding.layer)?.wound ?? 0;
  const at = last + LOOK_AGAIN_AFTER;
  const long = winding.planned.length.value;
  if (at > long && (last > 0 || long < LOOK_AGAIN_AFTER / 2)) return [];
  const from = Math.min(at, Math.max(LOOK_AGAIN_AFTER / 2, long / 2));
  const due = winding.lengthSoFar >= from;
  const then = rules.washers === 'at-the-bench' ? 'a washer corrects a taper' : 'write it down, washers wait';
  return [
    {
      kind: 'lay',
      key: 'L',
      due,
      words: due
        ? `Look at the lay: depth at the rear and at the front; ${then}.`
        : message('look.lay-after', { from: { m: from } }),
    },
  ];
}

function tensionLook(state: RunState, winding: Winding): Look[] {
  const last = state.tensions.findLast(({ layer }) => layer === winding.layer);
  if (last?.holds) return [];
  // Found loose, it is looked at again once it is wound beyond where it was.
  const from = last ? (last.wound ?? winding.lengthSoFar) : 0.2 * winding.planned.length.value;
  const due = winding.lengthSoFar > from;
  return [
    {
      kind: 'tension',
      key: 'H',
      due,
      words: due
        ? 'Let go of the tension: line that stays put is wound tight enough.'
        : last
          ? 'Whether it stays put now, once it is wound on beyond this.'
          : 'Whether it is tight enough, once a fifth is on.',
    },
  ];
}

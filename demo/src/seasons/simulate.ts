import {
  evidenceOfRun,
  type FillPlan,
  finalFill,
  foldRun,
  lengthBetween,
  makePlan,
  type PlanInput,
  type RunEvent,
  runFacts,
  type RunHappening,
  runSteps,
  turnsBetween,
  woundArea,
  type WoundLayer,
} from '@yard-spool/core';
import type { RunRules, Wants } from '@yard-spool/contract';
import { settleRunFill } from '@yard-spool/server';
import { planInputOf } from '../plan-input';
import type { LineCode } from '../lines';
import { Dice } from './dice';
import type { SeasonKind } from './kinds';

/** What a spool truly is, which nobody in the shop knows: mm, and how tight line lies on it. */
export interface TrueSpool {
  readonly lip: number;
  readonly arbor: number;
  readonly width: number;
  readonly packing: number;
}

/** How much thicker than printed each line truly winds. */
export type TrueLines = ReadonlyMap<LineCode, number>;

/** A fill that was made, with all that is written down of it. */
export interface PastFill {
  readonly planInput: PlanInput;
  readonly plan: FillPlan;
  readonly log: readonly RunEvent[];
  readonly gapRead: number;
  readonly gapByCount: number;
  readonly lies: readonly WoundLayer[];
  readonly settled: Extract<ReturnType<typeof settleRunFill>, { ok: true }>;
  /** Metres that truly went on, which nobody in the shop knows. */
  readonly truly: Readonly<Record<string, number>>;
}

/** A fill to be simulated: plain data, so that a worker can be given it. */
export interface Asked {
  readonly kind: SeasonKind;
  readonly main: SeasonKind['mains'][number];
  readonly spool: TrueSpool;
  readonly lines: TrueLines;
  readonly under: RunRules;
  readonly run: number;
  readonly at: Date;
  readonly by: string;
  /** Of its own chance: what comes out does not depend on what else is simulated. */
  readonly seed: number;
}

export const NO_WANTS: Wants = {
  leastMm: null,
  leader: '',
  dragKg: null,
  onItNow: '',
  mainFirst: false,
  endForEnd: false,
  gap: 'typed',
  bevelMm: null,
  counterOnly: false,
};
/** How exactly a depth is read with a calliper, and turns are counted by hand: one standard deviation. */
const READ_MM = 0.25;
const COUNTED = 0.004;
/** Where a hand stops about the gap that was asked for, mm. */
const STOPS_MM = 0.25;
/** The top layer is at least so high, mm: a plan that leaves less was not made. */
const LEAST_MM = 0.8;
const MINUTE_MS = 60_000;

/**
 * One fill as it truly went: backing wound to the turns that were planned, the main to the gap by eye, read and counted as
 * hands and callipers do. What it comes to is settled as the bench settles it. Null where no such plan can be made.
 */
export function simulateFill(asked: Asked): PastFill | null {
  const { kind, main, spool, under } = asked;
  const dice = new Dice(asked.seed);
  const planInput = planInputOf({
    label: kind.label,
    type: kind.type,
    gear: kind.gear,
    ratings: kind.ratings,
    gap: kind.gap,
    lip: Math.round(10 * dice.about(spool.lip, 0.002)) / 10,
    width: Math.round(10 * spool.width) / 10,
    main: { line: main[0], piece: '', length: main[1] },
    backing: { line: kind.backing, piece: '' },
    ...(kind.topShot ? { topShot: kind.topShot } : {}),
  });
  const made = makePlan(planInput);
  if (!made.ok) return null;
  const { plan } = made.value;
  const went = truth(asked, plan, dice);
  if (!went) return null;
  const facts = runFacts({ job: { planInput, type: kind.type, wants: NO_WANTS }, under });
  const log = logOf(asked, runSteps(facts), { ...went, dice });
  const state = foldRun(facts, log);
  const pieces = Object.fromEntries(plan.layers.map(({ id }) => [id, HELD]));
  const settled = settleRunFill({
    evidence: evidenceOfRun(planInput, facts, state, pieces),
    type: kind.type,
  });
  if (!settled.ok || settled.settled.question) return null;
  const lies = finalFill(
    facts,
    settled.settled.spool,
    settled.settled.layers.map((layer) => ({
      ...layer,
      length: layer.length.value,
      handleTurns: layer.handleTurns.value,
    })),
  );
  return {
    planInput,
    plan,
    log,
    lies,
    settled,
    truly: went.metres,
    gapRead: went.gapRead,
    gapByCount: lies.at(-1)?.depthAfter ?? 0,
  };
}

/** What the books say of the piece a layer comes off: plenty, and not exactly. */
const HELD = { length: 2000, sd: 41, sealed: false };

interface Went {
  readonly turns: Readonly<Record<string, number>>;
  readonly metres: Readonly<Record<string, number>>;
  /** Depths as they were read after each layer, mm. */
  readonly reads: Readonly<Record<string, number>>;
  readonly gapRead: number;
}

/** Each layer to the turns that were planned, the last one to the gap by eye. Null where the spool is full before. */
function truth({ kind, spool, lines }: Asked, plan: FillPlan, dice: Dice): Went | null {
  const lip = spool.lip / 2;
  const stop = lip - Math.max(0.4, kind.gap + STOPS_MM * dice.normal());
  const read = (radius: number): number =>
    Math.max(0.3, Math.round(10 * (lip - radius + READ_MM * dice.normal())) / 10);
  const turns: Record<string, number> = {};
  const metres: Record<string, number> = {};
  const reads: Record<string, number> = {};
  let inner = spool.arbor / 2;
  for (const [i, { id, request, handleTurns }] of plan.layers.entries()) {
    if (request.kind !== 'line') continue;
    const { key, diameter } = request.line;
    const area = woundArea(diameter, lines.get(key as LineCode) ?? 1, spool.packing);
    const last = i === plan.layers.length - 1;
    if (last && inner >= stop - LEAST_MM) return null;
    const wound = Math.round(
      last ? turnsBetween(spool.width, inner, stop, area) / kind.gear : handleTurns.value,
    );
    const outer = inner + (wound * kind.gear * area) / spool.width;
    turns[id] = Math.max(1, Math.round(dice.about(wound, COUNTED)));
    metres[id] = lengthBetween(spool.width, inner, outer, area);
    reads[id] = read(outer);
    inner = outer;
  }
  return { turns, metres, reads, gapRead: Object.values(reads).at(-1) ?? 0 };
}

function logOf(
  { run, at, by }: Asked,
  steps: ReturnType<typeof runSteps>,
  { turns, reads, gapRead, dice }: Went & { readonly dice: Dice },
): RunEvent[] {
  const log: RunEvent[] = [];
  const add = (happening: RunHappening): void => {
    const seq = log.length + 1;
    const when = new Date(at.getTime() + seq * MINUTE_MS).toISOString();
    log.push({ ...happening, id: idOf(run, seq), run: String(run), seq, at: when, by });
  };
  add({ kind: 'started', payload: { bench: 'Bench 1', benchId: 1 } });
  for (const step of steps) {
    const wound = step.layer === undefined ? undefined : turns[step.layer];
    if (step.kind === 'wind' && step.layer !== undefined && wound !== undefined)
      add({ kind: 'turns', payload: { layer: step.layer, turns: wound } });
    const depth = step.layer === undefined ? undefined : reads[step.layer];
    const looked = step.kind === 'depth' && depth !== undefined && dice.next() < 0.6;
    if (looked) add({ kind: 'depth-read', payload: { after: step.layer ?? '', depth, by: 'calliper' } });
    if (step.kind === 'gap')
      add({ kind: 'depth-read', payload: { after: 'gap', depth: gapRead, by: 'calliper' } });
    const skipped = step.kind === 'depth' && !looked;
    add({ kind: skipped ? 'step-skipped' : 'step-done', payload: { step: step.id } });
  }
  add({ kind: 'closed', payload: {} });
  return log;
}

/** The same each time, and one of a kind. */
const idOf = (run: number, seq: number): string =>
  `5ea50000-0000-4000-8${String(run).padStart(3, '0')}-${String(seq).padStart(12, '0')}`;

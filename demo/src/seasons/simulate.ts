import {
  evidenceOfRun,
  finalFill,
  foldRun,
  makePlan,
  runSteps,
  turnsBetween,
  lengthBetween,
  woundArea,
  type FillPlan,
  type PlanInput,
  type RunEvent,
  type RunHappening,
  type WoundLayer,
} from '@yard-spool/core';
import { runFacts, type RunRules, type Wants } from '@yard-spool/contract';
import { settleRunFill } from '@yard-spool/server';
import { planInputOf } from '../plan-input';
import type { LineCode } from '../lines';
import type { Dice } from './dice';
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

interface Asked {
  readonly kind: SeasonKind;
  readonly main: readonly [line: LineCode, metres: number];
  readonly spool: TrueSpool;
  readonly lines: TrueLines;
  readonly under: RunRules;
  readonly run: number;
  readonly at: Date;
  readonly by: string;
  readonly dice: Dice;
}

export const NO_WANTS: Wants = {
  ...{ leastMm: null, leader: '', dragKg: null, onItNow: '', mainFirst: false, endForEnd: false },
  ...{ gap: 'typed', bevelMm: null },
};
/** How exactly a depth is read with a calliper, and turns are counted by hand: one standard deviation. */
const READ_MM = 0.2;
const COUNTED = 0.004;
/** Where a hand stops about the gap that was asked for, mm. */
const STOPS_MM = 0.25;
const MINUTE_MS = 60_000;

/**
 * One fill as it truly went: backing wound to the turns that were planned, the main to the gap by eye, read and counted as
 * hands and callipers do. What it comes to is settled as the bench settles it. Null where no such plan can be made.
 */
export function simulateFill(asked: Asked): PastFill | null {
  const { kind, main, spool, dice, under } = asked;
  const planInput = planInputOf({
    ...{ label: kind.label, type: kind.type, gear: kind.gear, ratings: kind.ratings, gap: kind.gap },
    ...{ lip: Math.round(10 * dice.about(spool.lip, 0.002)) / 10, width: Math.round(10 * spool.width) / 10 },
    main: { line: main[0], piece: '', length: main[1] },
    backing: { line: kind.backing, piece: '' },
  });
  const made = makePlan(planInput);
  if (!made.ok) return null;
  const { plan } = made.value;
  const went = truth(asked, plan);
  if (!went) return null;
  const facts = runFacts({ job: { planInput, type: kind.type, wants: NO_WANTS }, under });
  const log = logOf(asked, runSteps(facts), went);
  const state = foldRun(facts, log);
  const pieces = { backing: HELD, main: HELD };
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
    ...{ planInput, plan, log, lies, settled, truly: went.metres, gapRead: went.gapRead },
    gapByCount: lies.at(-1)?.depthAfter ?? 0,
  };
}

/** What the books say of the piece a layer comes off: plenty, and not exactly. */
const HELD = { length: 2000, sd: 41, sealed: false };

interface Went {
  readonly turns: Readonly<Record<string, number>>;
  readonly metres: Readonly<Record<string, number>>;
  readonly joinRead: number;
  readonly gapRead: number;
}

function truth({ kind, main, spool, lines, dice }: Asked, plan: FillPlan): Went | null {
  const [lip, arbor] = [spool.lip / 2, spool.arbor / 2];
  const areaOf = (code: LineCode): number => {
    const line = plan.layers.flatMap(({ request }) => (request.kind === 'line' ? [request.line] : []));
    const diameter = line.find(({ key }) => key === code)?.diameter ?? 0.25;
    return woundArea(diameter, lines.get(code) ?? 1, spool.packing);
  };
  const planned = plan.layers.find(({ id }) => id === 'backing')?.handleTurns.value ?? 0;
  const backing = Math.round(planned);
  const backingArea = areaOf(kind.backing);
  const joined = arbor + (backing * kind.gear * backingArea) / spool.width;
  const stop = lip - Math.max(0.4, kind.gap + STOPS_MM * dice.normal());
  if (joined >= stop - 0.8) return null;
  const mainArea = areaOf(main[0]);
  const mainTurns = Math.round(turnsBetween(spool.width, joined, stop, mainArea) / kind.gear);
  const outer = joined + (mainTurns * kind.gear * mainArea) / spool.width;
  const counted = (turns: number): number => Math.max(1, Math.round(dice.about(turns, COUNTED)));
  const read = (radius: number): number =>
    Math.max(0.3, Math.round(10 * (lip - radius + READ_MM * dice.normal())) / 10);
  return {
    turns: { backing: counted(backing), main: counted(mainTurns) },
    metres: {
      backing: lengthBetween(spool.width, arbor, joined, backingArea),
      main: lengthBetween(spool.width, joined, outer, mainArea),
    },
    joinRead: read(joined),
    gapRead: read(outer),
  };
}

function logOf(
  { run, at, by, dice }: Asked,
  steps: ReturnType<typeof runSteps>,
  { turns, joinRead, gapRead }: Went,
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
    const looked = step.kind === 'depth' && step.layer !== undefined && dice.next() < 0.6;
    if (looked)
      add({ kind: 'depth-read', payload: { after: step.layer ?? '', depth: joinRead, by: 'calliper' } });
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

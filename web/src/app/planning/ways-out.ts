import {
  formatQuantity,
  METRES_PER_YARD,
  NOTHING_TAKEN,
  SMALL_STEP,
  type Dimension,
  type UnitSystem,
} from '@yard-spool/core';
import type { CutRow } from './cut-list';
import { cutRows } from './draft-job';
import { joinFor, joinText } from './draft-join';
import { planDraft, USUAL_TAIL_MM, type DraftPlan, type PlannedWith } from './draft-plan';
import { byLine, SOURCES } from './draft-sources';
import type { ReelDraft } from './reel-draft';

/** A way out of a plan that does not fit, or of a piece that is too short: what it is called, and what it changes. */
export interface WayOut {
  readonly name: string;
  readonly change: Partial<ReelDraft>;
}

/** What is said of a plan whose line does not end where it should. */
const OFF_LEVEL: ReadonlySet<string> = new Set([
  'does-not-fit',
  'negative-gap',
  'fuller-than-rule',
  'lower-than-rule',
  'proud-once-wet',
]);

/** Whether a plan or its cuts lack something, if only within the doubt. */
export const lacks = ({ made }: DraftPlan, cuts: readonly CutRow[]): boolean =>
  (made?.plan.issues.some(({ code }) => OFF_LEVEL.has(code)) ?? false) || cuts.some(lacksLine);

const lacksLine = ({ left, short = 0, comes }: CutRow): boolean =>
  comes === true || (left ?? 0) < 0 || short >= 0.5;

/**
 * The ways out of a shortfall, those that do work: a smaller gap, a shorter main, thinner line, more or less backing, or
 * line that has yet to come. Each is planned before it is offered.
 */
export function waysOut(
  draft: ReelDraft,
  plan: DraftPlan,
  cuts: readonly CutRow[],
  by: PlannedWith,
): WayOut[] {
  if (!plan.made || !lacks(plan, cuts)) return [];
  return [
    ...smallerGap(plan, by.system),
    ...shorterMain(plan, cuts, by.system),
    ...joinedBacking(draft, plan, cuts, by),
    ...lessBacking(draft),
    ...toTheGap(draft, plan, by),
    ...thinner(plan, by),
    ...laterLine(draft, cuts),
  ].filter(({ change }) => works({ ...draft, ...change }, by));
}

function works(draft: ReelDraft, by: PlannedWith): boolean {
  const plan = planDraft(draft, by);
  const fits = plan.made?.plan.issues.every(({ severity }) => severity !== 'error') ?? false;
  return fits && cutRows(plan, by.taken, by.tailMm).every(({ left }) => (left ?? 0) >= 0);
}

const shown = (value: number, dimension: Dimension, system: UnitSystem): string =>
  formatQuantity(value, dimension, system).text.replace(/\u00a0/g, ' ');

function smallerGap({ made }: DraftPlan, system: UnitSystem): WayOut[] {
  const issue = made?.plan.issues.find(({ code }) => code === 'does-not-fit');
  const gap = issue?.values?.gap;
  if (gap === undefined || gap < 0) return [];
  // Rounded down: what is typed must leave the room.
  const step = SMALL_STEP[system];
  const text = shown(Math.floor(gap / step + 1e-9) * step, 'small-length', system);
  return [{ name: `A smaller gap, ${text}`, change: { gap: text } }];
}

function shorterMain({ made, wanted }: DraftPlan, cuts: readonly CutRow[], system: UnitSystem): WayOut[] {
  if (!made || wanted === null) return [];
  const excess = made.plan.issues.find(({ code }) => code === 'does-not-fit')?.values?.excess ?? 0;
  const row = cuts.find(({ layer }) => layer === 'main');
  const lacking = Math.max(excess, -(row?.left ?? 0), row?.short ?? 0);
  const metres = wanted - lacking;
  if (lacking <= 0 || metres < 1) return [];
  const unit = system === 'metric' ? 1 : METRES_PER_YARD;
  const text = `${String(Math.floor(metres / unit))} ${system === 'metric' ? 'm' : 'yd'}`;
  return [{ name: `A shorter main, ${text}`, change: { mainLength: text } }];
}

/** Backing that was given a length or a level, and could make room. */
const lessBacking = ({ underneath, backingLength }: ReelDraft): WayOut[] =>
  underneath === 'backing' && backingLength.trim() !== ''
    ? [{ name: 'As much backing as fits', change: { backingLength: '' } }]
    : [];

/** The layer on top made to fit to the house's gap, where every layer had its amount: so much, said beside it. */
function toTheGap(draft: ReelDraft, { made }: DraftPlan, by: PlannedWith): WayOut[] {
  if (made?.plan.solvedFor !== null || draft.mainPiece === SOURCES.stays) return [];
  const top = draft.underneath === 'three-layer' ? 'top' : 'main';
  const change = { [AMOUNT_OF[top]]: FITS, gap: '' } as Partial<ReelDraft>;
  const length = planDraft({ ...draft, ...change }, by).made?.plan.layers.find(({ id }) => id === top)?.length
    .value;
  if (length === undefined || length < 1) return [];
  const name = top === 'top' ? 'top shot' : 'main';
  return [{ name: `As much ${name} as fits, ${shown(length, 'line-length', by.system)}`, change }];
}

const FITS = 'as much as fits';
const AMOUNT_OF = { main: 'mainLength', top: 'topLength' } as const;

/** The next thinner line of the same material. */
function thinner({ sources: { main } }: DraftPlan, { rack }: PlannedWith): WayOut[] {
  if (!main) return [];
  // Stripped line is good for backing only: a line of which nothing else is there is no way out.
  const there = new Set(
    rack.pieces
      .filter(({ kind, lengthMm }) => kind !== 'salvage' && lengthMm > 0)
      .map(({ product }) => product.code),
  );
  const [next] = rack.lines
    .filter(({ code }) => there.has(code))
    .filter(({ material, diameter }) => material === main.line.material && diameter < main.line.diameter)
    .sort((a, b) => b.diameter - a.diameter);
  return next ? [{ name: `Thinner: ${next.name}`, change: { mainPiece: byLine(next.code) } }] : [];
}

/** Backing joined from two pieces, where none has all of it. */
function joinedBacking(
  { underneath }: ReelDraft,
  { made, sources: { backing } }: DraftPlan,
  cuts: readonly CutRow[],
  { rack, taken = NOTHING_TAKEN, tailMm = USUAL_TAIL_MM }: PlannedWith,
): WayOut[] {
  const length = made?.plan.layers.find(({ id }) => id === 'backing')?.length;
  const isShort = cuts.some((row) => row.layer === 'backing' && lacksLine(row));
  if (underneath !== 'backing' || !backing || !length || !isShort) return [];
  const offered = rack.pieces.filter(
    ({ product, broughtWith }) => product.code === backing.product.code && broughtWith === null,
  );
  const join = joinFor(offered, length.high, taken, tailMm);
  if (!join) return [];
  const change = { backingPiece: String(join.first), joined: joinText(join) };
  return [{ name: `Joined from ${join.codes.join(' and ')}`, change }];
}

/** The same line from whichever piece has enough, or once some has come. */
const laterLine = ({ mainPiece, backingPiece }: ReelDraft, cuts: readonly CutRow[]): WayOut[] =>
  cuts.flatMap(({ layer, left, code }): WayOut[] => {
    if ((left ?? 0) >= 0 || !code) return [];
    const change = layer === 'main' ? { mainPiece: byLine(code) } : { backingPiece: byLine(code) };
    const same = layer === 'main' ? mainPiece === change.mainPiece : backingPiece === change.backingPiece;
    return same || (layer !== 'main' && layer !== 'backing')
      ? []
      : [{ name: 'Another piece of it, or when it comes', change }];
  });

import {
  dragTooHigh,
  makePlan,
  message,
  reverseAdvice,
  USUAL_HOUSE_RULES,
  USUAL_PLAN_RULES,
  type HouseRules,
  type PlanInput,
} from '@yard-spool/core';
import type { UnitsService } from '../data/units.service';
import { draftReader } from './draft-fields';
import { QUANTITY_FIELDS } from './quantity-fields';
import type { DraftPlan } from './draft-plan';
import { DRAFT_LAYERS } from './draft-sources';
import type { ReelDraft } from './reel-draft';

/** What has to be said beside a plan: what was taken as usual and what that changes, and what was asked and cannot hold. */
export function planNotes(
  draft: ReelDraft,
  planned: DraftPlan,
  units: UnitsService,
  rules: Pick<HouseRules, 'service'> = USUAL_HOUSE_RULES,
): string[] {
  return [
    gearNote(planned),
    keptNote(planned, units),
    gapNote(planned, units),
    dragNote(draft, planned, units),
    turnedNote(planned, units, rules),
    staysNote(planned, units),
  ].filter((note) => note !== '');
}

function gearNote({ input, assumed }: DraftPlan): string {
  if (!input || !assumed.includes('gear')) return '';
  return `Gear ${input.request.gear.toFixed(1)}:1 is taken, as usual for this type. Only the number of turns depends on it: read it off the reel, or stop by the depth.`;
}

/** Old line nobody measured, thin and thick, mm: ordinary nylons. From memory. */
const THIN = 0.25;
const THICK = 0.35;

function keptNote({ input, made, assumed }: DraftPlan, units: UnitsService): string {
  if (!input || !made || !assumed.includes('kept-diameter')) return '';
  const kept = input.request.layers.find((layer) => layer.kind === 'retained');
  // Kept up to a level, it takes the same room however thick it is.
  if (kept?.kind !== 'retained' || !('length' in kept.left)) return '';
  const thin = figureAt(input, THIN, units);
  const thick = figureAt(input, THICK, units);
  const taken = units.diameter(kept.line.diameter);
  if (thin === '' || thin === thick)
    return `The old line is taken to be ${taken}; how thick it is changes nothing.`;
  return `The old line is taken to be ${taken}. At ${units.diameter(THIN)} it comes to ${thin}, at ${units.diameter(THICK)} to ${thick}: measure it if that matters.`;
}

/** What a plan comes to with old line of a diameter. */
function figureAt(input: PlanInput, diameter: number, units: UnitsService): string {
  const layers = input.request.layers.map((layer) =>
    layer.kind === 'retained' ? { ...layer, line: { ...layer.line, diameter } } : layer,
  );
  const made = makePlan({ ...input, request: { ...input.request, layers } });
  if (!made.ok) return '';
  const { plan } = made.value;
  const solved = plan.layers.find(({ id }) => id === plan.solvedFor);
  if (solved?.request.kind !== 'line') return units.level(plan.gap.value);
  return `${units.length(solved.length.value)} of ${solved.request.role}`;
}

function gapNote({ gapUnused, made }: DraftPlan, units: UnitsService): string {
  if (!gapUnused || !made) return '';
  return `Every layer has its amount, so the gap that was typed has no say: it comes out ${units.level(made.plan.gap.value)}. Let one layer be as much as fits to stop at the gap.`;
}

function dragNote(draft: ReelDraft, { sources }: DraftPlan, units: UnitsService): string {
  const drag = draftReader(draft, units.system())('drag');
  const layers = DRAFT_LAYERS.flatMap((layer) => sources[layer] ?? []);
  const tooHigh =
    drag === null
      ? null
      : dragTooHigh(
          drag,
          layers.map(({ product }) => product.strengthKg),
        );
  if (drag === null || !tooHigh) return '';
  const { breaks, knot, weakest } = tooHigh;
  const name = layers[weakest]?.name ?? 'the weakest layer';
  const shown = (kilograms: number): string => units.show(kilograms, QUANTITY_FIELDS.drag.dimension, 1).text;
  return `A drag of ${shown(drag)} is more than ${name} stands: it is rated ${shown(breaks)}, a knot in it about ${shown(knot)}. Set less, or choose stronger line.`;
}

/** Line that is turned because it is worn: whoever asks for it has fished it for long enough. */
const WORN = { months: 1000, trips: 0 } as const;

/** Whether turning the line end for end is worth it, by what a long cast takes off. */
function turnedNote(
  { sources: { main }, made }: DraftPlan,
  units: UnitsService,
  rules: Pick<HouseRules, 'service'>,
): string {
  const length = made?.plan.layers.find(({ id }) => id === 'main')?.length.value;
  if (main?.from !== 'turned' || length === undefined) return '';
  const { sentence, why } = reverseAdvice(
    main.line,
    { length, fished: USUAL_PLAN_RULES.longCast },
    WORN,
    rules,
  );
  const cast = { m: USUAL_PLAN_RULES.longCast };
  return units.say(message('plan.with-casts', { cast, what: sentence, why }));
}

/** What happens to a reel whose line stays on. */
function staysNote({ sources: { main }, assumed }: DraftPlan, units: UnitsService): string {
  if (main?.from !== 'stays') return '';
  const guess = assumed.includes('kept-diameter')
    ? ` The line is taken to be ${units.diameter(main.line.diameter)} nylon: measure it for a surer first answer.`
    : '';
  return `Its line stays on. At the bench the counter is walked, and what it asks for goes on or comes off.${guess}`;
}

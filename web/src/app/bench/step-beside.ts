import type { Run } from '@yard-spool/contract';
import { dayText } from '../ui/day-text';
import { formatCount, soakAdvice, type RunStep } from '@yard-spool/core';
import { makerWords } from '../ui/maker-words';
import type { UnitsService } from '../data/units.service';

/** The day of an instant, short. */

const WASHERS = {
  leave: 'the washers were left as they were',
  'add-washer': 'a washer was added',
  'take-washer-out': 'a washer was taken out',
} as const;

type Units = Pick<UnitsService, 'length' | 'small' | 'strength' | 'diameter'>;

/** How things are said at a bench: in whose units, and how many spool turns one counted turn is. */
interface Saying {
  readonly units: Units;
  readonly per: number;
}

/** What stands beside a step: what was wanted, what was chosen, and what was done last time. */
export function besideStep(step: RunStep | null, run: Run, saying: Saying): string[] {
  const words = step ? BESIDE[step.kind]?.(run, saying, step.layer) : undefined;
  return (words ?? []).filter((sentence) => sentence !== '');
}

type Beside = (run: Run, saying: Saying, layer: string | undefined) => string[];

const BESIDE: Partial<Record<RunStep['kind'], Beside>> = {
  strip: (run, { units }) => [run.notes, onItNow(run), stays(run, units)],
  mount: (run) => [run.notes, turned(run)],
  grip: (run, { units }) => [tape(run, units)],
  wind: (run, saying, layer) => [
    onBox(run, layer),
    goesOnDry(run, layer),
    joinedFrom(run, saying, layer),
    sisterTook(run, saying, layer),
    lastSetUp(run),
  ],
  gap: (run) => [run.notes],
  leader: ({ job }) => [job.wants.leader && `Asked for: ${job.wants.leader}.`],
  'drag-reading': drag,
  drag,
  tag: (run) => [run.notes, goesBack(run)],
};

function drag({ job: { wants } }: Run, { units }: Saying): string[] {
  return [wants.dragKg === null ? '' : `Asked for: a drag of ${units.strength(wants.dragKg)}.`];
}

const onItNow = ({ job: { wants } }: Run): string =>
  wants.onItNow === '' ? '' : `On it now: ${wants.onItNow}.`;

/** How far to strip where old line stays on: by depth, and by the turns that stay. */
function stays({ job: { plan } }: Run, units: Units): string {
  const kept = plan.layers.filter(({ request }) => request.kind === 'retained');
  const top = kept.at(-1);
  if (!top) return '';
  const [metres, turns] = kept.reduce(
    ([length, counted], one) => [length + one.length.value, counted + one.handleTurns.value],
    [0, 0],
  );
  return `Strip until it sits ${units.small(top.depthAfter.value)} below the lip: about ${units.length(metres)} stay on, ${formatCount(turns)} handle turns.`;
}

/** Tape below the line: how much, and when to stop. */
function tape({ job: { plan } }: Run, units: Units): string {
  const layer = plan.layers.find(({ request }) => request.kind === 'tape');
  if (layer?.request.kind !== 'tape') return '';
  const wraps = Math.round(layer.wraps.value);
  return `${String(wraps)} ${wraps === 1 ? 'wrap' : 'wraps'} of tape ${units.diameter(layer.request.thickness)} thick, until it sits ${units.small(layer.depthAfter.value)} below the lip.`;
}

const turned = ({ job: { wants } }: Run): string =>
  wants.endForEnd
    ? 'Its own line is turned end for end: the full spool gives, the other one takes, both turning the same way.'
    : '';

/** What a like reel of the bag took of this layer, in the turns that are counted here. */
function sisterTook({ sister }: Run, { units, per }: Saying, layer: string | undefined): string {
  const took = sister?.layers.find((one) => one.layer === layer);
  if (!sister || !took || took.spoolTurns <= 0) return '';
  const came = sister.gap === null ? '' : `, and came out ${units.small(sister.gap)} below the lip`;
  return `${sister.tag}, its like, took ${formatCount(took.spoolTurns / per)} turns of this${came}.`;
}

/** What its maker says of the line that goes on, by which the right one is known. */
function onBox({ supplies }: Run, layer: string | undefined): string {
  const words = makerWords(supplies.find((one) => one.layer === layer)?.maker).join('; ');
  return words === '' ? '' : `On its box: ${words}.`;
}

/** Line that the house soaks, and that never was in a tub. */
function goesOnDry({ job: { cuts, planInput }, under }: Run, layer: string | undefined): string {
  const cut = cuts.find((one) => one.layer === layer);
  const asked = planInput.request.layers.find(({ id }) => id === layer);
  if (cut?.water !== 'dry' || asked?.kind !== 'line') return '';
  const { hours } = soakAdvice(asked.line, under.rules);
  const who = asked.line.soakHours === undefined ? 'the shop soaks this line' : 'its maker says to soak it';
  return hours === 0 ? '' : `Goes on dry: ${who} for ${String(hours)} h, and it is dry.`;
}

/** Backing that is joined from two pieces: how much of the first, and which is knotted on. */
function joinedFrom({ job: { cuts } }: Run, { units }: Saying, layer: string | undefined): string {
  const [first, second] = cuts.filter((one) => one.layer === layer);
  if (!first || !second) return '';
  return `Joined from two: ${units.length(first.lengthMm / 1000)} off ${first.pieceCode ?? ''}, then knot ${second.pieceCode ?? ''} to it.`;
}

/** Washers, label and rotation as last time. */
function lastSetUp({ lastTime }: Run): string {
  if (!lastTime) return '';
  const { washers, supply, at } = lastTime;
  const ways = [
    washers ? WASHERS[washers] : '',
    supply?.supplyTurns ? `the supply turned ${supply.supplyTurns}, seen from where its line leaves` : '',
    supply && !supply.supplyTurns ? `the supply stood ${supply.way.replace('-', ' ')}` : '',
  ].filter(Boolean);
  return ways.length > 0 ? `Last time, ${dayText(at)}: ${ways.join('; ')}.` : '';
}

/** What of the customer's own line goes back with the reel. */
const goesBack = ({ job: { cuts } }: Run): string => {
  const own = cuts.find((cut) => cut.own);
  return own ? `What is left of ${own.productName} is theirs: it goes back with the reel.` : '';
};

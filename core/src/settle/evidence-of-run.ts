import type { FillRequest } from '../plan/fill-request';
import type { PlanInput } from '../plan/make-plan';
import { isLine, type Observation, type WoundLength } from '../spool/observation';
import { layersBelow, underlayOf } from '../run/depth-observations';
import { stretchesAsObservations } from '../run/stretch-observations';
import { plannedBefore, sameEye } from '../run/by-eye';
import { priorsOf } from '../spool/beliefs';
import { inferSpool } from '../spool/infer-spool';
import type { DepthReading, RunState } from '../run/run-state';
import type { RunFacts } from '../steps/run-facts';
import { goesSince, segmentsOf, type Segment } from '../plan/segments';
import { askedIn, requestWound } from '../run/under-way';
import { gearAt } from '../run/winder';
import {
  EVIDENCE_SD,
  type DepthEvidence,
  type FillEvidence,
  type PieceHeld,
  type StretchEvidence,
} from './evidence';
import { countSpread } from './settle-problem';
import { rescaled } from './rescaled';
import type { SettledFill } from './settled-fill';

/**
 * Everything a run's log says of its fill.
 *
 * @param pieces what the piece of each layer held before it was wound, by layer id
 */
export function evidenceOfRun(
  input: Pick<PlanInput, 'observations' | 'beliefs'>,
  facts: RunFacts,
  state: RunState,
  pieces: Readonly<Record<string, PieceHeld>>,
): FillEvidence {
  const request = requestWound(input, facts, state);
  const eyes = eyesOf(input, facts, state);
  // Line off more than one piece is bounded by none of them alone.
  const changed = new Set(state.pieces.map(({ layer }) => layer));
  return {
    observations: input.observations,
    ...(input.beliefs ? { beliefs: input.beliefs } : {}),
    request,
    layers: request.layers
      .filter(({ kind }) => kind === 'line')
      .map(({ id }) => ({
        id,
        goes: goesCounted(state, id),
        ...(eyes.has(id) ? { byEye: { planned: eyes.get(id) ?? 0 } } : {}),
        per: gearAt(request, state.supplies, id),
        countedBy: state.byDevice.has(id) ? 'device' : 'hand',
        usedUp: state.usedUp.has(id) && !changed.has(id),
        // Line turned end for end is the customer's own: it comes off no piece.
        piece:
          state.supplies[id]?.way !== 'reverse' && !changed.has(id) && Object.hasOwn(pieces, id)
            ? (pieces[id] ?? null)
            : null,
      })),
    depths: state.depths.map((read) => depthOf(read, state)),
    stretches: stretchesOf(request, state),
    settlings: state.settlings,
  };
}

/** What was counted of a layer; on top of what was seen of it where it was wound by eye. */
function goesCounted({ wound, byEye }: RunState, id: string): Segment[] {
  const eye = byEye.get(id);
  const goes = segmentsOf(wound, id);
  return eye ? goesSince(eye.counted, goes) : goes.filter(isWound);
}

/** What was planned of each layer wound by eye when that was said, m. */
function eyesOf(
  input: Pick<PlanInput, 'observations' | 'beliefs'>,
  facts: RunFacts,
  { byEye, ...laid }: RunState,
): ReadonlyMap<string, number> {
  if (byEye.size === 0) return new Map();
  const spool = inferSpool(input.observations, priorsOf(input.beliefs));
  const asked = askedIn(input, facts, laid);
  return new Map(
    [...byEye].map(([id, eye]) => [id, spool.ok ? plannedBefore(spool.value, asked(eye.chosen), id) : 0]),
  );
}

/** A depth with what was counted then of each layer; nobody can tell of one that was wound by eye since. */
function depthOf({ after, depth, by, wound, byEye: then }: DepthReading, { byEye }: RunState): DepthEvidence {
  const layers = [...new Set([...byEye.keys(), ...then.keys()])];
  const told = layers.filter((id) => sameEye(byEye, then, id));
  const since = (id: string): Segment[] => goesSince(byEye.get(id)?.counted ?? [], segmentsOf(wound, id));
  const seen: Record<string, readonly Segment[]> = { ...wound };
  for (const id of told) seen[id] = since(id);
  return {
    after,
    depth,
    by,
    wound: seen,
    untold: layers.filter((id) => !told.includes(id)),
  };
}

/** Stretches of one layer that are kept apart once it is closed: they tell where it began, ended and how it grew. */
const MOST_METERED = 4;

function stretchesOf(request: FillRequest, state: RunState): StretchEvidence[] {
  const { observations, layers } = stretchesAsObservations(request, state, MOST_METERED);
  return observations.map((seen, i) => ({ layer: layers[i] ?? '', seen }));
}

/** Whether a depth, by its place, was answered to be misread. */
const isMisread = (settlings: FillEvidence['settlings'], at: number): boolean =>
  settlings.some(({ cause, about }) => cause === 'depth' && about === String(at));

const isWound = (go: Segment): boolean => ('metres' in go ? go.metres !== 0 : go.spoolTurns !== 0);

/**
 * What a closed fill leaves behind as observations of its spool: each depth with what was counted below it, and each pack
 * used up with the turns it took, and each metered stretch. Counts are kept as they were found to be right; what was found misread is left out, and
 * so is what rests on a layer nobody counted.
 */
export function observationsOfFill(evidence: FillEvidence, settled: SettledFill): Observation[] {
  const { request, layers, depths, settlings } = evidence;
  const rightly = (id: string, goes: readonly Segment[]): Segment[] =>
    goes.map((go) => ('metres' in go ? go : { spoolTurns: go.spoolTurns * settled.countFactor(id) }));
  const below = (
    until: readonly { readonly id: string }[],
    woundThen: (id: string) => readonly Segment[],
  ): WoundLength[] | null => {
    const on: WoundLength[] = [];
    for (const layer of request.layers.filter(({ id }) => until.some((one) => one.id === id))) {
      if (layer.kind !== 'line') {
        on.push(...underlayOf(layer));
        continue;
      }
      const seen = layers.find(({ id }) => id === layer.id);
      const goes = rightly(layer.id, woundThen(layer.id));
      if (!seen || seen.byEye || seen.goes.length === 0) {
        if (!seen?.usedUp || !seen.piece) return null;
        on.push({ line: layer.line, length: seen.piece.length });
      } else
        on.push(
          ...goes.map((go) =>
            'metres' in go
              ? { line: layer.line, length: Math.max(0, go.metres) }
              : { line: layer.line, spoolTurns: Math.max(0, go.spoolTurns) },
          ),
        );
    }
    return on;
  };
  const goesOf = (id: string): readonly Segment[] => layers.find((layer) => layer.id === id)?.goes ?? [];
  const looks = depths.flatMap((read, i): Observation[] => {
    if (
      isMisread(settlings, i) ||
      layersBelow(request, read.after).some(({ id }) => read.untold?.includes(id))
    )
      return [];
    const on = below(layersBelow(request, read.after), (id) => segmentsOf(read.wound, id));
    return on?.some(isLine) ? [{ kind: 'depth', layers: on, depth: read.depth, by: read.by }] : [];
  });
  const packs = layers.flatMap((seen): Observation[] => {
    const at = request.layers.findIndex(({ id }) => id === seen.id);
    const layer = request.layers[at];
    const on = below(request.layers.slice(0, at), goesOf);
    const turns = rightly(seen.id, seen.goes).reduce(
      (sum, go) => sum + ('spoolTurns' in go ? go.spoolTurns : NaN),
      0,
    );
    if (layer?.kind !== 'line' || seen.byEye || !seen.usedUp || !seen.piece || !on || !(turns > 1)) return [];
    const length = seen.piece.length * (seen.piece.sealed ? 1 + EVIDENCE_SD.pack.over : 1);
    const spread = seen.piece.sealed ? EVIDENCE_SD.pack.sd : seen.piece.sd / Math.max(1, seen.piece.length);
    const sd = Math.min(0.5, Math.max(0.003, Math.hypot(spread, countSpread(seen))));
    return [{ kind: 'stretch', layers: on, line: layer.line, spoolTurns: turns, length, sd }];
  });
  const metered = (evidence.stretches ?? []).flatMap(({ layer, seen }): Observation[] => {
    const at = request.layers.findIndex(({ id }) => id === layer);
    return below(request.layers.slice(0, at), goesOf) ? [rescaled(seen, settled.countFactor(layer))] : [];
  });
  return [...looks, ...packs, ...metered];
}

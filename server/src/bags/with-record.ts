import type { NewBagSchema } from '@yard-spool/contract';
import {
  keptFromRecord,
  lengthOn,
  OLD_LINE,
  topLine,
  type LayerRequest,
  type PlanInput,
} from '@yard-spool/core';
import type { InferOutput } from 'valibot';
import type { SpoolRow } from '../db/models/customers';
import type { Reading } from '../context/context';
import { lyingOn, type LyingLayer } from '../record/lying';
import { reelByTag } from '../record/reel-by-tag';

type JobRequest = InferOutput<typeof NewBagSchema>['jobs'][number];
type Asked = Pick<JobRequest, 'planInput' | 'wants'>;

/**
 * A plan's input with what the record knows of the reel: old line that stays on is the very line that lies there, and so is
 * line that is turned end for end, or stays on as it is, whatever it came with.
 *
 * @param meant the reel that is to be filled, and its spool where that is known; null where the reel is new here
 */
export async function withRecord(
  from: Reading,
  { planInput, wants }: Asked,
  meant: Meant | null,
): Promise<PlanInput> {
  const keeps = planInput.request.layers.some(isUnknown);
  if (!meant || !(keeps || wants.endForEnd || wants.counterOnly)) return planInput;
  const lies = await lyingOn(from, meant.spool);
  if (wants.counterOnly) return staysOn(planInput, lies);
  const fill = meant.spool?.fillId == null ? null : await from.tables.fills.findByPk(meant.spool.fillId);
  const turned = wants.endForEnd ? await givesTurned(from, meant, lies) : null;
  const layers = planInput.request.layers.flatMap((layer): LayerRequest[] => {
    if (isUnknown(layer) && fill && lies.length > 0)
      return keptFromRecord(lies, layer.left, fill.spool.lipRadius);
    if (layer.kind === 'line' && layer.id === 'main' && turned) return [{ ...layer, line: turned.line }];
    return [layer];
  });
  return { ...planInput, request: { ...planInput.request, layers } };
}

/** Line that stays on is what lies there by the record: the line on top, over what is below it. */
function staysOn(planInput: PlanInput, lies: readonly LyingLayer[]): PlanInput {
  const top = topLine(lies);
  const line = top.at(-1)?.line;
  const main = planInput.request.layers.find(({ id, kind }) => id === 'main' && kind === 'line');
  if (!line || main?.kind !== 'line') return planInput;
  const below = { length: lengthOn(lies) - lengthOn(top) };
  const layers = [
    ...planInput.request.layers.filter(({ kind }) => kind === 'reducer'),
    ...(below.length > 0 ? keptFromRecord(lies, below, 0) : []),
    { ...main, line, length: lengthOn(top) },
  ];
  return { ...planInput, request: { ...planInput.request, layers } };
}

const isUnknown = (layer: LayerRequest): layer is Extract<LayerRequest, { kind: 'retained' }> =>
  layer.kind === 'retained' && layer.line.key === OLD_LINE;

/** The line that is turned: what is on top of the reel's other spool, else of this one. */
async function givesTurned(
  from: Reading,
  { reelId, spool }: Meant,
  lies: readonly LyingLayer[],
): Promise<LyingLayer | null> {
  const spools = await from.tables.spools.findAll({ where: { reelId }, order: ['id'] });
  for (const other of spools.filter(({ id }) => id !== spool?.id)) {
    const top = (await lyingOn(from, other)).at(-1);
    if (top) return top;
  }
  return lies.at(-1) ?? null;
}

/** A reel that is known here, and the spool of it that is meant; null where that one is new. */
export interface Meant {
  readonly reelId: number;
  readonly spool: SpoolRow | null;
}

/** The reel and spool a booking means; null where the reel is new here. */
export async function spoolMeant(
  from: Reading,
  jobs: readonly Pick<JobRequest, 'tag' | 'spool' | 'sameReelAs'>[],
  at: number,
): Promise<Meant | null> {
  const job = jobs[at];
  const tag = job?.sameReelAs == null ? job?.tag : jobs[job.sameReelAs]?.tag;
  const reel = tag === undefined ? null : await reelByTag(from, tag);
  if (!reel || !job) return null;
  const spool = await from.tables.spools.findOne({ where: { reelId: reel.id, name: job.spool } });
  return { reelId: reel.id, spool };
}

import type { Fill, RecordedReel } from '@yard-spool/contract';
import { recordedTable, metresPer } from '@yard-spool/core';
import type { Reading } from '../context/context';
import { peopleNames } from '../people/people';
import { readReel } from '../reels/reels';

type RecordedFill = RecordedReel['spools'][number]['fills'][number];

/** The tags of a customer's reels, in order. */
export async function tagsOfCustomer({ tables }: Reading, customerId: number): Promise<string[]> {
  const reels = await tables.reels.findAll({ where: { customerId }, attributes: ['tag'], order: ['tag'] });
  return reels.map(({ tag }) => tag);
}

/** A reel with all that was put on it, and the log of each fill. */
export async function recordOfReel(from: Reading, tag: string): Promise<RecordedReel> {
  const reel = await readReel(from, tag);
  const logs = await logsOf(from, reel.fills);
  return {
    tag: reel.tag,
    tags: reel.tags,
    type: reel.type,
    label: reel.label,
    customer: { name: reel.customer.name, contact: reel.customer.contact },
    spools: reel.spools.map(({ name, on }) => ({
      name,
      dueAt: on?.dueAt ?? null,
      fills: reel.fills
        .filter(({ spoolName }) => spoolName === name)
        .map((fill) => ({ ...recorded(fill), log: logs.get(fill.runId) ?? [] })),
    })),
  };
}

async function logsOf(from: Reading, fills: readonly Fill[]): Promise<Map<number, RecordedFill['log']>> {
  const names = await peopleNames(from);
  const rows = await from.tables.runEvents.findAll({
    where: { runId: fills.map(({ runId }) => runId) },
    order: ['runId', 'seq'],
  });
  const logs = new Map<number, RecordedFill['log']>();
  for (const { runId, at, byId, kind, payload } of rows) {
    const log = logs.get(runId) ?? [];
    log.push({ at: at.toISOString(), by: names.get(byId) ?? '', kind, payload: { ...payload } });
    logs.set(runId, log);
  }
  return logs;
}

const recorded = (fill: Fill): Omit<RecordedFill, 'log'> => ({
  at: fill.closedAt,
  by: fill.by,
  bag: fill.bagNumber,
  gapRead: fill.gapRead,
  gapByCount: fill.gapByCount,
  spool: { lipRadius: fill.spool.lipRadius, arborRadius: fill.spool.arborRadius, width: fill.spool.width },
  layers: fill.layers.map(({ lengthMm, likelyMm: [low, high], line, lineName, pieceCode, ...layer }) => ({
    role: layer.role,
    line: lineName,
    material: line.material,
    diameter: line.diameter,
    piece: pieceCode,
    pieceKind: layer.pieceKind,
    lot: layer.lot,
    length: lengthMm / 1000,
    likely: [low / 1000, high / 1000] as [number, number],
    restsOn: [...layer.restsOn],
    handleTurns: layer.handleTurns,
    innerRadius: layer.innerRadius,
    outerRadius: layer.outerRadius,
  })),
  laid: fill.laid,
  counter: fill.counter && {
    unit: fill.counter.unit,
    match: fill.counter.match / metresPer(fill.counter.unit),
    reads: fill.counter.reads,
    agrees: fill.counter.agrees,
    table: recordedTable(fill.counter).map(({ length, reading }) => ({ length, reading: reading.value })),
  },
  corrections: fill.corrections,
  comebacks: fill.comebacks.map(({ at, complaint, saw, cause, found, did, fault, second, worked }) => ({
    at,
    complaint,
    saw,
    cause,
    found,
    did,
    fault,
    second,
    worked,
  })),
});

import type { Bag, Bench, Piece, Run } from '@yard-spool/contract';
import type { PlanInput, RunHappening } from '@yard-spool/core';
import type { Ask } from './ask';

/** Backing and main on the rack. */
export interface TwoPieces {
  readonly backing: Piece;
  readonly main: Piece;
}

/** The shop's first manager. */
export const WHO = { name: 'Faulty', passcode: 'bent-spindle-9' } as const;

/** Signs in as the first manager; made already where the answer was lost. */
export async function signIn(ask: Ask): Promise<void> {
  await ask.patiently('POST', '/sign-in/first', WHO).catch(() => undefined);
  await ask.patiently('POST', '/session', WHO);
}

/** What a technician has done before the first layer is wound. */
export async function upToBacking(ask: Ask, run: Run): Promise<void> {
  const done = ['strip', 'mount', 'tie-on'].map((step): RunHappening => ({
    kind: 'step-done',
    payload: { step },
  }));
  const events = done.map((one, i) => ({
    ...one,
    id: crypto.randomUUID(),
    run: String(run.id),
    seq: run.events.length + 1 + i,
    at: new Date().toISOString(),
    by: WHO.name,
  }));
  await ask.patiently('POST', `/runs/${String(run.id)}/events`, { events });
}

export const addBench = (ask: Ask, name: string, devices: readonly object[]): Promise<Bench> =>
  ask.patiently<Bench>('POST', '/benches', { name, spanMm: 1500, hand: 'right', devices });

export async function receiveTwo(ask: Ask): Promise<TwoPieces> {
  return { backing: await piece(ask, 'F-25', 0.25), main: await piece(ask, 'F-26', 0.26) };
}

function piece(ask: Ask, code: string, diameter: number): Promise<Piece> {
  const product = { code: `T-${code}`, name: `Nylon ${String(diameter)}`, material: 'nylon', diameter };
  return ask.patiently<Piece>('POST', '/pieces', {
    code,
    kind: 'bulk',
    place: 'Wall',
    lengthMm: 90_000_000,
    product: { ...product, strengthKg: null, tint: '#aabbcc' },
  });
}

/** A reel that is booked and taken to a bench. */
export async function runAt(ask: Ask, at: Bench, pieces: TwoPieces): Promise<Run> {
  const bag = await bookBag(ask, pieces, '2030-01-02T16:00:00.000Z');
  return ask.patiently<Run>('POST', '/runs', { jobId: bag.jobs[0]?.id, benchId: at.id });
}

/** A bag of reels that are alike. */
export const bookBag = (
  ask: Ask,
  { backing, main }: TwoPieces,
  promisedAt: string,
  labels: readonly string[] = ['Fault 3000'],
): Promise<Bag> =>
  ask.patiently<Bag>('POST', '/bags', {
    key: crypto.randomUUID(),
    customer: { name: 'Faults', contact: '' },
    notes: '',
    promisedAt,
    jobs: labels.map((label) => ({
      type: 'fixed-spool',
      label,
      planInput: planInput(),
      cuts: [
        { layer: 'backing', pieceId: backing.id },
        { layer: 'main', pieceId: main.id },
      ],
    })),
  });

function planInput(): PlanInput {
  const line = (key: string, diameter: number) => ({ key, material: 'nylon', diameter }) as const;
  return {
    observations: [
      { kind: 'rating', length: 210, diameter: 0.25 },
      { kind: 'lip', diameter: 46 },
    ],
    request: {
      layers: [
        { kind: 'line', id: 'backing', role: 'backing', line: line('T-F-25', 0.25), length: 'fits' },
        { kind: 'line', id: 'main', role: 'main', line: line('T-F-26', 0.26), length: 120 },
      ],
      gap: 1.5,
      gear: 5.2,
    },
  };
}

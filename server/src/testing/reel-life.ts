import type { Bag, Fill, GotRow, Page, Piece, Reel, Run } from '@yard-spool/contract';
import { runSteps, type LayerRequest, type RunFacts } from '@yard-spool/core';
import { FIRST_BENCH, numbered, PLAN_INPUT, RUN_FACTS } from './bookings';
import type { TestShop } from './test-shop';

type Ask = Awaited<ReturnType<TestShop['as']>>;
type SpoolName = 'own' | 'spare';

/** Line as it truly lies: its lot and its metres, arbor first. */
export type Truth = readonly { readonly lot: string; readonly metres: number }[];

const NO_WANTS = {
  leastMm: null,
  leader: '',
  dragKg: null,
  onItNow: '',
  mainFirst: false,
  endForEnd: false,
  gap: 'typed',
  bevelMm: null,
};
/** What the house reckons is lost with each cut, mm. */
const TAIL_MM = 2000;
const lengthOf = (lies: Truth): number => lies.reduce((sum, { metres }) => sum + metres, 0);

/** Line of which nobody knows anything. */
const OLD = { code: 'old line', material: 'nylon', diameter: 0.4 } as const;
const topOf = (lies: Truth): number => lies.at(-1)?.metres ?? 0;

/** Line of one lot on line of the same lot is told as one. */
function joined(lies: Truth): Truth {
  return lies.reduce<Truth>((all, one) => {
    const last = all.at(-1);
    return last?.lot === one.lot
      ? [...all.slice(0, -1), { ...last, metres: last.metres + one.metres }]
      : [...all, one];
  }, []);
}

/** The innermost metres of what truly lies there. */
export function bottom(lies: Truth, metres: number): Truth {
  let left = metres;
  return lies.flatMap(({ lot, metres: there }) => {
    const stays = Math.min(left, there);
    left -= stays;
    return stays > 0.001 ? [{ lot, metres: stays }] : [];
  });
}

type Mind = 'back' | 'salvage' | 'bin';

/** One reel of a shop over its life, with what truly lies on each of its spools. */
export class ReelLife {
  readonly truth: Record<SpoolName, Truth> = { own: [], spare: [] };
  tag = '';
  private customer = 0;
  /** What each piece gave to this reel, to tails, to salvage and to recycling, mm by piece code. */
  readonly gave = new Map<string, number>();

  constructor(
    private readonly ask: Ask,
    private readonly name: string,
  ) {}

  private async book(
    spool: SpoolName,
    layers: readonly LayerRequest[],
    cuts: readonly object[],
    wants: object = {},
  ): Promise<Run> {
    const job = {
      type: 'fixed-spool',
      label: 'Life 3000',
      spool,
      cuts,
      ...(this.tag === '' ? {} : { tag: this.tag }),
      planInput: { ...PLAN_INPUT, request: { layers, gear: 5.2 } },
      wants: { ...NO_WANTS, ...wants },
    };
    const customer = this.customer === 0 ? { name: this.name, contact: '' } : { id: this.customer };
    const asked = { key: crypto.randomUUID(), customer, notes: '', jobs: [job] };
    const { status, body } = await this.ask<Bag & { detail?: string }>('POST', '/bags', {
      ...asked,
      promisedAt: '2030-01-02T16:00:00.000Z',
    });
    if (status !== 201 && status !== 200) throw new Error(body.detail);
    this.customer = body.customer.id;
    this.tag = body.jobs[0]!.tag;
    return (await this.ask<Run>('POST', '/runs', { jobId: body.jobs[0]!.id, benchId: FIRST_BENCH })).body;
  }

  private takes(code: string, mm: number): void {
    this.gave.set(code, (this.gave.get(code) ?? 0) + mm);
  }

  /** What a fill drew off a piece: what is on record of it as new, and a tail. */
  private drew(fill: Fill, { code }: Piece): void {
    const fresh = fill.layers.filter(({ pieceCode, role }) => pieceCode === code && role !== 'kept');
    const mm = fresh.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
    if (mm > 0) this.takes(code, mm + TAIL_MM);
  }

  /** The log of a fill that went as the server planned it, up to a step or to its end. */
  private async wind(run: Run, { way, until = '' }: { way?: 'reverse'; until?: string } = {}): Promise<void> {
    const { planInput, plan, wants } = run.job;
    const facts: RunFacts = { ...RUN_FACTS, request: planInput.request, turned: wants.endForEnd };
    const log = [
      ...(way === undefined
        ? []
        : [{ kind: 'supply', payload: { layer: 'main', way, supplyTurns: null, reelTurns: null } }]),
      ...runSteps(facts, way === 'reverse' ? { main: 'reverse' } : {}).flatMap(({ id, kind, layer }) => [
        ...(kind === 'wind' && layer
          ? [
              {
                kind: 'turns',
                payload: {
                  layer,
                  turns: Math.round(plan.layers.find((one) => one.id === layer)?.handleTurns.value ?? 0),
                },
              },
            ]
          : []),
        { kind: 'step-done', payload: { step: id } },
      ]),
    ];
    const end =
      until === ''
        ? log.length
        : 1 + log.findIndex(({ payload }) => 'step' in payload && payload.step === until);
    const { status } = await this.ask('POST', `/runs/${String(run.id)}/events`, {
      events: numbered(run, run.events.length, log.slice(0, end)),
    });
    if (status !== 200) throw new Error('The log was refused.');
  }

  private async close(run: Run): Promise<Fill> {
    const { status, body } = await this.ask<Fill & { detail?: string }>(
      ...(['POST', `/runs/${String(run.id)}/close`, {}] as const),
    );
    if (status !== 200) throw new Error(body.detail ?? 'The run was not closed.');
    return body;
  }

  /** Fills a spool with new line, over so many metres of what is on it. */
  async fill(spool: SpoolName, piece: Piece, metres: number, keep = 0): Promise<Run> {
    const before = this.truth[spool];
    const old = { key: 'old line', material: 'nylon', diameter: 0.3 } as const;
    const { code: key, material, diameter } = piece.product;
    const keeps = keep > 0 && before.length > 0;
    const run = await this.book(
      spool,
      [
        ...(keeps ? [{ kind: 'retained', id: 'kept', line: old, left: { length: keep } } as const] : []),
        { kind: 'line', id: 'main', role: 'main', line: { key, material, diameter }, length: metres },
      ],
      [{ layer: 'main', pieceId: piece.id }],
    );
    await this.wind(run);
    const fill = await this.close(run);
    this.drew(fill, piece);
    const main = fill.layers.filter(({ role }) => role === 'main');
    this.truth[spool] = [
      ...(keeps ? bottom(before, keep) : []),
      { lot: piece.lot, metres: main.reduce((sum, { lengthMm }) => sum + lengthMm / 1000, 0) },
    ];
    return run;
  }

  /** Turns what is on top of one spool end for end, on to the other. */
  async turn(from: SpoolName, to: SpoolName): Promise<void> {
    const gives = this.truth[from].at(-1);
    if (!gives) return;
    const line = { key: 'anything', material: 'nylon', diameter: 0.26 } as const;
    const layer = { kind: 'line', id: 'main', role: 'main', line, length: gives.metres } as const;
    const run = await this.book(to, [layer], [], { endForEnd: true });
    await this.wind(run, { way: 'reverse' });
    const fill = await this.close(run);
    const went = fill.layers.reduce((sum, { lengthMm }) => sum + lengthMm / 1000, 0);
    this.truth[from] = bottom(this.truth[from], lengthOf(this.truth[from]) - Math.min(went, gives.metres));
    this.truth[to] = [{ lot: gives.lot, metres: went }];
  }

  /** Its counter is matched: so many metres go on off a piece, or come off where below zero; the rest stays as it lies. */
  async match(spool: SpoolName, piece: Piece, metres: number, booked?: Piece): Promise<Fill | null> {
    const before = this.truth[spool];
    if (lengthOf(before) === 0) return null;
    const { code: key, material, diameter } = booked?.product ?? OLD;
    const line = { key, material, diameter };
    const layer = { kind: 'line', id: 'main', role: 'main', line, length: 77 } as const;
    const cuts = booked ? [{ layer: 'main', pieceId: booked.id }] : [];
    const run = await this.book(spool, [layer], cuts, { counterOnly: true });
    const facts = { ...RUN_FACTS, request: run.job.planInput.request, counterOnly: true };
    const of = { layer: 'main' } as const;
    const log = [
      ...(metres > 0
        ? [{ kind: 'piece-changed', payload: { ...of, pieceId: piece.id, code: piece.code, usedUp: false } }]
        : []),
      { kind: 'metres', payload: { ...of, metres } },
      ...runSteps(facts).map(({ id }) => ({ kind: 'step-done', payload: { step: id } })),
    ];
    const { status } = await this.ask('POST', `/runs/${String(run.id)}/events`, {
      events: numbered(run, run.events.length, log),
    });
    if (status !== 200) throw new Error('The log was refused.');
    const fill = await this.close(run);
    if (metres > 0) this.takes(piece.code, 1000 * metres + TAIL_MM);
    this.truth[spool] =
      metres > 0
        ? joined([...before, { lot: piece.lot, metres }])
        : bottom(before, Math.max(lengthOf(before) - topOf(before), lengthOf(before) + metres));
    return fill;
  }

  /** So many metres more broke off. */
  async lose(spool: SpoolName, metres: number): Promise<void> {
    const { body: reel } = await this.ask<Reel>('GET', `/reels/${this.tag}`);
    const on = reel.spools.find(({ name }) => name === spool)?.on;
    if (!on) return;
    const offMm = on.offMm + Math.round(1000 * metres);
    await this.ask('POST', `/fills/${String(on.fillId)}/marks`, { kind: 'off', offMm, why: 'broke off' });
    this.truth[spool] = bottom(this.truth[spool], Math.max(0, lengthOf(this.truth[spool]) - metres));
  }

  /** Stripped, and so many metres wound, for a fill that nobody wanted any more: they go back, to salvage or into a bin. */
  async changeOfMind(spool: SpoolName, piece: Piece, to: Mind = 'back', metres = 0): Promise<void> {
    const { code: key, material, diameter } = piece.product;
    const layer = {
      kind: 'line',
      id: 'main',
      role: 'main',
      line: { key, material, diameter },
      length: 90,
    } as const;
    const run = await this.book(spool, [layer], [{ layer: 'main', pieceId: piece.id }]);
    await this.wind(run, { until: 'strip' });
    const { body: now } = await this.ask<Run>('GET', `/runs/${String(run.id)}`);
    await this.ask('POST', `/runs/${String(run.id)}/events`, {
      events: numbered(run, now.events.length, [{ kind: 'metres', payload: { layer: 'main', metres } }]),
    });
    if (to !== 'back') this.takes(piece.code, 1000 * metres);
    await this.ask('POST', `/runs/${String(run.id)}/give-up`, { why: 'not that after all', line: to });
    const { body: bag } = await this.ask<Bag>('GET', `/bags/${String(run.bagNumber)}`);
    await this.ask('POST', `/jobs/${String(run.job.id)}/cancel`, { version: bag.version, why: 'not that' });
    this.truth[spool] = [];
  }

  /** What the reel's page says lies on a spool, metres by line. */
  async told(spool: SpoolName): Promise<readonly { name: string; metres: number }[]> {
    const { body } = await this.ask<Reel>('GET', `/reels/${this.tag}`);
    const lines = body.spools.find(({ name }) => name === spool)?.on?.lines ?? [];
    const told = lines.map(({ name, lengthMm }) => ({ lot: name, metres: lengthMm / 1000 }));
    return joined(told).map(({ lot: name, metres }) => ({ name, metres }));
  }

  /** Whether the list of who got a lot says that some of it lies on this reel. */
  async stillHas(lot: string): Promise<boolean> {
    const { body } = await this.ask<Page<GotRow>>('GET', `/got?lot=${encodeURIComponent(lot)}`);
    return body.rows.some(({ tag, still }) => tag === this.tag && still);
  }
}

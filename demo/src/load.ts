import {
  fillUnderWay,
  foldRun,
  priorsOf,
  type RunEvent,
  runFacts,
  type RunHappening,
  type RunStep,
  runSteps,
  type Segments,
  windingNow,
} from '@yard-spool/core';
import type { Bag, Job, Person } from '@yard-spool/contract';
import {
  addPerson,
  appendEvents,
  bookBag,
  closeRun,
  moveJob,
  readBag,
  openShop,
  receivePiece,
  startRun,
  type ServerContext,
} from '@yard-spool/server';
import { DEMO_BAGS, type DemoBag, type DemoReel } from './bags';
import { DEMO_LINES, DEMO_PIECES } from './lines';
import { DEMO_PEOPLE } from './people';
import { demoFacts } from './piece-facts';
import { planInputOf } from './plan-input';
import { liveRackDays } from './rack-days';
import { FULL_RACK } from './seasons/rack';
import { writeDue } from './seasons/due';
import { bookWeek } from './seasons/week';
import { writeSeasons } from './seasons/write';
import { addBenches, nameShop, settleHouse, type BenchDevices } from './house-days';

const DAY = 86_400_000;
const MINUTE = 60_000;

/** A clock that is set by hand, so that the scenario's past lies in the past. */
interface SetClock {
  at: Date;
}

/**
 * Loads the scenario through the server's own services, so that every figure in it was made as a shop would make it.
 * Dates are relative to `today`.
 *
 * @param devices where the simulated counter of the second bench, and the line meter beside it, send from
 */
export async function loadDemo(
  sequelize: ServerContext['sequelize'],
  today: Date,
  devices: BenchDevices = {},
): Promise<void> {
  const clock: SetClock = { at: new Date(today.getTime() - 30 * DAY) };
  const context = openShop(sequelize, () => clock.at);
  const [manager, technician, ...others] = await addPeople(context);
  await addBenches(context, manager, devices);
  await nameShop(context, manager, devices);
  const past = devices.seasons
    ? await writeSeasons(context, [manager, technician, ...others], await devices.seasons)
    : null;
  const { pieces, products } = await receivePieces(context, manager, past?.products);
  const customers = new Map<string, number>(past?.customers);
  const waiting: Job[] = [];
  for (const bag of DEMO_BAGS) {
    clock.at = at(today, bag.bookedDay, 10);
    const booked = await book(context, manager, bag, today, pieces, customers);
    customers.set(bag.customer[0], booked.customer.id);
    if (bag.state === 'booked') {
      waiting.push(...booked.jobs);
      continue;
    }
    for (const job of booked.jobs)
      await fill(context, technician, clock, job, bag.state === 'filled' ? 'closed' : 'half');
    if (bag.state === 'filled') await finish(context, technician, booked, bag.promisedDay < -1);
  }
  if (past) {
    clock.at = new Date(today.getTime() - DAY);
    await bookWeek(context, technician, pieces, (day, hour) => at(today, day, hour));
    // A boat's counter waits for its walk; on the second bench, whose counter can be turned, nothing is done yet.
    const counter = byLabel(waiting, 'counter');
    const newest = waiting.at(-1);
    if (counter) await fill(context, technician, clock, counter, 'counter');
    await writeDue(context, technician);
    if (newest) await startRun(context, technician, newest.id, SECOND_BENCH_ID);
  }
  await liveRackDays(context, technician, clock, today, products);
  await settleHouse(context, manager, clock, today, customers);
}

async function addPeople(context: ServerContext): Promise<[Person, Person, ...Person[]]> {
  const people: Person[] = [];
  for (const { name, role, passcode } of DEMO_PEOPLE)
    people.push(await addPerson(context, name, role, passcode));
  const [manager, technician, ...others] = people;
  if (!manager || !technician) throw new Error('The demo needs two people.');
  return [manager, technician, ...others];
}

const at = (today: Date, day: number, hour: number): Date => {
  const date = new Date(today.getTime() + day * DAY);
  date.setHours(hour, 0, 0, 0);
  return date;
};

async function receivePieces(
  context: ServerContext,
  person: Person,
  there: ReadonlyMap<string, number> = new Map(),
): Promise<{ pieces: Map<string, number>; products: Map<string, number> }> {
  const products = new Map<string, number>(there);
  const pieces = new Map<string, number>();
  const all = there.size > 0 ? FULL_RACK : DEMO_PIECES;
  for (const [code, lineCode, metres, kind, place, price] of all) {
    const line = DEMO_LINES.find((one) => one.code === lineCode);
    if (!line) throw new Error(`The demo has no line ${lineCode}.`);
    const known = products.get(lineCode);
    const product = known === undefined ? { ...line } : { id: known };
    const piece = await receivePiece(context, person, {
      code,
      product,
      kind,
      place,
      lengthMm: metres * 1000,
      fromReel: null,
      ...demoFacts(code, kind, price),
    });
    products.set(lineCode, piece.product.id);
    pieces.set(code, piece.id);
  }
  return { pieces, products };
}

/** Checks the reels of a filled bag, and hands those back that were promised for an earlier day. */
async function finish(
  context: ServerContext,
  person: Person,
  { number, jobs }: Bag,
  gone: boolean,
): Promise<void> {
  for (const { id } of jobs)
    for (const to of gone ? (['ready', 'handed-back'] as const) : (['ready'] as const)) {
      const { version } = await readBag(context, number);
      await moveJob(context, person, id, { version, to, undo: false });
    }
}

function book(
  context: ServerContext,
  person: Person,
  bag: DemoBag,
  today: Date,
  pieces: ReadonlyMap<string, number>,
  customers: ReadonlyMap<string, number>,
): Promise<Bag> {
  const [name, contact] = bag.customer;
  const id = customers.get(name);
  return bookBag(context, person, {
    key: crypto.randomUUID(),
    customer: id === undefined ? { name, contact } : { id },
    promisedAt: at(today, bag.promisedDay, bag.promisedHour).toISOString(),
    notes: bag.notes ?? '',
    brought: [],
    jobs: bag.reels.map((reel) => newJob(reel, pieces)),
  });
}

function newJob(reel: DemoReel, pieces: ReadonlyMap<string, number>) {
  const piece = (code: string): number => pieces.get(code) ?? 0;
  const { observations, request } = planInputOf(reel);
  return {
    type: reel.type,
    label: reel.label,
    spool: 'own',
    sameReelAs: null,
    looks: '',
    wants: {
      leastMm: null,
      leader: '',
      dragKg: null,
      onItNow: '',
      mainFirst: false,
      bevelMm: null,
      endForEnd: false,
      counterOnly: false,
      gap: reel.gap === undefined ? ('house' as const) : ('typed' as const),
    },
    planInput: { observations: [...observations], request: { ...request, layers: [...request.layers] } },
    cuts: [
      { layer: 'backing', pieceId: piece(reel.backing.piece) },
      { layer: 'main', pieceId: piece(reel.main.piece) },
    ],
  };
}

const byLabel = (jobs: readonly Job[], words: string): Job | undefined =>
  jobs.find(({ label }) => label.includes(words));

/** The bench every shop begins with. */
const FIRST_BENCH = 1;
const SECOND_BENCH_ID = 2;

/** Fills a reel as at the bench: each step done in turn, the turns counted as the plan gives them at that moment. */
async function fill(
  context: ServerContext,
  person: Person,
  clock: SetClock,
  job: Job,
  until: 'closed' | 'half' | 'counter',
): Promise<void> {
  const run = await startRun(context, person, job.id, FIRST_BENCH);
  const facts = runFacts(run);
  const log: RunEvent[] = [...run.events];
  const add = (happening: RunHappening): void => {
    clock.at = new Date(clock.at.getTime() + MINUTE);
    const by = {
      id: crypto.randomUUID(),
      run: String(run.id),
      seq: log.length + 1,
      at: clock.at.toISOString(),
      by: person.name,
    };
    log.push({ ...happening, ...by });
  };
  for (const step of runSteps(facts)) {
    if (until === 'counter' && step.kind === 'counter') break;
    const turns = turnsOf(job, step, foldRun(facts, log).wound);
    const half = until === 'half' && step.kind === 'wind' && step.layer === 'main';
    if (step.layer !== undefined && turns > 0) {
      add({ kind: 'turns', payload: { layer: step.layer, turns: Math.round(turns * (half ? 0.4 : 1)) } });
    }
    if (half) break;
    if (step.kind === 'gap')
      add({ kind: 'depth-read', payload: { after: 'gap', depth: gapRead(job), by: 'calliper' } });
    add({ kind: step.kind === 'depth' ? 'step-skipped' : 'step-done', payload: { step: step.id } });
  }
  await appendEvents(context, person, run.id, log.slice(run.events.length));
  if (until === 'closed') {
    await closeRun(context, person, run.id);
    await context.behind.idle();
  }
}

/** A reading a little below the wish, as they come. */
const gapRead = ({ planInput }: Job): number => (planInput.request.gap ?? 0) + 0.1;

/** Turns a winding step takes from where the run stands; 0 for a step that winds nothing. */
function turnsOf({ planInput }: Job, step: RunStep, soFar: Segments): number {
  if (step.kind !== 'wind' || step.layer === undefined) return 0;
  const { observations, request, beliefs } = planInput;
  const fill = fillUnderWay({ observations, reads: [], request, segments: soFar }, priorsOf(beliefs));
  if (!fill.ok) throw new Error('A booked plan can be made again.');
  return windingNow(fill.value, step.layer)?.planned.handleTurns.value ?? 0;
}

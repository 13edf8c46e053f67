import type { Bag, Job } from '@yard-spool/contract';
import type { Reading } from '../context/context';
import { ProblemError } from '../problem-error';
import { broughtWith } from './brought-line';
import { historyOf } from '../history/bag-history';
import { jobsOf } from './jobs-of';

interface BagOf {
  readonly version: number;
  readonly promisedAt: Date;
  readonly notes: string;
  readonly bookedAt: Date;
  readonly bookedBy: string;
  readonly customerId: number;
  readonly name: string;
  readonly contact: string;
}

/** One bag with its jobs and their plans: six questions to the database, however many reels are in it. */
export async function readBag(from: Reading, number: number): Promise<Bag> {
  const [bag] = await from.query<BagOf>(
    `SELECT bags.version, bags.promised_at AS promisedAt, bags.notes, bags.booked_at AS bookedAt,
       COALESCE(people.name, '') AS bookedBy, customers.id AS customerId, customers.name, customers.contact
     FROM bags JOIN customers ON customers.id = bags.customer_id LEFT JOIN people ON people.id = bags.booked_by_id
     WHERE bags.id = :number`,
    { number },
  );
  if (!bag) throw new ProblemError('not-found', `There is no bag ${String(number)}.`);
  const [jobs, brought, history] = await Promise.all([
    jobsOf(from, { bags: [number] }),
    broughtWith(from, number),
    historyOf(from, number),
  ]);
  const { version, promisedAt, notes, bookedAt, bookedBy, customerId, name, contact } = bag;
  return {
    number,
    version,
    notes,
    bookedBy,
    jobs,
    brought,
    history,
    customer: { id: customerId, name, contact },
    promisedAt: promisedAt.toISOString(),
    bookedAt: bookedAt.toISOString(),
  };
}

/** One job by its own number. */
export async function readJob(from: Reading, id: number): Promise<Job> {
  const [job] = await jobsOf(from, { ids: [id] });
  if (!job) throw new ProblemError('not-found', 'This reel is not booked in any more.');
  return job;
}

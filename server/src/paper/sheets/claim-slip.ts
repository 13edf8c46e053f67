import type { Bag, Job } from '@yard-spool/contract';
import type { Content } from 'pdfmake/interfaces';
import { hairline, ROLL, roomOf, type Sheet } from '../sheet';
import type { House, Say } from '../say';

/** What a customer takes home while their reels are here. */
export function claimSlip(bag: Bag, say: Say, { shop }: House): Sheet {
  const jobs = bag.jobs.filter(({ state }) => state !== 'cancelled');
  const reels = `${String(jobs.length)} ${jobs.length === 1 ? 'reel' : 'reels'}`;
  return {
    ...ROLL,
    title: `Claim slip of bag ${String(bag.number)}`,
    content: [
      ...(shop === '' ? [] : [{ text: shop, bold: true, fontSize: 12 }]),
      {
        columns: [
          [
            { text: `Bag ${String(bag.number)}`, bold: true, fontSize: 26 },
            { text: bag.customer.name, bold: true },
            { text: bag.customer.contact },
          ],
          { width: 62, qr: String(bag.number), fit: 60, eccLevel: 'M' },
        ],
      },
      hairline(roomOf(ROLL)),
      { text: `${reels}, promised for`, margin: [0, 0, 0, 1] },
      { text: say.moment(bag.promisedAt), bold: true, fontSize: 14 },
      hairline(roomOf(ROLL)),
      ...jobs.map((job) => oneReel(job, say)),
      ...bag.brought.map(({ name, broughtMm }): Content => ({
        text: `Your own line: ${say.length(broughtMm / 1000)} ${name}. What is left comes back with the reels.`,
        margin: [0, 3, 0, 0],
      })),
      ...(bag.notes === '' ? [] : [{ text: bag.notes, margin: [0, 3, 0, 0] } satisfies Content]),
      hairline(roomOf(ROLL)),
      { text: `Taken in ${say.moment(bag.bookedAt)} by ${bag.bookedBy}. Bring this slip to fetch them.` },
    ],
  };
}

const oneReel = ({ tag, label, spool, plan, cuts }: Job, say: Say): Content => ({
  margin: [0, 0, 0, 3],
  stack: [
    { text: [{ text: tag, bold: true }, `  ${label}${spool === 'own' ? '' : `, ${spool} spool`}`] },
    ...plan.layers
      .filter(({ request }) => request.kind === 'line')
      .map(({ id, length, request }): Content => {
        const line = cuts.find(({ layer }) => layer === id)?.productName ?? '';
        const role = request.kind === 'line' ? request.role.replace('-', ' ') : '';
        return { text: `${role}: ${say.length(length.value)} ${line}`, margin: [8, 0, 0, 0] };
      }),
  ],
});

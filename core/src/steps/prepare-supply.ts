import { onlyIf, type BenchStep } from './bench-step';
import type { SupplyWayAtBench } from './supply-way';

/** How line is made ready that does not come straight off a supply, and what to look at. */
const READY: Partial<Record<SupplyWayAtBench, readonly [todo: (role: string) => string, look: string]>> = {
  'walked-out': [
    (role) => `Walk the ${role} out to its length, clear of anything it could catch on.`,
    'Nobody walks across it.',
  ],
  'drag-reel': [
    (role) => `Wind the ${role} on to the holding reel first, then set its drag to hold it back.`,
    'The drag gives evenly.',
  ],
  reverse: [
    (role) =>
      `Set the spool with the old ${role} face to face with this one, both turning the same way: the unused inner end comes out on top.`,
    'Worth it only where what is fished is less than half of what is on.',
  ],
};

/** Line that is walked out, held by another reel or turned end for end. */
export const prepareSupply: BenchStep = {
  when: ({ way }) => onlyIf(way !== null && READY[way] !== undefined),
  words: ({ way, role }) => {
    const [todo, look] = READY[way ?? 'drag-reel'] ?? [() => '', ''];
    return { name: 'Prepare the supply', todo: todo(role.toLowerCase()), look, cautions: ['wind'] };
  },
};

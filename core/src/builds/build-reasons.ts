import type { Build, BuildKind } from './build';
import { message, type Words } from '../words/message';

interface Figures {
  readonly uses: Build['uses'];
  readonly saves: number;
  /** Metres of main asked for. */
  readonly wanted: number;
  readonly wraps: number;
}

/** Why one would choose a build: what it gains and what it costs, in one sentence. */
export function reasonFor(kind: BuildKind, { uses, saves, wanted, wraps }: Figures): Words {
  switch (kind) {
    case 'backing':
      return saves > 0
        ? 'Just the main that is fished, for less than filling with main.'
        : 'Just the main that is fished, though backing saves no money here.';
    case 'shorter-main':
      return message('build.shorter-main', { less: { m: wanted - uses.main } });
    case 'main-only':
      return message('build.main-only', { main: { m: uses.main } });
    case 'tape':
      return wraps > 20
        ? `No join and no backing, but ${wraps.toFixed(0)} wraps of tape is a soft, uneven arbor: for small gaps only.`
        : `No join, no backing line: ${wraps.toFixed(0)} wraps of tape make up the room, and braid grips them.`;
    case 'main-first':
      return 'Comes out at the gap without trusting any figure, for a second winding on the spare spool.';
  }
}

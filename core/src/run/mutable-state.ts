import type { Line } from '../lines/line';
import type { NoteValue } from '../steps/step-field';
import type {
  ByEye,
  Chosen,
  DepthReading,
  LaySeen,
  PieceTaken,
  Restart,
  SlackSeen,
  SupplySeen,
  TensionSeen,
  Unheard,
  WalkSeen,
} from './run-state';
import type { MeterMark, MeteredStretch } from './metered';
import type { GrowingSegment } from '../plan/segments';
import { lineLayers } from '../steps/winding-order';
import type { RunFacts } from '../steps/run-facts';
import type { Settling } from './settling';

/** A run's state while its log is folded. */
export interface MutableState {
  done: Set<string>;
  skipped: Set<string>;
  byEye: ReadonlyMap<string, ByEye>;
  usedUp: Set<string>;
  turns: Record<string, number>;
  metres: Record<string, number>;
  wound: Record<string, GrowingSegment[]>;
  held: boolean;
  heldAt: Record<string, number>;
  devices: Record<string, number>;
  called: Record<string, string>;
  creditedTo: Record<string, string>;
  /** What one count of a device was last worth: handle turns of so many spool turns each, or metres where `per` is null. */
  worth: Record<string, { readonly layer: string; readonly each: number; readonly per: number | null }>;
  /** The count of each device that was last said without crediting what it went on by. */
  answeredAt: Record<string, number>;
  /** The place in the log where that was said. */
  answeredIn: Record<string, number>;
  /** The place of the event that is folded. */
  place: number;
  unheard: Record<string, Unheard>;
  counting: Set<string>;
  byDevice: Set<string>;
  depths: DepthReading[];
  supplies: Record<string, SupplySeen>;
  slacks: SlackSeen[];
  lays: LaySeen[];
  tensions: TensionSeen[];
  /** Where a line meter stood last; null once line may have moved uncounted since. */
  mark: MeterMark | null;
  stretches: MeteredStretch[];
  walks: WalkSeen[];
  moving: boolean;
  restarts: Restart[];
  chosen: Chosen[];
  pieces: PieceTaken[];
  lines: Record<string, Line>;
  aside: boolean;
  givenUp: boolean;
  settlings: Settling[];
  notes: Record<string, Record<string, NoteValue>>;
  bench: string | null;
  benchId: number | null;
  hands: string[];
  closed: boolean;
}

/** A record with no entries but its own: layers and devices are named by people, also `constructor`. */
export const record = <T>(): Record<string, T> => Object.create(null) as Record<string, T>;

/** Before the first event. Line that stays on is seen, not counted: what its counter asks for comes on top, or off it. */
export const emptyState = ({ request, counterOnly }: RunFacts): MutableState => ({
  done: new Set(),
  skipped: new Set(),
  usedUp: new Set(),
  byEye: new Map(
    counterOnly ? lineLayers(request).map(({ id }) => [id, { at: 0, counted: [], chosen: 0 }]) : [],
  ),
  turns: record(),
  metres: record(),
  wound: record(),
  held: false,
  called: record(),
  heldAt: {},
  devices: record(),
  creditedTo: record(),
  unheard: record(),
  answeredAt: record(),
  answeredIn: record(),
  place: 0,
  worth: record(),
  counting: new Set(),
  byDevice: new Set(),
  depths: [],
  supplies: record(),
  slacks: [],
  lays: [],
  tensions: [],
  lines: record(),
  pieces: [],
  aside: false,
  givenUp: false,
  mark: null,
  stretches: [],
  walks: [],
  moving: false,
  restarts: [],
  chosen: [],
  settlings: [],
  notes: record(),
  bench: null,
  benchId: null,
  hands: [],
  closed: false,
});

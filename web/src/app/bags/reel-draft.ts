import { FormGroup } from '@angular/forms';
import type { ReelType } from '@yard-spool/contract';
import { text } from '../ui/text-control';

/** What lies between arbor and main. */
export type Underneath = 'backing' | 'main-only' | 'tape' | 'three-layer';

/** Everything a person types about one reel, as typed. */
export interface ReelDraft {
  readonly tag: string;
  readonly spool: string;
  readonly type: ReelType;
  readonly label: string;
  readonly gear: string;
  readonly rating1: string;
  readonly rating2: string;
  /** What the ratings are for: nylon or braid. */
  readonly ratedFor: string;
  readonly lip: string;
  readonly width: string;
  readonly arbor: string;
  readonly farArbor: string;
  readonly retrieve: string;
  readonly onItNow: string;
  /** Depths closed fills of it have taught, as JSON; nobody types them. */
  readonly learned: string;
  /** Place in the bag of the reel this is another spool of; empty for a reel of its own. */
  readonly sameReelAs: string;
  readonly reducer: string;
  readonly keptDepth: string;
  readonly kept: string;
  readonly keptDiameter: string;
  readonly mainPiece: string;
  readonly mainLength: string;
  readonly least: string;
  readonly gap: string;
  readonly bevel: string;
  readonly underneath: Underneath;
  readonly backingPiece: string;
  readonly cushionLength: string;
  readonly topPiece: string;
  readonly topLength: string;
  readonly leader: string;
  readonly drag: string;
  /** 'yes' where the main goes on first and is swapped over. */
  readonly mainFirst: string;
}

export const emptyReel = (): ReelDraft => ({
  tag: '',
  spool: '',
  type: 'fixed-spool',
  label: '',
  gear: '5.0:1',
  rating1: '',
  rating2: '',
  ratedFor: 'nylon',
  lip: '',
  width: '',
  arbor: '',
  farArbor: '',
  retrieve: '',
  onItNow: '',
  learned: '',
  sameReelAs: '',
  reducer: '',
  keptDepth: '',
  kept: '',
  keptDiameter: '',
  mainPiece: '',
  mainLength: '',
  least: '',
  gap: '',
  bevel: '',
  underneath: 'backing',
  backingPiece: '',
  cushionLength: '45 m',
  topPiece: '',
  topLength: '270 m',
  leader: '',
  drag: '',
  mainFirst: '',
});

/** The same reel once more: everything but the tag, which no two share. */
export const likeReel = (reel: ReelDraft): ReelDraft => ({ ...reel, tag: '', spool: '', sameReelAs: '' });

/** Another spool of the same reel, filled alike until somebody says otherwise. */
export const spareOf = (reel: ReelDraft, at: number): ReelDraft => ({
  ...reel,
  tag: '',
  spool: 'spare',
  sameReelAs: String(at),
});

/** The draft as a form: one text control per field. */
export const reelForm = (draft: ReelDraft) =>
  new FormGroup(
    Object.fromEntries(Object.entries(draft).map(([field, value]) => [field, text(String(value))])) as Record<
      keyof ReelDraft,
      ReturnType<typeof text>
    >,
  );

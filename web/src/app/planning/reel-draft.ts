import { FormGroup } from '@angular/forms';
import type { ReelType } from '@yard-spool/core';
import { text } from '../ui/text-control';
import { QUANTITY_NAMES, type QuantityName } from './quantity-fields';

/** What lies between arbor and main. */
export const UNDERNEATH = ['backing', 'main-only', 'tape', 'grip', 'three-layer'] as const;
export type Underneath = (typeof UNDERNEATH)[number];

/** Figures as a person types them, in their own units: one for each entry of `QUANTITY_FIELDS`. */
type Figures = Readonly<Record<QuantityName, string>>;

/** Everything a person types about one reel, as typed. */
export interface ReelDraft extends Figures {
  readonly tag: string;
  readonly spool: string;
  readonly type: ReelType;
  readonly label: string;
  /** What tells it from others like it: its colour, a mark, a nick. */
  readonly looks: string;
  readonly rating1: string;
  readonly rating2: string;
  /** What the ratings are for: nylon or braid. */
  readonly ratedFor: string;
  readonly onItNow: string;
  /** Depths closed fills of it have taught, as JSON; nobody types them. */
  readonly learned: string;
  /** What is on record of its spools, as JSON; nobody types it. */
  readonly lies: string;
  /** Place in the bag of the reel this is another spool of; empty for a reel of its own. */
  readonly sameReelAs: string;
  /** How much old line stays on: a length, a level or a share. */
  readonly kept: string;
  /** A piece by its number, a line by `line:` and its code, or one of `SOURCES`; so for every layer. */
  readonly mainPiece: string;
  readonly mainLength: string;
  /** How much main was wanted before it became as much as fits; nobody types it. */
  readonly wantedMain: string;
  readonly underneath: Underneath;
  readonly backingPiece: string;
  /** What backing is joined from, where one piece has not enough; nobody types it. */
  readonly joined: string;
  /** Empty where it is as much as fits. */
  readonly backingLength: string;
  readonly gripLength: string;
  readonly cushionLength: string;
  readonly topPiece: string;
  readonly topLength: string;
  /** Line that is not the shop's: what it is. */
  readonly ownName: string;
  readonly ownMaterial: string;
  readonly leader: string;
  /** 'yes' where the main goes on first and is swapped over. */
  readonly mainFirst: string;
}

const NO_FIGURES = Object.fromEntries(QUANTITY_NAMES.map((name) => [name, ''])) as Figures;

export const emptyReel = (): ReelDraft => ({
  ...NO_FIGURES,
  tag: '',
  spool: '',
  type: 'fixed-spool',
  label: '',
  looks: '',
  rating1: '',
  rating2: '',
  ratedFor: 'nylon',
  onItNow: '',
  learned: '',
  lies: '',
  sameReelAs: '',
  kept: '',
  mainPiece: '',
  mainLength: '',
  wantedMain: '',
  underneath: 'backing',
  backingPiece: '',
  joined: '',
  backingLength: '',
  gripLength: '10 m',
  cushionLength: '45 m',
  topPiece: '',
  topLength: '270 m',
  ownName: '',
  ownMaterial: 'nylon',
  leader: '',
  mainFirst: '',
});

/** The same reel once more: everything but the tag, which no two share. */
export const likeReel = (reel: ReelDraft): ReelDraft => ({
  ...reel,
  tag: '',
  spool: '',
  sameReelAs: '',
  looks: '',
});

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

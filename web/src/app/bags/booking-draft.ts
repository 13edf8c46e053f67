import { DateTime } from 'luxon';
import { emptyReel, type ReelDraft } from '../planning/reel-draft';

/** Everything a person types to book a bag in, as typed. */
export interface BookingDraft {
  readonly key: string;
  readonly customerId: string;
  readonly customerName: string;
  readonly contact: string;
  readonly promised: string;
  readonly notes: string;
  readonly reels: readonly ReelDraft[];
}

const KEPT_AT = 'yard-spool.booking';

export const emptyDraft = (): BookingDraft => ({
  key: crypto.randomUUID(),
  customerId: '',
  customerName: '',
  contact: '',
  promised: DateTime.now().plus({ days: 1 }).set({ hour: 17, minute: 0 }).toFormat("yyyy-MM-dd'T'HH:mm"),
  notes: '',
  reels: [emptyReel()],
});

/** The draft as it was left, through an error, a reload or a lost server. */
export function savedDraft(): BookingDraft {
  try {
    const kept = JSON.parse(sessionStorage.getItem(KEPT_AT) ?? '{}') as Partial<BookingDraft>;
    const reels = kept.reels?.map((reel) => ({ ...emptyReel(), ...reel })) ?? [];
    return { ...emptyDraft(), ...kept, reels: reels.length > 0 ? reels : [emptyReel()] };
  } catch {
    return emptyDraft();
  }
}

export const keepDraft = (draft: BookingDraft): void => {
  sessionStorage.setItem(KEPT_AT, JSON.stringify(draft));
};

/** A reel that was asked about goes into the booking that is being typed: in place of one nobody has begun. */
export function addToDraft(reel: ReelDraft): void {
  const draft = savedDraft();
  const begun = draft.reels.filter(({ label, mainPiece }) => label !== '' || mainPiece !== '');
  keepDraft({ ...draft, reels: [reel, ...begun] });
}

/** Forgets the draft, after it was booked or on asking. */
export function dropDraft(): BookingDraft {
  sessionStorage.removeItem(KEPT_AT);
  return emptyDraft();
}

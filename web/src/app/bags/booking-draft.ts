import { FormControl, FormGroup } from '@angular/forms';
import type { ReelType } from '@yard-spool/contract';
import { DateTime } from 'luxon';

/** Everything a person types to book one reel in, as typed. */
export interface BookingDraft {
  readonly key: string;
  readonly customerId: string;
  readonly customerName: string;
  readonly contact: string;
  readonly promised: string;
  readonly notes: string;
  readonly tag: string;
  readonly type: ReelType;
  readonly label: string;
  readonly gear: string;
  readonly rating1: string;
  readonly rating2: string;
  readonly lip: string;
  readonly width: string;
  readonly arbor: string;
  readonly mainPiece: string;
  readonly mainLength: string;
  readonly gap: string;
  readonly underneath: string;
  readonly backingPiece: string;
}

const KEPT_AT = 'yard-spool.booking';

const emptyDraft = (): BookingDraft => ({
  key: crypto.randomUUID(),
  customerId: '',
  customerName: '',
  contact: '',
  promised: DateTime.now().plus({ days: 1 }).set({ hour: 17, minute: 0 }).toFormat("yyyy-MM-dd'T'HH:mm"),
  notes: '',
  tag: '',
  type: 'fixed-spool',
  label: '',
  gear: '5.0:1',
  rating1: '',
  rating2: '',
  lip: '',
  width: '',
  arbor: '',
  mainPiece: '',
  mainLength: '',
  gap: '1.5 mm',
  underneath: 'backing',
  backingPiece: '',
});

/** The draft as it was left, through an error, a reload or a lost server. */
export function keptDraft(): BookingDraft {
  try {
    return {
      ...emptyDraft(),
      ...(JSON.parse(sessionStorage.getItem(KEPT_AT) ?? '{}') as Partial<BookingDraft>),
    };
  } catch {
    return emptyDraft();
  }
}

export const keepDraft = (draft: BookingDraft): void => {
  sessionStorage.setItem(KEPT_AT, JSON.stringify(draft));
};

/** Forgets the draft, after it was booked or on asking. */
export function dropDraft(): BookingDraft {
  sessionStorage.removeItem(KEPT_AT);
  return emptyDraft();
}

/** The draft as a form: one text control per field. */
export const draftForm = (draft: BookingDraft) => {
  const text = (value: string) => new FormControl(value, { nonNullable: true });
  return new FormGroup({
    key: text(draft.key),
    customerId: text(draft.customerId),
    customerName: text(draft.customerName),
    contact: text(draft.contact),
    promised: text(draft.promised),
    notes: text(draft.notes),
    tag: text(draft.tag),
    type: text(draft.type),
    label: text(draft.label),
    gear: text(draft.gear),
    rating1: text(draft.rating1),
    rating2: text(draft.rating2),
    lip: text(draft.lip),
    width: text(draft.width),
    arbor: text(draft.arbor),
    mainPiece: text(draft.mainPiece),
    mainLength: text(draft.mainLength),
    gap: text(draft.gap),
    underneath: text(draft.underneath),
    backingPiece: text(draft.backingPiece),
  });
};

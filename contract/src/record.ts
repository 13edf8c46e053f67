import { CORRECTED, FAULT_CAUSES, LOOK_KEYS, SYMPTOMS } from '@yard-spool/core';
import * as v from 'valibot';
import { limit, WordsSchema } from './words';
import { CodeSchema, FigureSchema, IdSchema, InstantSchema, line, text, VersionSchema } from './basics';
import { REEL_TYPES } from '@yard-spool/core';
import { CustomerSchema } from './customers';
import { DrawingSchema, LineOnSchema } from './drawing';
import { afterOf } from './pages';

const value = v.nullable(v.union([text('A value', 200), FigureSchema, v.boolean()]));
const WHY = 'A reason';

/** A wrong entry in a closed record, as it should have been. The log keeps what it was. */
export const CorrectFillSchema = v.object({
  what: v.picklist(CORRECTED),
  about: text('What it is about', 80),
  is: value,
  why: line(WHY, 200),
});
export type CorrectFill = v.InferOutput<typeof CorrectFillSchema>;

/** Another owner, tag or name, on the reel as it was looked at. */
export const ChangeReelSchema = v.object({
  version: VersionSchema,
  tag: CodeSchema,
  label: line('What the reel is called'),
  looks: v.exactOptional(text('What it looks like', 80)),
  customerId: IdSchema,
});
export type ReelChange = v.InferOutput<typeof ChangeReelSchema>;

/** Two entries that are one reel: this one's spools and fills go to the other. */
export const MergeReelsSchema = v.object({ into: CodeSchema, why: line(WHY, 200) });

/** What is known of a fill since it was handed back. */
export const MarkFillSchema = v.variant('kind', [
  /** Trips since it was filled, in all. */
  v.object({
    kind: v.literal('trips'),
    trips: v.pipe(
      v.number(),
      v.integer('Trips are whole.'),
      v.minValue(0, 'Trips are zero or more.'),
      v.maxValue(2000, 'Trips are 2,000 at most.'),
    ),
  }),
  /** Line gone off its top since it was filled, in all: 0 where what was told before is not so. */
  v.object({
    kind: v.literal('off'),
    offMm: v.pipe(
      v.number(),
      v.integer(),
      v.minValue(0, 'What is gone is zero or more.'),
      v.maxValue(5_000_000, limit('limit.gone', { most: { m: 5000 } })),
    ),
    why: text('How it went', 200),
  }),
  /** Its main was turned end for end outside a run of ours. */
  v.object({ kind: v.literal('reversed') }),
  /** Its customer was told that it is due. */
  v.object({ kind: v.literal('told') }),
]);
export type FillMark = v.InferOutput<typeof MarkFillSchema>;

/** What a customer sees on a reel that comes back. */
export const COMPLAINTS = [...SYMPTOMS, 'other'] as const;
/** What it comes down to. */
export const CAUSES = [
  ...([
    'our-winding',
    'our-choice',
    'the-line',
    'the-reel',
    'how-it-is-fished',
    'nothing',
    'unknown',
  ] as const),
] as const;

/** A look at a reel that is not right, as it was answered. */
export const LookMadeSchema = v.object({ look: v.picklist(LOOK_KEYS), answer: text('An answer', 20) });

const found = {
  cause: v.nullable(v.picklist(CAUSES)),
  found: text('What was found', 300),
  did: text('What was done', 300),
  /** What is wrong with it, and what beside it; null where the causes were not gone through, or it is none of them. */
  fault: v.exactOptional(v.nullable(v.picklist(FAULT_CAUSES)), null),
  second: v.exactOptional(v.nullable(v.picklist(FAULT_CAUSES)), null),
  /** Looks that were made on the way there. */
  looks: v.exactOptional(v.pipe(v.array(LookMadeSchema), v.maxLength(LOOK_KEYS.length)), []),
  /** Whether what was done cured it; null where nobody said yet. */
  worked: v.exactOptional(v.nullable(v.boolean()), null),
};
export const NewComebackSchema = v.object({
  complaint: v.picklist(COMPLAINTS, 'Say what the customer saw.'),
  saw: text('What the customer saw', 300),
});
export type NewComeback = v.InferOutput<typeof NewComebackSchema>;
export const ChangeComebackSchema = v.pipe(
  v.object({ version: VersionSchema, ...NewComebackSchema.entries, ...found }),
  v.check(
    ({ fault, second }) => second === null || (fault !== null && fault !== second),
    'What is beside it is another cause than the first.',
  ),
  v.check(({ fault, cause }) => fault === null || cause !== null, 'Say whose matter it is as well.'),
);
export type ComebackChange = v.InferOutput<typeof ChangeComebackSchema>;
export const ComebackSchema = v.object({
  id: IdSchema,
  fillId: IdSchema,
  tag: v.string(),
  label: v.string(),
  customer: v.string(),
  filledAt: InstantSchema,
  filledBy: v.string(),
  at: InstantSchema,
  by: v.string(),
  complaint: v.picklist(COMPLAINTS),
  saw: v.string(),
  cause: v.nullable(v.picklist(CAUSES)),
  found: v.string(),
  did: v.string(),
  fault: v.nullable(v.picklist(FAULT_CAUSES)),
  second: v.nullable(v.picklist(FAULT_CAUSES)),
  looks: v.array(LookMadeSchema),
  worked: v.nullable(v.boolean()),
  version: VersionSchema,
});
export type Comeback = v.InferOutput<typeof ComebackSchema>;
export const ComebacksQuerySchema = v.object({
  /** `open`: what was found is not said yet. */
  which: v.optional(v.picklist(['all', 'open']), 'all'),
  after: afterOf(/^\d{0,12}$/),
});

/** What fills that came back more often than chance allows have in common. */
export const STANDS_OUT = ['lot', 'piece', 'hand', 'kind', 'rule'] as const;
export const ComebackFiguresSchema = v.object({
  /** Comebacks by what they turned out to be, month by month, oldest first; `null` where that is not known. */
  months: v.array(
    v.object({
      /** Its first day. */
      month: v.pipe(v.string(), v.isoDate()),
      causes: v.array(v.object({ cause: v.nullable(v.picklist(CAUSES)), count: v.number() })),
    }),
  ),
  /** What they turned out to be, by type of reel. */
  seen: v.array(
    v.object({ type: v.picklist(REEL_TYPES), fault: v.picklist(FAULT_CAUSES), count: v.number() }),
  ),
  standsOut: v.array(
    v.object({
      what: v.picklist(STANDS_OUT),
      name: v.string(),
      filled: v.number(),
      back: v.number(),
      /** Share of all other fills that came back. */
      elsewhere: v.number(),
      /** By chance it happens once in so many times. */
      odds: v.number(),
      /** The reels concerned, those that came back first; the latest of many. */
      reels: v.array(
        v.object({ tag: v.string(), label: v.string(), customer: v.string(), back: v.boolean() }),
      ),
    }),
  ),
});
export type ComebackFigures = v.InferOutput<typeof ComebackFiguresSchema>;

/** What lies on a spool now, in short. */
export const OnSpoolSchema = v.object({
  fillId: IdSchema,
  filledAt: InstantSchema,
  drawing: DrawingSchema,
  /** Its layers in words of the rack: what they are called, outermost last. */
  lines: v.array(LineOnSchema),
  gap: v.number(),
  /** Gone off the top since it was filled. */
  offMm: v.number(),
  trips: v.nullable(v.number()),
  reversedAt: v.nullable(InstantSchema),
  /** When it is due by the house's rule; null where only trips tell, and none were told. */
  dueAt: v.nullable(InstantSchema),
  by: v.picklist(['months', 'trips', 'loss']),
  toldAt: v.nullable(InstantSchema),
  /** Whether its line is worth turning end for end then, in a sentence. */
  reverse: WordsSchema,
});
export type OnSpool = v.InferOutput<typeof OnSpoolSchema>;

export const DueRowSchema = v.object({
  tag: v.string(),
  type: v.picklist(REEL_TYPES),
  label: v.string(),
  spool: v.string(),
  customer: CustomerSchema,
  on: OnSpoolSchema,
  /** Whether it lies in a bag here already. */
  here: v.boolean(),
});
export type DueRow = v.InferOutput<typeof DueRowSchema>;
export const DueQuerySchema = v.object({
  /** Due by then; now where nothing is said. */
  by: v.optional(v.union([v.literal(''), InstantSchema]), ''),
  /** Whether those whose customer was told already are left out. */
  told: v.optional(v.picklist(['hide', 'show']), 'hide'),
  after: afterOf(/^(\d{1,15}_\d{1,12})?$/),
});

/** A customer with all of theirs. */
export const CustomerPageSchema = v.object({
  customer: CustomerSchema,
  version: VersionSchema,
  reels: v.array(
    v.object({
      tag: v.string(),
      type: v.picklist(REEL_TYPES),
      label: v.string(),
      spools: v.array(v.object({ name: v.string(), on: v.nullable(OnSpoolSchema) })),
      comebacks: v.number(),
    }),
  ),
  /** More reels than are shown here. */
  more: v.boolean(),
  /** What they had most: gap as wanted, leader and main line, each with how often of the last fills. */
  likes: v.object({
    fills: v.number(),
    gap: v.nullable(v.object({ mm: v.number(), times: v.number() })),
    leader: v.nullable(v.object({ words: v.string(), times: v.number() })),
    main: v.nullable(v.object({ name: v.string(), times: v.number() })),
    guides: v.nullable(WordsSchema),
  }),
  /** Their own line that is here. */
  line: v.array(
    v.object({ code: v.string(), name: v.string(), tint: v.string(), lengthMm: v.number(), bag: IdSchema }),
  ),
  bags: v.array(
    v.object({ number: IdSchema, promisedAt: InstantSchema, open: v.boolean(), reels: v.number() }),
  ),
});
export type CustomerPage = v.InferOutput<typeof CustomerPageSchema>;
export const ChangeCustomerSchema = v.object({
  version: VersionSchema,
  name: line('The customer’s name'),
  contact: text('A contact', 80),
});
export type CustomerChange = v.InferOutput<typeof ChangeCustomerSchema>;

/** What has been wound on a kind of reel: one recipe for each pair of lines. */
export const RecipeSchema = v.object({
  main: v.string(),
  backing: v.nullable(v.string()),
  times: v.number(),
  lastAt: InstantSchema,
  /** The reel it was on last, by which it is taken up again. */
  tag: v.string(),
  /** Middle of what was wound, and least and most. */
  mainMm: v.tuple([v.number(), v.number(), v.number()]),
  backingMm: v.nullable(v.tuple([v.number(), v.number(), v.number()])),
  mainTurns: v.number(),
  backingTurns: v.nullable(v.number()),
  gap: v.nullable(v.tuple([v.number(), v.number(), v.number()])),
  drawing: DrawingSchema,
});
export type Recipe = v.InferOutput<typeof RecipeSchema>;

import {
  BUILT_IN_CAUTIONS,
  CAUTION_PLACES,
  type CautionPlace,
  HOUSE_QUESTIONS,
  type HouseQuestion,
  type HouseRules,
  STREAMS,
} from '@yard-spool/core';
import * as v from 'valibot';
import { LOCAL_USE } from './country';
import { OpenHoursSchema, USUAL_HOURS } from './day';
import { limit, WordsSchema } from './words';
import { oneLine } from './hidden';
import { IdSchema, InstantSchema, line, MillimetresSchema, text, VersionSchema } from './basics';
import { PrinterSchema, WordingsSchema } from './wordings';

const QUESTIONS = Object.keys(HOUSE_QUESTIONS) as HouseQuestion[];
const schoolsOf = (name: HouseQuestion): string[] => HOUSE_QUESTIONS[name].schools.map(({ id }) => id);

export const QuestionSchema = v.picklist(QUESTIONS, 'Name one of the disputed questions.');

/** The shop's school on each disputed question; a question left out keeps its usual one. */
export const HouseRulesSchema = v.object(
  Object.fromEntries(QUESTIONS.map((name) => [name, v.picklist(schoolsOf(name))])),
) as unknown as v.GenericSchema<HouseRules>;

/** What the shop reckons its money in: a sign or a few letters. */
const MoneySchema = v.pipe(
  v.string(),
  v.transform(oneLine),
  v.minLength(1, 'Say what the shop reckons its money in.'),
  v.maxLength(4, 'At most four letters or one sign.'),
);

/** A time zone by its name in the tz database, or empty for the zone of the machine the screen is on. */
const ZoneSchema = v.pipe(
  v.string(),
  v.check(
    (zone) => zone === '' || isZone(zone),
    'This time zone is not known. Write it like Europe/Lisbon, or leave it empty for this machine’s own.',
  ),
);

function isZone(zone: string): boolean {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: zone }).resolvedOptions().timeZone !== '';
  } catch {
    return false;
  }
}

const CautionTextSchema = text('A caution', 300);

/** Other words for built-in cautions, by id, and the shop's own beside them. */
const OwnCautionsSchema = v.object({
  words: v.object(
    Object.fromEntries(BUILT_IN_CAUTIONS.map(({ id }) => [id, v.exactOptional(CautionTextSchema)])),
  ),
  more: v.pipe(
    v.array(
      v.object({
        at: v.picklist(Object.keys(CAUTION_PLACES) as CautionPlace[], 'Say where it is shown.'),
        title: line('A title', 60),
        text: line('A caution', 300),
      }),
    ),
    v.maxLength(20, 'Twenty cautions of your own are the most: more are not read.'),
  ),
});

/** Where old line of each material goes, in the shop's words. */
const BinsSchema = v.object(
  Object.fromEntries(STREAMS.map((stream) => [stream, text('A bin', 80)])),
) as unknown as v.GenericSchema<Record<(typeof STREAMS)[number], string>>;

/** Everything a shop decides once, in one versioned sheet. */
const options = {
  rules: HouseRulesSchema,
  money: MoneySchema,
  /** Lost with each cut: knots, trimming, the tail taped down. */
  tailMm: v.pipe(
    MillimetresSchema,
    v.minValue(0, 'A tail cannot be less than zero.'),
    v.maxValue(20_000, limit('limit.at-most-m', { what: 'A tail', most: { m: 20 } })),
  ),
  /** Among it the units a new screen begins with; each person switches their own. */
  ...LOCAL_USE,
  zone: ZoneSchema,
  /** Minutes without use after which somebody is signed out; 0 for never. */
  idleMinutes: v.optional(
    v.pipe(
      v.number(),
      v.integer('Minutes are whole.'),
      v.check((minutes) => minutes === 0 || minutes >= 5, 'At least 5 minutes, or 0 for never.'),
      v.maxValue(720, 'After 12 hours everybody is signed out anyway: type up to 720 minutes.'),
    ),
    240,
  ),
  /** When the shop is open: what the day is planned within. */
  hours: v.optional(OpenHoursSchema, USUAL_HOURS),
  /** What the shop is called on paper and in messages; empty for nothing. */
  shopName: v.optional(text('The shop’s name', 60), ''),
  /** Where its label printer listens, host:port; empty where it has none. */
  printer: v.optional(PrinterSchema, ''),
  /** What its messages say, with {words} in braces filled in; empty for the usual. */
  wordings: v.optional(WordingsSchema, { ready: '', due: '', waits: '' }),
  bins: BinsSchema,
  cautions: OwnCautionsSchema,
};

export const SavedHouseRulesSchema = v.object({ ...options, version: VersionSchema });
export type SavedHouseRules = v.InferOutput<typeof SavedHouseRulesSchema>;

/** Rules somebody thinks of, to see what they would change. */
export const PreviewRulesSchema = v.object({ rules: HouseRulesSchema });

const ChangedAdviceSchema = v.object({ question: QuestionSchema, was: WordsSchema, is: WordsSchema });

/** What other rules would change on one reel that waits. */
const PreviewReelSchema = v.object({
  jobId: IdSchema,
  bagNumber: IdSchema,
  customer: v.string(),
  promisedAt: InstantSchema,
  tag: v.string(),
  label: v.string(),
  advice: v.array(ChangedAdviceSchema),
  /** The gap and the metres of each layer, where the plan is made again; null where it stays. */
  plan: v.nullable(
    v.object({
      gap: v.object({ was: v.number(), is: v.number() }),
      layers: v.array(v.object({ role: v.string(), was: v.number(), is: v.number() })),
    }),
  ),
  /** Why the plan stays as it is though the rule would have it otherwise; empty where it does not. */
  stays: WordsSchema,
});
export type PreviewReel = v.InferOutput<typeof PreviewReelSchema>;

export const PreviewSchema = v.object({
  /** Those that change, the one promised soonest first. */
  reels: v.array(PreviewReelSchema),
  /** Reels that wait and stay as they are. */
  unchanged: v.number(),
  /** Reels on a bench, which keep the rules they began under. */
  onTheBench: v.number(),
});
export type Preview = v.InferOutput<typeof PreviewSchema>;

/** Something the house was changed in: what it was and what it is, as people say it. Never edited, never removed. */
export const HouseChangeSchema = v.object({
  id: IdSchema,
  at: InstantSchema,
  by: v.string(),
  about: v.string(),
  was: WordsSchema,
  is: WordsSchema,
});
export type HouseChange = v.InferOutput<typeof HouseChangeSchema>;

/** The supply and the reel a shop uses most, and the nylons it keeps. Null where it has none yet. */
export const HabitsSchema = v.object({
  reel: v.nullable(
    v.object({
      label: v.string(),
      times: v.number(),
      /** Diameters of the main, mm, inside and outside, and where the backing below it ends. */
      diameters: v.tuple([v.number(), v.number()]),
      arborMm: v.number(),
    }),
  ),
  supply: v.nullable(
    v.object({
      code: v.string(),
      product: v.string(),
      times: v.number(),
      diameters: v.tuple([v.number(), v.number()]),
      measured: v.boolean(),
    }),
  ),
  nylons: v.array(v.object({ name: v.string(), diameter: v.number(), tint: v.string() })),
});
export type Habits = v.InferOutput<typeof HabitsSchema>;

import { UNIT_SYSTEMS } from '@yard-spool/core';
import * as v from 'valibot';

/** What is put on paper, and what each is about: a reel by its tag, a bag by its number, a customer by theirs, the day, the rack. */
export const PAPERS = {
  tag: 'reel',
  'claim-slip': 'bag',
  'cut-list': 'bag',
  'set-out': 'bag',
  'hand-back': 'bag',
  'set-sheet': 'customer',
  gauge: 'bag',
  'tape-marks': 'reel',
  'running-order': 'day',
  'order-list': 'rack',
} as const;
export type Paper = keyof typeof PAPERS;

/** Labels a tag is printed on, mm. */
export const LABELS = {
  small: { widthMm: 40, heightMm: 25 },
  middle: { widthMm: 60, heightMm: 35 },
  large: { widthMm: 80, heightMm: 50 },
} as const;
export type Label = keyof typeof LABELS;

/** Every bag that waits, in the place of one bag's number: for the cut list and what is set out. */
export const ALL_WAITING = 'waiting';
/** What is done today, in the place of one bag's number: for the running order, the cut list and what is set out. */
export const TODAY = 'today';
/** What to order, in the place of a number: for the list a supplier gets. */
export const TO_ORDER = 'to-order';
/** Tape marks for any reel, in the place of one reel's tag: by the metre, or by the foot. */
export const ANY_REEL = { m: 'any-m', ft: 'any-ft' } as const;

export const PaperQuerySchema = v.object({
  what: v.picklist(Object.keys(PAPERS) as Paper[], 'Say what to print.'),
  of: v.pipe(v.string(), v.trim(), v.regex(/^[\w-]{1,20}$/, 'Say which reel, bag or customer it is about.')),
  label: v.optional(
    v.picklist(Object.keys(LABELS) as Label[], 'Labels are small, middle or large.'),
    'middle',
  ),
  units: v.optional(v.picklist(UNIT_SYSTEMS), 'metric'),
});
export type PaperQuery = v.InferOutput<typeof PaperQuerySchema>;

/** A page as it will come out: its size, mm, and its picture, PNG as base64. */
const PageSchema = v.object({ widthMm: v.number(), heightMm: v.number(), png: v.string() });
export const PaperPreviewSchema = v.object({
  title: v.string(),
  /** The first pages. */
  pages: v.array(PageSchema),
  /** How many there are in all. */
  all: v.number(),
});
export type PaperPreview = v.InferOutput<typeof PaperPreviewSchema>;

/** What a printer took. */
export const PaperSentSchema = v.object({ title: v.string(), pages: v.number(), printer: v.string() });

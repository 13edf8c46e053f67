import {
  api,
  FillPlanSchema,
  InstantSchema,
  MakerWordsSchema,
  PIECE_FACTS,
  PlanInputSchema,
} from '@yard-spool/contract';
import { HOUSE_QUESTIONS } from '@yard-spool/core';
import * as v from 'valibot';
import type { Models } from '../db/tables';

/** How a fact is stored, and typed when it is mended. */
export type FactSort = 'text' | 'number' | 'instant' | 'json';

/** A fact that a screen tells and that the database itself does not hold to what it can be. */
export interface BookFact {
  readonly field: string;
  readonly says: string;
  readonly sort: FactSort;
  readonly schema: v.GenericSchema;
}

/** A table with facts that screens tell. */
export interface BookTable {
  readonly table: keyof Models;
  /** What an entry is called by the number it has, and by these columns of it. */
  readonly entry: string;
  readonly named: readonly string[];
  readonly facts: readonly BookFact[];
}

const fact = (field: string, says: string, sort: FactSort, schema: v.GenericSchema): BookFact => ({
  field,
  says,
  sort,
  schema,
});
const instant = (field: string, says: string): BookFact => fact(field, says, 'instant', InstantSchema);
const maybeInstant = (field: string, says: string): BookFact =>
  fact(field, says, 'instant', v.nullable(InstantSchema));

const bench = api.addBench.parts.body.entries;
const kind = api.changeReelKind.parts.body.entries;
const bag = api.readBag.parts.reply.entries;
const job = bag.jobs.item.entries;

export const BOOK_TABLES: readonly BookTable[] = [
  {
    table: 'people',
    entry: 'Person',
    named: ['name'],
    facts: [instant('createdAt', 'Here since'), maybeInstant('leftAt', 'Left')],
  },
  {
    table: 'benches',
    entry: 'Bench',
    named: ['name'],
    facts: [
      fact('name', 'Name', 'text', bench.name),
      fact('spanMm', 'Clear length, mm', 'number', bench.spanMm),
      fact('pedal', 'Foot switch', 'text', bench.pedal),
      fact('devices', 'Counting devices', 'json', bench.devices),
    ],
  },
  {
    table: 'products',
    entry: 'Line',
    named: ['code', 'name'],
    facts: [fact('maker', 'What its maker says', 'json', v.nullable(MakerWordsSchema))],
  },
  {
    table: 'pieces',
    entry: 'Piece',
    named: ['code'],
    facts: [
      fact('lot', 'Lot', 'text', PIECE_FACTS.lot),
      fact('priceMinor', 'Price, hundredths', 'number', PIECE_FACTS.priceMinor),
      fact('tareG', 'Empty spool, g', 'number', PIECE_FACTS.tareG),
      fact('flangeMm', 'Flange, mm', 'number', PIECE_FACTS.flangeMm),
      fact('coreMm', 'Core, mm', 'number', PIECE_FACTS.coreMm),
      fact('newOn', 'New on', 'text', PIECE_FACTS.newOn),
    ],
  },
  {
    table: 'reelKinds',
    entry: 'Kind of reel',
    named: ['label'],
    facts: [
      fact('gear', 'Gear ratio', 'number', kind.gear),
      fact('observations', 'What is known of it', 'json', kind.observations),
    ],
  },
  {
    table: 'ruleExceptions',
    entry: 'Exception',
    named: ['why'],
    facts: [
      fact(
        'question',
        'Question',
        'text',
        v.picklist(Object.keys(HOUSE_QUESTIONS), 'There is no such question.'),
      ),
      instant('at', 'Set at'),
    ],
  },
  {
    table: 'soaks',
    entry: 'Soak',
    named: [],
    facts: [
      instant('inAt', 'Put in at'),
      instant('readyAt', 'Ready at'),
      instant('tooLongAt', 'Too long from'),
      maybeInstant('outAt', 'Taken out at'),
    ],
  },
  {
    table: 'bags',
    entry: 'Bag',
    named: [],
    facts: [instant('promisedAt', 'Promised for'), instant('bookedAt', 'Booked at')],
  },
  {
    table: 'jobs',
    entry: 'Reel of a bag',
    named: [],
    facts: [
      fact('planInput', 'What it is planned from', 'json', PlanInputSchema),
      fact('plan', 'Plan', 'json', FillPlanSchema),
      fact('wants', 'What the customer wants', 'json', job.wants),
    ],
  },
  { table: 'fills', entry: 'Fill', named: [], facts: [instant('closedAt', 'Closed at')] },
];

import type { Dice } from './dice';

/** A schema as it is at run time: what it is called, and what it is made of. */
interface Schema {
  readonly type: string;
  readonly requirement?: unknown;
  readonly entries?: Readonly<Record<string, Schema>>;
  readonly item?: Schema;
  readonly items?: readonly Schema[];
  readonly value?: Schema;
  readonly key?: Schema;
  readonly options?: readonly unknown[];
  readonly literal?: unknown;
  readonly wrapped?: Schema;
  readonly pipe?: readonly Schema[];
}

/** Values that are on the shop's books, by the name of the field that asks for them. */
export type Known = Readonly<Record<string, readonly unknown[]>>;

/**
 * A value a schema of the contract takes, most of the time: numbers within their bounds, one of each choice, and what is on
 * the books where a field asks for it.
 *
 * @param field the name of the field it is for
 */
export function fromSchema(of: unknown, dice: Dice, known: Known, field = ''): unknown {
  const schema = of as Schema;
  const there = known[field];
  if (there && there.length > 0 && isPlain(schema) && dice.chance(0.9)) return dice.of(there);
  const make = MAKES[schema.type];
  return make ? make(schema, { dice, known, field }) : null;
}

interface Making {
  readonly dice: Dice;
  readonly known: Known;
  readonly field: string;
}

const choice = ({ options = [] }: Schema, { dice, known, field }: Making): unknown =>
  fromSchema(dice.of(options), dice, known, field);
const inside = ({ wrapped }: Schema, { dice, known, field }: Making): unknown =>
  fromSchema(wrapped, dice, known, field);

/** What is made of each type of schema; nothing of one that is not here. */
const MAKES: Readonly<Partial<Record<string, (schema: Schema, making: Making) => unknown>>> = {
  object: ({ entries = {} }, { dice, known }) =>
    Object.fromEntries(
      Object.entries(entries).flatMap(([name, entry]) =>
        mayBeLeftOut(entry) && dice.chance(0.5) ? [] : [[name, fromSchema(entry, dice, known, name)]],
      ),
    ),
  array: (schema, { dice, known, field }) =>
    Array.from({ length: dice.whole(least(schema), least(schema) + 2) }, () =>
      fromSchema(schema.item, dice, known, field),
    ),
  tuple: ({ items = [] }, { dice, known, field }) =>
    items.map((item) => fromSchema(item, dice, known, field)),
  union: choice,
  variant: choice,
  picklist: ({ options = [] }, { dice }) => dice.of(options),
  literal: ({ literal }) => literal,
  record: ({ value }, { dice, known }) =>
    Object.fromEntries(
      Array.from({ length: dice.whole(0, 2) }, () => [dice.of(WORDS), fromSchema(value, dice, known)]),
    ),
  nullable: (schema, making) => (making.dice.chance(0.4) ? null : inside(schema, making)),
  optional: inside,
  exact_optional: inside,
  boolean: (_, { dice }) => dice.chance(0.5),
  number: (schema, { dice }) => aNumber(schema, dice),
  string: (schema, { dice }) => aString(schema, dice),
};

const isPlain = ({ type }: Schema): boolean => type === 'number' || type === 'string' || type === 'nullable';
const mayBeLeftOut = ({ type }: Schema): boolean => type === 'optional' || type === 'exact_optional';

const bound = ({ pipe = [] }: Schema, type: string): number | undefined => {
  const found = pipe.find((one) => one.type === type)?.requirement;
  return typeof found === 'number' ? found : undefined;
};
const least = (schema: Schema): number => bound(schema, 'min_length') ?? 0;

function aNumber(schema: Schema, dice: Dice): number {
  const low = bound(schema, 'min_value') ?? 0;
  const high = bound(schema, 'max_value') ?? 1000;
  // Near the small end, where the trade works; at both ends now and then.
  const value = dice.chance(0.1)
    ? dice.of([low, high])
    : low + (Math.min(high, low + 500) - low) * dice.share() ** 2;
  const whole = (schema.pipe ?? []).some(({ type }) => type === 'integer' || type === 'safe_integer');
  return whole ? Math.round(value) : Number(value.toFixed(3));
}

const WORDS = ['main', 'backing', 'strip', 'moss', 'quay', 'N-207', 'cloth'] as const;

function aString({ pipe = [] }: Schema, dice: Dice): string {
  const is = (type: string): boolean => pipe.some((one) => one.type === type);
  if (is('uuid')) return dice.uuid();
  if (is('iso_timestamp')) return new Date(1.9e12 + dice.whole(0, 1e9)).toISOString();
  if (is('iso_date')) return `2031-0${String(dice.whole(1, 9))}-1${String(dice.whole(0, 9))}`;
  if (is('hex_color')) return `#${dice.whole(0, 0xff_ff_ff).toString(16).padStart(6, '0')}`;
  if (is('digits')) return String(dice.whole(1, 20));
  if (is('regex') && is('to_upper_case')) return `F-${String(dice.whole(1, 9999))}`;
  return `${dice.of(WORDS)} ${String(dice.whole(1, 99))}`;
}

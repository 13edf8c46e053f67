import type { UnitSystem } from '../quantities/units';
import { CATALOGUE, isCode, type MessageCode } from './catalogue';
import { tellMeasured, type Measured, type Slots } from './value';

type Catalogue = typeof CATALOGUE;

/** What a template has a place for, as `name dimension`. */
type PlacesIn<T extends string> = T extends `${string}{${infer Place}}${infer Rest}`
  ? Place | PlacesIn<Rest>
  : never;

type SlotOf<Dimension> = Dimension extends keyof Slots
  ? Slots[Dimension]
  : Dimension extends 'words'
    ? Words
    : never;

/** The values a template asks for, each with its dimension. */
type ValuesOf<T extends string> = {
  readonly [
    Place in PlacesIn<T> as Place extends `${infer Name} ${string}` ? Name : never
  ]: Place extends `${string} ${infer Dimension}` ? SlotOf<Dimension> : never;
};

export type MessageValue = string | number | Measured | Message;

/** A sentence that holds figures: which one, and its values. It is text only where somebody reads it, in their units. */
export interface Message {
  readonly code: string;
  readonly values: Readonly<Record<string, MessageValue>>;
}

/** A sentence: as it stands where it holds no figure, or was written by somebody; else what it is made from. */
export type Words = string | Message;

/** The values a sentence of the catalogue asks for. */
export type ValuesFor<Code extends MessageCode> = ValuesOf<Catalogue[Code]>;

/** A sentence of the catalogue, with all the values it asks for. */
export const message = <Code extends MessageCode>(code: Code, values: ValuesFor<Code>): Message => ({
  code,
  values: values,
});

/**
 * A sentence in a person's own units. What somebody typed is never changed.
 *
 * @returns the code where the catalogue has no such sentence, as where another version wrote it
 */
export function tell(words: Words, system: UnitSystem): string {
  if (typeof words === 'string') return words;
  const { code, values } = words;
  if (!isCode(code)) return code;
  return CATALOGUE[code].replace(/\{(\w+) [\w-]+\}/g, (_, name: string) => tellValue(values[name], system));
}

function tellValue(value: MessageValue | undefined, system: UnitSystem): string {
  if (value === undefined) return '';
  if (typeof value === 'number') return value.toLocaleString('en');
  if (typeof value === 'string') return value;
  return 'code' in value ? tell(value, system) : tellMeasured(value, system);
}

/** A sentence for a file, a log or another program: metric, with plain spaces. */
export const tellMetric = (words: Words): string => tell(words, 'metric').replaceAll('\u00a0', ' ');

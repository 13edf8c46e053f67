import type * as v from 'valibot';

/** A type without what makes no difference on the wire: whether a part may be written to, and how its parts were put together. */
type Plain<T> = T extends object ? { -readonly [Key in keyof T]: Plain<T[Key]> } : T;

/* eslint-disable @typescript-eslint/no-unnecessary-type-parameters -- a type that is not chosen yet is what compares two whole types */
type Identical<A, B> = (<T>() => T extends A ? 1 : 2) extends <T>() => T extends B ? 1 : 2 ? true : false;
/* eslint-enable @typescript-eslint/no-unnecessary-type-parameters */

/** Whether two types say the same, optional parts among it. */
export type Same<A, B> = Identical<Plain<A>, Plain<B>>;

/**
 * A schema that says exactly what a type of the core says: one that lacks a part, even one that may be missing, or has one
 * more, does not compile.
 */
export const sameAs =
  <Type>() =>
  <Schema extends v.GenericSchema>(
    schema: Schema & (Same<v.InferOutput<Schema>, Type> extends true ? unknown : { readonly differs: Type }),
  ): v.GenericSchema<Type> =>
    schema as unknown as v.GenericSchema<Type>;

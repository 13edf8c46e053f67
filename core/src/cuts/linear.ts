/** A variable of a program: its place among the columns. */
export type Column = number;

/** A sum of variables, each with its factor. */
export type Linear = readonly (readonly [factor: number, column: Column])[];

/** A sum that is kept between two bounds. */
export interface Row {
  readonly sum: Linear;
  readonly least: number;
  readonly most: number;
}

/** A mixed-integer program: variables from zero up to a bound, some of them whole, and sums that are kept in bounds. */
export class MixedProgram {
  private readonly bounds: { readonly most: number; readonly whole: boolean }[] = [];
  private readonly kept: Row[] = [];

  get columns(): readonly { readonly most: number; readonly whole: boolean }[] {
    return this.bounds;
  }

  get rows(): readonly Row[] {
    return this.kept;
  }

  /** Yes or no. */
  choice(): Column {
    return this.count(1);
  }

  /** A whole number between zero and a bound. */
  count(most: number): Column {
    return this.bounds.push({ most, whole: true }) - 1;
  }

  /** A quantity between zero and a bound. */
  amount(most: number): Column {
    return this.bounds.push({ most, whole: false }) - 1;
  }

  keep(
    sum: Linear,
    { least = -Infinity, most = Infinity }: { readonly least?: number; readonly most?: number },
  ): void {
    if (sum.length > 0) this.kept.push({ sum: once(sum), least, most });
  }

  /** At most so much of it, and only where something is chosen. */
  onlyIf(amount: Column, most: number, choice: Column): void {
    this.keep(pair(1, amount, -most, choice), { most: 0 });
  }

  /** Between two bounds where something is chosen, and nothing of it where it is not: one sum where the bounds are one. */
  between(amount: Column, least: number, most: number, choice: Column): void {
    if (least === most) {
      this.keep(pair(1, amount, -most, choice), { least: 0, most: 0 });
      return;
    }
    this.onlyIf(amount, most, choice);
    this.leastIf(amount, least, choice);
  }

  /** At least so much of it where something is chosen. */
  leastIf(amount: Column, least: number, choice: Column): void {
    this.keep(pair(1, amount, -least, choice), { least: 0 });
  }

  /** Nothing of it where something is chosen. */
  noneIf(amount: Column, most: number, choice: Column): void {
    this.keep(pair(1, amount, most, choice), { most });
  }
}

/** Each variable once. */
function once(sum: Linear): Linear {
  const factors = new Map<Column, number>();
  for (const [factor, column] of sum) factors.set(column, (factors.get(column) ?? 0) + factor);
  return [...factors].map(([column, factor]) => [factor, column]);
}

const pair = (a: number, x: Column, b: number, y: Column): Linear => {
  const first = [a, x] as const;
  return [first, [b, y]];
};

/** Rows of a query that spans tables; values stand in it by their names, `:name`. */
export type Query = <T extends object>(
  sql: string,
  values?: Readonly<Record<string, unknown>>,
) => Promise<T[]>;

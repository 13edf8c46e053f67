/** One step of the schema: SQL statements, each run by itself. */
export interface Migration {
  readonly name: string;
  readonly statements: readonly string[];
}

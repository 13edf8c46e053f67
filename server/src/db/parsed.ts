/** JSON of a query that spans tables comes as it is kept. */
export const parsed = <T>(json: T): T => (typeof json === 'string' ? (JSON.parse(json) as T) : json);

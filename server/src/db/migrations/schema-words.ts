/** The words every migration is written in. */
export const id = 'id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY';
export const ref = (column: string, table: string, nullable = false): string =>
  `${column} INT UNSIGNED ${nullable ? 'NULL' : 'NOT NULL'}, FOREIGN KEY (${column}) REFERENCES ${table} (id)`;
export const time = (column: string, nullable = false): string =>
  `${column} DATETIME(3) ${nullable ? 'NULL' : 'NOT NULL'}`;
export const version = 'version INT UNSIGNED NOT NULL DEFAULT 1';
const options = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci';
export const table = (name: string, ...parts: string[]): string =>
  `CREATE TABLE ${name} (${parts.join(', ')}) ${options}`;

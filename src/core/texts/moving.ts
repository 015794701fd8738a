import * as en from './compiled/en/moving';
import { extend } from './extend';
/** What the command says that moves a school's data between a folder's file and PostgreSQL. */
export const movingTexts = extend(en.movingTexts, {
  table: (table: string, rows: number) => `${String(rows).padStart(8)}  ${table}`,
  done: ({ rows, keptIn }: Readonly<{ rows: number; keptIn?: string }>, direction: 'there' | 'back') =>
    direction === 'there'
      ? `Moved ${rows} rows, each compared. The file that they were in is kept as ${keptIn}. Start the server with PEMBIT_DATABASE_URL, on the same PEMBIT_DATA: uploads and the secret stay there.`
      : `Moved ${rows} rows, each compared. Start the server without PEMBIT_DATABASE_URL; what is in PostgreSQL is left as it was.`,
});

import * as en from './compiled/en/moving';
import { extend } from './extend';

/** What the command says that moves a school's data between a folder's file and PostgreSQL. */
export const movingTexts = extend(en.movingTexts, {
  table: (table: string, rows: number) => `${String(rows).padStart(8)}  ${table}`,
  done: ({ rows, keptIn = '' }: Readonly<{ rows: number; keptIn?: string }>, direction: 'there' | 'back') =>
    direction === 'there' ? en.movingTexts.doneThere({ rows, keptIn }) : en.movingTexts.doneBack({ rows }),
});

import { planCsv } from '../planCsv';
import { LIST_COLUMNS } from './listColumns';
import type { ListFormat } from './listFormat';

/** A table for spreadsheets and scripts. */
export const csvList: ListFormat = {
  id: 'csv',
  name: 'CSV',
  file: 'plan.csv',
  type: 'text/csv',
  write: (lines) =>
    planCsv(
      LIST_COLUMNS.map(([, name]) => name),
      lines.map((line) =>
        Object.fromEntries(LIST_COLUMNS.map(([key, name]) => [name, key === 'week' && line.week === 0 ? '' : String(line[key])])),
      ),
    ),
}; // prettier-ignore

import { everythingTexts } from '../../texts/everything';
import { planCsv } from '../planCsv';
import type { ListFormat, PlanLine } from './listFormat';

const { columns } = everythingTexts;
const COLUMNS: readonly (readonly [keyof PlanLine, string])[] = [
  ['week', columns.week],
  ['date', columns.date],
  ['time', columns.time],
  ['tags', columns.tags],
  ['kind', columns.kind],
  ['title', columns.title],
  ['shown', columns.shown],
];

/** A table for spreadsheets. */
export const csvList: ListFormat = {
  id: 'csv',
  name: 'CSV',
  file: 'plan.csv',
  type: 'text/csv',
  write: (lines) =>
    planCsv(
      COLUMNS.map(([, name]) => name),
      lines.map((line) =>
        Object.fromEntries(COLUMNS.map(([key, name]) => [name, key === 'week' && line.week === 0 ? '' : String(line[key])])),
      ),
    ),
}; // prettier-ignore

import { daysFromEpoch } from '../../time/civil';
import { LIST_COLUMNS } from './listColumns';
import type { ListFormat, PlanLine } from './listFormat';

/** 1 January 1970 as spreadsheets count days (common practice, no published source: ECMA-376 calls it the 1900 date system). */
const EPOCH_DAY = 25_569;

function cellOf(line: PlanLine, key: keyof PlanLine) {
  if (key === 'week') return line.week === 0 ? null : { value: line.week };
  if (key !== 'date' && key !== 'until')
    return { value: String(line[key]), type: String, wrap: key === 'title' };
  if (line[key] === '') return null;
  const [year, month, day] = line[key].split('-').map(Number);
  return { value: EPOCH_DAY + daysFromEpoch(year!, month!, day!), format: 'yyyy-mm-dd' };
}

/** A spreadsheet with its headings kept in sight; dates are dates, and nothing is a formula. */
export const spreadsheetList: ListFormat = {
  id: 'spreadsheet',
  name: 'a spreadsheet',
  file: 'plan.xlsx',
  type: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  write: async (lines) => {
    const { default: writeExcelFile } = await import('write-excel-file/universal');
    const head = LIST_COLUMNS.map(([, name]) => ({ value: name, fontWeight: 'bold' as const }));
    const rows = lines.map((line) => LIST_COLUMNS.map(([key]) => cellOf(line, key)));
    const width = (key: keyof PlanLine) => ({ width: key === 'title' ? 48 : key === 'link' ? 30 : 14 });
    const columns = LIST_COLUMNS.map(([key]) => width(key));
    return writeExcelFile([head, ...rows], { columns, stickyRowsCount: 1 }).toBlob();
  },
};

import Papa from 'papaparse';

type CsvRow = Readonly<Record<string, string>>;

/** Rows as CSV (RFC 4180), CRLF, with a byte order mark for spreadsheets; what begins like a formula is made text. */
export function planCsv(columns: readonly string[], rows: readonly CsvRow[]): string {
  const data = rows.map((row) => columns.map((column) => row[column] ?? ''));
  return `\uFEFF${Papa.unparse({ fields: [...columns], data }, { newline: '\r\n', escapeFormulae: true })}\r\n`;
}

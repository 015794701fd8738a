/** The heads of a table in bold, kept in sight: a spreadsheet (.xlsx) to fill in. */
export async function emptySheet(heads: readonly string[]): Promise<Blob> {
  const { default: writeExcelFile } = await import('write-excel-file/universal');
  const row = heads.map((value) => ({ value, fontWeight: 'bold' as const }));
  const columns = heads.map(() => ({ width: 18 }));
  return writeExcelFile([row], { columns, stickyRowsCount: 1 }).toBlob();
}

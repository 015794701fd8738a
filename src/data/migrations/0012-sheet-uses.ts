/** How often a sheet's times were taken or given back: readers of a feed see by it that the free times are others. */
export const sheetUses = {
  name: '0012-sheet-uses',
  statements: [
    `CREATE TABLE sheet_uses (
      sheet_id TEXT PRIMARY KEY REFERENCES sheets (id) ON DELETE CASCADE, uses INTEGER NOT NULL, used_at BIGINT NOT NULL)`,
  ],
} as const;

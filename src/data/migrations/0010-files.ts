/** Uploaded files: what they are called here; their bytes lie in the data folder under their hash. And what came from a package. */
export const files = {
  name: '0010-files',
  statements: [
    `CREATE TABLE files (
      id TEXT PRIMARY KEY, hash TEXT NOT NULL, name TEXT NOT NULL, media_type TEXT NOT NULL, size INTEGER NOT NULL,
      owner_id TEXT REFERENCES people (id) ON DELETE SET NULL, created_at BIGINT NOT NULL)`,
    `CREATE INDEX files_hash ON files (hash)`,
    `ALTER TABLE materials ADD COLUMN file_id TEXT`,
    `ALTER TABLE materials ADD COLUMN source_id TEXT`,
    `ALTER TABLE materials ADD COLUMN source_path TEXT`,
    `ALTER TABLE links ADD COLUMN file_id TEXT`,
    `CREATE TABLE link_tests (
      url TEXT PRIMARY KEY, state TEXT NOT NULL, http_status INTEGER, leads_to TEXT, reason TEXT NOT NULL,
      milliseconds INTEGER NOT NULL, tested_at BIGINT NOT NULL)`,
  ],
} as const;

/** People, courses, entries, sign-up sheets, outlets, history. Plain SQL that other databases read as well. */
export const foundations = {
  name: '0001-foundations',
  statements: [
    `CREATE TABLE settings (name TEXT PRIMARY KEY, value TEXT NOT NULL)`,
    `CREATE TABLE people (
      id TEXT PRIMARY KEY, email TEXT NOT NULL UNIQUE, name TEXT NOT NULL, password_hash TEXT NOT NULL,
      is_admin INTEGER NOT NULL DEFAULT 0, created_at BIGINT NOT NULL)`,
    `CREATE TABLE sessions (
      id TEXT PRIMARY KEY, person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE,
      created_at BIGINT NOT NULL, seen_at BIGINT NOT NULL)`,
    `CREATE INDEX sessions_person ON sessions (person_id)`,
    `CREATE TABLE terms (
      id TEXT PRIMARY KEY, name TEXT NOT NULL, starts_on TEXT NOT NULL, ends_on TEXT NOT NULL, tzid TEXT NOT NULL)`,
    `CREATE TABLE courses (
      id TEXT PRIMARY KEY, term_id TEXT NOT NULL REFERENCES terms (id), code TEXT NOT NULL, title TEXT NOT NULL,
      tag TEXT NOT NULL, color TEXT NOT NULL, UNIQUE (term_id, code))`,
    `CREATE TABLE staff (
      id TEXT PRIMARY KEY, course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE,
      person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, role TEXT NOT NULL,
      UNIQUE (course_id, person_id))`,
    `CREATE INDEX staff_person ON staff (person_id)`,
    `CREATE TABLE sections (
      id TEXT PRIMARY KEY, course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE, name TEXT NOT NULL,
      UNIQUE (course_id, name))`,
    `CREATE TABLE roster (
      id TEXT PRIMARY KEY, course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE,
      section_id TEXT REFERENCES sections (id), person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE,
      UNIQUE (course_id, person_id))`,
    `CREATE INDEX roster_person ON roster (person_id)`,
    `CREATE TABLE entries (
      id TEXT PRIMARY KEY, uid TEXT NOT NULL UNIQUE, kind TEXT NOT NULL, title TEXT NOT NULL,
      description TEXT NOT NULL, tzid TEXT NOT NULL, start_local TEXT NOT NULL, end_local TEXT,
      start_at BIGINT NOT NULL, set_on TEXT, set_uid TEXT, place TEXT NOT NULL, hand_in TEXT NOT NULL,
      visibility TEXT NOT NULL, shown_from TEXT, sequence INTEGER NOT NULL,
      created_at BIGINT NOT NULL, modified_at BIGINT NOT NULL)`,
    `CREATE INDEX entries_start ON entries (start_at)`,
    `CREATE TABLE entry_audiences (
      id TEXT PRIMARY KEY, entry_id TEXT NOT NULL REFERENCES entries (id) ON DELETE CASCADE,
      course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE, sections TEXT,
      UNIQUE (entry_id, course_id))`,
    `CREATE INDEX entry_audiences_course ON entry_audiences (course_id)`,
    `CREATE TABLE links (
      id TEXT PRIMARY KEY, entry_id TEXT NOT NULL REFERENCES entries (id) ON DELETE CASCADE,
      position INTEGER NOT NULL, url TEXT NOT NULL, label TEXT NOT NULL, staff_only INTEGER NOT NULL)`,
    `CREATE INDEX links_entry ON links (entry_id)`,
    `CREATE TABLE sheets (
      id TEXT PRIMARY KEY, uid TEXT NOT NULL UNIQUE, title TEXT NOT NULL, place TEXT NOT NULL,
      meeting_link TEXT NOT NULL, times_per_student INTEGER NOT NULL, offered INTEGER NOT NULL, tzid TEXT NOT NULL,
      sequence INTEGER NOT NULL, created_at BIGINT NOT NULL, modified_at BIGINT NOT NULL)`,
    `CREATE TABLE sheet_audiences (
      id TEXT PRIMARY KEY, sheet_id TEXT NOT NULL REFERENCES sheets (id) ON DELETE CASCADE,
      course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE, sections TEXT,
      UNIQUE (sheet_id, course_id))`,
    `CREATE INDEX sheet_audiences_course ON sheet_audiences (course_id)`,
    `CREATE TABLE hosts (
      id TEXT PRIMARY KEY, sheet_id TEXT NOT NULL REFERENCES sheets (id) ON DELETE CASCADE,
      person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, UNIQUE (sheet_id, person_id))`,
    `CREATE TABLE slots (
      id TEXT PRIMARY KEY, sheet_id TEXT NOT NULL REFERENCES sheets (id) ON DELETE CASCADE,
      start_local TEXT NOT NULL, start_at BIGINT NOT NULL, end_at BIGINT NOT NULL, seats INTEGER NOT NULL,
      UNIQUE (sheet_id, start_at))`,
    `CREATE TABLE bookings (
      id TEXT PRIMARY KEY, uid TEXT NOT NULL UNIQUE, slot_id TEXT NOT NULL REFERENCES slots (id) ON DELETE CASCADE,
      seat INTEGER NOT NULL, person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, note TEXT NOT NULL,
      sequence INTEGER NOT NULL, created_at BIGINT NOT NULL, modified_at BIGINT NOT NULL,
      UNIQUE (slot_id, seat), UNIQUE (slot_id, person_id))`,
    `CREATE INDEX bookings_person ON bookings (person_id)`,
    `CREATE TABLE outlets (
      id TEXT PRIMARY KEY, kind TEXT NOT NULL, audience TEXT NOT NULL, name TEXT NOT NULL,
      owner_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, generation INTEGER NOT NULL,
      token_hash TEXT NOT NULL UNIQUE, composition TEXT NOT NULL)`,
    `CREATE INDEX outlets_owner ON outlets (owner_id)`,
    `CREATE TABLE history (
      id TEXT PRIMARY KEY, at BIGINT NOT NULL, actor_id TEXT REFERENCES people (id) ON DELETE SET NULL,
      act TEXT NOT NULL, summary TEXT NOT NULL, scopes TEXT NOT NULL, changes TEXT NOT NULL,
      undone_at BIGINT)`,
    `CREATE INDEX history_at ON history (at)`,
    `CREATE TABLE stamps (scope TEXT PRIMARY KEY, value INTEGER NOT NULL, changed_at BIGINT NOT NULL)`,
  ],
} as const;

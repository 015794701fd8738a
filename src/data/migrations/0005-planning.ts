/** What can be planned beyond single events and assignments: series, notes, announcements, class plans, replies, extensions. */
export const planning = {
  name: '0005-planning',
  statements: [
    // Descriptions were plain text; they are formatted now.
    {
      converts: `UPDATE entries SET description = '<p>' || REPLACE(REPLACE(REPLACE(description, '&', '&amp;'), '<', '&lt;'), CHAR(10), '<br />') || '</p>'
       WHERE description <> ''`,
    },
    `ALTER TABLE entries ADD COLUMN author_id TEXT REFERENCES people (id) ON DELETE CASCADE`,
    `ALTER TABLE entries ADD COLUMN shown_days_before INTEGER`,
    `ALTER TABLE entries ADD COLUMN hidden_after TEXT`,
    `ALTER TABLE entries ADD COLUMN cancelled TEXT`,
    `ALTER TABLE entries ADD COLUMN meeting_link TEXT NOT NULL DEFAULT ''`,
    `ALTER TABLE entries ADD COLUMN meeting_text TEXT NOT NULL DEFAULT ''`,
    `ALTER TABLE entries ADD COLUMN rrule TEXT`,
    `ALTER TABLE entries ADD COLUMN exdates TEXT`,
    `ALTER TABLE entries ADD COLUMN overrides TEXT`,
    `ALTER TABLE entries ADD COLUMN asks_coming INTEGER NOT NULL DEFAULT 0`,
    `ALTER TABLE entries ADD COLUMN seats INTEGER`,
    `ALTER TABLE entries ADD COLUMN opens_local TEXT`,
    `ALTER TABLE entries ADD COLUMN closes_local TEXT`,
    `ALTER TABLE entries ADD COLUMN late_policy TEXT NOT NULL DEFAULT ''`,
    `ALTER TABLE entries ADD COLUMN points REAL`,
    `ALTER TABLE entries ADD COLUMN effort_minutes INTEGER`,
    `CREATE INDEX entries_author ON entries (author_id)`,
    `CREATE TABLE extensions (
      id TEXT PRIMARY KEY, entry_id TEXT NOT NULL REFERENCES entries (id) ON DELETE CASCADE,
      person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, due_local TEXT NOT NULL,
      UNIQUE (entry_id, person_id))`,
    `CREATE TABLE replies (
      id TEXT PRIMARY KEY, entry_id TEXT NOT NULL REFERENCES entries (id) ON DELETE CASCADE,
      person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, answer TEXT NOT NULL,
      UNIQUE (entry_id, person_id))`,
    `CREATE TABLE class_plans (
      id TEXT PRIMARY KEY, course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE, title TEXT NOT NULL,
      description TEXT NOT NULL, links TEXT NOT NULL, pinned INTEGER NOT NULL, sequence INTEGER NOT NULL,
      created_at BIGINT NOT NULL, modified_at BIGINT NOT NULL)`,
    `CREATE INDEX class_plans_course ON class_plans (course_id)`,
    `CREATE TABLE plan_bindings (
      id TEXT PRIMARY KEY, plan_id TEXT NOT NULL REFERENCES class_plans (id) ON DELETE CASCADE,
      section_id TEXT NOT NULL REFERENCES sections (id) ON DELETE CASCADE, meeting_id TEXT NOT NULL,
      UNIQUE (plan_id, section_id))`,
    `CREATE INDEX plan_bindings_meeting ON plan_bindings (meeting_id)`,
    `CREATE TABLE shown (
      person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE,
      entry_id TEXT NOT NULL REFERENCES entries (id) ON DELETE CASCADE,
      sequence INTEGER NOT NULL, at BIGINT NOT NULL, PRIMARY KEY (person_id, entry_id))`,
    `ALTER TABLE outbox ADD COLUMN history_id TEXT`,
    `CREATE INDEX outbox_history ON outbox (history_id)`,
  ],
} as const;

import { eventsOfHistory } from './eventsOfHistory';

/**
 * Events: what happened, in the order of the commits, with the scopes as rows of their own. What the history knows of entries
 * and classes is told anew as events. When somebody was first shown an entry; whom a change was told; what a tombstone was called.
 */
export const events = {
  name: '0020-events',
  statements: [
    `CREATE TABLE events (
      id INTEGER PRIMARY KEY AUTOINCREMENT, at BIGINT NOT NULL, actor_id TEXT, history_id TEXT, type TEXT NOT NULL,
      subject TEXT NOT NULL, payload TEXT NOT NULL)`,
    `CREATE INDEX events_subject ON events (subject, id)`,
    `CREATE INDEX events_history ON events (history_id)`,
    `CREATE INDEX events_at ON events (at)`,
    `CREATE INDEX events_actor ON events (actor_id)`,
    `CREATE TABLE event_scopes (
      scope TEXT NOT NULL, event_id INTEGER NOT NULL REFERENCES events (id) ON DELETE CASCADE,
      PRIMARY KEY (scope, event_id))`,
    `CREATE INDEX event_scopes_event ON event_scopes (event_id)`,
    // One row for each act of which students were told, or of which somebody said that nobody needs to be told.
    `CREATE TABLE tellings (
      history_id TEXT PRIMARY KEY, at BIGINT NOT NULL, actor_id TEXT, told INTEGER NOT NULL)`,
    // It outlives the entry: whoever had seen what is deleted can be told.
    `CREATE TABLE shown_since (
      person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, entry_id TEXT NOT NULL, sequence INTEGER NOT NULL,
      at BIGINT NOT NULL, first_at BIGINT NOT NULL, PRIMARY KEY (person_id, entry_id))`,
    `INSERT INTO shown_since SELECT person_id, entry_id, sequence, at, at FROM shown`,
    `DROP TABLE shown`,
    `ALTER TABLE shown_since RENAME TO shown`,
    `CREATE INDEX shown_entry ON shown (entry_id)`,
    `ALTER TABLE tombstones ADD COLUMN title TEXT NOT NULL DEFAULT ''`,
    `ALTER TABLE extensions ADD COLUMN closes_local TEXT`,
    `ALTER TABLE extensions ADD COLUMN hidden_after TEXT`,
    `CREATE TABLE arrangements (
      id TEXT PRIMARY KEY, course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE,
      person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, days INTEGER NOT NULL, created_at BIGINT NOT NULL,
      UNIQUE (course_id, person_id))`,
    `ALTER TABLE extensions ADD COLUMN arranged INTEGER NOT NULL DEFAULT 0`,
  ],
  also: eventsOfHistory,
} as const;

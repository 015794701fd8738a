/** Rules of sheets, own meetings of bookings, waiting lists, letters with calendar parts, links by mail. */
export const officeHours = {
  name: '0011-office-hours',
  statements: [
    `ALTER TABLE sheets ADD COLUMN rules TEXT NOT NULL DEFAULT '{}'`,
    `ALTER TABLE slots ADD COLUMN host_id TEXT`,
    `ALTER TABLE bookings ADD COLUMN answer TEXT NOT NULL DEFAULT ''`,
    `ALTER TABLE bookings ADD COLUMN meeting_link TEXT NOT NULL DEFAULT ''`,
    `ALTER TABLE bookings ADD COLUMN room_id TEXT`,
    `ALTER TABLE bookings ADD COLUMN came INTEGER`,
    `ALTER TABLE bookings ADD COLUMN reminded_at BIGINT`,
    `CREATE TABLE waiting (
      id TEXT PRIMARY KEY, slot_id TEXT NOT NULL REFERENCES slots (id) ON DELETE CASCADE,
      person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, created_at BIGINT NOT NULL, offered_until BIGINT,
      UNIQUE (slot_id, person_id))`,
    `CREATE TABLE withdrawn_rooms (room_id TEXT PRIMARY KEY)`,
    `CREATE TABLE mail_links (
      id TEXT PRIMARY KEY, person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, sheet_id TEXT NOT NULL,
      expires_at BIGINT NOT NULL)`,
    `ALTER TABLE outbox ADD COLUMN calendar TEXT`,
    `ALTER TABLE outbox ADD COLUMN calendar_method TEXT`,
  ],
} as const;

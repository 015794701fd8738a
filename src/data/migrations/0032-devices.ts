/** Devices that show urgent notices (Web Push): each as long as somebody is signed in there; and the notices on their way. */
export const devices = {
  name: '0032-devices',
  statements: [
    `CREATE TABLE devices (
      id TEXT PRIMARY KEY, person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE,
      session_id TEXT NOT NULL REFERENCES sessions (id) ON DELETE CASCADE, endpoint TEXT NOT NULL UNIQUE,
      p256dh TEXT NOT NULL, auth TEXT NOT NULL, kind TEXT NOT NULL, created_at BIGINT NOT NULL)`,
    `CREATE INDEX devices_person ON devices (person_id)`,
    `CREATE INDEX devices_session ON devices (session_id)`,
    `CREATE TABLE notices (
      id TEXT PRIMARY KEY, device_id TEXT NOT NULL REFERENCES devices (id) ON DELETE CASCADE, history_id TEXT,
      title TEXT NOT NULL, body TEXT NOT NULL, path TEXT NOT NULL, state TEXT NOT NULL, attempts INTEGER NOT NULL,
      next_attempt_at BIGINT NOT NULL, created_at BIGINT NOT NULL)`,
    `CREATE INDEX notices_due ON notices (state, next_attempt_at)`,
    `CREATE INDEX notices_device ON notices (device_id)`,
    `CREATE INDEX notices_history ON notices (history_id)`,
  ],
} as const;

/** Rosters that keep themselves: what each reading of the school's lists did, and who is missing from them since when. */
export const keptRosters = {
  name: '0044-kept-rosters',
  statements: [
    `CREATE TABLE roster_absences (
      course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE,
      person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, since BIGINT NOT NULL, PRIMARY KEY (course_id, person_id))`,
    `CREATE TABLE roster_readings (id TEXT PRIMARY KEY, at BIGINT NOT NULL, report TEXT NOT NULL)`,
  ],
} as const;

/** Course sites that launch into Pembit (LTI 1.3): who they are, whom they know, which of their courses is which of ours. */
export const courseSites = {
  name: '0045-course-sites',
  statements: [
    `CREATE TABLE lti_platforms (
      id TEXT PRIMARY KEY, name TEXT NOT NULL, issuer TEXT NOT NULL, client_id TEXT NOT NULL, keys_url TEXT NOT NULL, auth_url TEXT NOT NULL,
      token_url TEXT NOT NULL, token_audience TEXT NOT NULL, origins TEXT NOT NULL, asks_names INTEGER NOT NULL, accepted INTEGER NOT NULL,
      created_at BIGINT NOT NULL, UNIQUE (issuer, client_id))`,
    `CREATE TABLE lti_deployments (
      platform_id TEXT NOT NULL REFERENCES lti_platforms (id) ON DELETE CASCADE, deployment TEXT NOT NULL,
      PRIMARY KEY (platform_id, deployment))`,
    `CREATE TABLE lti_accounts (
      id TEXT PRIMARY KEY, issuer TEXT NOT NULL, subject TEXT NOT NULL,
      person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, role TEXT NOT NULL, linked_at BIGINT NOT NULL,
      UNIQUE (issuer, subject))`,
    `CREATE INDEX lti_accounts_person ON lti_accounts (person_id)`,
    `CREATE TABLE lti_contexts (
      id TEXT PRIMARY KEY, platform_id TEXT NOT NULL REFERENCES lti_platforms (id) ON DELETE CASCADE, deployment TEXT NOT NULL,
      context TEXT NOT NULL, title TEXT NOT NULL, course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE,
      section_id TEXT REFERENCES sections (id) ON DELETE SET NULL, members_url TEXT, follows INTEGER NOT NULL DEFAULT 0,
      linked_by TEXT REFERENCES people (id) ON DELETE SET NULL, linked_at BIGINT NOT NULL, read_at BIGINT, report TEXT,
      UNIQUE (platform_id, deployment, context))`,
    `CREATE INDEX lti_contexts_course ON lti_contexts (course_id)`,
    `CREATE TABLE lti_absences (
      context_id TEXT NOT NULL REFERENCES lti_contexts (id) ON DELETE CASCADE,
      person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, since BIGINT NOT NULL, PRIMARY KEY (context_id, person_id))`,
    // The private half is sealed with a key of the server's.
    `CREATE TABLE lti_keys (kid TEXT PRIMARY KEY, sealed TEXT NOT NULL, public TEXT NOT NULL, created_at BIGINT NOT NULL)`,
    // What holds once: nonces of launches, addresses of registrations.
    `CREATE TABLE lti_spent (id TEXT PRIMARY KEY, until BIGINT NOT NULL)`,
    // Whoever came from a site and has yet to say who they are here.
    `CREATE TABLE lti_arrivals (
      id TEXT PRIMARY KEY, platform_id TEXT NOT NULL REFERENCES lti_platforms (id) ON DELETE CASCADE, launch TEXT NOT NULL, until BIGINT NOT NULL)`,
    // A page of a site that is being written, and waits for what is placed in it.
    `CREATE TABLE lti_placings (
      id TEXT PRIMARY KEY, platform_id TEXT NOT NULL REFERENCES lti_platforms (id) ON DELETE CASCADE,
      person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, launch TEXT NOT NULL, until BIGINT NOT NULL)`,
    `CREATE TABLE lti_registrations (id TEXT PRIMARY KEY, until BIGINT NOT NULL)`,
    // The site whose launch opened a session.
    `ALTER TABLE sessions ADD COLUMN platform_id TEXT REFERENCES lti_platforms (id) ON DELETE CASCADE`,
  ],
} as const;

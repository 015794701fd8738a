/** Questions under entries and classes. They hang on no row of those: what moves, comes back or is deleted takes nothing along. */
export const questions = {
  name: '0037-questions',
  statements: [
    // Where students may ask: by a course, or by what differs from it.
    `CREATE TABLE asking (about TEXT PRIMARY KEY, course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE, open INTEGER NOT NULL)`,
    `CREATE TABLE questions (
      id TEXT PRIMARY KEY, about TEXT NOT NULL, course_id TEXT NOT NULL REFERENCES courses (id) ON DELETE CASCADE,
      author_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, body TEXT NOT NULL, everybody INTEGER NOT NULL,
      named INTEGER NOT NULL, at BIGINT NOT NULL, closed INTEGER NOT NULL, taken_away INTEGER NOT NULL)`,
    `CREATE INDEX questions_about ON questions (about)`,
    `CREATE INDEX questions_course ON questions (course_id)`,
    `CREATE TABLE question_readers (
      question_id TEXT NOT NULL REFERENCES questions (id) ON DELETE CASCADE,
      person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, PRIMARY KEY (question_id, person_id))`,
    `CREATE TABLE question_reports (
      question_id TEXT NOT NULL REFERENCES questions (id) ON DELETE CASCADE,
      person_id TEXT NOT NULL REFERENCES people (id) ON DELETE CASCADE, reason TEXT NOT NULL, at BIGINT NOT NULL,
      PRIMARY KEY (question_id, person_id))`,
    `CREATE TABLE answers (
      id TEXT PRIMARY KEY, question_id TEXT NOT NULL REFERENCES questions (id) ON DELETE CASCADE,
      author_id TEXT REFERENCES people (id) ON DELETE SET NULL, body TEXT NOT NULL, at BIGINT NOT NULL)`,
    `CREATE INDEX answers_question ON answers (question_id)`,
  ],
} as const;

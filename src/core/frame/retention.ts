/** In days. */
export const YEAR = 365;

/**
 * What the school holds about people, by class, each kept for a time of its own. `suggested` is in days, what a new school is
 * offered; common practice, no published source.
 */
export const RETENTION = {
  /** Times that were taken, with their notes, after the day. */
  bookings: { suggested: YEAR },
  /** What students asked, and what was answered. */
  questions: { suggested: YEAR },
  letters: { suggested: 90 },
  /** What was done and undone. */
  history: { suggested: 2 * YEAR },
  /** When somebody was shown an entry, and when outlets were read. */
  readDates: { suggested: YEAR },
  /** People on no roster and no staff, after they last came or were added. */
  people: { suggested: 2 * YEAR },
  /** Guardians' addresses, after they ended; whom the office has barred stays. */
  guardians: { suggested: YEAR },
  /** Uploaded sound and film, after it was uploaded. */
  recordings: { suggested: YEAR },
  /** Archived courses with everything in them. */
  courses: { suggested: 5 * YEAR },
} as const satisfies Readonly<Record<string, Readonly<{ suggested: number }>>>;
export type RetentionClass = keyof typeof RETENTION;
export const RETENTION_CLASSES = Object.keys(RETENTION) as readonly RetentionClass[];

/** For how many days each class is kept; null: always. A class that is not named was never decided on, and is kept. */
export type Retention = Readonly<Partial<Record<RetentionClass, number | null>>>;

export const SUGGESTED_RETENTION: Retention = Object.fromEntries(
  RETENTION_CLASSES.map((name) => [name, RETENTION[name].suggested]),
);

/** Letters that arrived are forgotten after 90 days even where nobody has decided. */
export const daysKept = (retention: Retention, name: RetentionClass): number | undefined => {
  const chosen = retention[name];
  if (chosen !== undefined) return chosen ?? undefined;
  return name === 'letters' ? RETENTION.letters.suggested : undefined;
};

/** How long after the end of its term a course archives itself. */
export const ARCHIVES_AFTER_DAYS = 60;

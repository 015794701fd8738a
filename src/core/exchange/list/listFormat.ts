/** One line of a plan as people read it; `day` is in words (`Tue 13 Oct`), `date` as `2026-10-13`; `time` and `link` may be empty. */
export type PlanLine = Readonly<{
  /** The number of its teaching week; 0 outside the term. */
  week: number;
  date: string;
  day: string;
  time: string;
  /** The last day of what goes over several, itself included: `2026-11-13`; else empty. */
  until: string;
  tags: string;
  kind: string;
  title: string;
  /** The first address that is linked. */
  link: string;
  shown: string;
}>;

/** A way to write a list as text. */
export type TextFormat = Omit<ListFormat, 'write'> &
  Readonly<{ write: (lines: readonly PlanLine[]) => string }>;

/** A way to write a list of a plan as a file. */
export type ListFormat = Readonly<{
  id: string;
  /** What the button says: “Save as …”. */
  name: string;
  file: string;
  /** Its media type. */
  type: string;
  write: (lines: readonly PlanLine[]) => string | Promise<Blob>;
}>;

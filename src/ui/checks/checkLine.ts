import type { Finding, Remedy } from '@/core/checks/check';
import { findingKey } from '@/core/checks/check';
import { dayOfEntry } from '@/core/checks/checkedDates';
import { classTitle } from '@/core/plan/occurrences';
import type { Course } from '@/core/plan/plan';
import { weekAndDate } from '@/core/time/dateLabels';
import type { Term } from '@/core/time/term';

/** A finding as plain text: what, where, why, and what puts it right. */
export type CheckLine = Readonly<{
  key: string;
  title: string;
  tags: readonly Readonly<{ tag: string; color: string }>[];
  where: string;
  why: string;
  remedy: Remedy;
  /** Where something without a day is put right. */
  href?: string;
  entry?: string;
  sequence?: number;
  meeting?: string;
}>;

export function checkLine(
  finding: Finding,
  { courses, term, locale }: { courses: readonly Course[]; term: Term; locale: string },
): CheckLine {
  const { about, why, remedy } = finding;
  const shared = { key: findingKey(finding), why, remedy };
  if ('entry' in about) {
    const { entry } = about;
    const own = courses.filter((course) => entry.audience.some((part) => part.course === course.id));
    return {
      ...shared,
      title: entry.title,
      tags: own.map(({ tag, color }) => ({ tag, color })),
      where: weekAndDate(term, dayOfEntry(entry), locale),
      entry: entry.id,
      sequence: entry.sequence,
    };
  }
  if ('place' in about) {
    const { title, href, courses: ids } = about.place;
    const own = courses.filter((course) => ids.includes(course.id));
    return { ...shared, title, href, where: '', tags: own.map(({ tag, color }) => ({ tag, color })) };
  }
  const { seen } = about;
  return {
    ...shared,
    title: classTitle(seen),
    tags: [{ tag: seen.course.tag, color: seen.course.color }],
    where: weekAndDate(term, seen.meeting.date, locale),
    meeting: seen.meeting.id,
  };
}

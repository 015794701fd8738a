import type { SeenClass } from '@/core/plan/seenPlan';
import { classTitle } from '@/core/plan/occurrences';
import { daySheetTexts as say } from '@/core/texts/daySheet';
import { dateLabel } from '@/core/time/dateLabels';
import { classPath } from '@/core/plan/classPath';
import type { DaySheetView, SheetGiven } from './daySheetView';
import { daySheetView } from './daySheetView';

/** The page of one class: what it holds, what else its course has on its day, and the ways to the classes around it. */
export type ClassPageView = Readonly<{
  sheet: DaySheetView;
  /** Where the whole day of its course stands. */
  day: string;
  previous?: Readonly<{ href: string; words: string }>;
  next?: Readonly<{ href: string; words: string }>;
}>;

/** The page of a class that the viewer sees; of other sections' classes on its day nothing. */
export function classPageView(seen: SeenClass, given: Omit<SheetGiven, 'course'>): ClassPageView {
  const { course, section, meeting } = seen;
  const { plan } = given;
  const sheet = daySheetView(meeting.date, { ...given, course: course.id });
  const parts = sheet.parts.map((part) =>
    part.part === 'class'
      ? { ...part, items: part.items.filter(({ item }) => item.meeting === meeting.id) }
      : part,
  );
  const own = plan.classes.filter((other) => other.section.id === section.id);
  const at = own.findIndex((other) => other.meeting.id === meeting.id);
  const wayTo = (other: SeenClass | undefined, words: (given: Readonly<{ day: string }>) => string) =>
    other && {
      href: classPath(other.meeting.id),
      words: words({
        day: `${dateLabel(other.meeting.date, 'short', plan.locale)}${other.plan ? `, ${other.plan.title}` : ''}`,
      }),
    };
  return {
    sheet: {
      ...sheet,
      heading: say.classOn({ title: classTitle(seen), day: sheet.heading }),
      parts: parts.filter(({ items }) => items.length > 0),
    },
    day: `/day/${meeting.date.toString()}?course=${encodeURIComponent(course.id)}`,
    previous: wayTo(own[at - 1], say.previousClass),
    next: wayTo(own[at + 1], say.nextClass),
  };
}

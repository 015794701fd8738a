import { entryTexts } from '@/core/texts/entries';
import { Temporal } from 'temporal-polyfill';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { studentTexts } from '@/core/texts/student';
import { dateLabel, weekAndDate } from '@/core/time/dateLabels';
import { isIn } from '@/core/time/term';

/**
 * Where a day stands among the terms of somebody's courses: `week 6, Tue 13 Oct`; between two terms when the one ended and when
 * the classes of the other begin.
 */
export function timeOfYear(plan: SeenPlan, today: Temporal.PlainDate): string {
  const { compare } = Temporal.PlainDate;
  const own = plan.terms.filter((term) => plan.courses.some((c) => c.term === term.id && !c.archived));
  const terms = [...own].sort((a, b) => compare(a.startsOn, b.startsOn));
  const now = terms.find((term) => isIn(term, today));
  if (now)
    return entryTexts.onDay({
      label: weekAndDate(now, today, plan.locale),
      day: plan.dayNames.get(today.toString()),
    });
  const over = terms.filter((term) => compare(term.endsOn, today) < 0).at(-1);
  const coming = terms.find((term) => compare(term.startsOn, today) > 0);
  const day = (date: Temporal.PlainDate) => dateLabel(date, 'short', plan.locale);
  const firstClass = plan.classes
    .filter((c) => c.course.term === coming?.id && c.meeting.cancelled === undefined)
    .map(({ meeting }) => meeting.date)
    .sort(compare)[0];
  return [
    day(today),
    ...(over ? [studentTexts.termOver({ term: over.name, day: day(over.endsOn) })] : []),
    ...(coming
      ? [studentTexts.classesBegin({ term: coming.name, day: day(firstClass ?? coming.startsOn) })]
      : []),
  ].join(' · ');
}

import type { CourseId, SectionId } from '@/core/ids';
import type { QuickContext, QuickCourse } from '@/core/quickline/quickEntry';
import { day, time } from './plans';

/** Classes on some weekdays of the autumn term, without the days that are closed. */
function classesOn(weekdays: readonly number[], start: string, end: string) {
  const closed = new Set([
    '2026-10-12',
    '2026-11-09',
    '2026-11-10',
    '2026-11-11',
    '2026-11-12',
    '2026-11-13',
  ]);
  const dates = Array.from({ length: 102 }, (_, n) => day('2026-09-08').add({ days: n }));
  return dates
    .filter((date) => weekdays.includes(date.dayOfWeek) && !closed.has(date.toString()))
    .map((date, i) => ({ ordinal: i + 1, date, start: time(start), end: time(end) }));
}

const course = (tag: string, code: string, title: string, more: Partial<QuickCourse>): QuickCourse => ({
  id: tag.toLowerCase() as CourseId,
  code,
  tag,
  title,
  sections: [],
  landmarks: [],
  ...more,
});

/** Four courses of an autumn term; it is Tuesday 13 October, in week 6. Two of them share a tag. */
export const quickContext: QuickContext = {
  today: day('2026-10-13'),
  term: { startsOn: day('2026-09-08'), endsOn: day('2026-12-18') },
  locale: 'en-GB',
  courses: [
    course('HL', 'HL 210', 'Hull lofting', {
      sections: [
        { id: 'hl-a' as SectionId, name: 'A', classes: classesOn([2, 4], '10:00', '11:50') },
        { id: 'hl-b' as SectionId, name: 'B', classes: classesOn([2, 4], '14:00', '15:50') },
      ],
      landmarks: [
        { title: 'Midterm', date: day('2026-10-22') },
        { title: 'Review for the midterm', date: day('2026-10-20') },
        { title: 'Practical examination', date: day('2026-12-15') },
        { title: 'Written examination', date: day('2026-12-17') },
      ],
    }),
    course('NV', 'NV 140', 'Coastal navigation', {
      sections: [{ id: 'nv-a' as SectionId, name: 'A', classes: classesOn([1, 5], '09:00', '10:15') }],
    }),
    course('SR', 'SR 120', 'Sail and rig', {
      sections: [{ id: 'sr-a' as SectionId, name: 'A', classes: classesOn([3, 5], '13:00', '14:30') }],
    }),
    course('YD', 'BM 305', 'Boatyard management', {}),
    { ...course('YD', 'YD 100', 'Yacht design', {}), id: 'yd2' as CourseId },
  ],
};

import type { CoursePlan } from '@/core/carryover/carry';
import type { ClassPlanId, CourseId, ClosureId, MeetingId, SectionId, TermId } from '@/core/ids';
import type { ClassPlan } from '@/core/plan/classPlan';
import type { Section } from '@/core/plan/plan';
import type { Closure } from '@/core/time/closure';
import { fitMeetings, plannedMeetings } from '@/core/time/meetings';
import { requireZone } from '@/core/time/zoneData';
import { HL, NOW, TZID, course, day, time } from './plans';

type Given = Readonly<{
  id: string;
  from: string;
  to: string;
  weekdays: readonly number[];
  /** First and last day of each. */
  closed?: readonly (readonly [string, string])[];
  sections?: readonly string[];
}>;

/** A course in a term of its own, with its classes and nothing planned. */
export function termWith({ id, from, to, weekdays, closed = [], sections = ['A'] }: Given): CoursePlan {
  const term = { id: `term ${id}` as TermId, name: id, startsOn: day(from), endsOn: day(to), tzid: TZID };
  const closures = closed.map(([first, last], i): Closure => ({
    id: `${id} closure ${i}` as ClosureId,
    term: term.id,
    name: `Closure ${i + 1}`,
    start: day(first),
    end: day(last).add({ days: 1 }),
    created: NOW,
  }));
  const classes = weekdays.map((weekday) => ({ weekday, start: time('10:00'), end: time('11:15') }));
  const planned = plannedMeetings(term, { patterns: [{ from: term.startsOn, classes }] }, closures);
  return {
    term,
    zone: requireZone(TZID),
    course: course({
      id: (id === 'old' ? HL : `course ${id}`) as CourseId,
      term: term.id,
      sections: sections.map((name): Section => ({
        id: `${id} ${name}` as SectionId,
        name,
        students: 20,
        patterns: [],
        meetings: fitMeetings([], planned, { idOf: (key) => `${id} ${name} ${key}` as MeetingId, now: NOW }).meetings, // prettier-ignore
      })),
    }),
    closures,
    classPlans: [],
    entries: [],
    sheets: [],
    materials: [],
  };
}

/** A plan on the class of a number, in every section. */
export const planOn = ({ course: own }: CoursePlan, ordinal: number, title = `T${ordinal}`): ClassPlan => ({
  id: title as ClassPlanId,
  course: own.id,
  title,
  description: '',
  links: [],
  pinned: false,
  bindings: own.sections.map((s) => ({
    section: s.id,
    meeting: s.meetings.find((m) => m.ordinal === ordinal)!.id,
  })),
  sequence: 3,
  created: NOW,
  lastModified: NOW,
});

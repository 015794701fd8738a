import type { Temporal } from 'temporal-polyfill';
import type { Link } from '../entries/entry';
import type { SeenEntry } from '../entries/seenBy';
import { ownPart, seenBy } from '../entries/seenBy';
import type { Viewer } from '../entries/viewer';
import { coursesOf, getsMeetingLinks, isStaffOf, readsAsStaff, readsPart } from '../entries/viewer';
import { linkedMaterials } from '../materials/linkedMaterials';
import { seenMaterials } from '../materials/seenMaterials';
import { audienceSeenBy } from '../entries/audience';
import type { Tombstone } from '../entries/tombstone';
import { tombstonesOfHidden } from '../entries/tombstonesOf';
import type { SeenCalendar } from '../outside/seenCalendar';
import { seenCalendar } from '../outside/seenCalendar';
import type { SeenSheet } from '../signup/seenSheet';
import { seenSheet } from '../signup/seenSheet';
import type { CourseId } from '../ids';
import type { Term } from '../time/term';
import type { Zone } from '../time/zone';
import { entryTexts } from '../texts/entries';
import type { Closure } from '../time/closure';
import { concernsSection, putsOnline } from '../time/closure';
import { cycleDays } from '../time/cycle';
import type { Meeting } from '../time/meetings';
import type { ClassPlan } from './classPlan';
import type { Course, Plan, Section, SiteDate } from './plan';

/** A meeting that concerns the viewer. */
export type SeenClass = Readonly<{
  course: Course;
  section: Section;
  meeting: Meeting;
  /** Where it takes place: on a day that is online, so it says. */
  place: string;
  asStaff: boolean;
  edits: boolean;
  /** What is taught in it; links for the staff alone are gone for others. */
  plan?: ClassPlan;
}>;

export type SeenPlan = Readonly<{
  locale: string;
  /** Of a viewer who is elsewhere: their zone, and those of the terms, so that their own times can stand beside. */
  abroad?: Readonly<{ own: Zone; terms: readonly Zone[] }>;
  /** Of a viewer who wants titles and times alone. */
  plain?: boolean;
  terms: readonly Term[];
  courses: readonly Course[];
  /** Closures of the whole site, and those of the viewer's courses. */
  closures: readonly Closure[];
  siteDates: readonly SiteDate[];
  /** Which day of its rotation a date is, where days rotate. */
  dayNames: ReadonlyMap<string, string>;
  classes: readonly SeenClass[];
  entries: readonly SeenEntry[];
  sheets: readonly SeenSheet[];
  calendars: readonly SeenCalendar[];
  /** Of what the viewer saw and sees no more. */
  tombstones: readonly Tombstone[];
}>;

/** The term that a course of the plan lies in. */
export const termOfCourse = (
  { courses, terms }: SeenPlan,
  course: CourseId | undefined,
): Term | undefined => {
  const own = courses.find(({ id }) => id === course);
  return terms.find(({ id }) => id === own?.term);
};

const present = <T>(value: T | undefined): value is T => value !== undefined;

/** The sections that concern a viewer: all of them where the course has one, or the viewer none. */
function sectionsSeen(viewer: Viewer, course: Course): readonly Section[] {
  const edits = isStaffOf(viewer, course.id);
  const help = viewer.kind === 'person' && !edits ? viewer.helps.get(course.id) : undefined;
  const own = viewer.kind === 'person' ? viewer.memberOf.get(course.id) : undefined;
  return course.sections.filter((section) => {
    if (help?.sections) return help.sections.has(section.id);
    if (readsAsStaff(viewer, course.id) || course.sections.length === 1) return true;
    if (viewer.kind === 'person') return own === undefined || own === section.id;
    return viewer.sections.has(section.id);
  });
}

/** A closure as a viewer reads of it: one of some sections by whom one of them concerns, with their names. */
function seenClosure(viewer: Viewer, closure: Closure, courses: readonly Course[]): Closure | undefined {
  if (!closure.course) return closure;
  const course = courses.find(({ id }) => id === closure.course);
  if (!course || !closure.sections) return course && closure;
  const seen = sectionsSeen(viewer, course).filter(({ id }) => closure.sections!.includes(id));
  return seen.length > 0 ? { ...closure, sectionNames: seen.map(({ name }) => name) } : undefined;
}

/** The meetings of the sections that concern a viewer. */
function classesOf(
  viewer: Viewer,
  course: Course,
  planOf: ReadonlyMap<string, ClassPlan>,
  online: readonly Closure[],
): SeenClass[] {
  const asStaff = readsAsStaff(viewer, course.id);
  const edits = isStaffOf(viewer, course.id);
  return sectionsSeen(viewer, course).flatMap((section) =>
    section.meetings.map((meeting) => {
      const plan = planOf.get(meeting.id);
      return {
        course,
        section,
        meeting,
        place: placeOfClass(
          course,
          meeting,
          online.filter((closure) => concernsSection(closure, course.id, section.id)),
        ),
        asStaff,
        edits,
        plan: plan && seenClassPlan(plan, asStaff),
      };
    }),
  );
}

/** Where a class takes place: online on a day that is, else in its own place, else in its course's; a teaching week, nowhere. */
const placeOfClass = (course: Course, meeting: Meeting, online: readonly Closure[]): string =>
  online.some((closure) => putsOnline(closure, meeting.date))
    ? entryTexts.online
    : (meeting.place ?? (meeting.until ? '' : course.place));

const seenClassPlan = (plan: ClassPlan, asStaff: boolean): ClassPlan =>
  asStaff ? plan : { ...plan, links: plan.links.filter((link) => !link.staffOnly) };

/** The plan as one viewer may see it: the one gate between what is stored and what any page, feed or answer holds. */
export function seenPlan(viewer: Viewer, plan: Plan, now: Temporal.Instant): SeenPlan {
  const own = new Set(coursesOf(viewer));
  const courses = plan.courses
    .filter((course) => own.has(course.id))
    // Whoever has only an address, not a name, gets no link into a meeting unless its instructor ticked that.
    .map((course) => (getsMeetingLinks(viewer) ? course : { ...course, meetingLink: '' }));
  const terms = new Set(courses.map((course) => course.term));
  const materials = new Map(seenMaterials(viewer, plan.materials, now).map((m) => [m.id, m]));
  const linked = <T extends { links: readonly Link[] }>(item: T): T => {
    const links = linkedMaterials(item.links, materials);
    return links === item.links ? item : { ...item, links };
  };
  const planOf = new Map(
    plan.classPlans.map(linked).flatMap((p) => p.bindings.map(({ meeting }) => [meeting, p] as const)),
  );
  return {
    locale: plan.locale,
    terms: plan.terms.filter((term) => terms.has(term.id)),
    courses,
    closures: plan.closures
      .filter((closure) => terms.has(closure.term))
      .map((closure) => seenClosure(viewer, closure, courses))
      .filter(present),
    siteDates: plan.siteDates.filter((date) => terms.has(date.term)),
    dayNames: new Map(
      plan.terms
        .filter(({ id }) => terms.has(id))
        .flatMap((term) =>
          [
            ...cycleDays(
              term,
              plan.closures.filter((c) => c.term === term.id),
            ),
          ].map(([date, { day }]) => [date, day] as const),
        ),
    ),
    classes: (readsPart(viewer, 'plan') ? courses : []).flatMap((course) =>
      classesOf(
        viewer,
        course,
        planOf,
        plan.closures.filter((c) => c.online && c.term === course.term),
      ),
    ),
    entries: plan.entries
      .map((entry) => seenBy(viewer, entry, now))
      .filter(present)
      .map((entry) => (entry.kind === 'note' ? entry : linked(entry))),
    sheets: plan.sheets
      .map((sheet) => seenSheet(viewer, sheet, now))
      .filter(present)
      .map((sheet) => ({ ...sheet, rules: linked(sheet.rules) })),
    calendars: plan.calendars.map((calendar) => seenCalendar(viewer, calendar, courses)).filter(present),
    tombstones: [
      ...plan.tombstones,
      ...plan.entries.flatMap((entry) => (entry.kind === 'note' ? [] : tombstonesOfHidden(entry, now))),
    ]
      .filter(({ part }) => readsPart(viewer, 'plan') && audienceSeenBy(viewer, [part]))
      .map((tombstone) => ({
        ...tombstone,
        part: ownPart(viewer, tombstone.part),
        // Whoever reads a feed that others read, too, learns nothing of what is gone.
        title: viewer.kind === 'person' ? tombstone.title : '',
      })),
  };
}

import type { Course, Section } from '../plan/plan';
import { classOf } from '../time/classNumber';
import { spanOfMeeting } from '../time/meetings';
import type { Moment } from '../time/zonedWall';
import { isDay, momentText } from '../time/zonedWall';
import type { AssignmentEntry, ClassRef, CourseAudience, DateField, SectionDates } from './entry';
import type { AssignmentFacts } from './facts';

type Refs = NonNullable<AssignmentEntry['atClass']>;
type Dates = Pick<SectionDates, 'setOn' | 'opens' | 'closes'> & Readonly<{ due?: Moment }>;

export const DATE_FIELDS = ['setOn', 'opens', 'due', 'closes'] as const satisfies readonly DateField[];

/** The sections that an audience concerns, with the names by which they are told apart. */
function sectionsOf(
  audience: readonly CourseAudience[],
  courses: readonly Course[],
): { section: Section; name: string }[] {
  return courses.flatMap((course) => {
    const part = audience.find((p) => p.course === course.id);
    if (!part) return [];
    return course.sections
      .filter((section) => !part.sections || part.sections.includes(section.id))
      .map((section) => ({
        section,
        name: audience.length > 1 ? `${course.tag} ${section.name}` : section.name,
      }));
  });
}

function momentAt(ref: ClassRef, field: DateField, section: Section, tzid: string): Moment | undefined {
  const ordinal = ref.sections?.[section.id] ?? ref.ordinal;
  const meeting = classOf(section.meetings, { ordinal, strand: ref.strand });
  if (!meeting) return undefined;
  if (field === 'setOn') return meeting.date;
  const { start, end } = spanOfMeeting(meeting, tzid);
  if (ref.edge === 'start') return start;
  // A teaching week ends with its last day.
  return isDay(end) ? end.subtract({ days: 1 }) : end;
}

/** Dates as text: the same text is the same dates. */
export const datesText = (dates: Dates): string =>
  DATE_FIELDS.map((field) => (dates[field] ? momentText(dates[field]) : '')).join(' ');

export type ClassDates = Readonly<{
  /** What the dates come to in the first section that has the class. */
  dates: Dates;
  /** One for each section where they differ; else empty. */
  sectionDates: readonly SectionDates[];
  /** Dates whose class exists in no section: they stay as `fixed` has them. */
  missing: readonly DateField[];
}>;

/** What dates bound to classes come to. A section without the class goes by the first one that has it. */
export function classDates(
  refs: Refs,
  fixed: Dates,
  {
    audience,
    courses,
    tzid,
  }: { audience: readonly CourseAudience[]; courses: readonly Course[]; tzid: string },
): ClassDates {
  const sections = sectionsOf(audience, courses);
  const at = (field: DateField, section: Section) =>
    refs[field] && momentAt(refs[field], field, section, tzid);
  const first = (field: DateField) =>
    sections.map(({ section }) => at(field, section)).find((moment) => moment !== undefined) ?? fixed[field];
  const datesFrom = (of: (field: DateField) => Moment | undefined): Dates => {
    const setOn = of('setOn');
    return {
      setOn: setOn && isDay(setOn) ? setOn : undefined,
      opens: of('opens'),
      due: of('due'),
      closes: of('closes'),
    };
  };
  const dates = datesFrom(first);
  const each = sections.map(({ section, name }) => ({
    section: section.id,
    name,
    ...datesFrom((field) => at(field, section) ?? dates[field]),
  }));
  const differ = new Set(each.map(datesText)).size > 1;
  return {
    dates,
    sectionDates: differ ? each.flatMap(({ due, ...rest }) => (due ? [{ ...rest, due }] : [])) : [],
    missing: DATE_FIELDS.filter(
      (field) => refs[field] && !sections.some(({ section }) => at(field, section) !== undefined),
    ),
  };
}

/** An assignment whose bound dates are where its classes now are. */
export function withClassDates<E extends AssignmentFacts>(
  entry: E,
  courses: readonly Course[],
): E & Pick<AssignmentEntry, 'sectionDates'> {
  const { atClass, audience, tzid } = entry;
  if (!atClass) return { ...entry, sectionDates: undefined };
  const { dates, sectionDates } = classDates(atClass, entry, { audience, courses, tzid });
  return {
    ...entry,
    ...dates,
    due: dates.due ?? entry.due,
    sectionDates: sectionDates.length > 0 ? sectionDates : undefined,
  };
}

/** Whether two states of an assignment differ in their dates. */
export const sameDates = (a: AssignmentEntry, b: AssignmentEntry): boolean => {
  const all = (entry: AssignmentEntry) =>
    [
      datesText(entry),
      ...(entry.sectionDates ?? []).map((s) => `${s.section} ${s.name} ${datesText(s)}`),
    ].join();
  return all(a) === all(b);
};

/** An assignment whose dates of these fields no longer follow a class. */
export function detached<E extends Pick<AssignmentEntry, 'atClass'>>(
  entry: E,
  fields: readonly DateField[],
): E {
  if (!entry.atClass) return entry;
  const left = Object.fromEntries(
    Object.entries(entry.atClass).filter(([field]) => !fields.includes(field as DateField)),
  );
  return { ...entry, atClass: Object.keys(left).length > 0 ? left : undefined };
}

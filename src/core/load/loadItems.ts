import type { CourseAudience } from '../entries/entry';
import { isEveryone } from '../entries/entry';
import { groupBy } from '../groupBy';
import type { CourseId, GroupId, PersonId, SectionId } from '../ids';
import type { LoadItem } from './loadItem';
import { FEWEST, WEIGHT } from './loadItem';

/** Work that is due, or an exam; days as `2026-10-15`. Texts, not dates: a school has thousands of them. */
export type DueWork = Readonly<{
  id: string;
  title: string;
  due: string;
  setOn?: string;
  minutes?: number;
  exam: boolean;
  audience: readonly CourseAudience[];
  /** Where sections, or single students, have another day. */
  bySection: ReadonlyMap<SectionId, Readonly<{ due: string; setOn?: string }>>;
  byPerson: ReadonlyMap<PersonId, string>;
  /** Where it is due by own starts: the day of whoever has begun, and a last day of their own, if not everybody's. */
  byStart?: ReadonlyMap<PersonId, Readonly<{ day: string; last?: string }>>;
}>;

/** One student in one course. */
export type Taking = Readonly<{
  person: PersonId;
  course: CourseId;
  section?: SectionId;
  groups: readonly GroupId[];
}>;

/**
 * What weighs on some students. `teaches` are the courses of whoever looks: what is due in others has no course, a title only
 * where the course shares its titles (`shared` gives its tag), and is left out on days on which it concerns fewer students
 * than may be told of. `dayOf` counts days from the first of the term.
 */
export function loadItems(
  work: readonly DueWork[],
  taking: readonly Taking[],
  {
    students,
    teaches,
    shared,
    dayOf,
  }: Readonly<{
    students: ReadonlyMap<PersonId, number>;
    teaches: ReadonlySet<CourseId>;
    shared: ReadonlyMap<CourseId, string>;
    dayOf: (date: string) => number;
  }>,
): LoadItem[] {
  const byCourse = groupBy(
    taking.flatMap((student) => {
      const number = students.get(student.person);
      return number === undefined ? [] : [{ ...student, number }];
    }),
    ({ course }) => course,
  );
  const everyone = new Map([...byCourse].map(([course, list]) => [course, list.map(({ number }) => number)]));
  /** The days on which it is due, each with those who have it then. Most of it is due for a whole course at once. */
  const daysOf = (
    due: DueWork,
  ): (readonly [on: string, Readonly<{ set?: string; people: readonly number[] }>])[] => {
    const [part, ...others] = due.audience;
    if (
      part &&
      others.length === 0 &&
      isEveryone(part) &&
      due.bySection.size === 0 &&
      due.byPerson.size === 0 &&
      !due.byStart?.size
    ) {
      const people = everyone.get(part.course);
      return people ? [[due.due, { set: due.setOn, people }]] : [];
    }
    const days = new Map<string, { set?: string; people: Set<number> }>();
    for (const part of due.audience)
      for (const student of byCourse.get(part.course) ?? []) {
        if (!meant(part, student)) continue;
        const own = student.section && due.bySection.get(student.section);
        const on = dayFor(due, student.person, own ?? due);
        const known = days.get(on);
        if (known) known.people.add(student.number);
        else days.set(on, { set: own?.setOn ?? due.setOn, people: new Set([student.number]) });
      }
    return [...days].map(([on, { set, people }]) => [on, { set, people: [...people] }]);
  };
  return work.flatMap((due): LoadItem[] => {
    const days = daysOf(due);
    const course = due.audience.find((part) => teaches.has(part.course))?.course;
    const tag = due.audience.map((part) => shared.get(part.course)).find(Boolean);
    const title = course === undefined && tag ? `${tag} ${due.title}` : '';
    // A day of one's own, an extended one, is told of as little as a whole group that small.
    const told = days.filter(([, { people }]) => course !== undefined || people.length >= FEWEST);
    return told.map(([on, { set, people }]) => ({
      id: due.id,
      ...(course === undefined ? { title } : { course, title: due.title }),
      due: dayOf(on),
      ...(set === undefined ? {} : { set: dayOf(set) }),
      ...(due.minutes === undefined ? {} : { minutes: due.minutes }),
      weight: due.exam ? WEIGHT.exam : WEIGHT.work,
      people,
    }));
  });
}

/** The day on which one student has it; `all` are the dates of everybody in their section. */
function dayFor(
  { byPerson, byStart }: DueWork,
  person: PersonId,
  all: Readonly<{ due: string; setOn?: string }>,
): string {
  const begun = byStart?.get(person);
  if (!begun) return byPerson.get(person) ?? all.due;
  const last = begun.last ?? all.due;
  const earliest = all.setOn !== undefined && all.setOn > begun.day ? all.setOn : begun.day;
  return earliest < last ? earliest : last;
}

const meant = (part: CourseAudience, { person, section, groups }: Taking): boolean =>
  isEveryone(part) ||
  (section !== undefined && (part.sections?.includes(section) ?? false)) ||
  groups.some((group) => part.groups?.includes(group)) ||
  (part.people?.includes(person) ?? false);

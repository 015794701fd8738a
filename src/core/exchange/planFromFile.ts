import type { Temporal } from 'temporal-polyfill';
import { derived } from '../entries/derive';
import type { Link, SharedEntry } from '../entries/entry';
import type { SharedFacts } from '../entries/facts';
import type { TermId } from '../ids';
import type { Course, Plan } from '../plan/plan';
import { sanitize } from '../richText/sanitize';
import type { RuleMoment, Sheet } from '../signup/sheet';
import { toInstant } from '../time/zone';
import { requireZone } from '../time/zoneData';
import type { ZonedWall } from '../time/zonedWall';
import type { PlanFile } from './planFile';

type Given = Readonly<{ file: PlanFile; now: Temporal.Instant; locale: string }>;

const momentIn = ({ wall }: Readonly<{ wall: ZonedWall }>): RuleMoment => ({
  wall,
  at: toInstant(requireZone(wall.tzid), wall.wall),
});

/** The plan that a package holds: nobody is on its rosters, and nobody teaches it yet. */
export function planFromFile({ file, now, locale }: Given): Plan {
  const stamps = { created: now, lastModified: now };
  const term = file.term.id;
  const courses = file.courses.map((course): Course => ({
    ...course,
    term,
    staff: [],
    students: 0,
    sections: course.sections.map((section) => ({
      ...section,
      students: 0,
      meetings: section.meetings.map((meeting) => ({ ...meeting, lastModified: now })),
    })),
    groups: course.groups.map((group) => ({ ...group, students: 0 })),
  }));
  return {
    locale,
    terms: [file.term],
    courses,
    closures: file.closures.map((closure) => ({ ...closure, term: term as TermId, created: now })),
    siteDates: file.siteDates.map((date) => ({ ...date, term, created: now })),
    classPlans: file.classPlans.map((plan) => ({ ...plan, ...stamps, description: sanitize(plan.description), sequence: 0 })), // prettier-ignore
    entries: file.entries.map((entry) => entryFrom(entry, now, courses)),
    sheets: file.sheets.map((sheet): Sheet => ({
      ...sheet,
      ...stamps,
      hosts: [],
      uses: { count: 0 },
      rules: {
        ...sheet.rules,
        opens: sheet.rules.opens && momentIn(sheet.rules.opens),
        closes: sheet.rules.closes && momentIn(sheet.rules.closes),
      },
      slots: sheet.slots.map((slot) => ({ ...slot, bookings: [], waiting: [] })),
    })),
    materials: file.materials.map((material) => ({
      ...material,
      ...stamps,
      text: sanitize(material.text),
      visibleFrom: material.visibleFrom && momentIn(material.visibleFrom),
      sequence: 0,
    })),
    calendars: [],
    tombstones: [],
  };
}

function entryFrom(given: PlanFile['entries'][number], now: Temporal.Instant, courses: readonly Course[]): SharedEntry {
  return derived(factsFrom(given), courses, { sequence: given.sequence, created: now, lastModified: now }) as SharedEntry;
} // prettier-ignore

function factsFrom(given: PlanFile['entries'][number]): SharedFacts {
  const description = sanitize(given.description);
  switch (given.kind) {
    case 'event': {
      const { coming } = given;
      return { ...given, description, coming: coming && { ...coming, replies: [] } };
    }
    case 'assignment':
      return { ...given, description, extensions: [] };
    case 'announcement':
      return { ...given, description };
    default:
      return given satisfies never;
  }
}

/** What a file leads to that it does not hold: whoever wrote it left something out. */
export function missingIn(file: PlanFile): string[] {
  const ids = (things: readonly Readonly<{ id: string }>[]) => things.map(({ id }) => id);
  const sections = file.courses.flatMap((course) => course.sections);
  const held = new Set<string>([
    ...ids(file.courses),
    ...ids(sections),
    ...ids(sections.flatMap(({ meetings }) => meetings)),
    ...ids(file.courses.flatMap(({ groups }) => groups)),
    ...ids(file.materials),
    ...ids(file.files),
  ]);
  const audiences = [...file.entries, ...file.sheets].flatMap(({ audience }) => audience);
  const links: readonly Link[] = [
    ...file.classPlans.flatMap((plan) => plan.links),
    ...file.entries.flatMap((entry) => entry.links),
    ...file.sheets.flatMap(({ rules }) => rules.links),
  ];
  const needed: (string | undefined)[] = [
    ...file.closures.map(({ course }) => course),
    ...audiences.flatMap((part) => [part.course, ...(part.sections ?? []), ...(part.groups ?? [])]),
    ...file.classPlans.flatMap(({ course, bindings }) => [course, ...bindings.map(({ section }) => section)]),
    ...file.materials.flatMap(({ course, parent, file: bytes }) => [course, parent, bytes]),
    ...links.map(({ file: bytes }) => bytes),
  ];
  return [...new Set(needed)].filter((id): id is string => id !== undefined && !held.has(id));
}

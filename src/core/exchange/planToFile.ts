import { Temporal } from 'temporal-polyfill';
import { z } from 'zod';
import type { CourseAudience, Link, SharedEntry } from '../entries/entry';
import { isEveryone } from '../entries/entry';
import { mapMoments } from '../entries/mapMoments';
import type { FileId } from '../ids';
import type { Material } from '../materials/material';
import type { Course, Plan } from '../plan/plan';
import { endingOn, untilOf } from '../series/rule';
import type { Sheet } from '../signup/sheet';
import { toInstant, toWall } from '../time/zone';
import { requireZone } from '../time/zoneData';
import type { ZonedWall } from '../time/zonedWall';
import type { PlanFile } from './planFile';
import { planFile } from './planFile';

/** The Monday of the first teaching week of an outline, which has no dates of its own. */
const OUTLINE_MONDAY = Temporal.PlainDate.from('2001-01-01');
const OUTLINE_ZONE = 'UTC';

export type SavedFile = PlanFile['files'][number];

/** The parts of an audience that a file can say: whoever is named stays behind, and with them what was for them alone. */
function audienceFor(parts: readonly CourseAudience[], courses: ReadonlySet<string>): CourseAudience[] {
  return parts.flatMap((part) => {
    if (!courses.has(part.course)) return [];
    if (isEveryone(part)) return [{ course: part.course }];
    const { course, sections, groups } = part;
    return sections || groups ? [{ course, sections, groups }] : [];
  });
}

const linksOf = (plan: Pick<Plan, 'classPlans' | 'entries' | 'sheets'>): Link[] => [
  ...plan.classPlans.flatMap(({ links }) => links),
  ...plan.entries.flatMap((entry) => (entry.kind === 'note' ? [] : entry.links)),
  ...plan.sheets.flatMap(({ rules }) => rules.links),
];

/** The uploaded files that a plan leads to. */
export const filesOfPlan = (plan: Pick<Plan, 'classPlans' | 'entries' | 'sheets' | 'materials'>): FileId[] => [
  ...new Set([...linksOf(plan).flatMap(({ file }) => file ?? []), ...plan.materials.flatMap(({ file }) => file ?? [])]),
]; // prettier-ignore

/**
 * A plan of courses of one term as the JSON of a plan package, without students, bookings, replies and notes. `left` counts
 * what was for named students alone. An outline has no dates: days count from `OUTLINE_MONDAY`, and closures are left out.
 */
export function planToFile(
  plan: Plan,
  { exported, outline, files }: { exported: Temporal.Instant; outline: boolean; files: readonly SavedFile[] },
): { json: z.input<typeof planFile>; left: number } {
  const { terms, courses, closures, siteDates, classPlans, entries, sheets, materials } = outline ? undated(plan) : plan; // prettier-ignore
  const [term] = terms;
  if (!term) throw new Error('A plan without a term cannot be saved.');
  const own = new Set<string>(courses.map(({ id }) => id));
  const forOwn = <T extends { audience: readonly CourseAudience[] }>(thing: T): T[] => {
    const audience = audienceFor(thing.audience, own);
    return audience.length > 0 ? [{ ...thing, audience }] : [];
  };
  const shared = entries.filter((entry): entry is SharedEntry => entry.kind !== 'note');
  const [saidEntries, saidSheets] = [shared.flatMap(forOwn), sheets.flatMap(forOwn)];
  const known = new Set(materials.map(({ id }) => id));
  // What leads to a material of a course that is not saved keeps its address alone.
  const led = (links: readonly Link[]) =>
    links.map((link) => (link.material && !known.has(link.material) ? { ...link, material: undefined } : link)); // prettier-ignore
  const value: PlanFile = {
    format: 'pembit-plan',
    version: 1,
    exported,
    outline,
    term,
    // Those of some sections alone are this term's own.
    closures: closures.filter(({ sections }) => !sections),
    siteDates,
    courses,
    classPlans: classPlans.map((taught) => ({ ...taught, links: led(taught.links) })),
    entries: saidEntries.map((entry) => ({ ...entry, links: led(entry.links) })),
    sheets: saidSheets.map((sheet) => ({
      ...sheet,
      rules: { ...sheet.rules, links: led(sheet.rules.links) },
    })),
    // A unit that is gone holds nothing.
    materials: materials.map((m) => (m.parent && !known.has(m.parent) ? { ...m, parent: undefined } : m)),
    files,
  };
  return {
    json: z.encode(planFile, value),
    left: shared.length + sheets.length - saidEntries.length - saidSheets.length,
  };
}

/** The plan moved by whole weeks to where an outline begins, without its closures and its zone. */
function undated(plan: Plan): Plan {
  const term = plan.terms[0]!;
  const monday = term.startsOn.subtract({ days: term.startsOn.dayOfWeek - 1 });
  const { days } = monday.until(OUTLINE_MONDAY, { largestUnit: 'days' });
  const by = (date: Temporal.PlainDate) => date.add({ days });
  const wall = ({ wall: local }: ZonedWall): ZonedWall => ({ wall: local.add({ days }), tzid: OUTLINE_ZONE });
  const change = { day: by, wall };
  // The place of a rotating day is its turn, that of a teaching week its number, whatever the date.
  const key = (text: string) =>
    /^(?:turn|week)-/.test(text)
      ? text
      : by(Temporal.PlainDate.from(text.slice(0, 10))).toString() + text.slice(10);
  const entry = (given: SharedEntry): SharedEntry => {
    const moved = { ...mapMoments<SharedEntry>(given, change, change), tzid: OUTLINE_ZONE };
    if (moved.kind !== 'event' || !moved.recurrence) return moved;
    const until = untilOf(moved.recurrence.rrule);
    const rrule = until ? endingOn(moved.recurrence.rrule, by(until)) : moved.recurrence.rrule;
    return { ...moved, recurrence: { ...moved.recurrence, rrule } };
  };
  const course = (given: Course): Course => ({
    ...given,
    sections: given.sections.map((section) => ({
      ...section,
      firstDay: section.firstDay && by(section.firstDay),
      lastDay: section.lastDay && by(section.lastDay),
      extraClasses: section.extraClasses?.map((extra) => ({ ...extra, date: by(extra.date) })),
      patterns: section.patterns.map((pattern) => ({ ...pattern, from: by(pattern.from) })),
      meetings: section.meetings.map((m) => ({
        ...m,
        date: by(m.date),
        until: m.until && by(m.until),
        key: key(m.key),
      })),
    })),
  });
  const sheet = (given: Sheet): Sheet => {
    const zone = requireZone(given.tzid);
    const at = (instant: Temporal.Instant) =>
      toInstant(requireZone(OUTLINE_ZONE), toWall(zone, instant).add({ days }));
    const { opens, closes } = given.rules;
    return {
      ...given,
      tzid: OUTLINE_ZONE,
      rules: {
        ...given.rules,
        opens: opens && { ...opens, wall: wall(opens.wall) },
        closes: closes && { ...closes, wall: wall(closes.wall) },
      },
      slots: given.slots.map((slot) => ({
        ...slot,
        interval: { start: at(slot.interval.start), end: at(slot.interval.end) },
      })),
    };
  };
  const material = (given: Material): Material => ({
    ...given,
    visibleFrom: given.visibleFrom && { ...given.visibleFrom, wall: wall(given.visibleFrom.wall) },
  });
  return {
    ...plan,
    terms: [
      {
        ...term,
        name: '',
        startsOn: by(term.startsOn),
        endsOn: by(term.endsOn),
        tzid: OUTLINE_ZONE,
        cycle: term.cycle && { ...term.cycle, given: [] },
      },
    ],
    courses: plan.courses.map(course),
    closures: [],
    siteDates: [],
    entries: plan.entries.filter((e): e is SharedEntry => e.kind !== 'note').map(entry),
    sheets: plan.sheets.map(sheet),
    materials: plan.materials.map(material),
  };
}

import { ALL_STRANDS, STRANDS } from '../time/classNumber';
import { Temporal } from 'temporal-polyfill';
import { z } from 'zod';
import { LATE_WORK } from '../entries/entry';
import { pacing } from '../entries/pacing';
import { ruleText, titleInput } from '../entries/entryInput';
import { line, longText } from '../fields';
import { safeUri } from '../icalendar/text';
import {
  classPlanId,
  closureId,
  courseId,
  entryId,
  fileId,
  groupId,
  materialId,
  meetingId,
  sectionId,
  sheetId,
  siteDateId,
  slotId,
  termId,
} from '../ids';
import { MATERIAL_KINDS } from '../materials/material';
import { COURSE_COLORS } from '../plan/plan';
import { requireZone, zoneNamed } from '../time/zoneData';
import type { ZonedWall } from '../time/zonedWall';
import { wallFrom, wallText } from '../time/zonedWall';

/**
 * The shape of `plan.json` in a plan package: a term and courses with everything planned in them, without students. The same
 * codecs write and read it, and the JSON Schema is made of them. Formats: dates and times by ISO 8601; a wall time with its
 * zone as in RFC 9557 (`2026-10-15T17:00[America/Halifax]`); rules by RFC 5545, their UNTIL a wall time of that zone.
 */

const NO_SUCH = 'There is no such date, time or zone.';

/** Text of a format, and what it stands for. */
const text = <T>(format: z.ZodType<string, string>, is: (value: unknown) => boolean, read: (text: string) => T, write: (value: T) => string) =>
  z.codec(format, z.custom<T>(is), {
    decode: (given, context) => {
      try {
        return read(given);
      } catch {
        context.issues.push({ code: 'custom', input: given, message: NO_SUCH });
        return z.NEVER;
      }
    },
    encode: write,
  }); // prettier-ignore

const { PlainDate, PlainTime, Instant } = Temporal;
const day = text(z.iso.date(), (v) => v instanceof PlainDate, (t) => PlainDate.from(t, { overflow: 'reject' }), (d) => d.toString()); // prettier-ignore
const clock = text(z.iso.time({ precision: -1 }), (v) => v instanceof PlainTime, (t) => PlainTime.from(t), (t) => t.toString({ smallestUnit: 'minute' })); // prettier-ignore
const instant = text(z.iso.datetime(), (v) => v instanceof Instant, (t) => Instant.from(t), (i) => i.toString()); // prettier-ignore

const WALL = /^(\d{4}-\d{2}-\d{2}T\d{2}:\d{2})\[([A-Za-z0-9_+/-]{1,60})\](\[_pass=2\])?$/;
const wall = text(
  z.string().regex(WALL, 'Write a wall time with its zone: 2026-10-15T17:00[America/Halifax].'),
  (value) => typeof value === 'object' && value !== null && 'wall' in value,
  (given): ZonedWall => {
    const [, local = '', tzid = '', pass = ''] = WALL.exec(given) ?? [];
    return { wall: wallFrom(local + pass), tzid: requireZone(tzid).tzid };
  },
  ({ wall: local, tzid }) => {
    const [time = '', pass] = wallText(local).split('[');
    return `${time}[${tzid}]${pass ? `[${pass}` : ''}`;
  },
);
const moment = z.union([day, wall]);
const derived = z.object({ wall });

const address = z
  .string()
  .max(2000)
  .refine((given) => given === '' || given.startsWith('/') || safeUri(given) !== undefined, {
    error: 'This address may not be opened from a calendar.',
  });
const tzid = z.string().max(60).refine((given) => zoneNamed(given) !== undefined, { error: 'There is no such zone.' }); // prettier-ignore
const uid = z.string().min(1).max(500);
const formatted = longText(200_000).describe(
  'HTML within the allow list; anything else is taken out on reading.',
);
const listOf = <T extends z.ZodType>(item: T, most: number, least = 0) =>
  z.array(item).min(least).max(most).readonly();

const link = z.object({
  url: address,
  label: line(500),
  staffOnly: z.boolean(),
  material: materialId.optional(),
  file: fileId.optional(),
});
const links = listOf(link, 200);
const audience = listOf(
  z.object({
    course: courseId,
    sections: listOf(sectionId, 500).optional(),
    groups: listOf(groupId, 500).optional(),
  }),
  500,
  1,
);
const visibility = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('draft') }),
  z.object({ kind: z.literal('visible') }),
  z.object({ kind: z.literal('from'), from: wall }),
  z.object({ kind: z.literal('before'), days: z.number().int().min(0).max(1000) }),
]);
const classRef = z.object({
  ordinal: z.number().int().min(1).max(1000),
  strand: z.enum(ALL_STRANDS).optional(),
  edge: z.enum(['start', 'end']),
  sections: z.record(sectionId, z.number().int().min(1).max(1000)).optional(),
});

const shared = {
  id: entryId,
  uid,
  title: titleInput,
  description: formatted,
  tzid,
  sequence: z.number().int().min(0),
  sourceUid: uid.optional(),
  audience,
  links,
  visibility,
  hiddenAfter: derived.optional(),
  cancelled: line(500).optional(),
};
const override = z.object({
  recurrenceId: moment,
  start: moment.optional(),
  end: moment.optional(),
  title: line(500).optional(),
  place: line(500).optional(),
  description: formatted.optional(),
  cancelled: line(500).optional(),
});
const entry = z.discriminatedUnion('kind', [
  z.object({
    ...shared,
    kind: z.literal('event'),
    when: z.discriminatedUnion('kind', [
      z.object({ kind: z.literal('timed'), start: wall, end: wall.optional() }),
      z.object({ kind: z.literal('days'), start: day, end: day }),
    ]),
    place: line(500),
    meetingLink: address,
    meetingName: line(80).default(''),
    meetingText: longText(5000),
    recurrence: z
      .object({
        rrule: ruleText,
        exdates: listOf(moment, 2000),
        closed: listOf(moment, 2000).optional(),
        overrides: listOf(override, 2000),
      }) // prettier-ignore
      .optional(),
    coming: z.object({ seats: z.number().int().min(1).max(100_000).optional() }).optional(),
  }),
  z.object({
    ...shared,
    kind: z.literal('assignment'),
    setUid: uid,
    setOn: day.optional(),
    opens: moment.optional(),
    due: moment,
    closes: moment.optional(),
    handIn: line(500),
    lateWork: z.enum(LATE_WORK).optional(),
    handInAgain: z.boolean().optional(),
    latePolicy: longText(5000),
    points: z.number().min(0).max(100_000).optional(),
    effortMinutes: z.number().int().min(0).max(100_000).optional(),
    pacing: pacing.optional(),
    atClass: z
      .object({ setOn: classRef, opens: classRef, due: classRef, closes: classRef })
      .partial()
      .optional(),
  }),
  z.object({ ...shared, kind: z.literal('announcement'), on: day }),
]);

const notice = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('minutes'), minutes: z.number().int().min(0) }),
  z.object({ kind: z.literal('day'), days: z.number().int().min(0), at: clock }),
]);
const count = z.number().int().min(1).max(100_000);
const sheet = z.object({
  id: sheetId,
  uid,
  title: line(500),
  audience,
  place: line(500),
  meetingLink: address,
  rules: z.object({
    perSheet: count,
    perDay: count.optional(),
    perWeek: count.optional(),
    take: notice,
    giveBack: notice,
    opens: derived.optional(),
    closes: derived.optional(),
    namesShown: z.boolean(),
    waitingList: z.boolean(),
    question: z.object({ text: line(500), choices: listOf(line(500), 100) }).optional(),
    links,
    together: z.boolean(),
    privateMeetings: z.boolean(),
  }),
  offered: z.boolean(),
  tzid,
  sequence: z.number().int().min(0),
  slots: listOf(
    z.object({
      id: slotId,
      interval: z.object({ start: instant, end: instant }),
      seats: count,
      place: line(200).optional(),
      meetingLink: address.optional(),
    }),
    5000,
  ),
});

const weekCount = z.number().int().min(1).max(60);
const patternTimes = {
  start: clock,
  end: clock,
  weeks: z
    .union([z.object({ every: weekCount, from: weekCount }), z.object({ only: listOf(weekCount, 60, 1) })])
    .optional(),
  place: line(200).optional(),
  strand: z.enum(ALL_STRANDS).optional(),
};
const patternClass = z.union([
  z.object({ weekday: z.number().int().min(1).max(7), ...patternTimes }),
  z.object({ cycleDay: line(3), ...patternTimes }),
  z.object({ byWeek: z.literal(true), ...patternTimes }),
]);
const cycle = z.object({
  days: listOf(line(3), 20),
  weekdays: listOf(z.number().int().min(1).max(7), 7),
  onClosure: z.enum(['skip', 'use']),
  given: listOf(z.object({ date: day, day: line(3) }), 400),
});

const section = z.object({
  id: sectionId,
  name: line(100),
  firstDay: day.optional(),
  lastDay: day.optional(),
  extraClasses: listOf(
    z.object({
      id: z.string().max(100),
      date: day,
      start: clock,
      end: clock,
      place: line(200).optional(),
      strand: z.enum(STRANDS).optional(),
    }),
    500,
  ).optional(),
  patterns: listOf(
    z.object({
      from: day,
      classes: listOf(patternClass, 50),
    }),
    100,
  ),
  meetings: listOf(
    z.object({
      id: meetingId,
      key: z
        .string()
        .regex(/^(?:turn-\d{1,3}|week-\d{1,2}|\d{4}-\d{2}-\d{2}(?:\/given)?)(\/\d{1,2}|\+[\w-]{1,100})?$/),
      ordinal: z.number().int().min(1),
      strand: z.enum(ALL_STRANDS).optional(),
      date: day,
      start: clock,
      end: clock,
      place: line(200).optional(),
      until: day.optional(),
      moved: z.boolean(),
      cancelled: line(500).optional(),
      sequence: z.number().int().min(0),
    }),
    2000,
  ),
});
const themes = z.codec(z.record(z.string().regex(/^\d{1,2}$/), line(500)), z.custom<ReadonlyMap<number, string>>(), {
  decode: (given) => new Map(Object.entries(given).map(([week, theme]) => [Number(week), theme])),
  encode: (given) => Object.fromEntries([...given].map(([week, theme]) => [String(week), theme])),
}); // prettier-ignore
const course = z.object({
  id: courseId,
  code: line(40, 'A course has a code.'),
  title: line(200),
  tag: line(10),
  color: z.enum(COURSE_COLORS),
  credits: z.number().min(0).max(100).optional(),
  weeklyHours: z
    .number()
    .min(0)
    .max(168)
    .optional()
    .describe('Hours a student is meant to work in a week, class included.'),
  sharesTitles: z
    .boolean()
    .default(false)
    .describe('Whether colleagues read the titles of its work in their load.'),
  place: line(500),
  meetingLink: address,
  sections: listOf(section, 200),
  groups: listOf(z.object({ id: groupId, name: line(200) }), 500),
  themes: themes.describe('What a teaching week is about, by its number.'),
  archived: z.boolean(),
});

export const planFile = z.object({
  format: z.literal('pembit-plan'),
  version: z.literal(1),
  exported: instant,
  outline: z
    .boolean()
    .describe('Without dates: the week of Monday 1 January 2001 stands for the first teaching week, the zone is UTC.'), // prettier-ignore
  term: z.object({ id: termId, name: line(200), startsOn: day, endsOn: day, tzid, cycle: cycle.optional() }),
  closures: listOf(
    z.object({ id: closureId, course: courseId.optional(), name: line(200), start: day, end: day, closesAt: clock.optional(), opensAt: clock.optional(), online: z.boolean().optional() }), 1000), // prettier-ignore
  siteDates: listOf(z.object({ id: siteDateId, name: line(200), start: day, end: day, at: clock.optional() }), 1000), // prettier-ignore
  courses: listOf(course, 500, 1),
  classPlans: listOf(
    z.object({
      id: classPlanId,
      course: courseId,
      title: line(500),
      description: formatted,
      links,
      pinned: z.boolean(),
      bindings: listOf(z.object({ section: sectionId, meeting: meetingId }), 200),
    }),
    100_000,
  ),
  entries: listOf(entry, 100_000),
  sheets: listOf(sheet, 10_000),
  materials: listOf(
    z.object({
      id: materialId,
      course: courseId,
      parent: materialId.optional(),
      position: z.number().int().min(0),
      kind: z.enum(MATERIAL_KINDS),
      title: line(500),
      url: address,
      file: fileId.optional(),
      source: z.object({ id: z.string().max(500), path: z.string().max(2000) }).optional(),
      text: formatted,
      visibleFrom: derived.optional(),
    }),
    100_000,
  ),
  files: listOf(
    z.object({
      id: fileId,
      name: line(255),
      mediaType: z.string().max(200),
      size: z.number().int().min(0),
    }),
    10_000,
  ).describe('What lies beside this file in the package, under files/ID.'),
});
/** A plan package's `plan.json`, read. */
export type PlanFile = z.output<typeof planFile>;

/** The JSON Schema (draft 2020-12) of `plan.json`. */
export const planFileSchema = (): Readonly<Record<string, unknown>> =>
  z.toJSONSchema(planFile, { io: 'input' });

import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import type { CourseAudience, Entry, Visibility } from '@/core/entries/entry';
import type { OwnStart } from '@/core/entries/pacing';
import type { Tombstone } from '@/core/entries/tombstone';
import type {
  CalendarId,
  CourseId,
  MeetingId,
  EntryId,
  GroupId,
  OutletId,
  PersonId,
  SectionId,
  SheetId,
  SlotId,
  BookingId,
  TermId,
} from '@/core/ids';
import type { Viewer } from '@/core/entries/viewer';
import type { Outlet } from '@/core/outlets/outlet';
import { DEFAULT_LOOK, OUTLET_KINDS } from '@/core/outlets/outlet';
import type { Meeting } from '@/core/time/meetings';
import type { OutsideCalendar } from '@/core/outside/outsideCalendar';
import type { Plan } from '@/core/plan/plan';
import type { Sheet } from '@/core/signup/sheet';
import { DEFAULT_RULES } from '@/core/signup/sheet';
import type { Recurrence } from '@/core/series/recurrence';
import type { Moment } from '@/core/time/zonedWall';
import { laterBy, zonedWall } from '@/core/time/zonedWall';

/** Random plans, people and outlets for property tests. */
export const NOW = Temporal.Instant.from('2026-10-13T12:00Z');
const COURSES = ['c1', 'c2', 'c3'] as CourseId[];
export const SECTIONS: Record<string, SectionId[]> = {
  c1: ['c1a', 'c1b'] as SectionId[],
  c2: ['c2a'] as SectionId[],
  c3: [],
};
const GROUPS = ['g1', 'g2'] as GroupId[];
export const PEOPLE = ['p1', 'p2', 'p3', 'p4'] as PersonId[];

/** Every text of an entry carries a mark of its own, so that a leak shows in any output. */
export const mark = (kind: string, n: number) => `~${kind}${n}~`;

const visibility: fc.Arbitrary<Visibility> = fc.oneof(
  fc.constant<Visibility>({ kind: 'draft' }),
  fc.constant<Visibility>({ kind: 'visible' }),
  fc.integer({ min: -72, max: 72 }).map((hours): Visibility => ({
    kind: 'from',
    from: zonedWall('2026-10-13T09:00', 'America/Halifax'),
    at: NOW.add({ hours }),
  })),
);

const audience = fc.subarray(COURSES, { minLength: 1 }).chain((courses) =>
  fc.tuple(
    ...courses.map((course) =>
      fc
        .record({
          sections: fc.subarray(SECTIONS[course]!),
          groups: fc.subarray(GROUPS),
          people: fc.subarray(PEOPLE, { maxLength: 2 }),
          everyone: fc.boolean(),
        })
        .map(({ everyone, sections, groups, people }) => ({
          course,
          ...(everyone || sections.length === 0 ? {} : { sections }),
          ...(everyone || groups.length === 0 ? {} : { groups }),
          ...(everyone || people.length === 0 ? {} : { people }),
        })),
    ),
  ),
);

const day = fc
  .integer({ min: -30, max: 60 })
  .map((days) => Temporal.PlainDate.from('2026-10-13').add({ days }));

/** What became of an occurrence of a series. */
const second = fc.constantFrom('same', 'moved', 'calledOff', 'gone');
function differing(what: string, at: Moment): Pick<Recurrence, 'exdates' | 'overrides'> {
  if (what === 'gone') return { exdates: [at], overrides: [] };
  if (what === 'same') return { exdates: [], overrides: [] };
  const change = what === 'moved' ? { start: laterBy(at, 1) } : { cancelled: 'wind' };
  return { exdates: [], overrides: [{ recurrenceId: at, ...change }] };
}

/** When each of them said when they begin: nobody else's answer holds it. */
export const saidAt = (person: PersonId) => `2026-08-01T00:00:00.00${PEOPLE.indexOf(person) + 1}Z`;
const startsOf = (people: readonly PersonId[], parts: readonly CourseAudience[], on: Temporal.PlainDate): OwnStart[] =>
  people.flatMap((person, i) =>
    parts.map(({ course }, k) => ({ person, course, on: on.add({ days: i + k }), said: Temporal.Instant.from(saidAt(person)) })),
  ); // prettier-ignore
const shownBefore = (due: Temporal.PlainDate, days: number): Visibility => ({
  kind: 'before',
  days,
  at: due.subtract({ days }).toZonedDateTime('America/Halifax').toInstant(),
});

const entries: fc.Arbitrary<Entry[]> = fc
  .array(
    fc.record({
      kind: fc.constantFrom('event', 'assignment', 'announcement', 'note', 'series'),
      timed: fc.boolean(),
      day,
      visibility,
      audience,
      person: fc.constantFrom(...PEOPLE),
      hidden: fc.option(fc.integer({ min: -48, max: 48 })),
      second,
      paced: fc.option(
        fc.record({ unit: fc.constantFrom('days', 'weeks'), count: fc.integer({ min: 1, max: 9 }) }),
      ),
      begun: fc.subarray(PEOPLE),
      began: day,
      daysBefore: fc.option(fc.integer({ min: 0, max: 30 })),
    }),
    {
      maxLength: 12,
    },
  )
  .map((list) =>
    list.map((item, n): Entry => {
      const common = {
        id: `e${n}` as EntryId,
        uid: `uid-e${n}`,
        title: mark('title', n),
        description: mark('text', n),
        audience: item.audience,
        ...(item.hidden === null
          ? {}
          : {
              hiddenAfter: {
                // NOW is 09:00 in Halifax.
                wall: {
                  wall: Temporal.PlainDateTime.from('2026-10-13T09:00').add({ hours: item.hidden }),
                  tzid: 'America/Halifax',
                },
                at: NOW.add({ hours: item.hidden }),
              },
            }),
        links: [
          { url: `https://x.example/${mark('link', n)}`, label: '', staffOnly: false },
          { url: `https://x.example/${mark('staff', n)}`, label: '', staffOnly: true },
        ],
        visibility: item.visibility,
        tzid: 'America/Halifax',
        sequence: 0,
        created: NOW,
        lastModified: NOW,
      };
      const moment = item.timed
        ? { wall: item.day.toPlainDateTime('10:00'), tzid: 'America/Halifax' }
        : item.day;
      if (item.kind === 'note') {
        const { audience: _, links: __, visibility: ___, ...text } = common;
        return { ...text, kind: 'note', on: moment, author: item.person };
      }
      if (item.kind === 'announcement') return { ...common, kind: 'announcement', on: item.day };
      if (item.kind === 'assignment')
        return {
          ...common,
          kind: 'assignment',
          due: moment,
          setOn: item.day.subtract({ days: 7 }),
          setUid: `uid-s${n}`,
          handIn: '',
          latePolicy: '',
          extensions: [{ person: item.person, name: mark(`ename-${item.person}-`, n), due: moment }],
          ...(item.paced
            ? { pacing: { ...item.paced }, starts: startsOf(item.begun, item.audience, item.began) }
            : {}),
          ...(item.paced && item.daysBefore !== null
            ? { visibility: shownBefore(item.day, item.daysBefore) }
            : {}),
        };
      const when =
        moment instanceof Temporal.PlainDate
          ? { kind: 'days' as const, start: moment, end: moment.add({ days: 1 }) }
          : { kind: 'timed' as const, start: moment };
      return {
        ...common,
        kind: 'event',
        when,
        place: '',
        meetingLink: `https://x.example/${mark('meet', n)}`,
        meetingName: mark('meet', n),
        meetingText: mark('meet', n),
        coming: {
          replies: [{ person: item.person, name: mark(`ename-${item.person}-`, n), answer: 'coming' }],
        },
        ...(item.kind === 'series'
          ? { recurrence: { rrule: 'FREQ=WEEKLY;COUNT=3', ...differing(item.second, laterBy(moment, 7)) } }
          : {}),
      };
    }),
  );

const sheets: fc.Arbitrary<Sheet[]> = fc
  .array(
    fc.record({
      audience,
      offered: fc.boolean(),
      booked: fc.array(fc.option(fc.constantFrom(...PEOPLE)), { minLength: 1, maxLength: 4 }),
    }),
    { maxLength: 3 },
  )
  .map((list) =>
    list.map((item, n): Sheet => ({
      id: `sh${n}` as SheetId,
      uid: `uid-sh${n}`,
      title: mark('sheet', n),
      audience: item.audience,
      hosts: [{ id: 'host' as PersonId, name: 'A Host' }],
      place: '',
      meetingLink: `https://x.example/${mark('room', n)}`,
      rules: { ...DEFAULT_RULES, perSheet: 9, namesShown: item.offered, links: [{ url: `https://x.example/${mark('room', n)}`, label: '', staffOnly: false }] }, // prettier-ignore
      offered: item.offered,
      uses: { count: 0 },
      tzid: 'America/Halifax',
      sequence: 0,
      created: NOW,
      lastModified: NOW,
      slots: item.booked.map((person, i) => {
        const start = NOW.add({ hours: 24 + i });
        const booking = person && {
          id: `b${n}-${i}` as BookingId, uid: `uid-b${n}-${i}`, seat: 1, person, personName: mark(`name-${person}-`, n), note: mark(`note-${person}-`, n),
          answer: mark(`note-${person}-`, n), meetingLink: `https://x.example/${mark('room', n)}`, sequence: 0, created: NOW, lastModified: NOW,
        }; // prettier-ignore
        return {
          id: `sl${n}-${i}` as SlotId,
          interval: { start, end: start.add({ minutes: 25 }) },
          seats: 1,
          bookings: booking ? [booking] : [],
          waiting: [],
        };
      }),
    })),
  );

const CALENDARS = ['k0', 'k1'] as CalendarId[];
const calendars: fc.Arbitrary<OutsideCalendar[]> = fc
  .array(fc.record({ courses: fc.subarray(COURSES), wholeTerm: fc.boolean(), seenBy: fc.constantFrom('staff' as const, 'everyone' as const), active: fc.boolean(), day }), { maxLength: 2 })
  .map((list) =>
    list.map(({ day: start, ...facts }, n) => ({
      ...facts, id: CALENDARS[n]!, term: 't' as TermId, name: `K${n}`, url: '', closes: { kind: 'none' as const }, changedAt: NOW,
      times: [{ uid: `u${n}`, title: mark('outside', n), place: '', url: '', start, cancelled: false }],
    })),
  ); // prettier-ignore

const tombstones: fc.Arbitrary<Tombstone[]> = fc
  .array(fc.record({ audience, day, hours: fc.integer({ min: 0, max: 900 }) }), { maxLength: 3 })
  .map((list) =>
    list.flatMap(({ audience: parts, day: start, hours }, n) =>
      parts.map((part) => ({
        uid: mark('gone', n),
        part,
        start,
        sequence: 1,
        title: mark('gone', n),
        goneAt: NOW.subtract({ hours }),
      })),
    ),
  );

/** One class for each section, marked in its reason. */
const MIDNIGHT = new Temporal.PlainTime();
/** What counts apart from the classes: a section with a lab, and one that is planned by its weeks. */
const APART: Readonly<Record<string, Partial<Meeting>>> = {
  c2a: { strand: 'lab' },
  c1b: {
    key: 'week-7', ordinal: 7, strand: 'week', date: Temporal.PlainDate.from('2026-10-19'), until: Temporal.PlainDate.from('2026-10-26'), start: MIDNIGHT, end: MIDNIGHT,
  },
}; // prettier-ignore
const meeting = (section: SectionId): Meeting => ({
  id: `m-${section}` as MeetingId, key: '2026-10-20', ordinal: 1, date: Temporal.PlainDate.from('2026-10-20'),
  start: Temporal.PlainTime.from('10:00'), end: Temporal.PlainTime.from('11:00'), moved: false, cancelled: `~class-${section}~`,
  sequence: 0, lastModified: NOW, ...APART[section],
}); // prettier-ignore

export const plan: fc.Arbitrary<Plan> = fc.record({ entries, sheets, calendars, tombstones }).map((parts) => ({
  ...parts,
  locale: 'en-GB',
  closures: [],
  siteDates: [],
  classPlans: [],
  materials: [],
  terms: [{ id: 't' as TermId, name: 'T', startsOn: Temporal.PlainDate.from('2026-09-08'), endsOn: Temporal.PlainDate.from('2026-12-18'), tzid: 'America/Halifax' }],
  courses: COURSES.map((id) => ({
    id, term: 't' as TermId, code: id, title: id, tag: id.toUpperCase(), color: 'brick' as const, staff: [], students: 3,
    sections: SECTIONS[id]!.map((section) => ({ id: section, name: section, students: 1, patterns: [], meetings: [meeting(section)] })), place: '', meetingLink: `https://x.example/~meet${id}~`,
    groups: [], themes: new Map(), archived: false, sharesTitles: false,
  })),
})); // prettier-ignore

export const person: fc.Arbitrary<Extract<Viewer, { kind: 'person' }>> = fc
  .record({
    id: fc.constantFrom(...PEOPLE),
    staffOf: fc.subarray(COURSES, { maxLength: 2 }),
    groups: fc.subarray(GROUPS),
    memberOf: fc
      .subarray(COURSES)
      .chain((courses) =>
        fc.tuple(
          ...courses.map((course) =>
            fc
              .option(fc.constantFrom(undefined, ...SECTIONS[course]!))
              .map((section) => [course, section ?? undefined] as const),
          ),
        ),
      ),
  })
  .map(({ id, staffOf, memberOf, groups }) => ({
    kind: 'person',
    id,
    staffOf: new Set(staffOf),
    instructs: new Set(staffOf),
    helps: new Map(),
    memberOf: new Map(memberOf),
    groups: new Set(groups),
  }));

export const outlet: fc.Arbitrary<Outlet> = fc
  .record({
    audience: fc.constantFrom('public' as const, 'roster' as const),
    courses: fc.subarray(COURSES, { minLength: 1 }),
    sections: fc.subarray(Object.values(SECTIONS).flat()),
    kinds: fc.subarray([...OUTLET_KINDS], { minLength: 1 }),
    times: fc.constantFrom('days' as const, 'single' as const),
    calendars: fc.subarray(CALENDARS),
    meetingLinks: fc.boolean(),
    files: fc.boolean(),
    recordings: fc.constant([]),
    places: fc.boolean(),
    detail: fc.constantFrom('full' as const, 'titles' as const),
    daysBack: fc.option(fc.integer({ min: 0, max: 40 }), { nil: undefined }),
  })
  .map((o) => ({
    ...o,
    id: 'o' as OutletId,
    tags: true,
    reminders: [],
    look: DEFAULT_LOOK,
    kind: 'feed',
    name: 'O',
    owner: 'p1' as PersonId,
    generation: 1,
  }));

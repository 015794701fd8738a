import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import type { Entry, SharedEntry } from '@/core/entries/entry';
import { audienceSeenBy } from '@/core/entries/audience';
import { audienceOf } from '@/core/entries/entry';
import type { CourseId, MaterialId, OutletId, PersonId } from '@/core/ids';
import type { Viewer } from '@/core/entries/viewer';
import { coursesOf, isStaffOf } from '@/core/entries/viewer';
import type { Material } from '@/core/materials/material';
import { seenMaterials } from '@/core/materials/seenMaterials';
import type { Outlet } from '@/core/outlets/outlet';
import { PERSONAL_DEFAULTS } from '@/core/outlets/outlet';
import { feedEvents, feedTombstones } from '@/core/outlets/feedEvents';
import { outletContents } from '@/core/outlets/outletContents';
import { outletViewer } from '@/core/outlets/outletViewer';
import { GUARDIAN_SHOWS } from '@/core/guardians/guardian';
import { guardianContents } from '@/core/guardians/guardianContents';
import { occurrencesOf } from '@/core/plan/occurrences';
import { seenPlan } from '@/core/plan/seenPlan';
import { writeCalendar } from '@/core/icalendar/writeCalendar';
import { requireZone } from '@/core/time/zoneData';
import { SCOPES, viewerWithin } from '@/core/tokens/token';
import { toInstant } from '@/core/time/zone';
import { dayOf, isDay, zonedWall } from '@/core/time/zonedWall';
import { NOW, PEOPLE, SECTIONS, mark, outlet, person, plan, saidAt } from '../support/arbitraryPlan';
import { complaintsAbout } from '../support/strictIcs';

const isReleased = (entry: SharedEntry): boolean =>
  (entry.visibility.kind === 'visible' ||
    ('at' in entry.visibility && entry.visibility.at.epochMilliseconds <= NOW.epochMilliseconds)) &&
  (!entry.hiddenAfter || entry.hiddenAfter.at.epochMilliseconds > NOW.epochMilliseconds);

/** The same for one viewer: "so many days before" counts from a date of their own. */
function isReleasedFor(viewer: Viewer, entry: SharedEntry): boolean {
  const own = viewer.kind === 'person' ? ownDayOf(entry, viewer.id) : undefined;
  const isTaught =
    viewer.kind === 'person' && entry.audience.some(({ course }) => viewer.staffOf.has(course));
  if (!own || isTaught || entry.visibility.kind !== 'before') return isReleasedOrExtended(viewer, entry);
  const at = own.subtract({ days: entry.visibility.days }).toZonedDateTime('America/Halifax').toInstant();
  return isReleased({ ...entry, visibility: { ...entry.visibility, at } });
}

/** The day on which work is due by somebody's own start, plainly: so much later, not before it is set, not after the last day. */
function ownDayOf(entry: SharedEntry, who: PersonId): Temporal.PlainDate | undefined {
  if (entry.kind !== 'assignment' || !entry.pacing || entry.extensions.some((e) => e.person === who)) return undefined;
  const days = (entry.starts ?? []).filter((start) => start.person === who).map(({ on }) => on.toString()).sort();
  if (!days[0]) return undefined;
  const { unit, count } = entry.pacing;
  const later = Temporal.PlainDate.from(days[0]).add({ days: unit === 'days' ? count : count * 7 - 1 });
  const last = isDay(entry.due) ? entry.due : entry.due.wall.toPlainDate();
  const [, middle] = [entry.setOn ?? later, later, last].map(String).sort();
  return Temporal.PlainDate.from(middle!);
} // prettier-ignore

/** The same for one viewer: a student whose own due time is to come sees the work until then, whatever hides it for others. */
function isReleasedOrExtended(viewer: Viewer, entry: SharedEntry): boolean {
  if (isReleased(entry) || entry.kind !== 'assignment' || viewer.kind !== 'person') return isReleased(entry);
  const own = entry.extensions.find(({ person: id }) => id === viewer.id);
  const isStaff = entry.audience.some(({ course }) => viewer.staffOf.has(course));
  if (!own || isStaff || !isReleased({ ...entry, hiddenAfter: undefined })) return false;
  // In these plans an extended date is the common one: what is hidden before it is due is hidden once it is.
  const ends = isDay(own.due) ? own.due.toPlainDateTime('23:59') : own.due.wall;
  return toInstant(requireZone(entry.tzid), ends).epochMilliseconds > NOW.epochMilliseconds;
}

/** The rule once more, plainly and apart from the core: who may know of an entry. */
function mayKnow(entry: Entry, viewer: Viewer): boolean {
  if (entry.kind === 'note') return viewer.kind === 'person' && viewer.id === entry.author;
  const released = isReleasedFor(viewer, entry);
  return entry.audience.some(({ course, sections, groups, people }) => {
    if (viewer.kind === 'person' && viewer.staffOf.has(course)) return true;
    // Staff of one of its courses know it anyway; here the member's part is decided.
    if (!released) return false;
    if (viewer.kind !== 'person')
      return (
        viewer.courses.has(course) &&
        ((!sections && !groups && !people) || Boolean(sections?.some((s) => viewer.sections.has(s))))
      );
    if (!viewer.memberOf.has(course)) return false;
    const own = viewer.memberOf.get(course);
    return (
      (!sections && !groups && !people) ||
      Boolean(own && sections?.includes(own)) ||
      Boolean(groups?.some((g) => viewer.groups.has(g))) ||
      Boolean(people?.includes(viewer.id))
    );
  });
}

const addresses = {
  entry: (id: string) => `https://p.example/e/${id}`,
  day: () => 'https://p.example/day',
  class: () => 'https://p.example/class',
  signUp: 'https://p.example/sign-up',
  page: (path: string) => `https://pembit.example${path}`,
};
const textOf = (value: unknown) => JSON.stringify(value);

test('a token reads what its owner sees of its courses and its parts, no more and no less', () => {
  const courses = fc.option(fc.subarray(['c1', 'c2', 'c3'] as CourseId[], { minLength: 1 }), { nil: undefined });
  const scopes = fc.subarray([...SCOPES], { minLength: 1 });
  fc.assert(
    fc.property(plan, person, courses, scopes, (given, owner, only, allowed) => {
      const kept = (course: CourseId) => !only || only.includes(course);
      const seen = seenPlan(viewerWithin(owner, { scopes: new Set(allowed), ...(only ? { courses: new Set(only) } : {}) }), given, NOW);
      const may = (part: string) => allowed.some((scope) => scope.endsWith(`:${part}`));
      // The owner with the other courses struck out, plainly.
      const within: typeof owner = {
        ...owner,
        staffOf: new Set([...owner.staffOf].filter(kept)),
        memberOf: new Map([...owner.memberOf].filter(([course]) => kept(course))),
      };
      const expected = given.entries.filter((entry) => (entry.kind === 'note' ? may('own') : may('plan')) && mayKnow(entry, within));
      expect(seen.entries.map(({ id }) => id)).toEqual(expected.map(({ id }) => id));
      expect(seen.courses.every(({ id }) => kept(id))).toBe(true);
      if (!may('hours')) expect(seen.sheets).toEqual([]);
      if (!may('plan')) expect(seen.classes).toEqual([]);
      const whole = new Set(seenPlan(owner, given, NOW).entries.map(({ id }) => id));
      expect(seen.entries.every(({ id }) => whole.has(id))).toBe(true);
    }),
  );
}); // prettier-ignore

test('a person sees exactly the entries they may know of, in the plan and expanded', () => {
  fc.assert(
    fc.property(plan, person, (given, viewer) => {
      const seen = seenPlan(viewer, given, NOW);
      const known = given.entries.filter((entry) => mayKnow(entry, viewer)).map((entry) => entry.id);
      expect(seen.entries.map((entry) => entry.id)).toEqual(known);
      const expanded = occurrencesOf(seen, requireZone).flatMap((o) => ('entry' in o ? [o.entry] : []));
      expect([...new Set(expanded)].sort()).toEqual([...known].sort());
      const text = textOf(seen) + textOf(occurrencesOf(seen, requireZone));
      given.entries.forEach((entry, n) => {
        const staff = audienceOf(entry).some((part) => viewer.staffOf.has(part.course));
        const day = ownDayOf(entry as SharedEntry, viewer.id);
        const due = seen.entries.find(({ id }) => id === entry.id);
        if (day && !staff && due?.kind === 'assignment')
          expect(dayOf(due.due).toString()).toBe(day.toString());
        expect(text.includes(mark('staff', n))).toBe(staff && entry.kind !== 'note');
        // Others' replies and extensions are the staff's to read.
        for (const other of PEOPLE.filter((p) => p !== viewer.id))
          if (!staff) expect(text).not.toContain(mark(`ename-${other}-`, n));
      });
      // When anybody began is nobody else's to read, its staff's neither.
      for (const other of PEOPLE.filter((p) => p !== viewer.id))
        expect(text).not.toContain(saidAt(other).slice(0, -1));
      expect(text).not.toMatch(/"starts"/);
    }),
  );
});

test('nobody but the staff meets the name or note of another who took a time, nor a sheet that is not offered', () => {
  fc.assert(
    fc.property(plan, person, (given, viewer) => {
      const seen = seenPlan(viewer, given, NOW);
      const text = textOf(seen) + textOf(occurrencesOf(seen, requireZone));
      given.sheets.forEach((sheet, n) => {
        const staff = sheet.audience.some((part) => viewer.staffOf.has(part.course));
        if (staff) return;
        if (!sheet.offered) expect(text).not.toContain(mark('sheet', n));
        for (const other of PEOPLE.filter((p) => p !== viewer.id)) {
          expect(text).not.toContain(mark(`name-${other}-`, n));
          expect(text).not.toContain(mark(`note-${other}-`, n));
        }
      });
    }),
  );
});

test('a guardian reads what the child’s section reads: nothing by name unless it was chosen, no notes, names, ways into meetings, or rooms', () => {
  fc.assert(
    fc.property(plan, person, fc.subarray([...GUARDIAN_SHOWS]), (given, child, shows) => {
      const { contents } = guardianContents({ id: 'g', child: child.id, shows }, child, { name: 'C', plan: given, now: NOW }); // prettier-ignore
      const events = feedEvents(contents, addresses, requireZone);
      const file = writeCalendar({ name: 'C', events, tombstones: feedTombstones(contents, events) }, requireZone); // prettier-ignore
      expect(complaintsAbout(Buffer.from(file))).toEqual([]);
      const text = file.replaceAll('\r\n ', '') + textOf(contents.plan);
      // Whoever is in the child's sections and groups, and nobody by name: apart from the core.
      const id = shows.includes('own') ? child.id : ('nobody' as PersonId);
      const classmate: Viewer = { ...child, id, staffOf: new Set(), instructs: new Set(), helps: new Map() };
      given.entries.forEach((entry, n) => {
        const known = entry.kind !== 'note' && mayKnow(entry, classmate);
        if (!known) for (const kind of ['title', 'text', 'link']) expect(text).not.toContain(mark(kind, n));
        else expect(contents.plan.entries.map((seen) => seen.id)).toContain(entry.id);
        expect(text).not.toContain(mark('staff', n));
      });
      expect(text).not.toMatch(/~meet/);
      for (const other of PEOPLE.filter((p) => p !== child.id)) expect(text).not.toMatch(new RegExp(`~e?(name|note)-${other}-`)); // prettier-ignore
      expect(text).not.toMatch(/~note-/);
      if (!shows.includes('bookings')) expect(text).not.toMatch(/~name-/);
      expect(text).not.toMatch(/~room/);
      expect(text).not.toMatch(/"starts"/);
      for (const other of PEOPLE.filter((p) => p !== id))
        expect(text).not.toContain(saidAt(other).slice(0, -1));
    }),
  );
});

test('no public or roster outlet holds a draft, unreleased or out-of-audience entry, a private note, an unticked meeting link or calendar, or a name', () => {
  fc.assert(
    fc.property(plan, outlet, person, (given, published, owner) => {
      const viewer = outletViewer(published, owner);
      const contents = outletContents(published, viewer, given, NOW);
      const events = feedEvents(contents, addresses, requireZone);
      const file = writeCalendar(
        { name: 'O', events, tombstones: feedTombstones(contents, events) },
        requireZone,
      );
      expect(complaintsAbout(Buffer.from(file))).toEqual([]);
      const text = file.replaceAll('\r\n ', '') + textOf(contents.plan);
      given.entries.forEach((entry, n) => {
        if (!mayKnow(entry, viewer))
          for (const kind of ['title', 'text', 'link']) expect(text).not.toContain(mark(kind, n));
        expect(text).not.toContain(mark('staff', n));
      });
      expect(text).not.toMatch(/~(name|ename|note|room)/);
      if (viewer.kind !== 'person')
        for (const one of PEOPLE) expect(text).not.toContain(saidAt(one).slice(0, -1));
      if (published.audience === 'personal' || !published.meetingLinks) expect(text).not.toMatch(/~meet/);
      if (published.detail === 'titles') expect(text).not.toMatch(/~(text|link|meet)/);
      given.calendars.forEach((calendar, n) => {
        const ticked = published.audience !== 'personal' && published.calendars.includes(calendar.id);
        if (!ticked || calendar.seenBy === 'staff' || !calendar.active)
          expect(text).not.toContain(mark('outside', n));
      });
      // Of what is gone a bare tombstone is left, for those alone who saw it, for 30 days.
      for (const { uid, goneAt } of given.tombstones) {
        const saw = given.tombstones.some((t) => t.uid === uid && audienceSeenBy(viewer, [t.part]));
        const old = goneAt.until(NOW).total('hours') >= 30 * 24;
        expect(file.includes(uid)).toBe(saw && !old);
      }
      for (const component of file.split('BEGIN:VEVENT').filter((c) => c.includes('~gone')))
        expect(component.match(/^[A-Z-]+(?=[;:])/gm)).toEqual([
          'UID',
          'DTSTAMP',
          'DTSTART',
          'SEQUENCE',
          'STATUS',
          'END',
          ...(component.includes('END:VCALENDAR') ? ['END'] : []),
        ]);
      for (const [course, sections] of Object.entries(SECTIONS))
        for (const section of sections) {
          const concerned =
            viewer.kind !== 'person' &&
            viewer.courses.has(course as CourseId) &&
            (sections.length === 1 || viewer.sections.has(section));
          expect(file.includes(`~class-${section}~`)).toBe(concerned && contents.has('class'));
        }
    }),
  );
});

/** A unit in each course, and materials in it or beside it, each with a mark and an hour from which it is visible. */
const outline = fc.array(
  fc.record({ course: fc.constantFrom('c1', 'c2', 'c3'), inUnit: fc.boolean(), hours: fc.option(fc.integer({ min: -72, max: 72 })), unitHours: fc.option(fc.integer({ min: -72, max: 72 })) }),
  { minLength: 1, maxLength: 5 },
); // prettier-ignore
const shownAt = (hours: number | null) =>
  hours === null
    ? {}
    : { visibleFrom: { wall: zonedWall('2026-10-13T09:00', 'America/Halifax'), at: NOW.add({ hours }) } };
const isOpen = (hours: number | null) => hours === null || hours <= 0;

test('nobody but the staff meets a material before it is visible, in whatever links to it', () => {
  fc.assert(
    fc.property(plan, outline, person, outlet, (given, list, viewer, published) => {
      const common = { position: 0, text: '', sequence: 0, created: NOW, lastModified: NOW };
      const materials = list.flatMap(({ course, inUnit, hours, unitHours }, n): Material[] => [
        { ...common, ...shownAt(unitHours), id: `unit${n}` as MaterialId, course: course as CourseId, kind: 'unit', title: mark('unit', n), url: '' },
        { ...common, ...shownAt(hours), id: `m${n}` as MaterialId, course: course as CourseId, kind: 'webLink', title: mark('material', n), url: `https://x.example/${mark('address', n)}`, ...(inUnit ? { parent: `unit${n}` as MaterialId } : {}) },
      ]); // prettier-ignore
      const links = list.map((_, n) => ({
        url: '',
        label: '',
        staffOnly: false,
        material: `m${n}` as MaterialId,
      }));
      const entries = given.entries.map((entry) => (entry.kind === 'note' ? entry : { ...entry, links }));
      const whole = { ...given, entries, materials };
      const outsider = outletViewer(published, viewer);
      const contents = outletContents(published, outsider, whole, NOW);
      const texts = [
        [viewer, textOf(seenPlan(viewer, whole, NOW)) + textOf(seenMaterials(viewer, materials, NOW))],
        [outsider, textOf(contents.plan) + textOf(feedEvents(contents, addresses, requireZone))],
      ] as const;
      list.forEach(({ course, inUnit, hours, unitHours }, n) => {
        const visible = isOpen(hours) && (!inUnit || isOpen(unitHours));
        for (const [who, text] of texts) {
          const own = coursesOf(who).includes(course as CourseId);
          if (own && (visible || isStaffOf(who, course as CourseId))) continue;
          expect(text).not.toContain(mark('material', n));
          expect(text).not.toContain(mark('address', n));
        }
      });
    }),
  );
});

test('a personal feed holds what its owner sees as released, and nothing else', () => {
  fc.assert(
    fc.property(plan, person, (given, owner) => {
      const feed: Outlet = {
        id: 'o' as OutletId,
        kind: 'feed',
        name: 'O',
        owner: owner.id,
        generation: 1,
        audience: 'personal',
        ...PERSONAL_DEFAULTS,
      };
      const contents = outletContents(feed, outletViewer(feed, owner), given, NOW);
      const uids = new Set(feedEvents(contents, addresses, requireZone).map((event) => event.uid));
      for (const entry of given.entries) {
        const released = entry.kind === 'note' || isReleasedFor(owner, entry);
        expect(uids.has(entry.uid)).toBe(released && mayKnow(entry, owner));
      }
      expect(coursesOf(owner).length).toBe(new Set([...owner.staffOf, ...owner.memberOf.keys()]).size);
    }),
  );
});

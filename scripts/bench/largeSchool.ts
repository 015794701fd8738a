/** npm run large-school -- FOLDER: fills an empty data folder with a large invented school, for measuring. */
import { randomUUID } from 'node:crypto';
import { parseArgs } from 'node:util';
import { pathToFileURL } from 'node:url';
import type {
  CourseId,
  EntryId,
  MeetingId,
  OutletId,
  PersonId,
  SectionId,
  SheetId,
  SlotId,
  TermId,
} from '../../src/core/ids';
import { PUBLISHED_DEFAULTS } from '../../src/core/outlets/outlet';
import { COURSE_COLORS } from '../../src/core/plan/plan';
import { DEFAULT_RULES } from '../../src/core/signup/sheet';
import { plannedMeetings } from '../../src/core/time/meetings';
import { toInstant } from '../../src/core/time/zone';
import { requireZone } from '../../src/core/time/zoneData';
import { fromEntry } from '../../src/data/entries/entryRows';
import { outletRow } from '../../src/data/outlets/outlets';
import { personRow } from '../../src/data/people/people';
import { fromMeeting, fromPattern, fromSection, fromTerm } from '../../src/data/plan/frameRows';
import type { Rows, Table } from '../../src/data/rows';
import { fromRules } from '../../src/data/signup/sheetRows';
import { readConfig } from '../../src/server/config';
import { outletHash } from '../../src/server/outlets/publish';
import type { Pembit } from '../../src/server/pembit';
import { openPembit } from '../../src/server/openPembit';
import { hashPassword } from '../../src/server/session/password';
import { NOW, assignment, at, day, event, time } from '../../tests/support/plans';
import { rosterRow, staffRow } from '../../src/data/people/memberRows';

export const LARGE = {
  courses: 200,
  students: 6000,
  entries: 40_000,
  times: 60_000,
  outlets: 12_000,
} as const;
export type Sizes = Readonly<Record<keyof typeof LARGE, number>>;
export const LARGE_PASSWORD = 'a password for measuring';
const TZID = 'America/Halifax';
/** Courses that a student takes, and that an instructor teaches. */
const TAKEN = 5;
const TAUGHT = 2;

export const instructorEmail = (n: number): string => `instructor${n}@large.example`;
export const studentEmail = (n: number): string => `student${n}@large.example`;

/** Rows are written without a history, as if they had always been there. */
export async function fillLargeSchool(pembit: Pembit, sizes: Sizes): Promise<void> {
  const hash = await hashPassword(LARGE_PASSWORD);
  const zone = requireZone(TZID);
  const term = { id: randomUUID() as TermId, name: 'Autumn 2026', startsOn: day('2026-09-08'), endsOn: day('2026-12-18'), tzid: TZID };
  const courses = Array.from({ length: sizes.courses }, () => randomUUID() as CourseId);
  const sections = courses.map(() => randomUUID() as SectionId);
  const instructors = Array.from({ length: Math.ceil(sizes.courses / TAUGHT) }, () => randomUUID() as PersonId);
  const students = Array.from({ length: sizes.students }, () => randomUUID() as PersonId);
  const teacherOf = (i: number) => instructors[Math.floor(i / TAUGHT)]!;

  await pembit.queue.write(async ({ sequelize, transaction }) => {
    const insert = async <T extends Table>(table: T, rows: readonly Rows[T][]) => {
      for (let i = 0; i < rows.length; i += 1000)
        await sequelize.getQueryInterface().bulkInsert(table, rows.slice(i, i + 1000) as unknown as object[], { transaction });
    };
    await insert('people', [
      ...instructors.map((id, n) => personRow({ id, email: instructorEmail(n), name: `Instructor ${n}` }, 0, hash)),
      ...students.map((id, n) => personRow({ id, email: studentEmail(n), name: `Student ${n}` }, 0, hash)),
    ]);
    await insert('terms', [fromTerm(term)]);
    await insert('courses', courses.map((id, i) => ({ id, term_id: term.id, code: `LG ${100 + i}`, title: `Large course ${i}`, tag: `L${i % 10}`, color: COURSE_COLORS[i % 10]!, credits: 3, weekly_hours: null, shares_titles: 0, place: 'Hall', meeting_link: '', archived_at: null, reopened: 0, join_generation: 0, join_hash: null })));
    await insert('staff', courses.map((id, i) => staffRow({ course: id, person: teacherOf(i), role: 'instructor' })));
    await insert('sections', courses.map((id, i) => fromSection({ id: sections[i]!, name: 'A' }, id)));
    await insert('roster', students.flatMap((id, n) => Array.from({ length: TAKEN }, (_, k) => (n + k * 37) % sizes.courses).map((i) => rosterRow({ course: courses[i]!, section: sections[i]!, person: id }))));
    const patterns = sections.map((_, i) => [{ from: term.startsOn, classes: [1, 3].map((weekday) => ({ weekday: weekday + (i % 2), start: time('10:00'), end: time('11:15') })) }]);
    await insert('patterns', sections.flatMap((section, i) => patterns[i]!.map((pattern) => fromPattern(pattern, { id: randomUUID(), section }))));
    await insert('meetings', sections.flatMap((section, i) => plannedMeetings(term, { patterns: patterns[i]! }, []).map((m, n) => fromMeeting({ ...m, id: randomUUID() as MeetingId, ordinal: n + 1, moved: false, sequence: 0, lastModified: NOW }, section))));

    const entries = Array.from({ length: sizes.entries }, (_, n) => {
      // The entries of a course are spread over the days of the term and the hours of a day.
      const nth = Math.floor(n / sizes.courses);
      const date = term.startsOn.add({ days: (nth * 7 + n) % 100 });
      const hour = 8 + (nth % 10);
      const id = randomUUID() as EntryId;
      const shared = { id, uid: id, title: `Work ${n}`, description: '<p>Bring battens.</p>', audience: [{ course: courses[n % sizes.courses]! }] };
      return n % 3 === 0
        ? assignment({ ...shared, setUid: `${id}-set`, due: at(`${date}T17:00`), effortMinutes: 90 })
        : event({ ...shared, when: { kind: 'timed', start: at(`${date}T${String(hour).padStart(2, '0')}:00`), end: at(`${date}T${String(hour).padStart(2, '0')}:50`) } });
    });
    await insert('entries', entries.map(fromEntry));
    await insert('entry_audiences', entries.map((entry) => ({ id: randomUUID(), entry_id: entry.id, course_id: entry.audience[0]!.course, sections: null, course_groups: null, people: null })));

    const sheets = courses.map(() => randomUUID() as SheetId);
    const each = Math.ceil(sizes.times / sizes.courses);
    await insert('sheets', sheets.map((id) => ({ id, uid: id, title: 'Office hours', place: 'Office', meeting_link: '', ...fromRules(DEFAULT_RULES), offered: 1, tzid: TZID, sequence: 0, created_at: 0, modified_at: 0 })));
    await insert('sheet_audiences', sheets.map((id, i) => ({ id: randomUUID(), sheet_id: id, course_id: courses[i]!, sections: null, course_groups: null, people: null })));
    await insert('hosts', sheets.map((id, i) => ({ id: randomUUID(), sheet_id: id, person_id: teacherOf(i) })));
    await insert('slots', sheets.flatMap((sheet) => Array.from({ length: each }, (_, n) => {
      const wall = term.startsOn.add({ days: Math.floor(n / 3) }).toPlainDateTime(time('14:00')).add({ minutes: (n % 3) * 30 });
      const start = toInstant(zone, wall);
      return { id: randomUUID() as SlotId, sheet_id: sheet, start_local: wall.toString({ smallestUnit: 'minute' }), start_at: start.epochMilliseconds, end_at: start.add({ minutes: 25 }).epochMilliseconds, seats: 1, host_id: null, place: null, meeting_link: null };
    })));

    const outlets = Array.from({ length: sizes.outlets }, (_, n) => {
      const base = { ...PUBLISHED_DEFAULTS, id: randomUUID() as OutletId, generation: 1 };
      return n < sizes.students
        ? ({ ...base, kind: 'feed', audience: 'personal', name: 'Own', owner: students[n]! } as const)
        : ({ ...base, kind: n % 2 ? 'feed' : 'embed', audience: 'public', name: `Outlet ${n}`, owner: teacherOf(n % sizes.courses), courses: [courses[n % sizes.courses]!] } as const);
    });
    await insert('outlets', outlets.map((outlet) => outletRow(outlet, outletHash(pembit, outlet))));
  });
} // prettier-ignore

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  const [folder] = parseArgs({ allowPositionals: true }).positionals;
  if (!folder) throw new Error('Say which folder: npm run large-school -- FOLDER');
  const began = performance.now();
  const pembit = await openPembit(readConfig({ ...process.env, PEMBIT_DATA: folder }));
  await fillLargeSchool(pembit, LARGE);
  await pembit.close();
  console.log(`${Object.entries(LARGE).map(([what, n]) => `${n} ${what}`).join(', ')} in ${Math.round((performance.now() - began) / 1000)} s: serve it with PEMBIT_DATA=${folder}; people sign in as ${instructorEmail(0)} or ${studentEmail(0)} with “${LARGE_PASSWORD}”.`); // prettier-ignore
}

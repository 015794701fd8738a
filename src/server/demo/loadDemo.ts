import type { OutletId, TermId } from '@/core/ids';
import type { Outlet } from '@/core/outlets/outlet';
import { PUBLISHED_DEFAULTS } from '@/core/outlets/outlet';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { isEmpty } from '@/data/people/isEmpty';
import { personRow } from '@/data/people/people';
import { writeStart } from '@/data/entries/ownStarts';
import { addEntries } from '@/data/entries/writeEntries';
import type { Change } from '@/data/history/change';
import { recordChange } from '@/data/history/change';
import { insertMaterials } from '@/data/materials/materials';
import { insertCalendar, insertCopy } from '@/data/outside/calendars';
import { insertOutlet } from '@/data/outlets/outlets';
import { insertBooking } from '@/data/signup/bookings';
import { insertSheet } from '@/data/signup/sheets';
import { outletToken, tokenHash } from '../outlets/token';
import type { Pembit } from '../pembit';
import { hashPassword } from '../session/password';
import type { DemoTerm } from './calendar';
import { demoClosures, demoSiteDates, demoTerm } from './calendar';
import { NO_SETTINGS } from '@/core/frame/schoolSettings';
import { fromClosure, fromPattern, fromSection, fromSiteDate } from '@/data/plan/frameRows';
import { writeClassPlan } from '@/data/plan/classPlans';
import { loadFrame } from '@/data/plan/loadPlan';
import { writeSettings } from '@/data/plan/schoolSettings';
import { refitMeetings } from '../frame/refitMeetings';
import { demoCalendars } from './calendars';
import { COURSES, HL, NV } from './courses';
import { demoId } from './demoIds';
import { demoClassPlans } from './classPlans';
import { demoEntries } from './entries';
import { demoMaterials } from './materials';
import { DEMO_PASSWORD, DEMO_SCHOOL, MAREN, STAFF, STUDENTS } from './people';
import { insertQuestions } from './questions';
import { demoSheets } from './sheets';

/** Fills an empty data folder with the Kittiwake Point School of Boatcraft; one with people in it is left alone. */
export async function loadDemo(pembit: Pembit): Promise<void> {
  if (!(await isEmpty(pembit))) return;
  const now = pembit.now();
  const term = demoTerm(toWall(requireZone('America/Halifax'), now).toPlainDate());
  const passwordHash = await hashPassword(DEMO_PASSWORD);
  const act = { act: 'loadDemo', summary: 'Loaded the demo', actor: null, nowMs: now.epochMilliseconds };
  await recordChange(pembit.queue, act, async (change) => {
    await writeSettings(change, { ...NO_SETTINGS, name: DEMO_SCHOOL });
    await insertPeople(change, passwordHash);
    await insertCourses(change, term);
    const library = `http://127.0.0.1:${pembit.config.standinsPort}/library`;
    await change.insert('closures', demoClosures(term, now).map(fromClosure));
    await change.insert('site_dates', demoSiteDates(term, now).map(fromSiteDate));
    await refitMeetings(
      change,
      COURSES.map((course) => course.id),
    );
    const { courses } = await loadFrame(
      change,
      COURSES.map((course) => course.id),
    );
    for (const plan of demoClassPlans(courses, library, now)) await writeClassPlan(change, plan);
    await insertMaterials(change, demoMaterials(term, library, now), term.tzid);
    await addEntries(change, demoEntries(term, courses, library), { courses });
    for (const sheet of demoSheets(term, now)) {
      await insertSheet(change, sheet);
      for (const slot of sheet.slots)
        for (const booking of slot.bookings) await insertBooking(change, sheet, slot.id, booking);
    }
    const standins = `http://127.0.0.1:${pembit.config.standinsPort}`;
    for (const calendar of demoCalendars(term, standins, now)) {
      await insertCalendar(change, calendar, MAREN.id);
      await insertCopy(change, calendar.id, {
        times: calendar.times,
        troubles: [],
        // The stand-ins are not up yet: the district is asked when they are.
        nextAtMs: calendar.url ? 0 : undefined,
      });
    }
    await insertOutlets(change, pembit.secret);
    await insertQuestions(change);
    // Two have begun; one lets the staff know.
    const on = term.startsOn.toString();
    await writeStart(change, STUDENTS[0]!.id, NV.id, { on, shared: true });
    await writeStart(change, STUDENTS[1]!.id, NV.id, { on, shared: false });
  });
}

async function insertPeople(change: Change, passwordHash: string): Promise<void> {
  await change.insert(
    'people',
    [...STAFF, ...STUDENTS].map((person) => personRow(person, change.nowMs, passwordHash)),
  );
}

async function insertCourses(change: Change, term: DemoTerm): Promise<void> {
  const termId = demoId<TermId>('term');
  await change.insert('terms', [
    {
      id: termId,
      name: term.name,
      starts_on: term.startsOn.toString(),
      ends_on: term.endsOn.toString(),
      tzid: term.tzid,
      cycle: null,
    },
  ]);
  await change.insert(
    'courses',
    COURSES.map(({ id, code, title, tag, color, place, credits, sharesTitles }) => ({
      id,
      term_id: termId,
      code,
      title,
      tag,
      color,
      place,
      credits,
      weekly_hours: null,
      shares_titles: sharesTitles ? 1 : 0,
      meeting_link: '',
      archived_at: null,
      reopened: 0,
      join_generation: 0,
      join_hash: null,
    })),
  );
  for (const course of COURSES) {
    const staff = [
      { person: course.instructor, role: 'instructor' as const },
      ...(course.coInstructor ? [{ person: course.coInstructor, role: 'co' as const }] : []),
    ];
    await change.insert(
      'staff',
      staff.map(({ person, role }) => ({
        id: demoId(`${course.code} staff ${person.email}`),
        course_id: course.id,
        person_id: person.id,
        role,
        sections: null,
        from_date: null,
        until_date: null,
      })),
    );
    await change.insert(
      'sections',
      course.sections.map((section) => fromSection(section, course.id)),
    );
    await change.insert(
      'patterns',
      course.sections.map(({ id, classes }) =>
        fromPattern({ from: term.startsOn, classes }, { id: demoId(`pattern ${id}`), section: id }),
      ),
    );
    await change.insert(
      'themes',
      course.themes.map((theme, i) => ({
        id: demoId<string>(`${course.code} theme ${i}`),
        course_id: course.id,
        week: i + 1,
        theme,
      })),
    );
    for (const [name, members] of Object.entries(course.groups ?? {})) {
      const group = demoId<string>(`${course.code} group ${name}`);
      await change.insert('course_groups', [{ id: group, course_id: course.id, name }]);
      await change.insert(
        'group_members',
        members.map((student) => ({
          id: demoId<string>(`${group} ${student.email}`),
          group_id: group,
          person_id: student.id,
        })),
      );
    }
    await change.insert(
      'roster',
      course.sections.flatMap((section) =>
        section.students.map((student) => ({
          id: demoId<string>(`${course.code} roster ${student.email}`),
          course_id: course.id,
          section_id: section.id,
          person_id: student.id,
          listed_name: null,
          joined_at: null,
        })),
      ),
    );
  }
}

async function insertOutlets(change: Change, secret: Buffer): Promise<void> {
  const sections = HL.sections.map((section) => section.id);
  const shared = {
    ...PUBLISHED_DEFAULTS,
    audience: 'public',
    owner: MAREN.id,
    generation: 1,
    sections,
  } as const;
  const outlets: Outlet[] = [
    {
      ...shared,
      id: demoId<OutletId>('HL feed'),
      kind: 'feed',
      name: 'HL 210 Hull lofting',
      courses: [HL.id],
    },
    {
      ...shared,
      id: demoId<OutletId>('HL NV embed'),
      kind: 'embed',
      name: 'Hull lofting and Coastal navigation',
      courses: [HL.id, NV.id],
    },
  ];
  for (const outlet of outlets)
    await insertOutlet(change, outlet, tokenHash(outletToken(secret, outlet.id, outlet.generation)));
}

/** What is computed without a server: each beside the least that anybody would need for it, where there is such a thing. */
import { RRuleTemporal } from 'rrule-temporal';
import { Temporal } from 'temporal-polyfill';
import { findAll } from '../../src/core/checks/allChecks';
import type { CheckedEntry } from '../../src/core/checks/check';
import { checkedPeople } from '../../src/core/checks/checkedPeople';
import { compareCalendar } from '../../src/core/exchange/compareCalendar';
import { readCalendar } from '../../src/core/icalendar/readCalendar';
import type {
  ClassPlanId,
  CourseId,
  EntryId,
  MeetingId,
  OutletId,
  PersonId,
  SectionId,
} from '../../src/core/ids';
import { suggestMaterials } from '../../src/core/materials/suggestMaterials';
import type { Outlet } from '../../src/core/outlets/outlet';
import { PUBLISHED_DEFAULTS } from '../../src/core/outlets/outlet';
import { outletContents } from '../../src/core/outlets/outletContents';
import { outletViewer } from '../../src/core/outlets/outletViewer';
import { slideLater } from '../../src/core/plan/slide';
import { ruleWalls } from '../../src/core/series/expand';
import { fitMeetings, plannedMeetings } from '../../src/core/time/meetings';
import { requireZone } from '../../src/core/time/zoneData';
import { outletFile } from '../../src/server/outlets/outletFile';
import {
  HL,
  NOW,
  assignment,
  at,
  course,
  day,
  event,
  plan,
  student,
  term,
  time,
} from '../../tests/support/plans';
import { loadTimes } from './loadTimes';
import type { Figure } from './table';
import { median, shareOf } from './table';

const ENTRIES = 600;

/** All checks over a term of 600 entries in 6 courses with 90 students. */
async function checks(): Promise<Figure> {
  const courses = Array.from({ length: 6 }, (_, i) =>
    course({ id: `c${i}` as CourseId, tag: `C${i}`, code: `C ${i}` }),
  );
  const entries = Array.from({ length: ENTRIES }, (_, i): CheckedEntry => {
    const date = term.startsOn.add({ days: (i * 7) % 100 }).toString();
    const shared = { id: `e${i}` as EntryId, title: `Work ${i}`, audience: [{ course: courses[i % 6]!.id }] };
    const entry =
      i % 3 === 0
        ? assignment({ ...shared, due: at(`${date}T17:00`), description: '<p>Due on 12 October.</p>' })
        : event({ ...shared, when: { kind: 'timed', start: at(`${date}T11:00`), end: at(`${date}T12:00`) } });
    return { ...entry, release: 'shown', asStaff: true, whole: true };
  });
  const enrolled = courses.flatMap((c, n) =>
    Array.from({ length: 30 }, (_, i) => ({
      course: c.id,
      person: `p${(i + n * 10) % 90}` as PersonId,
      groups: [],
    })),
  );
  const value = await median(() =>
    findAll({
      term,
      courses,
      closures: [],
      entries,
      classes: [],
      peopleOf: checkedPeople(enrolled),
      taken: [],
      linkTests: new Map(),
      files: new Map(),
      today: term.startsOn,
      now: NOW,
      outlets: [],
      calendars: [],
      zoneOf: requireZone,
      locale: 'en-GB',
    }),
  );
  return { what: `all checks over ${ENTRIES} entries`, value, unit: 'ms', goal: { most: 100 } };
}

async function search(): Promise<Figure> {
  const list = Array.from({ length: 2000 }, (_, i) => ({
    id: `m${i}`,
    title: `${['Lines', 'Bevels', 'Moulds', 'Rabbet'][i % 4]} and boards ${i}`,
    unit: `Unit ${Math.floor(i / 20)}`,
    used: i % 3 === 0,
    recency: i % 3 === 0 ? i : 0,
  }));
  let i = 0;
  const value = await median(() => suggestMaterials(list, `bev boards ${i++}`, 8));
  return { what: 'searching an outline of 2,000 materials', value, unit: 'ms', goal: { most: 50 } };
}

const stamp = (text: string) => text.replace(/[-:]/g, '');

/** The least that a feed can be: strings put together, without zones, folding, escaping or anything derived. */
function plainFeed(
  events: readonly Readonly<{ uid: string; title: string; start: string; end: string }>[],
): Buffer {
  const lines = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//plain//EN'];
  for (const { uid, title, start, end } of events)
    lines.push(
      'BEGIN:VEVENT',
      `UID:${uid}`,
      'DTSTAMP:20261013T120000Z',
      `DTSTART;TZID=America/Halifax:${stamp(start)}00`,
      `DTEND;TZID=America/Halifax:${stamp(end)}00`,
      `SUMMARY:HL: ${title}`,
      'DESCRIPTION:Bring battens and a straight edge.',
      'SEQUENCE:0',
      'CREATED:20261013T120000Z',
      'LAST-MODIFIED:20261013T120000Z',
      'END:VEVENT',
    );
  return Buffer.from(`${[...lines, 'END:VCALENDAR'].join('\r\n')}\r\n`);
}

/** A feed from the plan to its bytes, zones warm, nothing compressed. */
async function feeds(): Promise<Figure[]> {
  const figures: Figure[] = [];
  for (const [count, most] of [
    [500, 25],
    [5000, 250],
  ] as const) {
    const facts = Array.from({ length: count }, (_, i) => {
      const date = term.startsOn.add({ days: i % 100 }).toString();
      return { uid: `uid-${i}`, title: `Event ${i}`, start: `${date}T11:00`, end: `${date}T12:00` };
    });
    const entries = facts.map(({ uid, title, start, end }, i) =>
      event({
        id: `e${i}` as EntryId,
        uid,
        title,
        description: '<p>Bring battens and a straight edge.</p>',
        when: { kind: 'timed', start: at(start), end: at(end) },
      }),
    );
    const given = plan({ entries });
    const outlet: Outlet = {
      ...PUBLISHED_DEFAULTS,
      id: 'o' as OutletId,
      kind: 'feed',
      audience: 'public',
      name: 'HL',
      owner: 'p' as PersonId,
      generation: 1,
      courses: [HL],
    };
    const viewer = outletViewer(outlet, student());
    const value = await median(() =>
      outletFile(outlet, outletContents(outlet, viewer, given, NOW), {
        token: 't',
        baseUrl: 'https://p.example',
      }),
    );
    figures.push({
      what: `a feed of ${count} entries, from the plan to its bytes`,
      value,
      unit: 'ms',
      goal: { most },
    });
    figures.push({
      what: `  the same, beside a plain string builder`,
      value,
      unit: 'ms',
      floor: await median(() => plainFeed(facts)),
    });
  }
  return figures;
}

/** A weekly series over two terms, and the library alone. */
async function expansion(): Promise<Figure> {
  const rrule = 'FREQ=WEEKLY;BYDAY=TU,TH;UNTIL=20271218';
  const span = { from: day('2026-09-08'), to: day('2027-12-18') };
  const start = Temporal.PlainDateTime.from('2026-09-08T10:00');
  const bare = () =>
    new RRuleTemporal({
      rruleString: `DTSTART:20260908T100000Z\nRRULE:FREQ=WEEKLY;BYDAY=TU,TH;UNTIL=20271218T235959Z`,
      temporal: Temporal,
    }).all();
  return {
    what: 'expanding a series of 134 occurrences, beside the bare library',
    value: await median(() => ruleWalls(start, rrule, span)),
    unit: 'ms',
    floor: await median(bare),
    goal: { most: 1.5 },
  };
}

/** Five sections of 45 classes, each with a plan, slid by one from the second on. */
async function slide(): Promise<Figure> {
  const long = { startsOn: day('2026-09-08'), endsOn: day('2026-12-18') };
  const classes = [1, 3, 5].map((weekday) => ({ weekday, start: time('10:00'), end: time('11:15') }));
  const sections = ['A', 'B', 'C', 'D', 'E'].map((name) => ({
    id: name as SectionId,
    name,
    students: 20,
    patterns: [],
    meetings: fitMeetings([], plannedMeetings(long, { patterns: [{ from: long.startsOn, classes }] }, []), {
      idOf: (key) => `${name} ${key}` as MeetingId,
      now: NOW,
    }).meetings,
  }));
  const plans = sections[0]!.meetings.slice(0, -2).map((_, i) => ({
    id: `p${i}` as ClassPlanId,
    course: HL,
    title: `T${i}`,
    description: '',
    links: [],
    pinned: false,
    sequence: 0,
    created: NOW,
    lastModified: NOW,
    bindings: sections.map((s) => ({ section: s.id, meeting: s.meetings[i]!.id })),
  }));
  const value = await median(() =>
    sections.map((s) => slideLater(s, plans, { plan: plans[1]!.id, at: s.meetings[1]!, by: 1 } as never)),
  );
  return { what: 'sliding the plans of five sections by a class', value, unit: 'ms', goal: { most: 50 } };
}

/** A file of 5,000 events read and compared with a course, as when it is looked at before it is brought in. */
async function importing(): Promise<Figure> {
  const facts = Array.from({ length: 5000 }, (_, i) => {
    const date = term.startsOn.add({ days: i % 100 }).toString();
    return { uid: `u${i}`, title: `Event ${i}`, start: `${date}T11:00`, end: `${date}T12:00` };
  });
  const bytes = plainFeed(facts);
  const given = plan({});
  const value = await median(
    () =>
      compareCalendar(readCalendar(bytes, { tzid: 'America/Halifax' }), {
        plan: given,
        course: given.courses[0]!,
        term: given.terms[0]!,
      }),
    5,
  );
  return {
    what: 'a calendar file of 5,000 events, read and compared with a course',
    value,
    unit: 'ms',
    goal: { most: 5000 },
  };
}

export async function coreFigures(): Promise<Figure[]> {
  const { times, students, items } = await loadTimes(20);
  return [
    await expansion(),
    ...(await feeds()),
    await checks(),
    await slide(),
    await search(),
    await importing(),
    { what: `the load of a course of ${students} among 6,000 students, ${items} of 8,000 due items`, value: shareOf(times, 0.5), unit: 'ms', goal: { most: 150 } },
  ];
} // prettier-ignore

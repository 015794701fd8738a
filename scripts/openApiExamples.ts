const ID = '5f1c2f0e-7d0c-4b55-9d57-0d8a3b6e8f11';
const AUDIENCE = [{ course: ID }];

/** What is sent for the jobs that a term begins with, by operationId. */
export const EXAMPLES: Readonly<Record<string, object>> = {
  postTokens: { name: 'Timetable program', scopes: ['write:plan'], courses: [ID], expires: '2026-12-18' },
  postTerms: { name: 'Autumn 2026', startsOn: '2026-09-07', endsOn: '2026-12-11', tzid: 'America/Halifax' },
  postPeople: { name: 'Maren Toft', email: 'maren@kittiwake.example' },
  postCourses: {
    term: ID,
    instructor: ID,
    code: 'RG 110',
    title: 'Rigging',
    tag: 'RG',
    color: 'sea',
    sections: [{ name: 'A', week: 'Tue Thu 10-11:20; lab Fri 14-17' }],
  },
  postClosures: {
    term: ID,
    name: 'Autumn break',
    firstDay: '2026-10-26',
    lastDay: '2026-10-30',
    plans: 'slide',
  },
  postCoursesByIdRoster: { list: 'Name,E-mail,Section\nIda Skerry,ida@kittiwake.example,A' },
  postCoursesByIdTopics: { list: 'Knots that hold\nSplices', from: 1 },
  postEntries: { kind: 'assignment', title: 'Eye splice', due: '2026-10-15T17:00', audience: AUDIENCE },
  postSheets: {
    title: 'Office hours',
    audience: AUDIENCE,
    offering: {
      repeat: 'weekly',
      stretches: [{ date: '2026-10-14', start: '15:00', end: '16:00' }],
      length: 20,
      until: '2026-12-09',
    },
  },
  postSlotsByIdBooking: { note: 'The bow lines' },
  postOutlets: { kind: 'feed', audience: 'public', name: 'Rigging', courses: [ID] },
  postWebhooks: { token: ID, url: 'https://timetable.example/changes', lists: ['entries', 'meetings'] },
};

import { beforeAll, describe, expect, inject, test } from 'vitest';
import type { Api } from '../support/api';
import { signedIn } from '../support/api';
import { calendarsAreRead } from '../support/calendars';

const base = inject('pembitUrl');
let maren: Api;
let course = '';
let signe: Api;
beforeAll(async () => {
  maren = await signedIn(base, 'maren@kittiwake.example');
  signe = await signedIn(base, 'signe@kittiwake.example');
  const text = (await (await maren.call('GET', '/term')).text()).replaceAll('\\"', '"');
  await calendarsAreRead(maren);
  course = /"courses":\[\{"id":"([0-9a-f-]{36})","tag":"HL"/.exec(text)![1]!;
});

type Case = readonly [
  what: string,
  path: string,
  body: (course: string) => unknown,
  fields: readonly string[],
  method?: 'PUT' | 'GET',
];
const event = (changes: object) => (id: string) => ({
  kind: 'event',
  title: 'X',
  start: '2026-11-20T10:00',
  audience: [{ course: id }],
  ...changes,
});
const work = (changes: object) => (id: string) => ({
  kind: 'assignment',
  title: 'X',
  due: '2026-11-20T10:00',
  audience: [{ course: id }],
  ...changes,
});
const sheet = (changes: object) => (id: string) => ({
  title: 'X', audience: [{ course: id }], ...changes,
  offering: { stretches: [{ date: '2026-11-20', start: '10:00', end: '12:00' }], length: 30, ...(changes as { offering?: object }).offering },
}); // prettier-ignore
const outlet = (changes: object) => (id: string) => ({
  kind: 'feed',
  audience: 'public',
  name: 'X',
  courses: [id],
  ...changes,
});

const term = (changes: object) => () => ({
  name: 'X',
  startsOn: '2027-01-11',
  endsOn: '2027-04-30',
  tzid: 'America/Halifax',
  ...changes,
});
const setup = (changes: object) => () => ({
  name: 'X',
  email: 'x@x.example',
  password: 'long enough here',
  school: 'X',
  term: term({})(),
  ...changes,
});
const closure = (changes: object) => (id: string) => ({
  term: id,
  name: 'X',
  firstDay: '2026-11-20',
  lastDay: '2026-11-20',
  ...changes,
});
const newCourse = (changes: object) => (id: string) => ({
  term: id, instructor: id, code: 'X 1', title: 'X', tag: 'XX', color: 'sea', sections: [{ name: 'A', week: 'Tue 10-11' }], ...changes,
}); // prettier-ignore
const NOT_THERE = '00000000-0000-4000-8000-000000000000';

const CASES: readonly Case[] = [
  ['no JSON', '/api/entries', () => '{', ['kind']],
  ['nothing', '/api/entries', () => ({}), ['kind']],
  ['another kind', '/api/entries', event({ kind: 'party' }), ['kind']],
  ['no title', '/api/entries', event({ title: '  ' }), ['title']],
  ['a title of two lines', '/api/entries', event({ title: 'a\nb' }), ['title']],
  ['a title too long', '/api/entries', event({ title: 'x'.repeat(201) }), ['title']],
  ['a description that is a number', '/api/entries', event({ description: 7 }), ['description']],
  ['a day that is none', '/api/entries', event({ start: '2026-02-30' }), ['start']],
  ['a time that is none', '/api/entries', event({ start: '2026-11-20T25:00' }), ['start']],
  ['a year of long ago', '/api/entries', event({ start: '0026-11-20' }), ['start']],
  ['an end before the start', '/api/entries', event({ end: '2026-11-20T09:00' }), ['end']],
  ['an end as long as the start', '/api/entries', event({ end: '2026-11-20T10:00' }), ['end']],
  ['a day and a time mixed', '/api/entries', event({ end: '2026-11-21' }), ['end']],
  ['no course', '/api/entries', event({ audience: [] }), ['audience']],
  [
    'a course twice',
    '/api/entries',
    (id) => ({ ...(event({})(id) as object), audience: [{ course: id }, { course: id }] }),
    ['audience'],
  ],
  [
    'a section of no course',
    '/api/entries',
    (id) => ({ ...(event({})(id) as object), audience: [{ course: id, sections: [id] }] }),
    ['audience.0.sections'],
  ],
  ['a script as a link', '/api/entries', event({ links: [{ url: 'javascript:alert(1)' }] }), ['links.0.url']],
  ['a link that is no address', '/api/entries', event({ links: [{ url: 'the library' }] }), ['links.0.url']],
  ['shown from nothing', '/api/entries', event({ visibility: { kind: 'from' } }), ['visibility.from']],
  ['set after due', '/api/entries', work({ setOn: '2026-11-21' }), ['setOn']],
  ['set at no day', '/api/entries', work({ setOn: 'soon' }), ['setOn']],
  ['a due that is missing', '/api/entries', work({ due: undefined }), ['due']],
  ['closed before it is due', '/api/entries', work({ closes: '2026-11-19' }), ['closes']],
  ['opened after it is due', '/api/entries', work({ opens: '2026-11-21' }), ['opens']],
  ['points below none', '/api/entries', work({ points: -1 }), ['points']],
  [
    'an extension for nobody',
    '/api/entries',
    work({ extensions: [{ person: NOT_THERE, due: '2026-11-21' }] }),
    ['extensions.0.person'],
  ],
  ['a rule of a 13th month', '/api/entries', event({ rrule: 'FREQ=YEARLY;BYMONTH=13' }), ['rrule']],
  [
    'a rule of the first Monday of a week',
    '/api/entries',
    event({ rrule: 'FREQ=WEEKLY;BYDAY=1MO' }),
    ['rrule'],
  ],
  ['a rule that counts twice', '/api/entries', event({ rrule: 'FREQ=DAILY;COUNT=2;COUNT=3' }), ['rrule']],
  [
    'a rule that ends on 31 November',
    '/api/entries',
    event({ rrule: 'FREQ=DAILY;UNTIL=20261131' }),
    ['rrule'],
  ],
  [
    'a rule that ends at 25:00',
    '/api/entries',
    event({ rrule: 'FREQ=DAILY;UNTIL=20261101T250000' }),
    ['rrule'],
  ],
  ['a rule that ends in words', '/api/entries', event({ rrule: 'FREQ=DAILY;UNTIL=SOON' }), ['rrule']],
  ['a rule that ends in a month', '/api/entries', event({ rrule: 'FREQ=DAILY;UNTIL=202611' }), ['rrule']],
  [
    'a rule that ends before it begins',
    '/api/entries',
    event({ rrule: 'FREQ=DAILY;UNTIL=20200101' }),
    ['rrule'],
  ],
  ['a rule that is none', '/api/entries', event({ rrule: 'FREQ=SOMETIMES' }), ['rrule']],
  ['a rule by the hour', '/api/entries', event({ rrule: 'FREQ=HOURLY;COUNT=3' }), ['rrule']],
  ['a rule with two ends', '/api/entries', event({ rrule: 'FREQ=DAILY;COUNT=3;UNTIL=20261201' }), ['rrule']],
  ['no seats', '/api/entries', event({ coming: { seats: 0 } }), ['coming.seats']],
  [
    'shown before by half a day',
    '/api/entries',
    event({ visibility: { kind: 'before', days: 0.5 } }),
    ['visibility.days'],
  ],
  [
    'a student who is not on the roster',
    '/api/entries',
    (id) => ({ ...(event({})(id) as object), audience: [{ course: id, people: [NOT_THERE] }] }),
    ['audience.0.people'],
  ],
  [
    'a group of no course',
    '/api/entries',
    (id) => ({ ...(event({})(id) as object), audience: [{ course: id, groups: [NOT_THERE] }] }),
    ['audience.0.groups'],
  ],
  [
    'an announcement without a day',
    '/api/entries',
    (id) => ({ kind: 'announcement', title: 'X', audience: [{ course: id }] }),
    ['on'],
  ],
  ['a note without a day', '/api/entries', () => ({ kind: 'note', title: 'X' }), ['on']],
  ['moving nothing', '/api/entries/shift', () => ({ days: 1, items: [] }), ['items']],
  ['moving by no days', '/api/entries/shift', () => ({ days: 0, items: [{ id: NOT_THERE }] }), ['days']],
  ['doing nothing known', '/api/entries/bulk', () => ({ ids: [NOT_THERE], act: 'hide' }), ['act']],
  ['showing from no day', '/api/entries/bulk', () => ({ ids: [NOT_THERE], act: 'showFrom' }), ['from']],
  [
    'showing too many days before',
    '/api/entries/bulk',
    () => ({ ids: [NOT_THERE], act: 'showBefore', days: 400 }),
    ['days'],
  ],
  [
    'moving by no class',
    '/api/entries/bulk',
    () => ({ ids: [NOT_THERE], act: 'moveMeetings', meetings: 0 }),
    ['meetings'],
  ],
  [
    'moving a date there is not',
    `/api/entries/${NOT_THERE}/dates`,
    () => ({ field: 'start', days: 1 }),
    ['field'],
  ],
  [
    'a line without a day',
    `/api/entries/${NOT_THERE}/line`,
    () => ({ sequence: 0, title: 'X', on: 'soon' }),
    ['on'],
    'PUT',
  ],
  [
    'work due at no class',
    '/api/entries',
    (id) => ({
      kind: 'assignment',
      title: 'X',
      audience: [{ course: id }],
      atClass: { due: { ordinal: 0 } },
    }),
    ['atClass.due.ordinal'],
  ],
  [
    'work without a due time',
    '/api/entries',
    (id) => ({ kind: 'assignment', title: 'X', audience: [{ course: id }] }),
    ['due'],
  ],
  ['leaving out nothing', '/api/checks/dismissals', () => ({ key: '' }), ['key']],
  ['checking nothing', '/api/checks/preview', () => ({}), ['entry']],
  [
    'a material without a title',
    `/api/courses/${NOT_THERE}/materials`,
    () => ({ kind: 'unit', title: ' ' }),
    ['title'],
  ],
  [
    'a link without an address',
    `/api/courses/${NOT_THERE}/materials`,
    () => ({ kind: 'webLink', title: 'X' }),
    ['url'],
  ],
  [
    'a material of no kind',
    `/api/courses/${NOT_THERE}/materials`,
    () => ({ kind: 'folder', title: 'X' }),
    ['kind'],
  ],
  [
    'an empty list of materials',
    `/api/courses/${NOT_THERE}/materials/preview`,
    () => ({ list: '  ' }),
    ['list'],
  ],
  ['a file without a name', '/api/files', () => 'x', ['name']],
  ['an empty file', '/api/files?name=a.txt', () => '', ['file']],
  ['a file that is not what its ending says', '/api/files?name=a.png', () => 'plain text', ['file']],
  ['a page as a file', '/api/files?name=a.txt', () => '<!doctype html><script>x</script>', ['file']],
  [
    'a package that is no file',
    `/api/courses/${NOT_THERE}/materials/package`,
    () => ({ file: 'x' }),
    ['file'],
  ],
  ['classes from no day', `/api/materials/${NOT_THERE}/classes`, () => ({ from: 'soon' }), ['from']],
  ['sliding nowhere', `/api/courses/${NOT_THERE}/slide`, () => ({ act: 'sideways' }), ['act']],
  [
    'sliding by no class',
    `/api/courses/${NOT_THERE}/slide`,
    () => ({ act: 'later', plan: NOT_THERE, by: 0 }),
    ['by'],
  ],
  ['a quick line too long', `/api/quick-line?line=${'x'.repeat(501)}`, () => undefined, ['line'], 'GET'],
  ['moving no plan', '/api/meetings/move-plans', () => ({ moves: [] }), ['moves']],
  ['a room without a title', '/api/rooms', () => ({ title: '' }), ['title']],
  ['a date for everyone backwards', '/api/site-dates', closure({ lastDay: '2026-11-19' }), ['lastDay']],
  ['joining nothing', '/api/joining', () => ({}), ['token']],
  ['settings of another language', '/api/settings', () => ({ name: 'X', locale: 'xx' }), ['locale'], 'PUT'],
  [
    'a week that begins on a Tuesday',
    '/api/settings',
    () => ({ name: 'X', weekStart: 2 }),
    ['weekStart'],
    'PUT',
  ],
  ['no stretch', '/api/sheets', sheet({ offering: { stretches: [] } }), ['offering.stretches']],
  [
    'a stretch backwards',
    '/api/sheets',
    sheet({ offering: { stretches: [{ date: '2026-11-20', start: '12:00', end: '10:00' }] } }),
    ['offering.stretches.0.end'],
  ],
  [
    'a stretch at no time',
    '/api/sheets',
    sheet({ offering: { stretches: [{ date: '2026-11-20', start: '25:00', end: '26:00' }] } }),
    ['offering.stretches.0.start', 'offering.stretches.0.end'],
  ],
  ['no minutes', '/api/sheets', sheet({ offering: { length: 0 } }), ['offering.length']],
  ['half a minute', '/api/sheets', sheet({ offering: { length: 12.5 } }), ['offering.length']],
  ['a gap below nothing', '/api/sheets', sheet({ offering: { gap: -5 } }), ['offering.gap']],
  ['no times for a student', '/api/sheets', sheet({ rules: { perSheet: 0 } }), ['rules.perSheet']],
  ['a notice that is none', '/api/sheets', sheet({ rules: { take: { kind: 'soon' } } }), ['rules.take.kind']],
  ['hosts who teach nothing', '/api/sheets', sheet({ hosts: [NOT_THERE] }), ['hosts']],
  [
    'a time backwards',
    `/api/slots/${NOT_THERE}`,
    () => ({ start: '2026-11-20T12:00', end: '2026-11-20T10:00' }),
    ['end'],
    'PUT',
  ],
  ['nothing to say', `/api/sheets/${NOT_THERE}/message`, () => ({ text: ' ' }), ['text']],
  ['cancelling from no day', `/api/sheets/${NOT_THERE}/cancel`, () => ({ from: 'soon' }), ['from']],
  ['a link to no address', `/api/sheets/${NOT_THERE}/link`, () => ({ email: '' }), ['email']],
  ['no seat', '/api/sheets', sheet({ seats: 0 }), ['seats']],
  ['a meeting link that is none', '/api/sheets', sheet({ meetingLink: 'meet me' }), ['meetingLink']],
  ['another kind of outlet', '/api/outlets', outlet({ kind: 'poster' }), ['kind']],
  ['a personal one', '/api/outlets', outlet({ audience: 'personal' }), ['audience']],
  ['no course in it', '/api/outlets', outlet({ courses: [] }), ['courses']],
  ['nothing in it', '/api/outlets', outlet({ kinds: [] }), ['kinds']],
  ['no name', '/api/outlets', outlet({ name: '' }), ['name']],
  ['no address', '/api/session', () => ({ password: 'x' }), ['email']],
  ['no password', '/api/session', () => ({ email: 'a@b.example', password: '' }), ['password']],
  ['a term that ends first', '/api/terms', term({ endsOn: '2027-01-10' }), ['endsOn']],
  ['a term of years', '/api/terms', term({ endsOn: '2029-01-10' }), ['endsOn']],
  ['a zone that is none', '/api/terms', term({ tzid: 'Atlantis/Capital' }), ['tzid']],
  ['a first run without a school', '/api/setup', setup({ school: '' }), ['school']],
  ['a first run with a short password', '/api/setup', setup({ password: 'short' }), ['password']],
  [
    'a first run without a term',
    '/api/setup',
    setup({ term: term({ startsOn: 'soon' })() }),
    ['term.startsOn'],
  ],
  ['a closure without a name', '/api/closures', closure({ name: '' }), ['name']],
  ['a closure backwards', '/api/closures', closure({ lastDay: '2026-11-19' }), ['lastDay']],
  ['a closure at no time', '/api/closures/hits', closure({ closesAt: '25:00' }), ['closesAt']],
  ['a course in no colour', '/api/courses', newCourse({ color: 'pink' }), ['color']],
  ['a tag of one letter', '/api/courses', newCourse({ tag: 'X' }), ['tag']],
  ['a course without sections', '/api/courses', newCourse({ sections: [] }), ['sections']],
  [
    'a week that is none',
    '/api/courses',
    newCourse({ sections: [{ name: 'A', week: 'often' }] }),
    ['sections.0.week'],
  ],
  [
    'two sections of one name',
    '/api/courses',
    newCourse({
      sections: [
        { name: 'A', week: '' },
        { name: 'A', week: '' },
      ],
    }),
    ['sections'],
  ],
  [
    'credits below nothing',
    `/api/courses/${NOT_THERE}`,
    () => ({ code: 'X 1', title: 'X', tag: 'XX', color: 'sea', credits: -1 }),
    ['credits'],
    'PUT',
  ],
  ['a field that there is none of', `/api/courses/${NOT_THERE}`, newCourse({ sections: [] }), ['term', 'instructor', 'sections'], 'PUT'], // prettier-ignore
  ['a section without a name', `/api/courses/${NOT_THERE}/sections`, () => ({ week: '' }), ['name']],
  [
    'a week from no day',
    `/api/sections/${NOT_THERE}/pattern`,
    () => ({ from: '2026-02-30', week: '' }),
    ['from'],
    'PUT',
  ],
  [
    'a week that runs backwards',
    `/api/sections/${NOT_THERE}/pattern`,
    () => ({ from: '2026-10-20', week: 'Tue 11-10' }),
    ['week'],
    'PUT',
  ],
  ['a class that does what?', `/api/meetings/${NOT_THERE}`, () => ({ act: 'skip' }), ['act'], 'PUT'],
  [
    'a class moved backwards',
    `/api/meetings/${NOT_THERE}`,
    () => ({ act: 'move', date: '2026-10-20', start: '11:00', end: '10:00' }),
    ['end'],
    'PUT',
  ],
  ['a roster that is no text', `/api/courses/${NOT_THERE}/roster`, () => ({ list: 7 }), ['list']],
  ['a look at no roster', `/api/courses/${NOT_THERE}/roster/preview`, () => ({}), ['list']],
  ['staff without an address', `/api/courses/${NOT_THERE}/staff`, () => ({ email: 'me' }), ['email']],
  ['a person without an address', '/api/people', () => ({ name: 'X', email: 'me' }), ['email']],
  [
    'a first sign-in with a short password',
    '/api/welcome',
    () => ({ token: 'x', password: 'short' }),
    ['password'],
  ],
  [
    'a change of an entry without its sequence',
    `/api/entries/${NOT_THERE}`,
    (id) => ({ entry: event({})(id) }),
    ['sequence'],
    'PUT',
  ],
  ['a note too long', `/api/slots/${NOT_THERE}/booking`, () => ({ note: 'x'.repeat(1001) }), ['note']],
];

async function everything(): Promise<string> {
  const answers = await Promise.all(
    ['/api/occurrences?from=2025-12-01&to=2027-12-31', '/api/outlets'].map(async (path) =>
      (await maren.call('GET', path)).text(),
    ),
  );
  return answers.join('\n');
}

describe('bad input gets a problem document with a sentence for each field, and nothing is half saved', () => {
  test.each(
    CASES.map(([what, path, body, fields, method = 'POST']) => ({ what, path, body, fields, method })),
  )('$what', async ({ path, body, fields, method }) => {
    const before = await everything();
    const answer = await maren.call(method, path, body(course));
    expect(answer.status).toBeGreaterThanOrEqual(400);
    expect(answer.status).toBeLessThan(500);
    expect(answer.headers.get('content-type')).toContain('application/problem+json');
    const problem = (await answer.json()) as {
      title: string;
      status: number;
      errors: { field: string; message: string }[];
    };
    expect(problem.status).toBe(answer.status);
    expect(problem.title).toMatch(/\.$/);
    expect([...new Set(problem.errors.map((error) => error.field))]).toEqual(fields);
    for (const { message } of problem.errors) expect(message).toMatch(/^[A-Z“].*\.$/);
    expect(await everything()).toBe(before);
  });

  test.each([
    ['/api/occurrences', ['from', 'to']],
    ['/api/occurrences?from=2026-10-01', ['to']],
    ['/api/occurrences?from=2026-10-31&to=2026-10-01', ['to']],
    ['/api/occurrences?from=2020-10-31&to=2026-10-01', ['to']],
    ['/api/occurrences?from=%00&to=2026-10-01', ['from']],
  ])('GET %s', async (path, fields) => {
    const answer = await maren.call('GET', path);
    expect(answer.status).toBe(400);
    const problem = (await answer.json()) as { errors: { field: string }[] };
    expect(problem.errors.map((error) => error.field)).toEqual(fields);
  });
});

test('what no text can hold is left out, and what is named twice counts once', async () => {
  const office = await signedIn(base, 'office@kittiwake.example');
  expect(await (await office.call('GET', '/api/people?q=Mar%00en')).json()).toMatchObject({
    items: [{ name: 'Maren Toft' }],
  });
  const made = await maren.call('POST', '/api/entries', work({ title: 'Bat\0ten' })(course));
  const { id, title } = (await made.json()) as { id: string; title: string };
  expect(title).toBe('Batten');
  const copied = await maren.call('POST', `/api/entries/${id}/copy`, { courses: [course, course] });
  expect(copied.status).toBe(201);
  const copy = ((await copied.json()) as { id: string }).id;
  const seen = (await (await maren.call('GET', `/api/entries/${copy}`)).json()) as { who: string };
  expect(seen.who.match(/HL/g)).toHaveLength(1);
});

test('200 requests at once for one free time: one gets it, 199 a clear refusal', async () => {
  const offered = await maren.call(
    'POST',
    '/api/sheets',
    sheet({
      rules: { perSheet: 3 },
      offering: { stretches: [{ date: '2026-12-05', start: '10:00', end: '10:30' }] },
    })(course),
  );
  expect(offered.status).toBe(201);
  const signUp = (await (await signe.call('GET', '/sign-up')).text()).replaceAll('\\"', '"');
  const slot =
    /"id":"([0-9a-f-]{36})","time":"10:00","range":"10:00–10:30","minutes":30,"state":"free","mayWait":false,"when":"Sat 5 Dec/.exec(
      signUp,
    )![1]!;
  const people = await Promise.all(
    ['runa', 'edvin', 'liv', 'maelle', 'tove'].map((name) => signedIn(base, `${name}@kittiwake.example`)),
  );
  const answers = await Promise.all(
    Array.from({ length: 200 }, (_, i) =>
      people[i % people.length]!.call('POST', `/api/slots/${slot}/booking`, { note: '' }),
    ),
  );
  expect(answers.filter((answer) => answer.status === 201)).toHaveLength(1);
  const refused = answers.filter((answer) => answer.status === 409);
  expect(refused).toHaveLength(199);
  for (const answer of refused)
    expect(((await answer.json()) as { title: string }).title).toMatch(
      /was just taken|have this time already/,
    );
});

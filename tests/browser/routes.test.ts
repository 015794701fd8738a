import { demoId } from '@/server/demo/demoIds';
import { MAREN } from '@/server/demo/people';
import { request } from 'node:http';
import { beforeAll, describe, expect, inject, test } from 'vitest';
import type { Api } from '../support/api';
import { anonymous, signedIn } from '../support/api';
import { routesOfBuild } from '../support/routesOfBuild';

const base = inject('pembitUrl');

const routes = routesOfBuild();

/**
 * What each route answers to: nobody, a student of another course, a student. `page` routes send nobody to the sign-in
 * page and answer 404 to what is not theirs. A new route fails until it stands here.
 */
type Who = 'nobody' | 'stranger' | 'student';
type Expected = Readonly<Record<Who, number>>;
type Check = Readonly<{ method: string; path: string; body?: unknown; expected: Expected }>;

const all = (status: number): Expected => ({ nobody: status, stranger: status, student: status });
const signedInOnly = (status: number): Expected => ({ nobody: 401, stranger: status, student: status });
const page = (status = 200): Expected => ({ nobody: 307, stranger: status, student: status });
const NOT_THERE = '00000000-0000-4000-8000-000000000000';

const term = { name: 'X', startsOn: '2027-01-11', endsOn: '2027-04-30', tzid: 'America/Halifax' };
const closure = () => ({ term: NOT_THERE, name: 'X', firstDay: '2026-11-20', lastDay: '2026-11-20' });
const courseFacts = { code: 'XX 100', title: 'X', tag: 'XX', color: 'moss' };
const newCourse = {
  term: NOT_THERE, instructor: NOT_THERE, code: 'X', title: 'X', tag: 'XX', color: 'sea', sections: [{ name: 'A', week: '' }],
}; // prettier-ignore
const site = {
  name: 'X', issuer: 'https://site.example', clientId: 'x', deployments: ['1'],
  keysUrl: 'https://site.example/k', authUrl: 'https://site.example/a', tokenUrl: 'https://site.example/t',
}; // prettier-ignore
const offering = { stretches: [{ date: '2026-11-20', start: '10:00', end: '12:00' }], length: 30 };
const entryBody = (course: string) => ({
  kind: 'event',
  title: 'X',
  start: '2026-11-20T10:00',
  audience: [{ course }],
});
const outletBody = () => ({ kind: 'feed', audience: 'public', name: 'X', courses: [hlCourse] });
const calendarBody = () => ({
  url: 'https://district.example/c.ics',
  name: 'X',
  term: NOT_THERE,
  courses: [hlCourse],
});
let hlOutlet = '';
let hlCalendar = '';
let hlCourse = '';
let hlEntry = '';
let hlDraft = '';
let hlSlot = '';
let hlClass = '';
let hlSheet = '';
let openFile = '';
let hiddenFile = '';
let hiddenMaterial = '';
let foreignBooking = '';
const people: Partial<Record<Who, Api>> = {};

/** A class of HL that somebody sees. */
async function firstClass(person: Api): Promise<string> {
  const answer = await person.call('GET', `/api/meetings?course=${hlCourse}&limit=1`);
  return ((await answer.json()) as { items: { id: string }[] }).items[0]!.id;
}

beforeAll(async () => {
  people.nobody = anonymous(base);
  people.stranger = await signedIn(base, 'nuala3@kittiwake.example');
  people.student = await signedIn(base, 'signe@kittiwake.example');
  const maren = await signedIn(base, 'maren@kittiwake.example');
  const page = await (await maren.call('GET', '/term')).text();
  const ids = lookUp(page);
  ({ hlCourse, hlEntry, hlDraft } = ids);
  hlClass = await firstClass(people.student);
  hlSlot = NOT_THERE;
  hlSheet = /\/office-hours\/([0-9a-f-]{36})"[^>]*>Office hours/.exec(
    await (await maren.call('GET', '/office-hours')).text(),
  )![1]!;
  const made = async (title: string, more: object) => {
    const { id: file } = (await (await maren.call('POST', '/api/files?name=a.txt', title)).json()) as {
      id: string;
    };
    const body = { kind: 'webContent', title, file, ...more };
    const answer = await maren.call('POST', `/api/courses/${hlCourse}/materials`, body);
    return { file, material: ((await answer.json()) as { id: string }).id };
  };
  ({ file: openFile } = await made('Open to the course', {}));
  ({ file: hiddenFile, material: hiddenMaterial } = await made('Not yet', {
    visibleFrom: '2026-12-01T08:00',
  }));
  foreignBooking = NOT_THERE;
  const named = async (path: string, name: string) =>
    ((await (await maren.call('GET', path)).json()) as { id: string; name: string }[]).find((o) => o.name === name)!.id; // prettier-ignore
  hlOutlet = await named('/api/outlets', 'HL 210 Hull lofting');
  hlCalendar = await named('/api/calendars', 'Harbour club');
});

/** The ids that an instructor's page carries: a course of theirs, an entry students see, a draft. */
function lookUp(html: string) {
  const text = html.replaceAll('\\"', '"');
  const course = /"courses":\[\{"id":"([0-9a-f-]{36})","tag":"HL"/.exec(text)?.[1] ?? '';
  const entryOf = (title: string) =>
    new RegExp(`"title":"${title}","date":"[^"]*","entry":"([0-9a-f-]{36})"`).exec(text)?.[1] ?? '';
  return {
    hlCourse: course,
    hlEntry: entryOf('Half-breadth plan'),
    hlDraft: entryOf('Chartwork examination'),
  };
}

const CHECKS: Readonly<Record<string, () => readonly Check[]>> = {
  '/': () => [{ method: 'GET', path: '/', expected: page(307) }],
  '/account': () => [{ method: 'GET', path: '/account', expected: page() }],
  '/sign-in': () => [
    { method: 'GET', path: '/sign-in', expected: { nobody: 200, stranger: 307, student: 307 } },
  ],
  '/today': () => [{ method: 'GET', path: '/today', expected: page(307) }],
  '/term': () => [{ method: 'GET', path: '/term', expected: page() }],
  '/week': () => [{ method: 'GET', path: '/week', expected: page() }],
  '/everything': () => [{ method: 'GET', path: '/everything', expected: page() }],
  '/next': () => [{ method: 'GET', path: '/next', expected: page() }],
  '/sign-up': () => [{ method: 'GET', path: '/sign-up', expected: page() }],
  '/subscribe': () => [{ method: 'GET', path: '/subscribe', expected: page() }],
  '/office-hours': () => [{ method: 'GET', path: '/office-hours', expected: page(307) }],
  '/office-hours/new': () => [{ method: 'GET', path: '/office-hours/new', expected: page(307) }],
  '/publish': () => [{ method: 'GET', path: '/publish', expected: page(307) }],
  '/away': () => [{ method: 'GET', path: '/away?from=2026-10-20', expected: page(307) }],
  '/tokens': () => [{ method: 'GET', path: '/tokens', expected: page() }],
  '/write': () => [{ method: 'GET', path: '/write', expected: page(307) }],
  '/schedule': () => [{ method: 'GET', path: '/schedule', expected: page(307) }],
  '/close': () => [{ method: 'GET', path: '/close?day=2026-10-20', expected: page(307) }],
  '/publish/new': () => [{ method: 'GET', path: '/publish/new', expected: page(307) }],
  '/publish/[id]': () => [
    { method: 'GET', path: `/publish/${NOT_THERE}`, expected: page(404) },
    { method: 'GET', path: `/publish/${hlOutlet}`, expected: page(404) },
  ],
  '/api/entries/[id]/done': () => [
    {
      method: 'PUT',
      path: `/api/entries/${hlEntry}/done`,
      body: { done: false },
      expected: { nobody: 401, stranger: 404, student: 200 },
    },
    {
      method: 'PUT',
      path: `/api/entries/${hlDraft}/done`,
      body: { done: true },
      expected: signedInOnly(404),
    },
  ],
  '/api/changes': () => [{ method: 'DELETE', path: '/api/changes', expected: signedInOnly(200) }],
  '/api/account': () => [
    { method: 'GET', path: '/api/account', expected: signedInOnly(200) },
    { method: 'PUT', path: '/api/account', body: {}, expected: signedInOnly(200) },
  ],
  '/api/commands/import': () => [
    {
      method: 'POST',
      path: '/api/commands/import',
      body: { course: 'HL 210', name: 'c.ics', file: 'QkVHSU4=', until: 4_000_000_000_000 },
      expected: all(404),
    },
  ],
  '/publish/all': () => [
    { method: 'GET', path: '/publish/all', expected: { nobody: 307, stranger: 307, student: 307 } },
  ],
  '/before/[course]': () => [{ method: 'GET', path: `/before/${NOT_THERE}`, expected: page(404) }],
  '/month': () => [{ method: 'GET', path: '/month', expected: page() }],
  '/offline': () => [{ method: 'GET', path: '/offline', expected: all(200) }],
  '/sw.js': () => [{ method: 'GET', path: '/sw.js', expected: all(200) }],
  '/robots.txt': () => [{ method: 'GET', path: '/robots.txt', expected: all(200) }],
  '/manifest.webmanifest': () => [{ method: 'GET', path: '/manifest.webmanifest', expected: all(200) }],
  '/calendars': () => [{ method: 'GET', path: '/calendars', expected: page(307) }],
  '/api/calendars': () => [
    { method: 'GET', path: '/api/calendars', expected: signedInOnly(200) },
    { method: 'POST', path: '/api/calendars', body: calendarBody(), expected: signedInOnly(404) },
  ],
  '/api/calendars/preview': () => [
    { method: 'POST', path: '/api/calendars/preview', body: calendarBody(), expected: signedInOnly(404) },
  ],
  '/api/calendars/[id]': () =>
    [NOT_THERE, hlCalendar].flatMap((id) => [
      { method: 'PUT', path: `/api/calendars/${id}`, body: { name: 'X' }, expected: signedInOnly(404) },
      { method: 'DELETE', path: `/api/calendars/${id}`, expected: signedInOnly(404) },
    ]),
  '/api/calendars/[id]/refresh': () => [
    { method: 'POST', path: `/api/calendars/${hlCalendar}/refresh`, expected: signedInOnly(404) },
  ],
  '/api/outlets/empty': () => [
    {
      method: 'POST',
      path: '/api/outlets/empty',
      body: outletBody(),
      expected: signedInOnly(404),
    },
  ],
  '/api/outlets/[id]': () =>
    [NOT_THERE, hlOutlet].flatMap((id) => [
      { method: 'PUT', path: `/api/outlets/${id}`, body: outletBody(), expected: signedInOnly(404) },
      { method: 'DELETE', path: `/api/outlets/${id}`, expected: signedInOnly(404) },
    ]),
  '/api/outlets/[id]/code': () => [
    { method: 'GET', path: `/api/outlets/${hlOutlet}/code`, expected: signedInOnly(404) },
  ],
  '/api/outlets/[id]/letter': () => [
    { method: 'POST', path: `/api/outlets/${hlOutlet}/letter`, expected: signedInOnly(404) },
  ],
  '/api/outlets/[id]/address': () => [
    { method: 'POST', path: `/api/outlets/${hlOutlet}/address`, expected: signedInOnly(404) },
  ],
  '/api/outlets/personal': () => [
    {
      method: 'PUT',
      path: '/api/outlets/personal',
      body: {
        kinds: [
          'class',
          'event',
          'set',
          'due',
          'announcement',
          'times',
          'closure',
          'booking',
          'note',
          'outside',
        ],
      },
      expected: signedInOnly(200),
    },
  ],
  '/api/courses/[id]/feeds': () => [
    { method: 'POST', path: `/api/courses/${hlCourse}/feeds`, expected: signedInOnly(404) },
  ],
  '/api/courses/[id]/calendar': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/calendar`,
      body: { file: NOT_THERE },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/calendar/preview': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/calendar/preview`,
      body: { file: NOT_THERE },
      expected: signedInOnly(404),
    },
  ],
  '/setup': () => [{ method: 'GET', path: '/setup', expected: all(404) }],
  '/school/tables': () => [{ method: 'GET', path: '/school/tables', expected: page(307) }],
  '/school': () => [{ method: 'GET', path: '/school', expected: page(307) }],
  '/courses': () => [{ method: 'GET', path: '/courses', expected: page(307) }],
  '/courses/[code]': () => [
    { method: 'GET', path: '/courses/HL%20210', expected: page(404) },
    { method: 'GET', path: '/courses/nothing', expected: page(404) },
  ],
  '/help': () => [{ method: 'GET', path: '/help', expected: page() }],
  '/api/tokens': () => [
    { method: 'GET', path: '/api/tokens', expected: signedInOnly(200) },
    {
      method: 'POST',
      path: '/api/tokens',
      // Refused to whoever administers nothing, however long ago they signed in.
      body: { name: 'T', scopes: ['read:school'] },
      expected: signedInOnly(400),
    },
  ],
  '/api/events': () => [
    { method: 'GET', path: '/api/events', expected: signedInOnly(200) },
    { method: 'GET', path: `/api/events?after=${NOT_THERE}`, expected: signedInOnly(410) },
  ],
  '/api/tokens/[id]': () => [
    { method: 'DELETE', path: `/api/tokens/${NOT_THERE}`, expected: signedInOnly(404) },
  ],
  '/api/questions': () => [
    {
      method: 'GET',
      path: `/api/questions?about=${hlEntry}`,
      expected: { nobody: 401, stranger: 404, student: 200 },
    },
    {
      method: 'POST',
      path: '/api/questions',
      body: { about: hlEntry, text: '<p>Which?</p>' },
      expected: { nobody: 401, stranger: 404, student: 201 },
    },
  ],
  '/api/questions/[id]': () => [
    {
      method: 'PUT',
      path: `/api/questions/${NOT_THERE}`,
      body: { closed: true },
      expected: signedInOnly(404),
    },
    {
      method: 'PUT',
      path: `/api/questions/${demoId('question spline weights')}`,
      body: { closed: true },
      expected: signedInOnly(404),
    },
  ],
  '/api/questions/[id]/answers': () => [
    {
      method: 'POST',
      path: `/api/questions/${demoId('question spline weights')}/answers`,
      body: { text: '<p>No.</p>' },
      expected: signedInOnly(404),
    },
  ],
  '/api/questions/[id]/report': () => [
    {
      method: 'POST',
      path: `/api/questions/${demoId('question spline weights')}/report`,
      body: {},
      expected: { nobody: 401, stranger: 404, student: 200 },
    },
  ],
  '/api/answers/[id]': () => [
    {
      method: 'DELETE',
      path: `/api/answers/${demoId('answer spline weights')}`,
      expected: signedInOnly(404),
    },
  ],
  '/api/asking/[id]': () => [
    { method: 'PUT', path: `/api/asking/${hlCourse}`, body: { open: false }, expected: signedInOnly(404) },
    { method: 'PUT', path: `/api/asking/${hlEntry}`, body: { open: false }, expected: signedInOnly(404) },
  ],
  '/api/courses/[id]/questions': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/questions`,
      body: { to: MAREN.id },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/start': () => [
    {
      method: 'PUT',
      path: `/api/courses/${demoId('NV 140')}/start`,
      body: { on: '2026-09-08' },
      expected: { ...signedInOnly(404), student: 200 },
    },
  ],
  '/api/guardians': () => [
    { method: 'GET', path: '/api/guardians', expected: signedInOnly(200) },
    { method: 'GET', path: `/api/guardians?child=${MAREN.id}`, expected: signedInOnly(404) },
    {
      method: 'POST',
      path: '/api/guardians',
      body: { name: 'Gran', child: MAREN.id },
      expected: signedInOnly(404),
    },
  ],
  '/api/guardians/[id]': () => [
    { method: 'DELETE', path: `/api/guardians/${NOT_THERE}`, body: {}, expected: signedInOnly(404) },
  ],
  '/api/guardians/[id]/address': () => [
    { method: 'POST', path: `/api/guardians/${NOT_THERE}/address`, expected: signedInOnly(404) },
  ],
  '/api/guardians/[id]/agreement': () => [
    { method: 'POST', path: `/api/guardians/${NOT_THERE}/agreement`, expected: signedInOnly(404) },
  ],
  '/api/guardian-letters/[token]': () => [
    {
      method: 'PUT',
      path: `/api/guardian-letters/${'x'.repeat(43)}`,
      body: { email: 'gran@home.example' },
      expected: all(404),
    },
  ],
  '/api/guardian-letters/confirm/[id]/[proof]': () => [
    {
      method: 'POST',
      path: `/api/guardian-letters/confirm/${NOT_THERE}/${'x'.repeat(43)}`,
      expected: all(410),
    },
  ],
  '/api/people/[id]/minor': () => [
    {
      method: 'PUT',
      path: `/api/people/${MAREN.id}/minor`,
      body: { minor: true },
      expected: signedInOnly(404),
    },
  ],
  '/guardian/[...tokens]': () => [{ method: 'GET', path: `/guardian/${'x'.repeat(43)}`, expected: all(404) }],
  '/guardian/confirm/[id]/[proof]': () => [
    { method: 'GET', path: `/guardian/confirm/${NOT_THERE}/${'x'.repeat(43)}`, expected: all(404) },
  ],
  '/letters/[token]': () => [{ method: 'GET', path: `/letters/${'x'.repeat(43)}`, expected: all(404) }],
  '/api/unsubscribe/[token]': () => [
    { method: 'GET', path: `/api/unsubscribe/${'x'.repeat(43)}`, expected: all(303) },
    { method: 'POST', path: `/api/unsubscribe/${'x'.repeat(43)}`, expected: all(404) },
  ],
  '/welcome/[token]': () => [{ method: 'GET', path: `/welcome/${'x'.repeat(43)}`, expected: all(200) }],
  '/e/[entry]': () => [
    { method: 'GET', path: `/e/${hlEntry}`, expected: { nobody: 307, stranger: 404, student: 200 } },
    { method: 'GET', path: `/e/${hlDraft}`, expected: page(404) },
    { method: 'GET', path: `/e/${NOT_THERE}`, expected: page(404) },
    { method: 'GET', path: '/e/nothing', expected: page(404) },
  ],
  '/e/[entry]/record': () => [
    { method: 'GET', path: `/e/${hlEntry}/record`, expected: page(404) },
    { method: 'GET', path: `/e/${NOT_THERE}/record`, expected: page(404) },
  ],
  '/api/entries/[id]/files': () => [
    {
      method: 'POST',
      path: `/api/entries/${hlEntry}/files`,
      body: { file: NOT_THERE },
      expected: signedInOnly(404),
    },
  ],
  '/due': () => [{ method: 'GET', path: '/due', expected: page() }],
  '/class/[meeting]': () => [
    { method: 'GET', path: `/class/${hlClass}`, expected: { nobody: 307, stranger: 404, student: 200 } },
    { method: 'GET', path: `/class/${NOT_THERE}`, expected: page(404) },
    { method: 'GET', path: '/class/none', expected: page(404) },
  ],
  '/day/[date]': () => [
    {
      method: 'GET',
      path: '/day/2026-10-15?course=HL%20210',
      expected: { nobody: 307, stranger: 404, student: 200 },
    },
    { method: 'GET', path: '/day/2026-10-15', expected: page() },
    { method: 'GET', path: '/day/2026-13-45', expected: page(404) },
    { method: 'GET', path: '/day/yesterday', expected: page(404) },
  ],
  '/api/health': () => [{ method: 'GET', path: '/api/health', expected: all(200) }],
  '/api/session': () => [
    {
      method: 'POST',
      path: '/api/session',
      body: { email: 'maren@kittiwake.example', password: 'wrong' },
      expected: all(401),
    },
    {
      method: 'POST',
      path: '/api/session',
      body: { email: 'nobody@kittiwake.example', password: 'wrong' },
      expected: all(401),
    },
    { method: 'DELETE', path: '/api/session', expected: { nobody: 401, stranger: 200, student: 200 } },
  ],
  '/api/sessions': () => [
    { method: 'DELETE', path: '/api/sessions', expected: { nobody: 401, stranger: 200, student: 200 } },
  ],
  '/api/setup': () => [
    {
      method: 'POST',
      path: '/api/setup',
      body: { name: 'X', email: 'x@x.example', password: 'long enough here', school: 'X', term },
      expected: all(404),
    },
  ],
  '/api/welcome': () => [
    {
      method: 'POST',
      path: '/api/welcome',
      body: { token: 'x', password: 'long enough here' },
      expected: all(404),
    },
  ],
  '/api/terms': () => [
    { method: 'GET', path: '/api/terms', expected: signedInOnly(200) },
    { method: 'POST', path: '/api/terms', body: term, expected: signedInOnly(403) },
  ],
  '/join/[token]': () => [{ method: 'GET', path: `/join/${'x'.repeat(43)}`, expected: all(200) }],
  '/api/joining': () => [
    { method: 'POST', path: '/api/joining', body: { token: 'x'.repeat(43) }, expected: all(404) },
  ],
  '/api/settings': () => [
    { method: 'PUT', path: '/api/settings', body: { name: 'X' }, expected: signedInOnly(403) },
  ],
  '/api/terms/[id]': () => [
    { method: 'GET', path: `/api/terms/${NOT_THERE}`, expected: signedInOnly(404) },
    { method: 'PUT', path: `/api/terms/${NOT_THERE}`, body: term, expected: signedInOnly(403) },
    { method: 'DELETE', path: `/api/terms/${NOT_THERE}`, expected: signedInOnly(403) },
  ],
  '/api/terms/[id]/effects': () => [
    { method: 'POST', path: `/api/terms/${NOT_THERE}/effects`, body: term, expected: signedInOnly(403) },
  ],
  '/api/site-dates': () => [
    { method: 'POST', path: '/api/site-dates', body: closure(), expected: signedInOnly(403) },
  ],
  '/api/site-dates/[id]': () => [
    { method: 'DELETE', path: `/api/site-dates/${NOT_THERE}`, expected: signedInOnly(403) },
  ],
  '/api/letters/[id]': () => [
    { method: 'POST', path: `/api/letters/${NOT_THERE}`, expected: signedInOnly(404) },
  ],
  '/api/courses/[id]/themes': () => [
    {
      method: 'PUT',
      path: `/api/courses/${hlCourse}/themes`,
      body: { themes: ['X'] },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/groups': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/groups`,
      body: { name: 'X' },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/groups/[group]': () => [
    {
      method: 'PUT',
      path: `/api/courses/${hlCourse}/groups/${NOT_THERE}`,
      body: { name: 'X' },
      expected: signedInOnly(404),
    },
    { method: 'DELETE', path: `/api/courses/${hlCourse}/groups/${NOT_THERE}`, expected: signedInOnly(404) },
  ],
  '/api/courses/[id]/joining': () => [
    { method: 'POST', path: `/api/courses/${hlCourse}/joining`, expected: signedInOnly(404) },
    { method: 'DELETE', path: `/api/courses/${hlCourse}/joining`, expected: signedInOnly(404) },
  ],
  '/api/courses/[id]/archive': () => [
    {
      method: 'PUT',
      path: `/api/courses/${hlCourse}/archive`,
      body: { archived: true },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/contents': () => [
    { method: 'GET', path: `/api/courses/${hlCourse}/contents`, expected: signedInOnly(404) },
  ],
  '/api/people/[id]': () => [
    { method: 'GET', path: `/api/people/${NOT_THERE}`, expected: signedInOnly(403) },
    {
      method: 'DELETE',
      path: `/api/people/${NOT_THERE}`,
      body: { email: 'x@x.example' },
      expected: signedInOnly(403),
    },
  ],
  '/api/entries/shift': () => [
    {
      method: 'POST',
      path: '/api/entries/shift',
      body: { days: 1, items: [{ id: hlEntry }] },
      expected: signedInOnly(404),
    },
  ],
  '/api/entries/bulk': () => [
    {
      method: 'POST',
      path: '/api/entries/bulk',
      body: { act: 'delete', ids: [hlEntry] },
      expected: signedInOnly(404),
    },
  ],
  '/api/entries/[id]/cancel': () => [
    {
      method: 'PUT',
      path: `/api/entries/${hlEntry}/cancel`,
      body: { reason: '' },
      expected: signedInOnly(404),
    },
  ],
  '/api/entries/[id]/copy': () => [
    { method: 'POST', path: `/api/entries/${hlEntry}/copy`, body: {}, expected: signedInOnly(404) },
  ],
  '/api/entries/[id]/dates': () => [
    {
      method: 'POST',
      path: `/api/entries/${hlEntry}/dates`,
      body: { field: 'setOn', days: 1 },
      expected: signedInOnly(404),
    },
  ],
  '/api/entries/[id]/history': () => [
    { method: 'GET', path: `/api/entries/${hlEntry}/history`, expected: signedInOnly(404) },
  ],
  '/api/entries/[id]/trust': () => [
    { method: 'GET', path: `/api/entries/${NOT_THERE}/trust`, expected: signedInOnly(404) },
  ],
  '/api/meetings/[id]/trust': () => [
    { method: 'GET', path: `/api/meetings/${NOT_THERE}/trust`, expected: signedInOnly(404) },
  ],
  '/api/courses/[id]/arrangements': () => [
    {
      method: 'PUT',
      path: `/api/courses/${hlCourse}/arrangements`,
      body: { person: NOT_THERE, days: 2 },
      expected: signedInOnly(404),
    },
  ],
  '/api/entries/[id]/line': () => [
    {
      method: 'PUT',
      path: `/api/entries/${hlEntry}/line`,
      body: { sequence: 0, title: 'X', on: '2026-10-16' },
      expected: signedInOnly(404),
    },
  ],
  '/api/entries/[id]/place': () => [
    {
      method: 'PUT',
      path: `/api/entries/${hlEntry}/place`,
      body: { start: '2026-10-15T10:00' },
      expected: signedInOnly(404),
    },
  ],
  // Half-breadth plan asks nobody whether they are coming.
  '/api/entries/[id]/reply': () => [
    {
      method: 'PUT',
      path: `/api/entries/${hlEntry}/reply`,
      body: { answer: 'coming' },
      expected: signedInOnly(404),
    },
  ],
  '/api/rooms': () => [
    { method: 'POST', path: '/api/rooms', body: { title: 'X' }, expected: signedInOnly(403) },
  ],
  '/api/meetings/[id]/plan': () => [
    {
      method: 'PUT',
      path: `/api/meetings/${NOT_THERE}/plan`,
      body: { title: 'X' },
      expected: signedInOnly(404),
    },
    { method: 'DELETE', path: `/api/meetings/${NOT_THERE}/plan`, expected: signedInOnly(404) },
  ],
  '/api/meetings/move-plans': () => [
    {
      method: 'POST',
      path: '/api/meetings/move-plans',
      body: { moves: [{ from: NOT_THERE, to: NOT_THERE }] },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/topics': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/topics`,
      body: { list: 'X', from: 1 },
      expected: signedInOnly(404),
    },
  ],
  '/api/tables/preview': () => [
    {
      method: 'POST',
      path: '/api/tables/preview',
      body: { text: 'Name,E-mail' },
      expected: signedInOnly(403),
    },
  ],
  '/api/tables/file': () => [
    { method: 'POST', path: '/api/tables/file', body: { file: NOT_THERE }, expected: signedInOnly(403) },
  ],
  '/api/tables': () => [
    { method: 'POST', path: '/api/tables', body: { text: 'Name,E-mail' }, expected: signedInOnly(403) },
  ],
  '/api/courses/[id]/schedule/preview': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/schedule/preview`,
      body: { text: 'Oct 20: X' },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/schedule/file': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/schedule/file`,
      body: { file: NOT_THERE },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/schedule': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/schedule`,
      body: { lines: [{ kind: 'topic', title: 'X', date: '2026-10-20' }] },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/messages/preview': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/messages/preview`,
      body: {},
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/messages': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/messages`,
      body: { subject: 'Gloves', text: 'Bring some.' },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/topics/preview': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/topics/preview`,
      body: { list: 'X', from: 1 },
      expected: signedInOnly(404),
    },
  ],
  '/api/history/[id]': () => [
    { method: 'GET', path: `/api/history/${NOT_THERE}`, expected: signedInOnly(404) },
  ],
  '/api/history/[id]/tell': () => [
    { method: 'POST', path: `/api/history/${NOT_THERE}/tell`, expected: signedInOnly(404) },
    { method: 'DELETE', path: `/api/history/${NOT_THERE}/tell`, expected: signedInOnly(404) },
  ],
  '/api/entries/[id]/shift': () => [
    {
      method: 'POST',
      path: `/api/entries/${hlEntry}/shift`,
      body: { days: 1 },
      expected: signedInOnly(404),
    },
  ],
  '/api/slots/[id]': () => [
    { method: 'GET', path: `/api/slots/${NOT_THERE}`, expected: signedInOnly(404) },
    { method: 'DELETE', path: `/api/slots/${hlSlot}`, expected: signedInOnly(404) },
  ],
  '/api/closures': () => [
    { method: 'GET', path: '/api/closures', expected: signedInOnly(200) },
    { method: 'POST', path: '/api/closures', body: closure(), expected: signedInOnly(403) },
    {
      method: 'POST',
      path: '/api/closures',
      body: { ...closure(), course: hlCourse },
      expected: signedInOnly(403),
    },
  ],
  '/api/away': () => [
    {
      method: 'POST',
      path: '/api/away',
      body: { from: '2026-12-24', to: '2026-12-24' },
      expected: signedInOnly(403),
    },
  ],
  '/api/away/hits': () => [
    {
      method: 'POST',
      path: '/api/away/hits',
      body: { from: '2026-12-24', to: '2026-12-24' },
      expected: signedInOnly(403),
    },
  ],
  '/api/closures/hits': () => [
    { method: 'POST', path: '/api/closures/hits', body: closure(), expected: signedInOnly(403) },
    {
      method: 'POST',
      path: '/api/closures/hits',
      body: { ...closure(), course: hlCourse },
      expected: signedInOnly(403),
    },
  ],
  // Pages of whoever comes from a course's site: without a launch there is nothing to go on with.
  '/lti/join': () => [{ method: 'GET', path: '/lti/join?arrival=x', expected: all(200) }],
  '/lti/over': () => [{ method: 'GET', path: '/lti/over', expected: all(200) }],
  '/lti/elsewhere': () => [{ method: 'GET', path: '/lti/elsewhere?to=/account', expected: all(200) }],
  '/lti/link/[id]': () => [{ method: 'GET', path: `/lti/link/${NOT_THERE}`, expected: page() }],
  '/lti/place/[id]': () => [{ method: 'GET', path: `/lti/place/${NOT_THERE}`, expected: page() }],
  '/api/lti/join': () => [
    { method: 'POST', path: '/api/lti/join', body: {}, expected: all(400) },
    {
      method: 'POST',
      path: '/api/lti/join',
      body: { arrival: 'x'.repeat(16) },
      expected: { nobody: 403, stranger: 410, student: 410 },
    },
  ],
  '/api/lti/enter': () => [
    { method: 'POST', path: '/api/lti/enter', body: { arrival: 'x'.repeat(16) }, expected: all(410) },
  ],
  '/api/lti/placings/[id]': () => [
    { method: 'POST', path: `/api/lti/placings/${NOT_THERE}`, body: {}, expected: signedInOnly(410) },
  ],
  '/api/lti/links/[id]': () => [
    {
      method: 'POST',
      path: `/api/lti/links/${NOT_THERE}`,
      body: { course: hlCourse },
      expected: signedInOnly(410),
    },
  ],
  '/api/lti/contexts/[id]': () => [
    { method: 'DELETE', path: `/api/lti/contexts/${NOT_THERE}`, expected: signedInOnly(404) },
  ],
  '/api/lti/contexts/[id]/members': () => [
    { method: 'GET', path: `/api/lti/contexts/${NOT_THERE}/members`, expected: signedInOnly(404) },
    { method: 'POST', path: `/api/lti/contexts/${NOT_THERE}/members`, body: {}, expected: signedInOnly(404) },
  ],
  '/api/lti/contexts/[id]/following': () => [
    {
      method: 'PUT',
      path: `/api/lti/contexts/${NOT_THERE}/following`,
      body: { follows: true },
      expected: signedInOnly(404),
    },
  ],
  '/api/lti/platforms': () => [
    { method: 'GET', path: '/api/lti/platforms', expected: signedInOnly(403) },
    { method: 'POST', path: '/api/lti/platforms', body: site, expected: signedInOnly(403) },
  ],
  '/api/lti/platforms/[id]': () => [
    { method: 'PUT', path: `/api/lti/platforms/${NOT_THERE}`, body: site, expected: signedInOnly(403) },
    { method: 'DELETE', path: `/api/lti/platforms/${NOT_THERE}`, expected: signedInOnly(403) },
  ],
  '/api/lti/platforms/[id]/acceptance': () => [
    { method: 'PUT', path: `/api/lti/platforms/${NOT_THERE}/acceptance`, expected: signedInOnly(403) },
  ],
  '/api/lti/registrations': () => [
    { method: 'POST', path: '/api/lti/registrations', expected: signedInOnly(403) },
  ],
  '/api/account/course-sites/[id]': () => [
    { method: 'DELETE', path: `/api/account/course-sites/${NOT_THERE}`, expected: signedInOnly(404) },
  ],
  '/api/webhooks': () => [
    { method: 'GET', path: '/api/webhooks', expected: signedInOnly(200) },
    {
      method: 'POST',
      path: '/api/webhooks',
      body: { token: NOT_THERE, url: 'https://x.example/' },
      expected: signedInOnly(404),
    },
  ],
  '/api/webhooks/[id]': () => [
    { method: 'DELETE', path: `/api/webhooks/${NOT_THERE}`, expected: signedInOnly(404) },
  ],
  '/api/webhooks/[id]/test': () => [
    { method: 'POST', path: `/api/webhooks/${NOT_THERE}/test`, expected: signedInOnly(404) },
  ],
  '/api/webhooks/[id]/approval': () => [
    { method: 'PUT', path: `/api/webhooks/${NOT_THERE}/approval`, expected: signedInOnly(404) },
  ],
  '/api/webhooks/[id]/resumption': () => [
    { method: 'PUT', path: `/api/webhooks/${NOT_THERE}/resumption`, expected: signedInOnly(404) },
  ],
  '/api/class-plans/[id]': () => [
    { method: 'GET', path: `/api/class-plans/${NOT_THERE}`, expected: signedInOnly(404) },
  ],
  '/api/closures/[id]': () => [
    { method: 'GET', path: `/api/closures/${NOT_THERE}`, expected: signedInOnly(404) },
    { method: 'DELETE', path: `/api/closures/${NOT_THERE}`, expected: signedInOnly(404) },
  ],
  '/api/courses': () => [
    { method: 'GET', path: '/api/courses', expected: signedInOnly(200) },
    { method: 'POST', path: '/api/courses', body: newCourse, expected: signedInOnly(403) },
  ],
  '/api/courses/[id]': () => [
    { method: 'GET', path: `/api/courses/${NOT_THERE}`, expected: signedInOnly(404) },
    { method: 'PUT', path: `/api/courses/${hlCourse}`, body: courseFacts, expected: signedInOnly(404) },
    { method: 'PUT', path: `/api/courses/${NOT_THERE}`, body: courseFacts, expected: signedInOnly(404) },
    { method: 'DELETE', path: `/api/courses/${hlCourse}`, expected: signedInOnly(404) },
  ],
  '/api/courses/[id]/sections': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/sections`,
      body: { name: 'Z', week: '' },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/roster': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/roster`,
      body: { list: 'X,x@x.example' },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/roster/preview': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/roster/preview`,
      body: { list: '' },
      expected: signedInOnly(404),
    },
  ],
  '/load': () => [{ method: 'GET', path: '/load', expected: page(307) }],
  '/api/load/days': () => [
    { method: 'GET', path: `/api/load/days?course=${hlCourse}`, expected: signedInOnly(404) },
  ],
  '/api/load/spread': () => [
    {
      method: 'POST',
      path: '/api/load/spread',
      body: { course: hlCourse, entries: [hlEntry], earliest: '2026-10-15', latest: '2026-12-01' },
      expected: signedInOnly(404),
    },
  ],
  '/carry-over': () => [{ method: 'GET', path: '/carry-over', expected: page(404) }],
  '/api/school-sign-in': () => [
    { method: 'GET', path: '/api/school-sign-in?to=//elsewhere.example', expected: all(303) },
  ],
  '/api/school-sign-in/callback': () => [
    { method: 'GET', path: '/api/school-sign-in/callback?code=x&state=y', expected: all(303) },
  ],
  '/accessibility': () => [{ method: 'GET', path: '/accessibility', expected: all(200) }],
  '/forgotten': () => [{ method: 'GET', path: '/forgotten', expected: all(200) }],
  '/api/password-reset': () => [
    {
      method: 'POST',
      path: '/api/password-reset',
      body: { email: 'nobody@kittiwake.example' },
      expected: all(200),
    },
  ],
  '/api/account/password': () => [
    {
      method: 'PUT',
      path: '/api/account/password',
      body: { current: 'wrong', password: 'battens and a sheer' },
      expected: signedInOnly(400),
    },
  ],
  '/api/account/second-step': () => [
    { method: 'POST', path: '/api/account/second-step', expected: signedInOnly(403) },
    { method: 'PUT', path: '/api/account/second-step', body: { code: '1' }, expected: all(401) },
    { method: 'DELETE', path: '/api/account/second-step', body: { code: '1' }, expected: all(401) },
  ],
  '/api/courses/[id]/plan': () => [
    { method: 'GET', path: `/api/courses/${hlCourse}/plan`, expected: signedInOnly(404) },
    { method: 'GET', path: `/api/courses/${hlCourse}/plan?outline=1`, expected: signedInOnly(404) },
  ],
  '/api/courses/[id]/cartridge': () => [
    { method: 'GET', path: `/api/courses/${hlCourse}/cartridge`, expected: signedInOnly(404) },
  ],
  '/api/terms/[id]/contents': () => [
    { method: 'GET', path: `/api/terms/${NOT_THERE}/contents`, expected: signedInOnly(403) },
  ],
  '/api/terms/[id]/plan': () => [
    { method: 'GET', path: `/api/terms/${NOT_THERE}/plan`, expected: signedInOnly(404) },
  ],
  '/api/plans': () => [
    {
      method: 'POST',
      path: '/api/plans',
      body: { file: NOT_THERE, instructor: NOT_THERE },
      expected: signedInOnly(403),
    },
  ],
  '/api/plans/preview': () => [
    { method: 'POST', path: '/api/plans/preview', body: { file: openFile }, expected: signedInOnly(404) },
  ],
  '/api/plan-schema': () => [{ method: 'GET', path: '/api/plan-schema', expected: all(200) }],
  '/api/openapi.json': () => [{ method: 'GET', path: '/api/openapi.json', expected: all(200) }],
  '/api/carry-over': () => [
    {
      method: 'POST',
      path: '/api/carry-over',
      body: { from: hlCourse, to: NOT_THERE },
      expected: signedInOnly(404),
    },
  ],
  '/api/carry-over/preview': () => [
    {
      method: 'POST',
      path: '/api/carry-over/preview',
      body: { from: hlCourse, to: NOT_THERE },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/roster/package': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/roster/package`,
      body: { file: NOT_THERE },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/roster/package/preview': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/roster/package/preview`,
      body: { file: openFile },
      expected: signedInOnly(404),
    },
  ],
  '/api/sections/[id]/merge': () => [
    { method: 'POST', path: `/api/sections/${NOT_THERE}/merge`, body: { into: NOT_THERE }, expected: signedInOnly(404) }, // prettier-ignore
  ],
  '/api/sections/[id]/merge/preview': () => [
    { method: 'POST', path: `/api/sections/${NOT_THERE}/merge/preview`, body: { into: NOT_THERE }, expected: signedInOnly(404) }, // prettier-ignore
  ],
  '/api/courses/[id]/roster/move': () => [
    { method: 'POST', path: `/api/courses/${hlCourse}/roster/move`, body: { people: [NOT_THERE] }, expected: signedInOnly(404) }, // prettier-ignore
  ],
  '/api/courses/[id]/roster/move/preview': () => [
    { method: 'POST', path: `/api/courses/${hlCourse}/roster/move/preview`, body: { people: [NOT_THERE] }, expected: signedInOnly(404) }, // prettier-ignore
  ],
  '/api/courses/[id]/roster/letters': () => [
    { method: 'POST', path: `/api/courses/${hlCourse}/roster/letters`, body: { people: [NOT_THERE] }, expected: signedInOnly(404) }, // prettier-ignore
  ],
  '/api/courses/[id]/roster/extensions': () => [
    { method: 'POST', path: `/api/courses/${hlCourse}/roster/extensions`, body: { people: [NOT_THERE], days: 7 }, expected: signedInOnly(404) }, // prettier-ignore
  ],
  '/api/courses/[id]/staff': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/staff`,
      body: { email: 'ivo@kittiwake.example' },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/staff/[person]': () => [
    { method: 'DELETE', path: `/api/courses/${hlCourse}/staff/${NOT_THERE}`, expected: signedInOnly(404) },
  ],
  '/api/courses/[id]/staff/[person]/hand-over': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/staff/${NOT_THERE}/hand-over`,
      body: { to: NOT_THERE },
      expected: signedInOnly(404),
    },
  ],
  '/api/people/[id]/administrator': () => [
    {
      method: 'PUT',
      path: `/api/people/${NOT_THERE}/administrator`,
      body: { administrator: true },
      expected: signedInOnly(403),
    },
  ],
  '/api/people/[id]/active': () => [
    {
      method: 'PUT',
      path: `/api/people/${NOT_THERE}/active`,
      body: { active: false },
      expected: signedInOnly(403),
    },
  ],
  '/api/people/[id]/second-step': () => [
    { method: 'DELETE', path: `/api/people/${NOT_THERE}/second-step`, expected: signedInOnly(403) },
  ],
  '/api/corrections/[id]': () => [
    {
      method: 'PUT',
      path: `/api/corrections/${NOT_THERE}`,
      body: { take: true },
      expected: signedInOnly(403),
    },
  ],
  '/api/offered-places/[id]': () => [
    {
      method: 'PUT',
      path: `/api/offered-places/${NOT_THERE}`,
      body: { accept: true },
      expected: signedInOnly(404),
    },
  ],
  '/api/account/devices': () => [
    { method: 'GET', path: '/api/account/devices', expected: signedInOnly(200) },
    { method: 'POST', path: '/api/account/devices', body: { endpoint: 'no' }, expected: signedInOnly(400) },
  ],
  '/api/account/devices/[id]': () => [
    { method: 'DELETE', path: `/api/account/devices/${NOT_THERE}`, expected: signedInOnly(404) },
  ],
  '/api/account/school-sign-in': () => [
    { method: 'GET', path: '/api/account/school-sign-in', expected: signedInOnly(303) },
  ],
  '/api/account/school-sign-in/[id]': () => [
    { method: 'DELETE', path: `/api/account/school-sign-in/${NOT_THERE}`, expected: signedInOnly(404) },
  ],
  '/api/rosters': () => [
    { method: 'GET', path: '/api/rosters', expected: signedInOnly(404) },
    { method: 'POST', path: '/api/rosters', body: {}, expected: signedInOnly(404) },
  ],
  '/api/commands/rosters': () => [
    {
      method: 'POST',
      path: '/api/commands/rosters',
      body: { folder: '/', until: 4_000_000_000_000 },
      expected: all(404),
    },
  ],
  '/api/commands/admin': () => [
    {
      method: 'POST',
      path: '/api/commands/admin',
      body: { email: 'ivo@kittiwake.example', until: 4_000_000_000_000 },
      expected: all(404),
    },
  ],
  '/api/sections/[id]': () => [
    { method: 'GET', path: `/api/sections/${NOT_THERE}`, expected: signedInOnly(404) },
    {
      method: 'PUT',
      path: `/api/sections/${NOT_THERE}`,
      body: { name: 'A' },
      expected: signedInOnly(404),
    },
  ],
  '/api/sections/[id]/rooms': () => [
    {
      method: 'PUT',
      path: `/api/sections/${NOT_THERE}/rooms`,
      body: { from: '2026-10-20' },
      expected: signedInOnly(404),
    },
  ],
  '/api/sections/[id]/classes': () => [
    {
      method: 'POST',
      path: `/api/sections/${NOT_THERE}/classes`,
      body: { date: '2026-10-20', start: '10:00', end: '11:00' },
      expected: signedInOnly(404),
    },
  ],
  '/api/sections/[id]/classes/[extra]': () => [
    {
      method: 'DELETE',
      path: `/api/sections/${NOT_THERE}/classes/${NOT_THERE}`,
      expected: signedInOnly(404),
    },
  ],
  '/api/sections/[id]/pattern': () => [
    {
      method: 'PUT',
      path: `/api/sections/${NOT_THERE}/pattern`,
      body: { from: '2026-10-20', week: '' },
      expected: signedInOnly(404),
    },
  ],
  '/api/sections/[id]/plans/[plan]': () => [
    {
      method: 'PUT',
      path: `/api/sections/${NOT_THERE}/plans/${NOT_THERE}`,
      body: {},
      expected: signedInOnly(404),
    },
  ],
  '/api/meetings/[id]': () => [
    { method: 'GET', path: `/api/meetings/${NOT_THERE}`, expected: signedInOnly(404) },
    {
      method: 'PUT',
      path: `/api/meetings/${NOT_THERE}`,
      body: { act: 'cancel' },
      expected: signedInOnly(404),
    },
  ],
  '/api/people': () => [
    {
      method: 'POST',
      path: '/api/people',
      body: { name: 'X', email: 'x@x.example' },
      expected: signedInOnly(403),
    },
    { method: 'GET', path: '/api/people?q=x', expected: signedInOnly(403) },
  ],
  '/api/people/[id]/invitation': () => [
    { method: 'POST', path: `/api/people/${NOT_THERE}/invitation`, expected: signedInOnly(403) },
  ],
  '/materials': () => [
    { method: 'GET', path: '/materials', expected: page() },
    {
      method: 'GET',
      path: '/materials?course=HL%20210',
      expected: { nobody: 307, stranger: 404, student: 200 },
    },
  ],
  '/m/[id]': () => [
    { method: 'GET', path: `/m/${NOT_THERE}`, expected: page(404) },
    { method: 'GET', path: '/m/nothing', expected: page(404) },
    { method: 'GET', path: `/m/${hiddenMaterial}`, expected: page(404) },
  ],
  '/f/[id]': () => [
    { method: 'GET', path: `/f/${NOT_THERE}`, expected: page(404) },
    { method: 'GET', path: '/f/nothing', expected: page(404) },
    { method: 'GET', path: `/f/${hiddenFile}`, expected: page(404) },
    { method: 'GET', path: `/f/${openFile}`, expected: { nobody: 307, stranger: 404, student: 200 } },
  ],
  '/day': () => [
    { method: 'GET', path: '/day?from=2026-10-12&to=2026-10-13', expected: page(307) },
    { method: 'GET', path: '/day?from=x', expected: all(404) },
  ],
  '/api/files': () => [
    { method: 'POST', path: '/api/files?name=a.txt', body: 'x', expected: signedInOnly(403) },
  ],
  '/api/courses/[id]/links': () => [
    { method: 'POST', path: `/api/courses/${hlCourse}/links`, body: {}, expected: signedInOnly(404) },
  ],
  '/api/links/test': () => [
    {
      method: 'POST',
      path: '/api/links/test',
      body: { url: 'https://library.example/' },
      expected: signedInOnly(403),
    },
  ],
  '/api/courses/[id]/materials/package': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/materials/package`,
      body: { file: hiddenFile },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/materials/package/preview': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/materials/package/preview`,
      body: { file: hiddenFile },
      expected: signedInOnly(404),
    },
  ],
  '/api/materials/[id]/classes': () => [
    {
      method: 'POST',
      path: `/api/materials/${hiddenMaterial}/classes`,
      body: { from: '2026-10-13' },
      expected: signedInOnly(404),
    },
  ],
  '/api/materials/[id]/classes/preview': () => [
    {
      method: 'POST',
      path: `/api/materials/${hiddenMaterial}/classes/preview`,
      body: { from: '2026-10-13' },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/materials': () => [
    {
      method: 'GET',
      path: `/api/courses/${hlCourse}/materials`,
      expected: { nobody: 401, stranger: 404, student: 200 },
    },
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/materials`,
      body: { kind: 'unit', title: 'X' },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/materials/preview': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/materials/preview`,
      body: { list: 'X' },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/materials/list': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/materials/list`,
      body: { list: 'X' },
      expected: signedInOnly(404),
    },
  ],
  '/api/materials/[id]': () => [
    { method: 'GET', path: `/api/materials/${NOT_THERE}`, expected: signedInOnly(404) },
    { method: 'PUT', path: `/api/materials/${NOT_THERE}`, body: { title: 'X' }, expected: signedInOnly(404) },
    { method: 'DELETE', path: `/api/materials/${NOT_THERE}`, expected: signedInOnly(404) },
  ],
  '/api/materials/[id]/place': () => [
    { method: 'PUT', path: `/api/materials/${NOT_THERE}/place`, body: {}, expected: signedInOnly(404) },
  ],
  '/checks': () => [{ method: 'GET', path: '/checks', expected: page(307) }],
  '/api/checks/dismissals': () => [
    { method: 'POST', path: '/api/checks/dismissals', body: { key: 'x' }, expected: signedInOnly(404) },
  ],
  '/api/checks/dismissals/[id]': () => [
    { method: 'DELETE', path: `/api/checks/dismissals/${NOT_THERE}`, expected: signedInOnly(404) },
  ],
  '/api/checks/preview': () => [
    {
      method: 'POST',
      path: '/api/checks/preview',
      body: { entry: entryBody(hlCourse) },
      expected: signedInOnly(403),
    },
  ],
  '/api/quick-line': () => [
    { method: 'GET', path: '/api/quick-line?line=quiz', expected: signedInOnly(200) },
  ],
  '/api/courses/[id]/waiting-plans': () => [
    { method: 'POST', path: `/api/courses/${hlCourse}/waiting-plans`, expected: signedInOnly(404) },
  ],
  '/api/courses/[id]/slide': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/slide`,
      body: { act: 'later', plan: NOT_THERE },
      expected: signedInOnly(404),
    },
  ],
  '/api/courses/[id]/slide/preview': () => [
    {
      method: 'POST',
      path: `/api/courses/${hlCourse}/slide/preview`,
      body: { act: 'later', plan: NOT_THERE },
      expected: signedInOnly(404),
    },
  ],
  '/api/occurrences': () => [
    { method: 'GET', path: '/api/occurrences?from=2026-10-01&to=2026-10-31', expected: signedInOnly(200) },
  ],
  '/api/entries': () => [
    { method: 'GET', path: '/api/entries', expected: signedInOnly(200) },
    { method: 'POST', path: '/api/entries', body: entryBody(hlCourse), expected: signedInOnly(403) },
    { method: 'POST', path: '/api/entries', body: entryBody(NOT_THERE), expected: signedInOnly(403) },
  ],
  '/api/entries/[id]': () => [
    {
      method: 'GET',
      path: `/api/entries/${hlEntry}`,
      expected: { nobody: 401, stranger: 404, student: 200 },
    },
    { method: 'GET', path: `/api/entries/${NOT_THERE}`, expected: signedInOnly(404) },
    {
      method: 'PUT',
      path: `/api/entries/${hlEntry}`,
      body: { sequence: 0, entry: entryBody(hlCourse) },
      expected: signedInOnly(404),
    },
    {
      method: 'PUT',
      path: `/api/entries/${NOT_THERE}`,
      body: { sequence: 0, entry: entryBody(hlCourse) },
      expected: signedInOnly(404),
    },
    { method: 'DELETE', path: `/api/entries/${hlEntry}`, expected: signedInOnly(404) },
    { method: 'DELETE', path: '/api/entries/nothing', expected: signedInOnly(404) },
  ],
  '/api/sections': () => [{ method: 'GET', path: '/api/sections', expected: signedInOnly(200) }],
  '/api/meetings': () => [{ method: 'GET', path: '/api/meetings', expected: signedInOnly(200) }],
  '/api/class-plans': () => [{ method: 'GET', path: '/api/class-plans', expected: signedInOnly(200) }],
  '/api/materials': () => [{ method: 'GET', path: '/api/materials', expected: signedInOnly(200) }],
  '/api/slots': () => [{ method: 'GET', path: '/api/slots', expected: signedInOnly(200) }],
  '/api/bookings': () => [{ method: 'GET', path: '/api/bookings', expected: signedInOnly(200) }],
  '/api/outlets': () => [
    { method: 'GET', path: '/api/outlets', expected: signedInOnly(200) },
    {
      method: 'POST',
      path: '/api/outlets',
      body: outletBody(),
      expected: signedInOnly(403),
    },
  ],
  '/api/sheets': () => [
    { method: 'GET', path: '/api/sheets', expected: signedInOnly(200) },
    {
      method: 'POST',
      path: '/api/sheets',
      body: {
        title: 'X',
        audience: [{ course: hlCourse }],
        offering: { stretches: [{ date: '2026-11-20', start: '10:00', end: '12:00' }], length: 30 },
      },
      expected: signedInOnly(403),
    },
  ],
  '/office-hours/[id]': () => [
    { method: 'GET', path: `/office-hours/${NOT_THERE}`, expected: page(404) },
    {
      method: 'GET',
      path: `/office-hours/${hlSheet}`,
      expected: { nobody: 307, stranger: 404, student: 307 },
    },
  ],
  '/office-hours/[id]/change': () => [
    { method: 'GET', path: `/office-hours/${hlSheet}/change`, expected: page(404) },
  ],
  '/s/[id]': () => [
    { method: 'GET', path: `/s/${NOT_THERE}`, expected: { nobody: 200, stranger: 404, student: 404 } },
    { method: 'GET', path: `/s/${hlSheet}`, expected: { nobody: 200, stranger: 404, student: 200 } },
    { method: 'GET', path: `/s/${hlSheet}?link=x`, expected: { nobody: 200, stranger: 404, student: 200 } },
  ],
  '/api/days': () => [{ method: 'GET', path: '/api/days', expected: signedInOnly(200) }],
  '/api/kept': () => [{ method: 'GET', path: '/api/kept', expected: signedInOnly(200) }],
  '/api/version': () => [{ method: 'GET', path: '/api/version', expected: signedInOnly(200) }],
  '/api/sheets/[id]': () => [
    { method: 'GET', path: `/api/sheets/${NOT_THERE}`, expected: signedInOnly(404) },
    {
      method: 'PUT',
      path: `/api/sheets/${hlSheet}`,
      body: { title: 'X', audience: [{ course: hlCourse }] },
      expected: signedInOnly(404),
    },
    { method: 'DELETE', path: `/api/sheets/${hlSheet}`, expected: signedInOnly(404) },
  ],
  '/api/sheets/[id]/times': () => [
    { method: 'PUT', path: `/api/sheets/${hlSheet}/times`, body: { offering }, expected: signedInOnly(404) },
  ],
  '/api/sheets/[id]/times/preview': () => [
    {
      method: 'POST',
      path: `/api/sheets/${hlSheet}/times/preview`,
      body: { offering },
      expected: signedInOnly(404),
    },
  ],
  '/api/sheets/[id]/slots': () => [
    {
      method: 'POST',
      path: `/api/sheets/${hlSheet}/slots`,
      body: { start: '2026-11-20T10:00', end: '2026-11-20T10:30' },
      expected: signedInOnly(404),
    },
  ],
  '/api/sheets/[id]/cancel': () => [
    {
      method: 'POST',
      path: `/api/sheets/${hlSheet}/cancel`,
      body: { from: '2026-11-20' },
      expected: signedInOnly(404),
    },
  ],
  '/api/sheets/[id]/message': () => [
    {
      method: 'POST',
      path: `/api/sheets/${hlSheet}/message`,
      body: { text: 'X' },
      expected: signedInOnly(404),
    },
  ],
  '/api/sheets/[id]/host': () => [
    {
      method: 'PUT',
      path: `/api/sheets/${hlSheet}/host`,
      body: { date: '2026-11-20', host: NOT_THERE },
      expected: signedInOnly(404),
    },
  ],
  // Whoever asks for a link gets the same answer: who is on a roster is nobody else's business.
  '/api/sheets/[id]/link': () => [
    {
      method: 'POST',
      path: `/api/sheets/${hlSheet}/link`,
      body: { email: 'nobody@x.example' },
      expected: all(200),
    },
    {
      method: 'POST',
      path: `/api/sheets/${NOT_THERE}/link`,
      body: { email: 'nobody@x.example' },
      expected: all(200),
    },
  ],
  '/api/sheets/[id]/session': () => [
    { method: 'POST', path: `/api/sheets/${hlSheet}/session`, body: { link: 'x' }, expected: all(410) },
  ],
  '/api/slots/[id]/waiting': () => [
    { method: 'POST', path: `/api/slots/${hlSlot}/waiting`, expected: signedInOnly(404) },
    { method: 'DELETE', path: `/api/slots/${hlSlot}/waiting`, expected: signedInOnly(404) },
  ],
  '/api/slots/[id]/students': () => [
    {
      method: 'POST',
      path: `/api/slots/${hlSlot}/students`,
      body: { person: NOT_THERE },
      expected: signedInOnly(404),
    },
  ],
  '/api/bookings/[id]/slot': () => [
    {
      method: 'PUT',
      path: `/api/bookings/${foreignBooking}/slot`,
      body: { slot: NOT_THERE },
      expected: signedInOnly(404),
    },
  ],
  '/api/bookings/[id]/came': () => [
    {
      method: 'PUT',
      path: `/api/bookings/${foreignBooking}/came`,
      body: { came: true },
      expected: signedInOnly(404),
    },
  ],
  '/api/slots/[id]/booking': () => [
    { method: 'POST', path: `/api/slots/${hlSlot}/booking`, body: {}, expected: signedInOnly(404) },
  ],
  '/api/bookings/[id]': () => [
    { method: 'GET', path: `/api/bookings/${NOT_THERE}`, expected: signedInOnly(404) },
    { method: 'DELETE', path: `/api/bookings/${foreignBooking}`, expected: signedInOnly(404) },
  ],
  '/api/history/[id]/undo': () => [
    { method: 'POST', path: `/api/history/${NOT_THERE}/undo`, expected: signedInOnly(404) },
  ],
};

test('every route of the build is classified, and none that is not there', () => {
  expect(Object.keys(CHECKS).sort()).toEqual(routes);
});

describe.each(routes.filter((route) => CHECKS[route]))('%s', (route) => {
  test.each(['nobody', 'stranger', 'student'] as const)('as %s', async (who) => {
    for (const { method, path, body, expected } of CHECKS[route]!()) {
      // Signing out ends the session that the other checks need: a fresh one is spent on it.
      const api =
        path.startsWith('/api/session') && method === 'DELETE' && who !== 'nobody'
          ? await signedIn(base, 'oda@kittiwake.example')
          : people[who]!;
      const answer = await api.call(method, path, body);
      expect(`${method} ${path} as ${who}: ${answer.status}`).toBe(
        `${method} ${path} as ${who}: ${expected[who]}`,
      );
      if (answer.status >= 400 && path.startsWith('/api/'))
        expect(answer.headers.get('content-type')).toContain('application/problem+json');
    }
  });
});

test('a page about one thing is called after it, and by its general name for whoever does not see it', async () => {
  const titleOf = async (who: Who, path: string) =>
    /<title>([^<]*)<\/title>/.exec(await (await people[who]!.call('GET', path)).text())?.[1];
  const general = await titleOf('stranger', `/e/${hlEntry}`);
  const own = await titleOf('student', `/e/${hlEntry}`);
  expect(own).not.toBe(general);
  expect(await titleOf('student', `/class/${hlClass}`)).toMatch(/^HL .+ · Pembit$/);
  expect(await titleOf('stranger', `/class/${hlClass}`)).not.toMatch(/^HL/);
  expect(await titleOf('student', '/day/2026-10-15')).toBe('Thursday, 15 October 2026 · Pembit');
});

test('the description of the API is true of the routes that run', async () => {
  const nobody = anonymous(base);
  const { paths } = (await (await nobody.call('GET', '/api/openapi.json')).json()) as {
    paths: Record<string, Record<string, { security: object[] }>>;
  };
  const described = Object.keys(paths).map((path) => path.replace(/\{(\w+)\}/g, '[$1]'));
  expect(described.sort()).toEqual(routes.filter((route) => route.startsWith('/api/')));
  for (const [path, operations] of Object.entries(paths))
    for (const [method, { security }] of Object.entries(operations)) {
      const address = path.replace(/\{\w+\}/g, NOT_THERE);
      const body = method === 'get' || method === 'delete' ? undefined : {};
      const { status, headers } = await nobody.call(method.toUpperCase(), address, body);
      // The way to the school's sign-in and back is by redirects.
      if (status !== 303)
        expect(`${method} ${path}: ${headers.get('content-type')?.split(';')[0]}`).toMatch(/json$/);
      expect(`${method} ${path}: ${status === 401 || (path === '/api/session' && status === 400)}`).toBe(
        `${method} ${path}: ${security.length > 0 || path === '/api/session'}`,
      );
    }
});

test('a write with If-Match holds for the state that was seen alone', async () => {
  const maren = await signedIn(base, 'maren@kittiwake.example');
  const path = `/api/entries/${hlEntry}`;
  const seen = (await maren.call('GET', path)).headers.get('etag')!;
  const cancel = (body: object, tag: string) =>
    maren.call('PUT', `${path}/cancel`, body, { 'if-match': tag });
  const first = await cancel({ reason: 'Ice' }, `"other", ${seen}`);
  expect(first.status).toBe(200);
  const now = first.headers.get('etag')!;
  expect(now).not.toBe(seen);
  expect((await maren.call('GET', path)).headers.get('etag')).toBe(now);
  const outdated = await cancel({}, seen);
  expect(outdated.status).toBe(412);
  expect(outdated.headers.get('content-type')).toContain('application/problem+json');
  expect((await cancel({}, '*')).status).toBe(200);
  // What is not there, and what is not hers to see, are the same.
  const { stranger } = people;
  for (const id of [hlEntry, NOT_THERE])
    expect((await stranger!.call('DELETE', `/api/entries/${id}`, undefined, { 'if-match': '"x"' })).status).toBe(412); // prettier-ignore
});

test('a write from another site is refused, whoever is signed in', async () => {
  const maren = await signedIn(base, 'maren@kittiwake.example');
  const elsewhere: Record<string, string>[] = [
    { 'sec-fetch-site': 'cross-site' },
    { 'sec-fetch-site': 'same-site' },
    { origin: 'http://127.0.0.1:9' },
  ];
  for (const headers of elsewhere) {
    const answer = await maren.call('POST', '/api/entries', entryBody(hlCourse), headers);
    expect(answer.status).toBe(403);
  }
});

test('unknown and malformed addresses of outlets answer with a sentence', async () => {
  const nobody = anonymous(base);
  const token = 'x'.repeat(43);
  for (const path of [`/feeds/${token}.ics`, '/feeds/x.ics', '/feeds/']) {
    const answer = await nobody.call('GET', path);
    expect(answer.status).toBe(404);
    expect(await answer.text()).toContain('There is no calendar at this address');
  }
  for (const path of [
    `/embed/${token}`,
    '/embed/x',
    `/embed/${token}/e/nothing`,
    `/embed/${token}/day/2026-02-30`,
  ]) {
    const answer = await nobody.call('GET', path);
    expect(answer.status).toBe(404);
    expect(answer.headers.get('content-security-policy')).toContain('frame-ancestors *');
    expect(await answer.text()).toContain('This calendar is not here any more');
  }
  expect((await nobody.call('POST', `/feeds/${token}.ics`)).status).toBe(405);
});

test('pages cannot be framed and carry a script policy with a nonce', async () => {
  const answer = await anonymous(base).call('GET', '/sign-in');
  const policy = answer.headers.get('content-security-policy')!;
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+'/);
  expect(policy).not.toMatch(/script-src[^;]*unsafe-inline/);
  expect(policy).toContain("frame-ancestors 'none'");
  const api = await anonymous(base).call('GET', '/api/health');
  expect(api.headers.get('content-security-policy')).toContain("frame-ancestors 'none'");
});

/** The status of a request whose target is sent as it stands, which fetch would tidy up. */
const rawStatus = (target: string): Promise<number | undefined> =>
  new Promise((resolve, reject) => {
    const { hostname, port } = new URL(base);
    request({ hostname, port, path: target, method: 'GET' }, (answer) => {
      answer.resume();
      resolve(answer.statusCode);
    })
      .once('error', reject)
      .end();
  });

test('request targets that are no addresses get a 4xx, and the server goes on', async () => {
  for (const target of [
    '//',
    '/%',
    '/%00',
    '/courses/%E0%A4%A',
    '/feeds/%',
    '/embed/../feeds/x',
    '/e/%ff',
    '*',
  ]) {
    const status = (await rawStatus(target)) ?? 0;
    expect(`${target} ${status >= 300 && status < 500}`).toBe(`${target} true`);
  }
  expect((await anonymous(base).call('GET', '/api/health')).status).toBe(200);
});

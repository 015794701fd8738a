import { beforeEach, describe, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool, withSectionB, workIn } from '../../../tests/support/school';
import type { EntryId } from '@/core/ids';
import { tokenInput } from '@/core/tokens/token';
import { cancelEntry } from '../entries/cancelEntry';
import { deleteEntry } from '../entries/deleteEntry';
import { planEntry } from '../entries/planEntry';
import { addClosure } from '../frame/closures';
import { closureInput } from '@/core/frame/frameInput';
import { tidy } from '../jobs/tidy';
import { moveStudents } from '../people/membership';
import { openSession, signedInBy } from '../session/session';
import type { SignedIn } from '../session/session';
import { bearerOf } from '../tokens/bearer';
import { endToken, makeToken } from '../tokens/tokens';
import { follow } from './follow';
import type { Happening } from './state';
import { happenedBetween, read, stateOf, written } from './state';

let school: School;
let one: SignedIn;
beforeEach(async () => {
  school = await newSchool();
  one = school.students[0]!;
  return () => school.close();
});

const HOUR = 3_600_000;
/** Asks as somebody is by then. */
const asOf = (who: SignedIn) => () => school.signedIn(who.person.id);
const from = async (who: SignedIn) => valueOf(await follow(school.pembit, { wait: 0 }, asOf(who))).next;
const since = async (who: SignedIn, after: string, wait = 0) => valueOf(await follow(school.pembit, { after, wait }, asOf(who))); // prettier-ignore
const words = (events: readonly Happening[]) => events.map(({ list, change }) => `${change} ${list}`).sort();
const plan = async (json: object = {}) => valueOf(await planEntry(school.pembit, school.instructor, workIn(school.course, json))); // prettier-ignore

describe('whoever follows is told', () => {
  test('what was planned, changed and taken away, by ids alone', async () => {
    const start = await from(one);
    const { id, uid } = await plan({ title: 'Half model' });
    const planned = await since(one, start);
    expect(planned.events).toEqual([{ list: 'entries', change: 'new', id, uid }]);
    expect(JSON.stringify(planned)).not.toContain('Half model');
    valueOf(await cancelEntry(school.pembit, school.instructor, id, { reason: 'Storm' }));
    const changed = await since(one, planned.next);
    expect(changed.events).toEqual([{ list: 'entries', change: 'changed', id, uid }]);
    valueOf(await deleteEntry(school.pembit, school.instructor, id as EntryId));
    expect((await since(one, changed.next)).events).toEqual([{ list: 'entries', change: 'gone', uid }]);
    // Whoever lost an answer asks again by the cursor before it.
    expect((await since(one, start)).events).toEqual([]);
  });

  test('what the clock shows', async () => {
    const { id } = await plan({ visibility: { kind: 'from', from: '2026-10-13T10:00' } });
    const start = await from(one);
    expect((await since(one, start)).events).toEqual([]);
    school.later(2 * HOUR);
    expect((await since(one, start)).events).toMatchObject([{ change: 'new', id }]);
  });

  test('what another section has, once they are in it', async () => {
    const b = await withSectionB(school);
    const mine = await plan({ title: 'For A', audience: [{ course: school.course, sections: [school.section] }] });
    const other = await plan({ title: 'For B', audience: [{ course: school.course, sections: [b] }] });
    const who = school.students[1]!;
    const start = await from(who);
    valueOf(await moveStudents(school.pembit, school.instructor, school.course, [who.person.id], { kind: 'section', section: b })); // prettier-ignore
    const { events } = await since(who, start);
    expect(events).toContainEqual({ list: 'entries', change: 'new', id: other.id, uid: other.uid });
    expect(events).toContainEqual({ list: 'entries', change: 'gone', uid: mine.uid });
  });

  test('what a closure takes away', async () => {
    await withSectionB(school);
    const start = await from(one);
    const closure = closureInput.parse({ term: school.term, course: school.course, name: 'Storm', firstDay: '2026-10-15', lastDay: '2026-10-15' });
    valueOf(await addClosure(school.pembit, school.instructor, closure));
    expect(words((await since(one, start)).events)).toEqual(expect.arrayContaining(['new closures', 'changed meetings']) as unknown);
  });
}); // prettier-ignore

test('an answer waits until something happens, no longer than was asked, and not while the process ends', async () => {
  const start = await from(one);
  const waiting = since(one, start, 30);
  const { id } = await plan();
  expect((await waiting).events).toMatchObject([{ id }]);
  const next = (await since(one, start)).next;
  expect(await since(one, next, 0.05)).toEqual({ events: [], next });
  const ended = since(one, next, 30);
  school.pembit.stop();
  expect(await ended).toEqual({ events: [], next });
});

test('a token is told of what it reads, and nothing once it is ended, though it waits', async () => {
  const maren = (await signedInBy(school.pembit, await openSession(school.pembit, school.instructor.person.id)))!;
  const made = async (scope: string) => valueOf(await makeToken(school.pembit, maren, tokenInput.parse({ name: 'T', scopes: [scope] }))); // prettier-ignore
  const [planning, hours] = [await made('read:plan'), await made('read:hours')];
  const by = (token: string) => async () => (await bearerOf(school.pembit, token, { write: false }))?.actor;
  const starts = await Promise.all([planning, hours].map(async ({ token }) => valueOf(await follow(school.pembit, { wait: 0 }, by(token))).next)); // prettier-ignore
  const waiting = follow(school.pembit, { after: starts[1]!, wait: 30 }, by(hours.token));
  await plan();
  expect(valueOf(await follow(school.pembit, { after: starts[0]!, wait: 0 }, by(planning.token))).events).toHaveLength(1); // prettier-ignore
  valueOf(await endToken(school.pembit, maren, hours.id));
  await plan({ title: 'Another' });
  expect(await waiting).toMatchObject({ ok: false, reason: 'notSignedIn' });
  // A cursor is one follower's own.
  expect(await follow(school.pembit, { after: starts[0]!, wait: 0 }, asOf(maren))).toMatchObject({ reason: 'cursorGone' });
}, 20_000); // prettier-ignore

test('a cursor is forgotten after a month, and says so', async () => {
  const start = await from(one);
  school.later(31 * 24 * HOUR);
  await tidy(school.pembit);
  expect(await follow(school.pembit, { after: start, wait: 0 }, asOf(one))).toMatchObject({
    reason: 'cursorGone',
  });
});

test('a state is read as it was written', () => {
  const state = stateOf([['terms', [{ id: 't', record: { name: 'T' } }]], ['entries', [{ id: 'e', uid: 'u', record: { a: 1 } }]]]); // prettier-ignore
  expect(read(written(state))).toEqual(state);
  expect(happenedBetween(state, new Map())).toEqual([
    { list: 'terms', change: 'gone', uid: 't' },
    { list: 'entries', change: 'gone', uid: 'u' },
  ]);
  expect(happenedBetween(new Map(), state)).toHaveLength(2);
});

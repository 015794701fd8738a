import { Temporal } from 'temporal-polyfill';
import { beforeEach, describe, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool, workIn } from '../../../tests/support/school';
import { guardianInput, guardianLettersInput } from '@/core/guardians/guardianInput';
import { NO_PERSON_SETTINGS } from '@/core/frame/personSettings';
import { NO_SETTINGS } from '@/core/frame/schoolSettings';
import type { Students } from '@/core/frame/students';
import type { Outcome } from '@/core/refusals';
import { select } from '@/data/database';
import { erasePerson } from '@/data/people/personalData';
import { recordChange } from '@/data/history/change';
import { writeSettings } from '@/data/plan/schoolSettings';
import { planEntry } from '../entries/planEntry';
import { tidy } from '../jobs/tidy';
import { unsubscribe } from '../mail/unsubscribe';
import { createOutletAnswerer } from '../outlets/answerOutlet';
import type { SignedIn } from '../session/session';
import { changeOwnSettings } from '../students/settings';
import {
  agreeToGuardian,
  guardianFeeds,
  endGuardianAddress,
  issueGuardian,
  managedGuardians,
  replaceGuardianAddress,
  writeMinor,
} from './issue';
import { confirmWeeks, sendWeeks, wishLetters } from './weeksByLetter';

let school: School;
let child: SignedIn, other: SignedIn, office: SignedIn;
beforeEach(async () => {
  school = await newSchool();
  [child, other] = school.students as [SignedIn, SignedIn];
  office = { ...school.stranger, person: { ...school.stranger.person, isAdmin: true } };
  valueOf(
    await planEntry(school.pembit, school.instructor, workIn(school.course, { due: '2026-10-22T17:00' })),
  );
  return () => school.close();
});

const students = (of: Students) =>
  recordChange(school.pembit.queue, { act: 'test', summary: '', actor: null, nowMs: 0 }, (change) =>
    writeSettings(change, { ...NO_SETTINGS, students: of }),
  );
const issue = (actor: SignedIn, json: object = {}) =>
  issueGuardian(school.pembit, actor, guardianInput.parse({ name: 'Gran', ...json }));
const reason = (outcome: Outcome<unknown>) => (outcome.ok ? 'done' : outcome.reason);
const managed = async (actor: SignedIn, of = child) =>
  valueOf(await managedGuardians(school.pembit, actor, of.person.id));
const pathOf = async (n = 0) => new URL((await managed(child)).items[n]!.page!).pathname;
const get = (path: string) =>
  createOutletAnswerer(school.pembit)({ method: 'GET', path, query: '', headers: {} });
const textOf = async (path: string) => String((await get(path)).body);
const feedOf = (page: string) => `/feeds/${page.slice('/g/'.length)}.ics`;

describe('an address', () => {
  test('of an adult is issued and ended by the student alone; the office may end it, and does not have it', async () => {
    const { pembit } = school;
    expect(await issue(office, { child: child.person.id })).toMatchObject({ reason: 'badRequest' });
    expect(reason(await issue(school.instructor, { child: child.person.id }))).toBe('notFound');
    expect(reason(await issue(school.instructor))).toBe('notFound');
    const { id } = valueOf(await issue(child));
    expect((await managed(office)).items[0]!.page).toBeUndefined();
    expect(reason(await managedGuardians(pembit, other, child.person.id))).toBe('notFound');
    expect(reason(await replaceGuardianAddress(pembit, office, id))).toBe('notFound');
    for (const act of [endGuardianAddress(pembit, other, id, {}), replaceGuardianAddress(pembit, other, id), agreeToGuardian(pembit, other, id)]) expect(reason(await act)).toBe('notFound'); // prettier-ignore
    expect(reason(await endGuardianAddress(pembit, office, id, {}))).toBe('done');
    expect((await managed(child)).items).toEqual([]);
  });

  test('of a minor is issued by the student or the office; whom the office bars gets none, and why stays there', async () => {
    const { pembit } = school;
    await students('minors');
    const { id } = valueOf(await issue(office, { child: child.person.id, name: 'Uncle' }));
    expect((await managed(child)).items).toMatchObject([{ name: 'Uncle', byOffice: true, state: 'open' }]);
    expect(reason(await endGuardianAddress(pembit, child, id, { bar: 'no' }))).toBe('notFound');
    valueOf(await endGuardianAddress(pembit, office, id, { bar: 'A court said so.' }));
    const refused = await issue(child, { name: ' uncle ' });
    expect(refused).toMatchObject({ reason: 'badRequest', fields: [{ field: 'name' }] });
    expect(JSON.stringify([refused, await managed(child)])).not.toContain('court');
    expect((await managed(office)).items).toMatchObject([{ barred: 'A court said so.', state: 'ended' }]);
    expect(reason(await issue(child, { name: 'Aunt' }))).toBe('done');
  });

  test('rests once the child is an adult, until the child agrees', async () => {
    await students('mixed');
    valueOf(await writeMinor(school.pembit, office, child.person.id, true));
    expect(reason(await writeMinor(school.pembit, child, child.person.id, false))).toBe('notFound');
    const { id } = valueOf(await issue(office, { child: child.person.id }));
    const page = await pathOf();
    expect(await textOf(page)).toContain('Half model');
    expect(reason(await agreeToGuardian(school.pembit, child, id))).toBe('notFound');
    valueOf(await writeMinor(school.pembit, office, child.person.id, false));
    expect((await get(page)).status).toBe(403);
    expect(await textOf(feedOf(page))).not.toContain('Half model');
    expect(reason(await agreeToGuardian(school.pembit, office, id))).toBe('notFound');
    valueOf(await agreeToGuardian(school.pembit, child, id));
    expect(await textOf(feedOf(page))).toContain('Half model');
  });

  test('answers 410 at once where it has ended, on the page and in the feed; another one leaves the others', async () => {
    const first = valueOf(await issue(child)).id;
    valueOf(await issue(child, { name: 'Dad' }));
    const [gran, dad] = [await pathOf(0), await pathOf(1)];
    valueOf(await replaceGuardianAddress(school.pembit, child, first));
    expect((await get(gran)).status).toBe(404);
    const anew = await pathOf(0);
    expect((await get(anew)).status).toBe(200);
    valueOf(await endGuardianAddress(school.pembit, child, first, {}));
    expect([(await get(anew)).status, (await get(feedOf(anew))).status]).toEqual([410, 410]);
    expect([(await get(dad)).status, (await get(feedOf(dad))).status]).toEqual([200, 200]);
    expect(await guardianFeeds(school.pembit, child)).toMatchObject([{ audience: 'guardian', name: 'Dad' }]);
    expect((await get(dad)).headers).toMatchObject({
      'cache-control': 'no-store',
      'referrer-policy': 'no-referrer',
      'x-robots-tag': 'noindex',
    });
  });

  test('sleeps between terms, and ends 60 days after the child’s last roster', async () => {
    valueOf(await issue(child));
    const page = await pathOf();
    const days = (n: number) => school.later(n * 24 * 3_600_000);
    // 18 December is the last day of the term: day 66 from 13 October.
    days(66);
    await tidy(school.pembit);
    days(68);
    expect(await textOf(page)).toContain('Nothing is planned at present');
    expect(await textOf(feedOf(page))).not.toContain('Half model');
    days(66 + 59);
    await tidy(school.pembit);
    expect((await get(page)).status).toBe(200);
    days(66 + 61);
    await tidy(school.pembit);
    expect((await get(page)).status).toBe(410);
  });

  test('shows several children on one page, each as its own address does', async () => {
    valueOf(await issue(child));
    valueOf(await issue(other));
    const tokens = [await pathOf(), new URL((await managed(other, other)).items[0]!.page!).pathname].map((path) => path.slice('/g/'.length)); // prettier-ignore
    const both = await textOf(`/g/${tokens.join('/')}`);
    for (const { person } of [child, other]) expect(both).toContain(person.name);
    expect((await get(`/g/${tokens[0]}/${'x'.repeat(43)}`)).status).toBe(404);
  });

  test('is known to have been read, by the hour, to whoever issued it, for 30 days', async () => {
    valueOf(await issue(child));
    const page = await pathOf();
    await get(page);
    await get(page);
    await get(feedOf(page));
    await school.pembit.queue.drained();
    expect((await managed(child)).items[0]!.reads.map(({ what, hour }) => `${what} ${hour}`)).toEqual(['feed 2026-10-13T12:00:00Z', 'page 2026-10-13T12:00:00Z']); // prettier-ignore
    expect((await managed(office)).items[0]!.reads).toEqual([]);
    school.later(31 * 24 * 3_600_000);
    await tidy(school.pembit);
    expect((await managed(child)).items[0]!.reads).toEqual([]);
  });

  test('names of the staff those who want guardians to write to them', async () => {
    const { pembit, instructor } = school;
    valueOf(await issue(child));
    const page = await pathOf();
    valueOf(
      await changeOwnSettings(pembit, instructor, { ...NO_PERSON_SETTINGS, contact: 'loft@school.example' }),
    );
    expect(await textOf(page)).not.toContain('loft@school.example');
    valueOf(await changeOwnSettings(pembit, instructor, { ...NO_PERSON_SETTINGS, contact: 'loft@school.example', guardiansRead: true })); // prettier-ignore
    expect(await textOf(page)).toContain('loft@school.example');
  });
});

describe('the week by letter', () => {
  type Row = Readonly<{ subject: string; body: string; unsubscribe: string | null }>;
  const letters = () => select<Row>(school.pembit, "SELECT subject, body, unsubscribe FROM outbox WHERE recipient = 'gran@home.example' ORDER BY created_at"); // prettier-ignore
  const wish = async (json: object) => {
    const token = (await pathOf()).slice('/g/'.length);
    return wishLetters(school.pembit, token, guardianLettersInput.parse(json), '');
  };
  const at = (instant: string) => school.later(Temporal.Instant.from(instant).since('2026-10-13T12:00Z').total('milliseconds')); // prettier-ignore

  test('goes on the last school day to a mailbox that has said yes, in its reader’s dates and clock, until one click ends it', async () => {
    valueOf(await issue(child));
    valueOf(await wish({ email: 'gran@home.example', locale: 'en-US', tzid: 'Europe/Lisbon' }));
    const [asked] = await letters();
    const [, id, proof] = /\/guardian\/confirm\/([^/]+)\/(\S+)/.exec(asked!.body)!;
    at('2026-10-16T19:00Z');
    await sendWeeks(school.pembit);
    expect(await letters()).toHaveLength(1);
    expect(reason(await confirmWeeks(school.pembit, id!, 'x'.repeat(43)))).toBe('linkSpent');
    valueOf(await confirmWeeks(school.pembit, id!, proof!));
    at('2026-10-15T19:00Z');
    await sendWeeks(school.pembit);
    expect(await letters()).toHaveLength(1);
    at('2026-10-16T19:00Z');
    await sendWeeks(school.pembit);
    const [, week] = await letters();
    expect(week!.subject).toBe(`${child.person.name}: Mon, Oct 19 to Sun, Oct 25`);
    expect(week!.body).toContain('HL Half model');
    expect(week!.body).toMatch(/Thu, Oct 22, .*\(.*where you are\)/);
    // The letter of confirming holds for the mailbox that was asked for alone.
    valueOf(await wish({ email: 'other@home.example' }));
    expect(reason(await confirmWeeks(school.pembit, id!, proof!))).toBe('linkSpent');
    valueOf(await unsubscribe(school.pembit, week!.unsubscribe!));
    at('2026-10-23T19:00Z');
    await sendWeeks(school.pembit);
    expect(await letters()).toHaveLength(2);
    // What tells of a child goes with the child, whoever got it.
    await school.pembit.queue.write((writer) => erasePerson(writer, child.person, 0));
    expect(await letters()).toEqual([]);
  });
});

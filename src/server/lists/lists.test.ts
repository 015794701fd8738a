import fc from 'fast-check';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { entryInput } from '@/core/entries/entryInput';
import { patternInput } from '@/core/frame/frameInput';
import { listQuery } from '@/core/frame/listQuery';
import type { SignedIn } from '../session/session';
import { planEntry } from '../entries/planEntry';
import { changeWeek } from '../frame/sections';
import type { ListName } from './lists';
import { LIST_PARTS, listPage, oneListed } from './lists';
import { pageOf } from './page';

let school: School;
beforeAll(async () => {
  school = await newSchool();
  const { pembit, instructor, section, course } = school;
  valueOf(await changeWeek(pembit, instructor, section, patternInput.parse({ from: '2026-09-08', week: 'Tue 10-11' }))); // prettier-ignore
  for (const [title, more] of [['Essay', {}], ['Secret', { visibility: { kind: 'draft' } }]] as const)
    valueOf(await planEntry(pembit, instructor, entryInput.parse({ kind: 'assignment', title, due: '2026-10-22T17:00', audience: [{ course }], ...more }))); // prettier-ignore
});
afterAll(() => school.close());

type Record_ = Readonly<Record<string, unknown>>;
const list = async (name: ListName, query: object = {}, actor: SignedIn = school.instructor) => {
  const page = valueOf(await listPage(school.pembit, actor, name, listQuery.parse(query)));
  return { items: page.items as readonly Record_[], next: page.next };
};
const titles = async (...given: Parameters<typeof list>) => (await list(...given)).items.map(({ title }) => title).sort(); // prettier-ignore

test('each reads what they see: drafts are the staff’s, another’s course is nobody else’s', async () => {
  expect(await titles('entries')).toEqual(['Essay', 'Secret']);
  expect(await titles('entries', {}, school.students[0])).toEqual(['Essay']);
  expect(await titles('entries', {}, school.stranger)).toEqual([]);
  expect(await titles('courses')).toEqual(['Hull lofting']);
  expect(await titles('courses', {}, school.stranger)).toEqual(['Coastal navigation']);
  const office = { ...school.stranger, person: { ...school.stranger.person, isAdmin: true } };
  expect(await titles('courses', {}, office)).toEqual(['Coastal navigation', 'Hull lofting']);
  // The office reads the frame, not what is planned in it.
  expect(await titles('entries', {}, office)).toEqual([]);
});

test('classes are found by days, and come a page at a time, each once', async () => {
  const whole = (await list('meetings', { limit: 500 })).items;
  expect(whole.length).toBeGreaterThan(10);
  expect(whole.find(({ ordinal }) => ordinal === 1)).toMatchObject({
    start: '2026-09-08T10:00:00-03:00',
    end: '2026-09-08T11:00:00-03:00',
    zone: 'America/Halifax',
  });
  const found = (await list('meetings', { from: '2026-10-13', to: '2026-10-20' })).items;
  expect(found.map(({ start }) => String(start).slice(0, 10)).sort()).toEqual(['2026-10-13', '2026-10-20']);
  const ids: unknown[] = [];
  let cursor: string | undefined;
  do {
    const page = await list('meetings', { limit: 4, ...(cursor ? { cursor } : {}) });
    ids.push(...page.items.map(({ id }) => id));
    cursor = page.next;
  } while (cursor);
  expect(ids.sort()).toEqual(whole.map(({ id }) => id).sort());
});

test('what changed since is found by it, one thing by its uid; unknown fields are refused by name', async () => {
  expect(await titles('entries', { changedSince: '2030-01-01T00:00:00Z' })).toEqual([]);
  expect(await titles('entries', { changedSince: '2020-01-01T00:00:00Z' })).toHaveLength(2);
  const [first] = (await list('entries')).items;
  expect((await list('entries', { uid: first!.uid })).items).toEqual([first]);
  expect(await titles('entries', { kind: 'event' })).toEqual([]);
  const bad = listQuery.safeParse({ curse: 'x' });
  expect(bad.success).toBe(false);
  expect(listQuery.safeParse({ limit: '5000' }).success).toBe(false);
  expect(listQuery.safeParse({ changedSince: 'yesterday' }).success).toBe(false);
});

test('everything that stands in a list is found by its id, by those who see it alone', async () => {
  for (const name of Object.keys(LIST_PARTS) as ListName[])
    for (const item of (await list(name, { limit: 500 })).items) {
      expect(valueOf(await oneListed(school.pembit, school.instructor, name, String(item.id)))).toEqual(item);
      expect((await list(name, { id: item.id })).items).toEqual([item]);
      if (name !== 'terms')
        expect(await oneListed(school.pembit, school.stranger, name, String(item.id))).toMatchObject({ reason: 'notFound' }); // prettier-ignore
    }
});

test('whatever the pages’ length, all of them together are the list', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.string({ minLength: 1 }), { maxLength: 30 }),
      fc.integer({ min: 1, max: 9 }),
      (ids, limit) => {
        const all = ids.map((id) => ({ id, record: id }));
        const read: string[] = [];
        for (let cursor: string | undefined, i = 0; i <= ids.length; i++) {
          const page = pageOf(all, { ...listQuery.parse({}), limit, cursor });
          read.push(...page.items);
          cursor = page.next;
          if (!cursor) break;
        }
        expect(read.sort()).toEqual([...ids].sort());
      },
    ),
  );
});

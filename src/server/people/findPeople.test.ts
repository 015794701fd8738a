import { afterAll, beforeAll, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { findPeople } from './findPeople';

let school: School;
beforeAll(async () => {
  school = await newSchool();
});
afterAll(() => school.close());

const office = () => ({
  ...school.instructor,
  person: { ...school.instructor.person, isAdmin: true },
});
const page = async (limit: number, cursor?: string) =>
  valueOf(await findPeople(school.pembit, office(), { words: '', limit, cursor }));

test('everybody is read a page at a time, by name, each once; by the administrator alone', async () => {
  const whole = (await page(500)).items;
  expect(whole.length).toBeGreaterThan(3);
  expect(whole.map(({ name }) => name)).toEqual(whole.map(({ name }) => name).sort());
  const read: string[] = [];
  let cursor: string | undefined;
  do {
    const { items, next } = await page(2, cursor);
    expect(items.length).toBeLessThanOrEqual(2);
    read.push(...items.map(({ id }) => id));
    cursor = next;
  } while (cursor);
  expect(read).toEqual(whole.map(({ id }) => id));
  const refusal = await findPeople(school.pembit, school.instructor, { words: '', limit: 2 });
  expect(refusal).toMatchObject({ reason: 'notYours' });
});

test.each([
  '',
  'x',
  Buffer.from('{"a":1}').toString('base64url'),
  Buffer.from('[1,2]').toString('base64url'),
])('what no page gave is no cursor: %j', async (cursor) => {
  const answer = await findPeople(school.pembit, office(), { words: '', limit: 2, cursor });
  expect(answer).toMatchObject({ reason: 'badRequest', fields: [{ field: 'cursor' }] });
});

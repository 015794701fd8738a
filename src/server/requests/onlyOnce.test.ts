import { beforeEach, describe, expect, test, vi } from 'vitest';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { tidy } from '../jobs/tidy';
import type { Keyed } from './onlyOnce';
import { onlyOnce } from './onlyOnce';

let school: School;
beforeEach(async () => {
  school = await newSchool();
  return () => school.close();
});

const json = (value: object, status = 201) =>
  new Response(JSON.stringify(value), { status, headers: { 'content-type': 'application/json', 'pembit-history': 'h' } }); // prettier-ignore
const request = (changes: Partial<Keyed> = {}): Keyed => ({ person: school.instructor.person.id, key: 'k', path: '/api/entries', body: { a: 1 }, ...changes }); // prettier-ignore
const ask = async (work: () => Promise<Response>, changes: Partial<Keyed> = {}) => {
  const answer = await onlyOnce(school.pembit, request(changes), work);
  return answer instanceof Response ? [answer.status, await answer.text(), answer.headers.get('pembit-history'), answer.headers.get('pembit-replayed')] : answer; // prettier-ignore
};

describe('what is asked by the same key', () => {
  test('is done once, and answered again', async () => {
    const work = vi.fn(() => Promise.resolve(json({ id: 1 })));
    expect(await ask(work)).toEqual([201, '{"id":1}', 'h', null]);
    expect(await ask(work)).toEqual([201, '{"id":1}', 'h', 'true']);
    expect(work).toHaveBeenCalledTimes(1);
  });

  test('is another request where something else is sent', async () => {
    await ask(() => Promise.resolve(json({})));
    expect(await ask(() => Promise.resolve(json({})), { body: { a: 2 } })).toBe('keyReused');
  });

  test.each<[string, () => Partial<Keyed>]>([
    ['elsewhere', () => ({ path: '/api/closures' })],
    ['by another key', () => ({ key: 'l' })],
    ['by somebody else', () => ({ person: school.students[0]!.person.id })],
  ])('is done again %s', async (_, changes) => {
    const work = vi.fn(() => Promise.resolve(json({})));
    await ask(work);
    await ask(work, changes());
    expect(work).toHaveBeenCalledTimes(2);
  });

  test('may be tried again after a refusal', async () => {
    expect(await ask(() => Promise.resolve(json({ title: 'No.' }, 409)))).toContain(409);
    expect(await ask(() => Promise.resolve(json({ id: 2 })))).toContain(201);
  });

  test('is done once though it comes twice in one moment, and not again where its end is not known', async () => {
    const work = vi.fn(() => new Promise<Response>((resolve) => setTimeout(() => resolve(json({})), 20)));
    const both = await Promise.all([ask(work), ask(work)]);
    expect(both.map((one) => (one === 'underWay' ? one : 'done')).sort()).toEqual(['done', 'underWay']);
    expect(work).toHaveBeenCalledTimes(1);
    const fails = () => Promise.reject(new Error('The process went down.'));
    await expect(ask(fails, { key: 'm' })).rejects.toThrow('went down');
    expect(await ask(work, { key: 'm' })).toBe('underWay');
  });

  test('is forgotten after a day', async () => {
    const work = vi.fn(() => Promise.resolve(json({})));
    await ask(work);
    school.later(2 * 86_400_000);
    await tidy(school.pembit);
    await ask(work);
    expect(work).toHaveBeenCalledTimes(2);
  });
});

import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { CourseId, TermId } from '../ids';
import { courseByKey, courseNames } from './courseNames';

const TERMS = [
  { id: 'autumn' as TermId, name: 'Autumn 2026' },
  { id: 'winter' as TermId, name: 'Winter 2027' },
];
const course = (id: string, code: string, term = 'autumn', title = 'Coastal navigation') => ({
  id: id as CourseId,
  code,
  tag: code.slice(0, 2),
  title,
  term: term as TermId,
});
const namesOf = (courses: ReturnType<typeof course>[]) => [...courseNames(courses, TERMS).values()].map(({ name }) => name); // prettier-ignore

describe('courses are told apart', () => {
  test('by their code, where only one has it', () => {
    const courses = [course('a', 'NV 301'), course('b', 'HL 210')];
    expect([...courseNames(courses, TERMS).values()]).toEqual([
      { key: 'NV 301', name: 'NV 301', title: 'Coastal navigation' },
      { key: 'HL 210', name: 'HL 210', title: 'Coastal navigation' },
    ]);
  });
  test('by their term, where two terms have the code, and by their id in addresses', () => {
    const courses = [course('a', 'NV 301'), course('b', 'NV 301', 'winter')];
    expect([...courseNames(courses, TERMS).values()]).toEqual([
      { key: 'a', name: 'NV 301, Autumn 2026', title: 'Coastal navigation, Autumn 2026' },
      { key: 'b', name: 'NV 301, Winter 2027', title: 'Coastal navigation, Winter 2027' },
    ]);
  });
  test('by their title within a term, by both, or by a number', () => {
    expect(namesOf([course('a', 'NV 301'), course('b', 'NV 301', 'autumn', 'By night')])).toEqual([
      'NV 301 Coastal navigation',
      'NV 301 By night',
    ]);
    expect(
      namesOf([course('a', 'NV 301'), course('b', 'NV 301', 'autumn', 'By night'), course('c', 'NV 301', 'winter')]), // prettier-ignore
    ).toEqual([
      'NV 301 Coastal navigation, Autumn 2026',
      'NV 301 By night, Autumn 2026',
      'NV 301 Coastal navigation, Winter 2027',
    ]);
    expect(namesOf([course('a', 'NV 301'), course('b', 'NV 301')])).toEqual(['NV 301 (1)', 'NV 301 (2)']);
  });
  test('whatever they are: no two names and no two keys are the same, and each key leads to its course', () => {
    const any = fc.record({
      code: fc.constantFrom('NV 301', 'HL 210', 'RW 101'),
      term: fc.constantFrom('autumn', 'winter'),
      title: fc.constantFrom('One', 'Two'),
    });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 8 }), (parts) => {
        const courses = parts.map(({ code, term, title }, i) => course(`id-${i}`, code, term, title));
        const named = [...courseNames(courses, TERMS)];
        expect(new Set(named.map(([, { name }]) => name)).size).toBe(courses.length);
        const labels = courses.map(({ id, tag }) => `${tag} ${new Map(named).get(id)!.title}`);
        expect(new Set(labels).size).toBe(courses.length);
        for (const [id, { key }] of named) expect(courseByKey(courses, key)?.id).toBe(id);
      }),
    );
  });
});

test('a code in an address means the course of the term that is looked at, else any', () => {
  const courses = [course('a', 'NV 301'), course('b', 'NV 301', 'winter')];
  expect(courseByKey(courses, 'NV 301', TERMS[1])?.id).toBe('b');
  expect(courseByKey(courses, 'NV 301')?.id).toBe('a');
  expect(courseByKey(courses, 'RW 101')).toBeUndefined();
});

import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { HL, NV } from '../../../tests/support/plans';
import type { CourseId, GroupId, PersonId, SectionId } from '../ids';
import { FEWEST } from './loadItem';
import type { DueWork, Taking } from './loadItems';
import { loadItems } from './loadItems';

const people = Array.from({ length: 9 }, (_, i) => `p${i}` as PersonId);
const [A, B] = ['a', 'b'] as [SectionId, SectionId];
const G = 'g' as GroupId;
const dayOf = (date: string) => Number(date.slice(-2));
const due = (changes: Partial<DueWork> = {}): DueWork => ({
  id: 'w', title: 'Body plan', due: '2026-10-15', exam: false, audience: [{ course: HL }], bySection: new Map(), byPerson: new Map(), ...changes,
}); // prettier-ignore
const taking = (course: CourseId, section?: SectionId, groups: GroupId[] = []): Taking[] =>
  people.map((person) => ({ person, course, ...(section ? { section } : {}), groups }));
const numbers = new Map(people.map((person, i) => [person, i]));
const items = (work: readonly DueWork[], all: readonly Taking[], more: Partial<Parameters<typeof loadItems>[2]> = {}) =>
  loadItems(work, all, { students: numbers, teaches: new Set([HL]), shared: new Map(), dayOf, ...more }); // prettier-ignore

describe('work of one’s own course', () => {
  test('is named, with its course, its day and everybody who has it', () =>
    expect(items([due({ setOn: '2026-10-08', minutes: 90 })], taking(HL))).toEqual([
      { id: 'w', course: HL, title: 'Body plan', due: 15, set: 8, minutes: 90, weight: 1, people: people.map((_, i) => i) },
    ])); // prettier-ignore
  test('falls on several days where sections or single students have others', () => {
    const bySection = new Map([[B, { due: '2026-10-16' }]]);
    const byPerson = new Map([[people[0]!, '2026-10-20']]);
    const all = [...taking(HL, A).slice(0, 4), ...taking(HL, B).slice(4)];
    const found = items([due({ bySection, byPerson })], all).map((item) => [item.due, item.people]);
    expect(found).toEqual([
      [20, [0]],
      [15, [1, 2, 3]],
      [16, [4, 5, 6, 7, 8]],
    ]);
  });
  test('is nobody’s whom it is not meant for', () => {
    const audience = [{ course: HL, groups: [G] }];
    expect(items([due({ audience })], [...taking(HL).slice(1), ...taking(HL, A, [G]).slice(0, 1)])[0]!.people).toEqual([0]);
    expect(items([due({ audience })], taking(HL))).toEqual([]);
  }); // prettier-ignore
  test('counts a student of two of its courses once', () => {
    const audience = [{ course: HL }, { course: NV }];
    expect(items([due({ audience })], [...taking(HL), ...taking(NV)])[0]!.people).toHaveLength(people.length);
  });
});

describe('work of others', () => {
  const audience = [{ course: NV }];
  test('has no course, and a title only where that course shares its titles', () => {
    expect(items([due({ audience })], taking(NV))[0]).toMatchObject({ title: '' });
    expect(items([due({ audience })], taking(NV))[0]).not.toHaveProperty('course');
    expect(items([due({ audience })], taking(NV), { shared: new Map([[NV, 'NV']]) })[0]).toMatchObject({ title: 'NV Body plan' });
  }); // prettier-ignore
  test('is left out where it concerns fewer than may be told of', () => {
    const few = taking(NV).slice(0, FEWEST - 1);
    expect(items([due({ audience })], few)).toEqual([]);
    expect(items([due({ audience })], taking(NV).slice(0, FEWEST))).toHaveLength(1);
  });
});

test('an exam weighs as much as two', () =>
  expect(items([due({ exam: true })], taking(HL))[0]!.weight).toBe(2));

test('everybody has on each day what a plain walk over students and work says', () => {
  const anyDay = fc.integer({ min: 10, max: 20 }).map((n) => `2026-10-${n}`);
  const part = fc.record(
    {
      course: fc.constantFrom(HL, NV),
      sections: fc.subarray([A, B], { minLength: 1 }),
      groups: fc.constant([G]),
      people: fc.subarray(people, { minLength: 1 }),
    },
    { requiredKeys: ['course'] },
  );
  const work = fc.record({
    id: fc.uuid(),
    due: anyDay,
    audience: fc.uniqueArray(part, { minLength: 1, maxLength: 2, selector: (p) => p.course }),
    bySection: fc.option(anyDay).map((on) => new Map(on ? [[B, { due: on }]] : [])),
    byPerson: fc.option(fc.tuple(fc.constantFrom(...people), anyDay)).map((one) => new Map(one ? [one] : [])),
  });
  const one = fc.record({
    person: fc.constantFrom(...people, 'elsewhere' as PersonId),
    course: fc.constantFrom(HL, NV),
    section: fc.constantFrom(A, B),
    groups: fc.subarray([G]),
  });
  const all = fc.uniqueArray(one, { maxLength: 20, selector: (t) => `${t.person} ${t.course}` });
  fc.assert(
    fc.property(fc.array(work, { maxLength: 6 }), all, (given, takings) => {
      const expected = new Set<string>();
      for (const w of given)
        for (const p of w.audience)
          for (const t of takings.filter(({ course }) => course === p.course)) {
            const named = p.sections || p.groups || p.people;
            const meant = !named || p.sections?.includes(t.section) || (p.groups && t.groups.length > 0) || p.people?.includes(t.person); // prettier-ignore
            const number = numbers.get(t.person);
            const on =
              w.byPerson.get(t.person) ?? (t.section === B ? w.bySection.get(B)?.due : undefined) ?? w.due;
            if (meant && number !== undefined) expected.add(`${w.id} ${dayOf(on)} ${number}`);
          }
      const found = items(given.map((w) => due(w)), takings, { teaches: new Set([HL, NV]) }); // prettier-ignore
      const told = found.flatMap((item) => item.people.map((number) => `${item.id} ${item.due} ${number}`));
      // Whoever takes both courses in sections with other days may have it on both.
      expect(new Set(told)).toEqual(expected);
      expect(told).toHaveLength(new Set(told).size);
    }),
    { numRuns: 300 },
  );
});

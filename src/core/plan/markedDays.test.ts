import { expect, test } from 'vitest';
import { HL, NOW, SECTION_A, course, day, meeting, plan, staff, term } from '../../../tests/support/plans';
import type { ClosureId, SiteDateId } from '../ids';
import type { Meeting } from '../time/meetings';
import { markedDays } from './markedDays';
import type { Plan } from './plan';
import { seenPlan } from './seenPlan';

const marked = (given: Partial<Plan>, meetings: readonly Meeting[] = []) =>
  markedDays(
    seenPlan(
      staff(HL),
      plan({
        courses: [course({ sections: [{ id: SECTION_A, name: 'A', students: 3, patterns: [], meetings }] })],
        ...given,
      }),
      NOW,
    ),
  );
const closure = (changes: object) => ({
  id: 'c' as ClosureId, term: term.id, name: 'Storm', start: day('2026-10-20'), end: day('2026-10-22'), created: NOW, ...changes,
}); // prettier-ignore

test('each day with classes has the courses that meet, once each; what was called off is none', () => {
  const twice = [meeting(), meeting({ start: meeting().end })];
  expect(marked({}, twice)).toEqual({ '2026-10-13': { classes: ['HL 210'] } });
  expect(marked({}, [meeting({ cancelled: '' })])).toEqual({});
});

test('each day of a closure of the whole site has its name, the day on which it is open again none', () =>
  expect(marked({ closures: [closure({})] })).toEqual({
    '2026-10-20': { closed: 'Storm' },
    '2026-10-21': { closed: 'Storm' },
  }));

test('a closure of one course closes no day for everybody', () =>
  expect(marked({ closures: [closure({ course: HL })] })).toEqual({}));

test('site dates stand by their names', () =>
  expect(
    marked({
      siteDates: [
        {
          id: 's' as SiteDateId,
          term: term.id,
          name: 'Open day',
          start: day('2026-10-20'),
          end: day('2026-10-21'),
          created: NOW,
        },
      ],
    }),
  ).toEqual({ '2026-10-20': { siteDates: ['Open day'] } }));

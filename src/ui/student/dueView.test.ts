import { expect, test } from 'vitest';
import { NOW, assignment, at, course, day, plan, student } from '../../../tests/support/plans';
import type { EntryId } from '@/core/ids';
import type { Entry } from '@/core/entries/entry';
import { occurrencesOf } from '@/core/plan/occurrences';
import { seenPlan } from '@/core/plan/seenPlan';
import { dueTexts } from '@/core/texts/due';
import { requireZone } from '@/core/time/zoneData';
import { dueView } from './dueView';

const work = (title: string, due: string, more: object = {}) =>
  assignment({ id: title as EntryId, uid: title, setUid: `${title}-set`, title, due: at(due), ...more });
const view = (entries: readonly Entry[], done: readonly string[] = []) => {
  const seen = seenPlan(student(), plan({ courses: [course()], entries }), NOW);
  return dueView(seen, occurrencesOf(seen, requireZone), {
    zoneOf: requireZone,
    now: NOW,
    today: day('2026-10-13'),
    done: new Set(done),
  });
};
const titles = (lines: readonly { line: { title: string } }[]) => lines.map(({ line }) => line.title);

test('by day, what is over before it, what is ticked out of the way', () => {
  const shown = view(
    [
      work('Late', '2026-10-12T17:00'),
      work('Long ago', '2026-09-20T17:00'),
      work('Soon', '2026-10-15T17:00'),
      work('Same day', '2026-10-15T12:00'),
      work('Later', '2026-11-20T17:00'),
      work('Ticked', '2026-10-16T17:00'),
    ],
    ['Ticked'],
  );
  expect(titles(shown.late)).toEqual(['Late']);
  expect(titles(shown.earlier)).toEqual(['Long ago']);
  expect(shown.days.map(({ key, distance, lines }) => [key, distance, ...titles(lines)])).toEqual([
    ['2026-10-15', 'in 2 days', 'Same day', 'Soon'],
    ['2026-11-20', 'in 38 days', 'Later'],
  ]);
  expect(titles(shown.done)).toEqual(['Ticked']);
});

test('what is left of the week: its work, its hours, and what says none', () => {
  const week = [
    work('A', '2026-10-14T17:00', { effortMinutes: 90 }),
    work('B', '2026-10-18T17:00'),
    work('C', '2026-10-19T17:00', { effortMinutes: 600 }),
  ];
  expect(view(week).week).toBe('Left this week: 2 pieces of work, about 1.5 h and 1 without an estimate.');
  expect(view(week, ['A', 'B']).week).toBe('Nothing more is due this week.');
});

test('the last fourteen days are offered, none that is over; a note of one’s own marks its day', () => {
  const note = {
    ...work('n', '2026-10-14T17:00'),
    kind: 'note',
    // As the work was called when it was written.
    title: dueTexts.workOn('Far away'),
    on: day('2026-11-18'),
    about: 'Far' as EntryId,
    author: student().id,
  } as unknown as Entry;
  const [near, far] = view([work('Near', '2026-10-14T17:00'), work('Far', '2026-11-20T17:00'), note]).days;
  expect(near!.lines[0]!.days.map((one) => one.day)).toEqual(['2026-10-13', '2026-10-14']);
  const days = far!.lines[0]!.days;
  expect([days.length, days[0]!.day, days.at(-1)!.day]).toEqual([14, '2026-11-07', '2026-11-20']);
  expect(days.filter((one) => one.note !== undefined).map((one) => one.day)).toEqual(['2026-11-18']);
});

test('nothing is due', () => {
  expect(view([])).toMatchObject({ late: [], days: [], done: [], week: 'Nothing more is due this week.' });
});

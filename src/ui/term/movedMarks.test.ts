import { expect, test } from 'vitest';
import { movedMarks } from './movedMarks';
import type { GridWeek } from './termView';

/** A week of six cells, the last one a weekend, with marks by the date of their cell. */
function week(first: string, marks: Record<string, string[]> = {}): GridWeek {
  const [year, month, day] = first.split('-').map(Number);
  const dates = [0, 1, 2, 3, 4, 5].map((i) => `${year}-${month}-${String(day! + i).padStart(2, '0')}`);
  return {
    number: 1, lanes: 0, theme: '', range: '', now: false, past: false,
    days: dates.map((date) => ({
      date, long: '', today: false, inTerm: true, bars: [],
      whole: false, count: (marks[date] ?? []).length + 3,
      items: (marks[date] ?? []).map((key) => ({ key, title: key, date, start: date, movable: true, kind: 'due', tags: [], planned: false, release: 'shown', cancelled: false, news: false, words: '' })),
    })),
  }; // prettier-ignore
}

const drawn = (weeks: readonly GridWeek[]) =>
  weeks.flatMap((w) => w.days.flatMap((day) => day.items.map((item) => `${item.key} on ${day.date}`)));
const weeks = [week('2026-10-12', { '2026-10-15': ['quiz', 'plan'] }), week('2026-10-19')];

test.each([
  ['a day later', ['quiz'], 1, ['plan on 2026-10-15', 'quiz on 2026-10-16']],
  ['on a Sunday, in the cell of the weekend', ['quiz'], 3, ['plan on 2026-10-15', 'quiz on 2026-10-17']],
  ['a week later', ['quiz', 'plan'], 7, ['quiz on 2026-10-22', 'plan on 2026-10-22']],
  ['beyond what is drawn', ['quiz'], 30, ['plan on 2026-10-15']],
])('%s', (_, keys, days, expected) =>
  expect(drawn(movedMarks(weeks, { keys: new Set(keys), days }))).toEqual(expected),
);

test('a cell counts what leaves it and what arrives, also beside what is not drawn', () => {
  const counts = movedMarks(weeks, { keys: new Set(['quiz']), days: 1 }).flatMap((w) =>
    w.days.map((d) => d.count),
  );
  expect(counts.slice(0, 6)).toEqual([3, 3, 3, 4, 4, 3]);
});

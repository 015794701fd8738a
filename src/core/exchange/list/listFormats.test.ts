import { expect, test } from 'vitest';
import type { PlanLine } from './listFormat';
import { LIST_FORMATS } from './listFormats';

const line = (changes: Partial<PlanLine>): PlanLine => ({
  week: 6,
  date: '2026-10-13',
  day: 'Tue 13 Oct',
  time: '10:00–11:50',
  tags: 'HL',
  kind: 'Class',
  title: 'Moulds',
  shown: 'shown',
  ...changes,
});
const LINES = [
  line({}),
  line({
    date: '2026-10-15',
    day: 'Thu 15 Oct',
    time: 'by 17:00',
    kind: 'Due',
    title: 'Half-breadth *plan*',
  }),
  line({ week: 0, date: '2027-01-04', day: 'Mon 4 Jan', time: '', tags: '', kind: 'Note', title: '=1+1' }),
];

/** What each format makes of the lines above; a format without a row here fails. */
const WRITTEN: Readonly<Record<string, string>> = {
  csv: '\uFEFFWeek,Date,Time,Course,Kind,Title,Shown\r\n6,2026-10-13,10:00–11:50,HL,Class,Moulds,shown\r\n6,2026-10-15,by 17:00,HL,Due,Half-breadth *plan*,shown\r\n,2027-01-04,,,Note,"\'=1+1",shown\r\n',
  markdown:
    '## Week 6\n\n- Tue 13 Oct, 10:00–11:50: HL **Moulds** (class)\n- Thu 15 Oct, by 17:00: HL **Half-breadth \\*plan\\*** (due)\n\n## Outside the term\n\n- Mon 4 Jan: **=1+1** (note)\n',
};

test.each(LIST_FORMATS.map((format) => [format.id, format] as const))('%s', (id, format) => {
  expect(format.write(LINES)).toBe(WRITTEN[id]);
  expect(format.write([])).not.toContain('undefined');
});

test('no two formats have one id or one file', () => {
  expect(new Set(LIST_FORMATS.map(({ id }) => id)).size).toBe(LIST_FORMATS.length);
  expect(new Set(LIST_FORMATS.map(({ file }) => file)).size).toBe(LIST_FORMATS.length);
});

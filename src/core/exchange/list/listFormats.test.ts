import readExcelFile from 'read-excel-file/node';
import { expect, test } from 'vitest';
import type { PlanLine } from './listFormat';
import { LIST_FORMATS } from './listFormats';

const line = (changes: Partial<PlanLine>): PlanLine => ({
  week: 6,
  date: '2026-10-13',
  day: 'Tue 13 Oct',
  time: '10:00–11:50',
  until: '',
  tags: 'HL',
  kind: 'Class',
  title: 'Moulds',
  link: '',
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
  line({ week: 0, date: '2027-01-04', day: 'Mon 4 Jan', until: '2027-01-06', time: '', tags: '', kind: 'Note', title: '=1+1', link: 'https://n.example/' }), // prettier-ignore
];

/** What each format makes of the lines above; a format without a row here fails. */
const WRITTEN: Readonly<Record<string, unknown>> = {
  spreadsheet: [
    {
      sheet: 'Sheet1',
      data: [
        ['Week', 'Date', 'Until', 'Time', 'Course', 'Kind', 'Title', 'Link', 'Shown'],
        [6, new Date('2026-10-13'), null, '10:00–11:50', 'HL', 'Class', 'Moulds', null, 'shown'],
        [6, new Date('2026-10-15'), null, 'by 17:00', 'HL', 'Due', 'Half-breadth *plan*', null, 'shown'],
        [
          null,
          new Date('2027-01-04'),
          new Date('2027-01-06'),
          null,
          null,
          'Note',
          '=1+1',
          'https://n.example/',
          'shown',
        ],
      ],
    },
  ],
  html: [
    '<!doctype html><html lang="en"><head><meta charset="utf-8"><title>The plan</title></head><body>',
    '<table border="1" cellspacing="0" cellpadding="4">',
    '<thead><tr><th scope="col">Date</th><th scope="col">Time</th><th scope="col">Course</th><th scope="col">Title</th><th scope="col">Kind</th></tr></thead><tbody>',
    '<tr><th scope="rowgroup" colspan="5" align="left">Week 6</th></tr>',
    '<tr><td>Tue 13 Oct</td><td>10:00–11:50</td><td>HL</td><td>Moulds</td><td>class</td></tr>',
    '<tr><td>Thu 15 Oct</td><td>by 17:00</td><td>HL</td><td>Half-breadth *plan*</td><td>due</td></tr>',
    '<tr><th scope="rowgroup" colspan="5" align="left">Outside the term</th></tr>',
    '<tr><td>Mon 4 Jan</td><td></td><td></td><td>=1+1</td><td>note</td></tr>',
    '</tbody></table></body></html>',
    '',
  ].join('\n'),
  csv: '\uFEFFWeek,Date,Until,Time,Course,Kind,Title,Link,Shown\r\n6,2026-10-13,,10:00–11:50,HL,Class,Moulds,,shown\r\n6,2026-10-15,,by 17:00,HL,Due,Half-breadth *plan*,,shown\r\n,2027-01-04,2027-01-06,,,Note,"\'=1+1",https://n.example/,shown\r\n',
  markdown:
    '## Week 6\n\n- Tue 13 Oct, 10:00–11:50: HL **Moulds** (class)\n- Thu 15 Oct, by 17:00: HL **Half-breadth \\*plan\\*** (due)\n\n## Outside the term\n\n- Mon 4 Jan: **=1+1** (note)\n',
};

/** What was written, as text; of a spreadsheet its cells, read by another library. */
async function read(format: (typeof LIST_FORMATS)[number], lines: readonly PlanLine[]): Promise<unknown> {
  const written = await format.write(lines);
  return typeof written === 'string' ? written : readExcelFile(Buffer.from(await written.arrayBuffer()));
}

test.each(LIST_FORMATS.map((format) => [format.id, format] as const))('%s', async (id, format) => {
  expect(await read(format, LINES)).toEqual(WRITTEN[id]);
  expect(JSON.stringify(await read(format, []))).not.toContain('undefined');
});

test('no two formats have one id or one file', () => {
  expect(new Set(LIST_FORMATS.map(({ id }) => id)).size).toBe(LIST_FORMATS.length);
  expect(new Set(LIST_FORMATS.map(({ file }) => file)).size).toBe(LIST_FORMATS.length);
});

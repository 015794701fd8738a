import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { strToU8, zipSync } from 'fflate';
import writeExcelFile from 'write-excel-file/node';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { scheduleFileText } from './scheduleFileText';

/** Files as programs write them, and as somebody writes them who means harm. */
let folder = '';
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pembit-schedule-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const read = (name: string, bytes: Uint8Array | string) => {
  const file = path.join(folder, name);
  writeFileSync(file, bytes);
  return scheduleFileText({ path: file, name });
};
const cell = (value: string) => ({ value, type: String });
const document = (body: string) =>
  zipSync({
    '[Content_Types].xml': strToU8('<?xml version="1.0"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Override PartName="/word/document.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml"/></Types>'),
    '_rels/.rels': strToU8('<?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="word/document.xml"/></Relationships>'),
    'word/document.xml': strToU8(`<?xml version="1.0"?><w:document xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:body>${body}</w:body></w:document>`),
  }); // prettier-ignore
const paragraph = (text: string) => `<w:p><w:r><w:t>${text}</w:t></w:r></w:p>`;

test('a spreadsheet is rows apart by lines, cells by tabs, dates as dates', async () => {
  const file = path.join(folder, 'plan.xlsx');
  await writeExcelFile([
    [cell('Date'), cell('Topic'), cell('Due')],
    [
      { value: new Date('2026-10-15T00:00:00Z'), type: Date, format: 'yyyy-mm-dd' },
      cell('Moulds'),
      cell('HW 1'),
    ],
  ]).toFile(file);
  expect(await scheduleFileText({ path: file, name: 'plan.xlsx' })).toEqual({
    text: 'Date\tTopic\tDue\n2026-10-15\tMoulds\tHW 1',
  });
});

test('a document is its paragraphs, and the rows of its tables; a page likewise, without its scripts', async () => {
  const table = `<w:tbl><w:tr><w:tc>${paragraph('Oct 20')}</w:tc><w:tc>${paragraph('Ribbands')}</w:tc></w:tr></w:tbl>`;
  const docx = await read('plan.docx', document(paragraph('Oct 15: Moulds') + table));
  expect(docx).toEqual({ text: 'Oct 15: Moulds\nOct 20\tRibbands' });
  const page =
    '<html><style>p{}</style><script>x</script><h2>Week 6</h2><p>Tue: <b>Moulds</b></p><table><tr><td>Oct 20</td><td>Stem<br>and apron</td></tr></table>';
  expect(await read('plan.html', page)).toEqual({ text: 'Week 6\nTue: Moulds\nOct 20\tStem and apron' });
});

test('text is read in the encodings that people have', async () => {
  expect(await read('a.txt', 'Oct 15: Bevels')).toEqual({ text: 'Oct 15: Bevels' });
  expect(await read('b.csv', Buffer.from('Café visit', 'latin1'))).toEqual({ text: 'Café visit' });
  expect(await read('c.txt', Buffer.from('\uFEFFOct 15', 'utf16le'))).toMatchObject({ text: 'Oct 15' });
});

test('what is no schedule, or holds more than one, is refused', async () => {
  expect(await read('x.ics', 'BEGIN:VCALENDAR')).toEqual({ refused: 'calendar' });
  const inHalifax = (name: string, text: string) => {
    const file = path.join(folder, name);
    writeFileSync(file, text);
    return scheduleFileText({ path: file, name, tzid: 'America/Halifax' });
  };
  expect(await inHalifax('y.ics', 'no calendar')).toEqual({ refused: 'unreadable' });
  const event = [
    'BEGIN:VEVENT',
    'UID:a',
    'DTSTAMP:20260901T000000Z',
    'SUMMARY:Fair',
    'DTSTART;VALUE=DATE:20261026',
  ];
  const lines = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    ...event,
    'RRULE:FREQ=DAILY',
    'END:VEVENT',
    'END:VCALENDAR',
    '',
  ];
  const everyDay = await inHalifax('z.ics', lines.join('\r\n'));
  expect('text' in everyDay ? everyDay.text.split('\n').length : everyDay).toBe(402);
  expect(await read('x.xlsx', 'not a zip')).toEqual({ refused: 'unreadable' });
  expect(await read('x.docx', zipSync({ 'a.txt': strToU8('a') }))).toEqual({ refused: 'unreadable' });
  expect(await read('x.txt', Buffer.from([65, 0, 66]))).toEqual({ refused: 'unreadable' });
  // Much that is packed into little.
  const bomb = zipSync({ 'xl/workbook.xml': strToU8('<a/>'), 'xl/worksheets/sheet1.xml': new Uint8Array(4 * 1024 * 1024) }); // prettier-ignore
  expect(bomb.length).toBeLessThan(64 * 1024);
  expect(await read('bomb.xlsx', bomb)).toEqual({ refused: 'tooLarge' });
  const long = `<table>${'<tr><td>Oct 1</td><td>x</td></tr>'.repeat(1500)}</table>`;
  expect(await read('long.html', long)).toEqual({ refused: 'tooManyRows' });
});

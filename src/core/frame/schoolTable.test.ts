import { describe, expect, test } from 'vitest';
import { planCsv } from '../exchange/planCsv';
import { TABLE_HEADS, TABLE_KINDS, readSchoolTable } from './schoolTable';

const read = (...lines: string[]) => readSchoolTable(lines.join('\n'));
const faults = (...lines: string[]) =>
  read(...lines).faults.map(({ line, message }) => `${line}: ${message}`);

describe('what a table holds is told by its heads', () => {
  test.each(TABLE_KINDS)('the template of %s', (kind) => {
    expect(readSchoolTable(planCsv(TABLE_HEADS[kind], []))).toMatchObject({ kind, faults: [] });
  });

  test('in any order, in any case, by tabs or semicolons, among others', () => {
    expect(read('note;E-MAIL;name', 'x;Edda@S.example;Edda Tern')).toEqual({
      kind: 'people',
      people: [{ line: 2, name: 'Edda Tern', email: 'edda@s.example' }],
      sections: [],
      staff: [],
      faults: [],
    });
    expect(read('E-mail\tName', 'edda@s.example\tEdda').kind).toBe('people');
  });

  test('without heads it is asked for them', () => {
    expect(faults('Edda,edda@s.example')[0]).toMatch(/^1: Its first line does not say/);
    expect(faults('')[0]).toMatch(/^1: Its first line/);
  });
});

test('each row is read or at fault with its line; empty lines count', () => {
  const head = 'Term,Course,Title,Tag,Colour,Instructor,Section,Week';
  const { sections, faults: wrong } = read(
    head,
    'Autumn,HL 210,Hull lofting,HL,Sea,M@s.example,A,Tue Thu 10-11:50',
    '',
    ',HL 210,,,,,B,',
    ',HL 210,,,pink,,C,',
    ',HL 210,,,,m,D,',
    ',,,,,,E,',
    ',HL 210,,,,,F,sometime',
    ',HL 210,=1+1,,,,G,',
  );
  expect(sections.map(({ line, section, color, week }) => [line, section, color, week.length])).toEqual([
    [2, 'A', 'sea', 2],
    [4, 'B', undefined, 0],
  ]);
  expect(wrong.map(({ line, message }) => `${line}: ${message}`)).toEqual([
    '5: A colour is one of brick, sea, plum, olive, copper, slate, rose, indigo, moss, teal.',
    '6: Type a whole e-mail address.',
    '7: Name the course by its code.',
    '8: “sometime” begins with no weekday. Write it as: Tue Thu 10-11:50.',
    '9: “=1+1” begins like a formula.',
  ]);
});

test('a role is one of those that a table can give', () => {
  const head = 'Course,E-mail,Role';
  expect(read(head, 'HL 210,a@s.example,Assistant', 'HL 210,b@s.example,co-instructor').staff.map(({ role }) => role)).toEqual(['assistant', 'co']); // prettier-ignore
  expect(faults(head, 'HL 210,a@s.example,substitute', 'HL 210,a@s.example,boss')).toEqual([
    '2: A substitute has a first and a last day: add them on the course’s page.',
    '3: A role is instructor, co-instructor or assistant.',
  ]);
});

test('a table of 100,000 rows is refused with a sentence', () => {
  const rows = Array.from({ length: 100_000 }, (_, i) => `N ${i},n${i}@s.example`);
  const { faults: wrong } = readSchoolTable(['Name,E-mail', ...rows].join('\n'));
  expect(wrong.map(({ line, message }) => `${line}: ${message}`)).toEqual([
    '5002: At most 5000 lines at once; this table has 100000.',
  ]);
});

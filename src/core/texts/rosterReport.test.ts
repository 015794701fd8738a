import { expect, test } from 'vitest';
import { reportLines } from './rosterReport';

const NOTHING = { courses: [], held: [], unclear: [], faults: [] };
const course = (code: string, counts: object = {}) => ({ code, added: 0, changed: 0, off: 0, absent: 0, ...counts }); // prettier-ignore

test('a reading says what it did, what it left, and why', () => {
  const courses = [course('HL 210', { added: 2, absent: 1 }), course('NV 140'), course('SR 120')];
  const held = [{ id: 'rg', code: 'RG 110', known: 20, gone: 12 }];
  expect(
    reportLines({ courses, held, unclear: ['DS 90'], faults: ['users.csv, line 3: The name is missing.'] }),
  ).toEqual([
    'HL 210: 2 new, 1 missing, still there.',
    '2 courses are as their lists say.',
    'RG 110: 12 of 20 would be gone. Nothing was changed: somebody should look first.',
    'DS 90: more than one running course is called so. Bring its list in by hand.',
    'users.csv, line 3: The name is missing.',
  ]);
  expect(reportLines(NOTHING)).toEqual(['The lists name none of the running courses.']);
  expect(reportLines({ ...NOTHING, failure: 'The table users.csv is missing.' })).toEqual([
    'The table users.csv is missing.',
  ]);
});

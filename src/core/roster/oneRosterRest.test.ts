import { describe, expect, test } from 'vitest';
import { readRestRoster, recordsOf } from './oneRosterRest';
import { readOneRoster } from './readOneRoster';

const classes = [
  { sourcedId: 'c1', status: 'active', title: 'Hull lofting', classCode: 'HL 210-A', course: {} },
];
const user = (id: string, more: object = {}) => ({ sourcedId: id, status: 'active', enabledUser: true, givenName: id, familyName: 'Strand', email: `${id}@school.example`, ...more }); // prettier-ignore
const takes = (id: string, more: object = {}) => ({ sourcedId: `e${id}`, status: 'active', role: 'student', user: { sourcedId: id, type: 'user' }, class: { sourcedId: 'c1' }, ...more }); // prettier-ignore

describe('a page', () => {
  test('holds the records of its kind, with whatever else a service says of them', () => {
    expect(recordsOf('classes', { classes })).toMatchObject([{ sourcedId: 'c1' }]);
    expect(recordsOf('users', { users: [user('ann')] })).toMatchObject([{ enabledUser: 'true' }]);
  });
  test.each([[{}], [{ classes: {} }], [{ classes: [{}] }], [{ users: [] }], ['x'], [null]])(
    'that is none is none: %j',
    (body) => expect(recordsOf('classes', body)).toBeUndefined(),
  );
});

test('the records of a service say what the tables of the same school say', () => {
  const users = recordsOf('users', { users: [user('ann', { preferredFirstName: 'Anni' }), user('bea', { enabledUser: 'false' }), user('cal'), user('tom', { email: 'none' }), user('gone', { status: 'tobedeleted' })] })!; // prettier-ignore
  const enrollments = recordsOf('enrollments', {
    enrollments: [takes('ann'), takes('bea'), takes('cal', { role: 'teacher' }), takes('tom')],
  })!;
  const byRest = readRestRoster({ classes: recordsOf('classes', { classes })!, users, enrollments });
  const byTables = readOneRoster({
    'classes.csv': 'sourcedId,title,classCode\nc1,Hull lofting,HL 210-A',
    'users.csv': 'sourcedId,status,enabledUser,givenName,familyName,preferredGivenName,email\nann,active,true,ann,Strand,Anni,ann@school.example\nbea,active,false,bea,Strand,,bea@school.example\ncal,active,true,cal,Strand,,cal@school.example\ntom,active,true,tom,Strand,,none\ngone,tobedeleted,true,gone,Strand,,gone@school.example',
    'enrollments.csv': 'classSourcedId,userSourcedId,role\nc1,ann,student\nc1,bea,student\nc1,cal,teacher\nc1,tom,student',
  }); // prettier-ignore
  expect(byRest.classes).toEqual(byTables.classes);
  expect(byRest.classes[0]!.students).toEqual([
    { sourcedId: 'ann', name: 'Anni Strand', email: 'ann@school.example' },
  ]);
  expect(byRest.faults.map(({ message }) => message)).toEqual(byTables.faults.map(({ message }) => message));
});

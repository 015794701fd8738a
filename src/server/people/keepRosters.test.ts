import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { beforeEach, describe, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { select } from '@/data/database';
import type { SignedIn } from '../session/session';
import { keepRosters, readRosters, readRostersOf, rosterReports } from './keepRosters';
import { rosterOf } from './roster';

const HOUR = 3_600_000;
let school: School;
let folder: string;
let office: SignedIn;
beforeEach(async () => {
  school = await newSchool();
  folder = mkdtempSync(path.join(tmpdir(), 'pembit-rosters-'));
  await school.pembit.queue.write(({ sequelize, transaction }) =>
    sequelize.query('UPDATE people SET is_admin = 1 WHERE id = :id', { replacements: { id: school.stranger.person.id }, transaction }),
  );
  office = { ...school.stranger, person: { ...school.stranger.person, isAdmin: true } };
  return async () => {
    await school.close();
    rmSync(folder, { recursive: true, force: true });
  };
}); // prettier-ignore

/** Leaves lists in the folder: `ann` is a student of HL 210's section A. */
function leave(students: readonly string[], code = 'HL 210-A'): void {
  const write = (name: string, rows: readonly string[]) => writeFileSync(path.join(folder, name), rows.join('\n')); // prettier-ignore
  write('classes.csv', ['sourcedId,title,classCode', `c1,Hull lofting,${code}`]);
  write('users.csv', ['sourcedId,givenName,familyName,email', ...students.map((id) => `${id},${id},Strand,${id}@school.example`)]); // prettier-ignore
  write('enrollments.csv', ['classSourcedId,userSourcedId,role', ...students.map((id) => `c1,${id},student`)]); // prettier-ignore
}
const night = async () => valueOf(await readRostersOf(school.pembit, folder));
const listed = async () =>
  (await rosterOf(school.pembit, school.course)).map(({ email }) => email.split('@')[0]).filter((name) => !/^p\d/.test(name!)); // prettier-ignore
const acts = async () =>
  (await select<{ n: number }>(school.pembit, "SELECT COUNT(*) AS n FROM history WHERE act = 'importRoster'"))[0]!.n; // prettier-ignore
const TEN = Array.from('abcdefghij', (letter) => `s${letter}`);

describe('each night', () => {
  test('who is new is added; the same again is no act', async () => {
    leave(['ann', 'bea']);
    expect((await night()).courses).toMatchObject([{ code: 'HL 210', added: 2, changed: 0, off: 0, absent: 0 }]); // prettier-ignore
    expect(await listed()).toEqual(['ann', 'bea']);
    const before = await acts();
    expect((await night()).courses).toMatchObject([{ added: 0, changed: 0 }]);
    expect(await acts()).toBe(before);
  });

  test('who is gone stays for 48 hours, and longer where a list had them again', async () => {
    leave(['ann', 'bea', 'cal']);
    await night();
    leave(['ann', 'bea']);
    expect((await night()).courses).toMatchObject([{ off: 0, absent: 1 }]);
    school.later(47 * HOUR);
    expect((await night()).courses).toMatchObject([{ off: 0, absent: 1 }]);
    leave(['ann', 'bea', 'cal']);
    await night();
    leave(['ann', 'bea']);
    school.later(49 * HOUR);
    await night();
    expect(await listed()).toEqual(['ann', 'bea', 'cal']);
    school.later(97 * HOUR);
    expect((await night()).courses).toMatchObject([{ off: 1, absent: 0 }]);
    expect(await listed()).toEqual(['ann', 'bea']);
  });

  test('whose row cannot be read is not gone', async () => {
    leave(['ann', 'bea']);
    await night();
    const users = path.join(folder, 'users.csv');
    writeFileSync(users, readFileSync(users, 'utf8').replace('bea@school.example', 'none'));
    for (const hours of [1, 60]) {
      school.later(hours * HOUR);
      expect((await night()).courses).toMatchObject([{ off: 0, absent: 0 }]);
    }
    expect(await listed()).toEqual(['ann', 'bea']);
  });

  test('who was put there by hand stays, whatever the list says', async () => {
    leave(['ann']);
    await night();
    school.later(100 * HOUR);
    await night();
    expect(await rosterOf(school.pembit, school.course)).toHaveLength(school.students.length + 1);
  });

  test('of a list that would take many away nothing is taken over, until the office says so', async () => {
    leave(TEN);
    await night();
    leave(['sa', 'new']);
    const report = await night();
    expect(report).toMatchObject({ courses: [], held: [{ code: 'HL 210', known: 10, gone: 9 }] });
    expect(await listed()).toEqual(TEN);
    const pembit = { ...school.pembit, config: { ...school.pembit.config, rosterFolder: folder } };
    const student = school.students[0]!;
    expect(await readRosters(pembit, student, [school.course])).toMatchObject({ reason: 'notFound' });
    expect(valueOf(await readRosters(pembit, office, [school.course])).courses).toMatchObject([{ added: 1, absent: 9 }]); // prettier-ignore
    // They too have 48 hours.
    expect(await listed()).toHaveLength(11);
  });

  test('a folder without lists, and classes of no course, change nothing and say so', async () => {
    expect((await night()).failure).toMatch(/classes\.csv/);
    leave(['ann'], 'ZZ 999');
    expect(await night()).toMatchObject({ courses: [], held: [], unclear: [] });
    const { readings } = valueOf(await rosterReports(school.pembit, office, 10));
    expect(readings).toHaveLength(2);
    expect(JSON.stringify(readings)).not.toContain('ann');
    expect(await rosterReports(school.pembit, school.instructor, 10)).toMatchObject({ reason: 'notFound' });
  });

  test('nothing is read where no folder is named', async () => {
    leave(['ann']);
    await keepRosters(school.pembit);
    expect(await listed()).toEqual([]);
    await keepRosters({ ...school.pembit, config: { ...school.pembit.config, rosterFolder: folder } });
    expect(await listed()).toEqual(['ann']);
  });
});

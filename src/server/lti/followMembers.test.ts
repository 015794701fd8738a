import { randomUUID } from 'node:crypto';
import { describe, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import { knownOnSite, siteInput, siteSchool } from '../../../tests/support/siteSchool';
import type { CourseId } from '@/core/ids';
import { select } from '@/data/database';
import { contextsOfCourse, insertContext } from '@/data/lti/contexts';
import { followMembers, followSites, previewMembers, readMembers } from './followMembers';
import { unlinkCourse } from './linkCourse';
import { savePlatform } from './platforms';

const HOUR = 3_600_000;
const MEMBERSHIP = 'http://purl.imsglobal.org/vocab/lis/v2/membership#';
const at = siteSchool({ students: 8 });
const member = (id: string, more: object = {}) => ({
  user_id: id,
  name: `Student ${id}`,
  email: `${id}@kittiwake.example`,
  roles: [`${MEMBERSHIP}Learner`],
  status: 'Active',
  ...more,
});
const roster = async (course: CourseId = at.school.course) =>
  (await select<{ email: string }>(at.pembit, 'SELECT people.email FROM roster JOIN people ON people.id = person_id WHERE course_id = :course ORDER BY 1', { course })).map(({ email }) => email); // prettier-ignore
async function link(more: object = {}): Promise<string> {
  const id = randomUUID();
  await at.pembit.queue.write((writer) =>
    insertContext(writer, { id, platform: at.site, deployment: '1', context: id, title: 'Hull', course: at.school.course, membersUrl: `${at.platform.origin}/members`, linkedBy: at.school.instructor.person.id, nowMs: 0, ...more }),
  ); // prettier-ignore
  return id;
}
const subjects = () => at.school.students.map(({ person }) => person.email.split('@')[0]!);

describe('a roster that follows its site', () => {
  test('is compared first, page by page, with a token by a signed assertion; nothing is saved', async () => {
    const id = await link();
    at.platform.members.all = [member('n1'), member('n2'), member('t1', { roles: [`${MEMBERSHIP}Instructor`] }), member('n3', { status: 'Inactive' }), { no: 'member' }]; // prettier-ignore
    at.platform.members.page = 2;
    const before = await roster();
    const preview = valueOf(await previewMembers(at.pembit, at.school.instructor, id));
    expect(preview).toEqual({ added: ['Student n1', 'Student n2'], present: 0, gone: [] });
    expect(await roster()).toEqual(before);
    const [assertion] = at.platform.assertions.slice(-1);
    expect(assertion).toMatchObject({ iss: at.platform.clientId, sub: at.platform.clientId, aud: `${at.platform.origin}/token` }); // prettier-ignore
    expect(await previewMembers(at.pembit, at.school.stranger, id)).toMatchObject({ ok: false });
  });

  test('takes who joins, without a letter, and keeps who leaves for 48 hours', async () => {
    const id = await link();
    await knownOnSite(at);
    at.platform.members.all = [
      ...subjects()
        .slice(1)
        .map((one) => member(one)),
      member('n1'),
    ];
    const gone = at.school.students[0]!.person.email;
    expect(valueOf(await followMembers(at.pembit, at.school.instructor, id, true))).toEqual({ added: 1, off: 0, absent: 1 }); // prettier-ignore
    expect(await roster()).toEqual(expect.arrayContaining([gone, 'n1@kittiwake.example']));
    expect(await select(at.pembit, "SELECT id FROM outbox WHERE recipient = 'n1@kittiwake.example'")).toEqual(
      [],
    );
    at.school.later(47 * HOUR);
    await followSites(at.pembit);
    expect(await roster()).toContain(gone);
    at.school.later(49 * HOUR);
    await followSites(at.pembit);
    expect(await roster()).not.toContain(gone);
    // Who has been taken off comes back with the list.
    at.platform.members.all.push(member(subjects()[0]!));
    at.school.later(50 * HOUR);
    await followSites(at.pembit);
    expect(await roster()).toContain(gone);
  });

  test('follows nothing once it was told so, or the link has ended', async () => {
    const id = await link();
    at.platform.members.all = [member('n1')];
    valueOf(await followMembers(at.pembit, at.school.instructor, id, true));
    valueOf(await followMembers(at.pembit, at.school.instructor, id, false));
    at.platform.members.all = [member('n1'), member('n2')];
    await followSites(at.pembit);
    expect(await roster()).not.toContain('n2@kittiwake.example');
    valueOf(await unlinkCourse(at.pembit, at.school.instructor, id));
    expect(await readMembers(at.pembit, at.school.instructor, id, { even: false })).toMatchObject({
      ok: false,
    });
  });

  test('is held back where many would be gone, until somebody says so', async () => {
    const id = await link();
    await knownOnSite(at);
    at.platform.members.all = [member(subjects()[0]!)];
    expect(valueOf(await readMembers(at.pembit, at.school.instructor, id, { even: false })).held).toEqual({ known: 8, gone: 7 }); // prettier-ignore
    expect(valueOf(await readMembers(at.pembit, at.school.instructor, id, { even: true }))).toMatchObject({
      absent: 7,
    });
    at.school.later(49 * HOUR);
    expect(valueOf(await readMembers(at.pembit, at.school.instructor, id, { even: true }))).toMatchObject({
      off: 7,
    });
    expect(await roster()).toHaveLength(1);
  });

  test('a section’s list says nothing of another section, and moves who changes', async () => {
    const second = await addSectionB();
    await knownOnSite(at);
    const id = await link({ section: second });
    at.platform.members.all = [member(subjects()[0]!)];
    expect(valueOf(await readMembers(at.pembit, at.school.instructor, id, { even: false }))).toEqual({ added: 0, off: 0, absent: 0 }); // prettier-ignore
    const [moved] = await select<{ section_id: string }>(at.pembit, 'SELECT section_id FROM roster WHERE course_id = :course AND person_id = :person', { course: at.school.course, person: at.school.students[0]!.person.id }); // prettier-ignore
    expect(moved!.section_id).toBe(second);
    expect(await roster()).toHaveLength(8);
  });

  test('enrols whoever has an account by their address as any list does; the at.site opens it only once they have signed in', async () => {
    const id = await link();
    const stranger = at.school.stranger.person;
    at.platform.members.all = [member('x9', { email: stranger.email })];
    valueOf(await readMembers(at.pembit, at.school.instructor, id, { even: false }));
    expect(await roster()).toContain(stranger.email);
    expect(await select(at.pembit, 'SELECT id FROM lti_accounts')).toEqual([]);
  });

  test('without names, where the at.school keeps none', async () => {
    valueOf(
      await savePlatform(at.pembit, at.admin, { ...siteInput(at), asksNames: false }, at.site, {
        anew: false,
      }),
    );
    const id = await link();
    at.platform.members.all = [member('n1')];
    expect(valueOf(await previewMembers(at.pembit, at.school.instructor, id)).added).toEqual([
      'Somebody without a name',
    ]);
    valueOf(await readMembers(at.pembit, at.school.instructor, id, { even: false }));
    expect(JSON.stringify(await select(at.pembit, 'SELECT name, email FROM people'))).not.toMatch(
      /Student n1|n1@/,
    );
  });

  test.each([401, 500])('a at.site that answers %i is said, and nothing changes', async (broken) => {
    const id = await link();
    at.platform.members.broken = broken;
    const before = await roster();
    expect(await readMembers(at.pembit, at.school.instructor, id, { even: false })).toMatchObject({ ok: false, reason: 'siteSilent' }); // prettier-ignore
    expect(await roster()).toEqual(before);
    expect((await contextsOfCourse(at.pembit, at.school.course))[0]!.report).toContain('silent');
  });
});

async function addSectionB(): Promise<string> {
  const id = randomUUID();
  await at.pembit.queue.write(({ sequelize, transaction }) =>
    sequelize.query("INSERT INTO sections (id, course_id, name) VALUES (:id, :course, 'B')", { replacements: { id, course: at.school.course }, transaction }),
  ); // prettier-ignore
  return id;
}

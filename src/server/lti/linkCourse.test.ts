import { randomUUID } from 'node:crypto';
import { describe, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import { siteSchool, waitingFor } from '../../../tests/support/siteSchool';
import type { CourseId } from '@/core/ids';
import { linkCourse } from './linkCourse';

const at = siteSchool();

describe('a course is linked', () => {
  const course = { context: 'c1', title: 'HL 210' };

  test('by its instructor alone, and once: two lists for the same students would contradict each other', async () => {
    const first = await waitingFor(at, { course });
    expect(
      await linkCourse(at.pembit, at.school.stranger, first, { course: at.school.course }),
    ).toMatchObject({
      ok: false,
    });
    expect(await linkCourse(at.pembit, at.school.instructor, first, { course: randomUUID() as CourseId })).toMatchObject({ ok: false }); // prettier-ignore
    expect(
      valueOf(await linkCourse(at.pembit, at.school.instructor, first, { course: at.school.course })).to,
    ).toBe('/next');
    const second = await waitingFor(at, { course: { context: 'c2', title: 'Again' } });
    expect(await linkCourse(at.pembit, at.school.instructor, second, { course: at.school.course })).toMatchObject({ ok: false, fields: [{ field: 'section' }] }); // prettier-ignore
  });

  test('by nobody whom the at.site calls a student', async () => {
    const id = await waitingFor(at, { course, person: { subject: 't1', role: 'takes' } });
    expect(await linkCourse(at.pembit, at.school.instructor, id, { course: at.school.course })).toMatchObject(
      {
        ok: false,
      },
    );
  });
});

import { createReadStream } from 'node:fs';
import { Readable } from 'node:stream';
import { isStaffOf } from '@/core/entries/viewer';
import { filesOfPlan, planToFile } from '@/core/exchange/planToFile';
import type { CourseId, TermId } from '@/core/ids';
import { plainFileName } from '@/core/materials/fileTypes';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { planFileTexts } from '@/core/texts/planFiles';
import type { Reader } from '@/data/reader';
import { filesById } from '@/data/materials/files';
import { courseIdsOf } from '@/data/plan/frameStore';
import { allTerms, loadPlan } from '@/data/plan/loadPlan';
import { storedPath } from '../materials/fileStore';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { zipStream } from './zipStream';

/** A plan package, on its way: what it is called, its bytes, and how much was for named students alone and stays behind. */
export type SavedPlan = Readonly<{ name: string; body: Readable; left: number }>;

/** The plan of a course, with its files, as a package; as an outline without its dates. For its staff, and the administrator. */
export async function saveCourse(
  pembit: Pembit,
  actor: SignedIn,
  course: CourseId,
  outline: boolean,
): Promise<Outcome<SavedPlan>> {
  if (!isStaffOf(actor.viewer, course) && !actor.person.isAdmin) return refused('notFound');
  return packageOf(pembit, [course], outline);
}

/** A term with all its courses as a package. For the administrator. */
export async function saveTerm(pembit: Pembit, actor: SignedIn, term: TermId): Promise<Outcome<SavedPlan>> {
  if (!actor.person.isAdmin) return refused('notFound');
  if (!(await allTerms(pembit)).some(({ id }) => id === term)) return refused('notFound');
  const courses = await courseIdsOf(pembit, term);
  return courses.length > 0
    ? packageOf(pembit, courses, false)
    : refused('badRequest', [{ field: 'id', message: planFileTexts.emptyTerm }]);
}

/** The package of some courses of one term. */
export async function packageOf(
  pembit: Reader & Pick<Pembit, 'config' | 'now'>,
  courses: readonly CourseId[],
  outline: boolean,
): Promise<Outcome<SavedPlan>> {
  const plan = await loadPlan(pembit, courses);
  const [term] = plan.terms;
  const [course] = plan.courses;
  if (!term || !course) return refused('notFound');
  const files = await filesById(pembit, filesOfPlan(plan));
  const { json, left } = planToFile(plan, {
    exported: pembit.now(),
    outline,
    files: files.map(({ id, name, mediaType, size }) => ({ id, name, mediaType, size })),
  });
  const parts = [
    { name: 'plan.json', body: Readable.from([Buffer.from(JSON.stringify(json, undefined, 1))]), pack: true },
    ...files.map(({ id, hash }) => ({
      name: `files/${id}`,
      body: createReadStream(storedPath(pembit.config, hash)),
      pack: false,
    })),
  ];
  const name = plainFileName(planFileTexts.name(courses.length === 1 ? course.code : '', term.name, outline));
  return done({ name, body: Readable.from(zipStream(parts)), left });
}

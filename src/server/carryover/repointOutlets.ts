import type { CoursePlan } from '@/core/carryover/carry';
import { sectionPairs } from '@/core/carryover/sectionPairs';
import type { OutletId } from '@/core/ids';
import type { PublishedOutlet } from '@/core/outlets/outlet';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { Reader } from '@/data/reader';
import type { Change } from '@/data/history/change';
import { outletsOf, replaceOutlet } from '@/data/outlets/outlets';
import type { Pembit } from '../pembit';
import { changeable, outletHash } from '../outlets/publish';
import type { SignedIn } from '../session/session';

/** The outlets that show a course, which the actor may change. */
export async function outletsShowing(
  reader: Reader,
  actor: SignedIn,
  course: CoursePlan['course']['id'],
): Promise<PublishedOutlet[]> {
  const all = await outletsOf(reader, actor.person.id, actor.viewer.staffOf);
  return all.flatMap((o) => (o.audience !== 'personal' && o.courses.includes(course) ? [o] : []));
}

/** Addresses that people keep show the new course from now on, with the sections that are like those they showed. */
export async function repointOutlets(
  pembit: Pembit,
  change: Change,
  actor: SignedIn,
  {
    before,
    after,
    outlets,
  }: Readonly<{ before: CoursePlan; after: CoursePlan; outlets: readonly OutletId[] }>,
): Promise<Outcome<undefined>> {
  const like = sectionPairs(before.course.sections, after.course.sections);
  for (const id of outlets) {
    const found = await changeable(change, actor, id);
    if (!found.ok) return found;
    const outlet = found.value;
    if (outlet.audience === 'personal' || !outlet.courses.includes(before.course.id))
      return refused('notFound');
    const sections = [...like].flatMap(([own, old]) => (outlet.sections.includes(old) ? [own] : []));
    const own = new Set(before.course.sections.map((section) => section.id));
    await replaceOutlet(
      change,
      outlet,
      {
        ...outlet,
        courses: [...new Set(outlet.courses.map((c) => (c === before.course.id ? after.course.id : c)))],
        sections: [...outlet.sections.filter((section) => !own.has(section)), ...sections],
      },
      outletHash(pembit, outlet),
    );
  }
  return done(undefined);
}

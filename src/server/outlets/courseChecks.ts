import { coursesOfFinding } from '@/core/checks/check';
import { courseNames } from '@/core/plan/courseNames';
import type { Outlet } from '@/core/outlets/outlet';
import type { Course } from '@/core/plan/plan';
import { usedLinks } from '@/core/links/usedLinks';
import { publishTexts } from '@/core/texts/publish';
import { linkTestsOf } from '@/data/links/linkTests';
import { untoldOf } from '@/data/outlets/toldFeeds';
import { findingsOf } from '../checks/findings';
import { materialsSeenBy } from '../materials/materialsSeenBy';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import type { SignedIn } from '../session/session';

/** How each course stands that is about to go out: checks left, links, who will see it, where it is published. */
export async function courseChecks(
  pembit: Pembit,
  actor: SignedIn,
  courses: readonly Course[],
  outlets: readonly Outlet[],
  term: string | undefined,
) {
  const [plan, materials, { open }] = await Promise.all([
    planSeenBy(pembit, actor.viewer),
    materialsSeenBy(pembit, actor.viewer),
    findingsOf(pembit, actor, term),
  ]);
  const names = courseNames(courses, plan.terms);
  const links = usedLinks(plan, materials);
  const tests = await linkTestsOf(pembit, links.map(({ url }) => url)); // prettier-ignore
  return Promise.all(
    courses.map(async (course) => {
      const checks = open.filter((finding) => coursesOfFinding(finding).includes(course.id)).length;
      const own = new Set(links.filter((link) => link.course === course.id).map(({ url }) => url));
      const states = [...own].map((url) => tests.get(url)?.state);
      const failing = states.filter((state) => state === 'fails').length;
      const untested = states.filter((state) => state === undefined).length;
      const holding = outlets.filter((o) => o.audience !== 'personal' && o.courses.includes(course.id));
      const isPublic = holding.filter(({ audience }) => audience === 'public').length;
      return {
        id: course.id,
        tag: course.tag,
        color: course.color,
        title: names.get(course.id)!.title,
        who: publishTexts.courseWho({ n: course.students }),
        checks: publishTexts.courseChecks({ n: checks }),
        checksLeft: checks > 0,
        links: publishTexts.courseLinks({ all: states.length, failing, untested }),
        linksBad: failing > 0,
        outlets: publishTexts.courseOutlets(isPublic, holding.length - isPublic),
        untold: (await untoldOf(pembit, course.id)).length,
      };
    }),
  );
}

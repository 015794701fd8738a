import { judgeLink } from '@/core/links/linkTest';
import type { LinkState, LinkTest } from '@/core/links/linkTest';
import { usedLinks } from '@/core/links/usedLinks';
import { isOnStaff, isStaffOf } from '@/core/entries/viewer';
import type { CourseId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { linksToTest, linkTestsOf, saveLinkTests } from '@/data/links/linkTests';
import { materialsSeenBy } from '../materials/materialsSeenBy';
import { guardedGet } from '../outside/guardedGet';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import type { Report } from '../progress';
import type { SignedIn } from '../session/session';

/** How many links are tested at once, and how much of each page is read. */
const AT_ONCE = 8;
const HEAD_BYTES = 64 * 1024;

async function testLink(pembit: Pembit, url: string, signal?: AbortSignal): Promise<LinkTest> {
  const begun = performance.now();
  const answer = await guardedGet(pembit.config, url, { largest: HEAD_BYTES, beyond: 'cut', signal });
  const milliseconds = Math.round(performance.now() - begun);
  const common = { url, milliseconds, testedAt: pembit.now() };
  if (!answer.ok) return { ...common, state: 'fails', reason: answer.reason };
  const { status, redirects } = answer;
  return {
    ...common,
    status,
    reason: '',
    ...judgeLink(url, { url: answer.url, status, redirects, milliseconds }),
  };
}

/** Tests one address that somebody on a staff is about to use; nothing is kept of it. */
export const testOneLink = async (
  pembit: Pembit,
  actor: SignedIn,
  url: string,
): Promise<Outcome<LinkTest>> =>
  isOnStaff(actor.viewer) || actor.person.isAdmin ? done(await testLink(pembit, url)) : refused('notYours');

/** Tests addresses, several at once; what was found is kept even when it is stopped halfway. */
async function testAll(
  pembit: Pembit,
  urls: readonly string[],
  { report, signal }: Readonly<{ report?: Report; signal?: AbortSignal }> = {},
): Promise<LinkTest[]> {
  const waiting = [...urls];
  const tests: LinkTest[] = [];
  const work = async () => {
    for (let url = waiting.shift(); url !== undefined && !signal?.aborted; url = waiting.shift()) {
      const test = await testLink(pembit, url, signal);
      if (signal?.aborted) return;
      tests.push(test);
      report?.(tests.length, urls.length);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  const before = await linkTestsOf(pembit, urls);
  const news = tests.some((test) => before.get(test.url)?.state !== test.state);
  // What is kept in memory is read anew only where an answer is another one.
  await pembit.queue.write((writer) => saveLinkTests(writer, tests), { aside: !news });
  return tests;
}

export type LinkCounts = Readonly<{ tested: number } & Partial<Record<LinkState, number>>>;

/** Tests every link of a course now. */
export async function testLinksOf(
  pembit: Pembit,
  actor: SignedIn,
  course: CourseId,
  progress: Readonly<{ report?: Report; signal?: AbortSignal }>,
): Promise<Outcome<LinkCounts>> {
  if (!isStaffOf(actor.viewer, course)) return refused('notFound');
  const [plan, materials] = await Promise.all([
    planSeenBy(pembit, actor.viewer),
    materialsSeenBy(pembit, actor.viewer),
  ]);
  const urls = usedLinks(plan, materials).flatMap((link) => (link.course === course ? [link.url] : []));
  const tests = await testAll(pembit, [...new Set(urls)], progress);
  const counts: Partial<Record<LinkState, number>> = {};
  for (const { state } of tests) counts[state] = (counts[state] ?? 0) + 1;
  return done({ tested: tests.length, ...counts });
}

const MOST = 40;
const running = new WeakSet<Pembit['queue']>();

/** The scheduled round: what is new, what is needed soon, what was not looked at for a week. It does not hold up other jobs. */
export async function testLinksInTurn(pembit: Pembit): Promise<void> {
  if (running.has(pembit.queue)) return;
  const urls = await linksToTest(pembit, pembit.now().epochMilliseconds, MOST);
  if (urls.length === 0) return;
  running.add(pembit.queue);
  void testAll(pembit, urls)
    .catch((error: unknown) => pembit.log.error({ err: error }, 'Testing links failed'))
    .finally(() => running.delete(pembit.queue));
}

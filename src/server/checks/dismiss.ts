import { coursesOfFinding, findingKey, fingerprint } from '@/core/checks/check';
import type { Finding } from '@/core/checks/check';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { checkTexts } from '@/core/texts/checks';
import { writeDismissal } from '@/data/checks/dismissals';
import type { Change } from '@/data/history/change';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { findingsOf } from './findings';

/** What a finding is about, for people. */
export const titleOf = ({ about }: Finding): string =>
  'entry' in about ? about.entry.title : 'place' in about ? about.place.title : (about.seen.plan?.title ?? checkTexts.classOf(about.seen.course.tag, about.seen.meeting)); // prettier-ignore

function concern(change: Change, finding: Finding): void {
  change.concerns(...coursesOfFinding(finding).map((course) => `course:${course}` as const));
}

/** Says that a finding is meant so. It comes back when the entry changes. */
export async function dismissFinding(
  pembit: Pembit,
  actor: SignedIn,
  { key, reason, term }: { key: string; reason: string; term?: string },
): Promise<Outcome<{ title: string }>> {
  const { open } = await findingsOf(pembit, actor, term);
  return perform(pembit, actor, 'dismissFinding', async (change) => {
    const finding = open.find((f) => findingKey(f) === key);
    if (!finding) return refused('notFound');
    await writeDismissal(change, {
      finding: key,
      fingerprint: fingerprint(finding),
      reason,
      person: actor.person.id,
    });
    concern(change, finding);
    change.summarise(checkTexts.leftOut({ title: titleOf(finding) }));
    return done({ title: titleOf(finding) });
  });
}

/** Has a finding checked again that was left out. */
export async function bringBackFinding(
  pembit: Pembit,
  actor: SignedIn,
  id: string,
  term?: string,
): Promise<Outcome<{ title: string }>> {
  const { dismissed } = await findingsOf(pembit, actor, term);
  return perform(pembit, actor, 'bringBackFinding', async (change) => {
    const found = dismissed.find(({ dismissal }) => dismissal.id === id);
    if (!found) return refused('notFound');
    await change.remove('dismissals', id);
    concern(change, found.finding);
    change.summarise(checkTexts.backAgain({ title: titleOf(found.finding) }));
    return done({ title: titleOf(found.finding) });
  });
}

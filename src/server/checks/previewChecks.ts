import { findAll } from '@/core/checks/allChecks';
import type { CheckedEntry, Finding } from '@/core/checks/check';
import { derived } from '@/core/entries/derive';
import { factsFromInput } from '@/core/entries/factsFromInput';
import type { EntryInput } from '@/core/entries/entryInput';
import { termOfCourse } from '@/core/plan/seenPlan';
import { releaseAt } from '@/core/entries/visibility';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done } from '@/core/refusals';
import { checkedInput } from '../entries/checkedInput';
import { newIdentity } from '../entries/planEntry';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import type { SignedIn } from '../session/session';
import { checkInput } from './findings';

/** What the checks would find in an entry as it is being written; nothing is saved. */
export async function previewChecks(
  pembit: Pembit,
  actor: SignedIn,
  { id, input }: { id?: EntryId; input: EntryInput },
): Promise<Outcome<readonly Finding[]>> {
  const plan = await planSeenBy(pembit, actor.viewer);
  const checked = await checkedInput(pembit, pembit, actor, input);
  if (!checked.ok) return checked;
  if (input.kind === 'note') return done([]);
  // In the term for which it is written, whichever is looked at.
  const term = termOfCourse(plan, input.audience[0]?.course);
  const looked = await checkInput(pembit, actor.viewer, plan, term?.id);
  if (!looked) return done([]);
  const now = pembit.now();
  const identity = { ...newIdentity(actor), ...(id ? { id } : {}) };
  const facts = factsFromInput(checked.value.input, identity, checked.value.zone);
  const made = derived(facts, plan.courses, { sequence: 0, created: now, lastModified: now });
  if (made.kind === 'note') return done([]);
  const entry = { ...made, release: releaseAt(made, now), asStaff: true, whole: true } as CheckedEntry;
  const entries = [...looked.entries.filter((other) => other.id !== identity.id), entry];
  const about = (finding: Finding) =>
    ('entry' in finding.about && finding.about.entry === entry) || finding.other === entry;
  return done(findAll({ ...looked, entries, written: entry }).filter(about));
}

import type { EntryId, FileId } from '@/core/ids';
import type { Entry } from '@/core/entries/entry';
import type { Outcome } from '@/core/refusals';
import { refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { perform } from '../history/perform';
import { checkedLinks } from '../materials/checkedLinks';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { entryFor, saveEntry } from './saveEntry';

/** Adds a file that somebody has uploaded to the links of an entry, after those that are there. */
export function attachFile(
  pembit: Pembit,
  actor: SignedIn,
  id: EntryId,
  { file, label }: Readonly<{ file: FileId; label: string }>,
): Promise<Outcome<Entry>> {
  return perform<Entry>(pembit, actor, 'changeEntry', async (change) => {
    const found = await entryFor(change, actor, 'changeEntry', id);
    if (!found.ok) return found;
    const before = found.value;
    if (before.kind === 'note') return refused('notFound');
    const courses = before.audience.map((part) => part.course);
    const checked = await checkedLinks(change, actor, courses, [{ url: '', label, staffOnly: false, file }]);
    if (checked.errors.length > 0) return refused('badRequest', checked.errors);
    change.summarise(historyTexts.changed({ title: before.title }));
    const after = { ...before, links: [...before.links, ...checked.links] };
    return saveEntry(change, after, { actor, act: 'changeEntry', before });
  });
}

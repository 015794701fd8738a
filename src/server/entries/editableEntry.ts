import type { Entry } from '@/core/entries/entry';
import type { Viewer } from '@/core/entries/viewer';
import { isStaffOf } from '@/core/entries/viewer';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { Reader } from '@/data/database';
import { entryById } from '@/data/entries/entries';

/** An entry that the viewer may edit: whoever teaches all its courses may, and whoever wrote a note. */
export async function editableEntry(reader: Reader, viewer: Viewer, id: EntryId): Promise<Outcome<Entry>> {
  const entry = await entryById(reader, id);
  const may =
    entry?.kind === 'note'
      ? viewer.kind === 'person' && entry.author === viewer.id
      : entry?.audience.every((part) => isStaffOf(viewer, part.course));
  return entry && may ? done(entry) : refused('notFound');
}

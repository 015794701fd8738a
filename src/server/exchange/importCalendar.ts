import { randomUUID } from 'node:crypto';
import type { EntryFacts } from '@/core/entries/facts';
import type { ImportLine, Target } from '@/core/exchange/compareCalendar';
import { eventComparison, unreadLines } from '@/core/exchange/compareCalendar';
import type { ReadCalendar } from '@/core/icalendar/readCalendar';
import { changedByRead, entryFromRead } from '@/core/exchange/entryFromRead';
import type { CourseId, EntryId, FileId } from '@/core/ids';
import { mayIn } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { importTexts } from '@/core/texts/imports';
import { requireZone } from '@/core/time/zoneData';
import type { Reader } from '@/data/reader';
import { uidsOf } from '@/data/entries/entries';
import { loadPlan } from '@/data/plan/loadPlan';
import { saveEntry, saveNewEntries } from '../entries/saveEntry';
import { perform } from '../history/perform';
import { readUploaded } from '../outside/readUploaded';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { inSlices } from '../worker/inSlices';

async function placeOf(reader: Reader, id: CourseId): Promise<Target | undefined> {
  const plan = await loadPlan(reader, [id]);
  const course = plan.courses.find((c) => c.id === id);
  const term = plan.terms.find((t) => t.id === course?.term);
  return course && term && { plan, course, term };
}

/** A file against a plan, in slices: a long one holds up nobody. */
async function linesOf(calendar: ReadCalendar, place: Target): Promise<ImportLine[]> {
  const lines = await inSlices(calendar.events, eventComparison(place));
  return [...lines.flat(), ...unreadLines(calendar)];
}

/** What a file would bring into a course. */
export async function previewImport(
  pembit: Pembit,
  actor: SignedIn,
  { course, file }: Readonly<{ course: CourseId; file: FileId }>,
): Promise<Outcome<readonly ImportLine[]>> {
  if (!mayIn(actor, 'importCalendar', course)) return refused('notFound');
  const place = await placeOf(pembit, course);
  if (!place) return refused('notFound');
  const calendar = await readUploaded(pembit, actor, file, place.term.tzid);
  return calendar.ok ? done(await linesOf(calendar.value, place)) : calendar;
}

export type Imported = Readonly<{
  added: number;
  changed: number;
  same: number;
  left: readonly ImportLine[];
}>;

/** Brings a file into a course, in one act that one undo takes back. */
export async function importCalendar(
  pembit: Pembit,
  actor: SignedIn,
  { course: id, file, draft = false }: Readonly<{ course: CourseId; file: FileId; draft?: boolean }>,
): Promise<Outcome<Imported>> {
  if (!mayIn(actor, 'importCalendar', id)) return refused('notFound');
  const before = await placeOf(pembit, id);
  if (!before) return refused('notFound');
  const calendar = await readUploaded(pembit, actor, file, before.term.tzid);
  if (!calendar.ok) return calendar;
  return perform(pembit, actor, 'importCalendar', async (change) => {
    // Compared anew within the transaction: somebody may have changed the plan since the look.
    const place = await placeOf(change, id);
    if (!place) return refused('notFound');
    const { course, term } = place;
    const zone = requireZone(term.tzid);
    const lines = await linesOf(calendar.value, place);
    const taken = await uidsOf(change);
    const left = lines.filter((line) => line.state === 'left');
    const leave = (line: ImportLine, why: string) => left.push({ ...line, state: 'left', why });
    const fresh = new Map<EntryId, readonly [ImportLine, EntryFacts]>();
    let changed = 0;
    await inSlices(lines, (line) => {
      if (line.state !== 'new') return;
      // A UID that another course has is not taken from it.
      const uid = taken.has(line.event.uid) ? randomUUID() : line.event.uid;
      taken.add(uid);
      const identity = { id: randomUUID() as EntryId, uid, author: actor.person.id };
      const made = entryFromRead(line.event, { course, zone, identity, draft });
      if ('facts' in made) fresh.set(identity.id, [line, made.facts]);
      else leave(line, made.why);
    });
    for (const line of lines) {
      if (line.state !== 'changed') continue;
      const facts = changedByRead(line.entry, line.event, { set: line.set, tag: course.tag });
      const saved = await saveEntry(change, facts, { actor, act: 'importCalendar', before: line.entry });
      if (saved.ok) changed++;
      else leave(line, importTexts.notTaken({ why: saved.fields?.[0]?.message ?? '' }));
    }
    const facts = [...fresh.values()].map(([, each]) => each);
    const { saved: added, wrong } = await saveNewEntries(change, facts, { actor, act: 'importCalendar', courses: [course] }); // prettier-ignore
    for (const [id, message] of wrong) leave(fresh.get(id)![0], importTexts.notTaken({ why: message }));
    change.summarise(historyTexts.importedFile(added, changed));
    const same = lines.filter((line) => line.state === 'same').length;
    return done({ added, changed, same, left });
  });
}

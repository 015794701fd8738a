import type { CourseAudience, Entry } from '@/core/entries/entry';
import type { MergePreview } from '@/core/frame/mergePreview';
import type { SectionId } from '@/core/ids';
import { mayIn } from '@/core/may/may';
import type { ClassPlan } from '@/core/plan/classPlan';
import type { Course, Section } from '@/core/plan/plan';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import type { Reader } from '@/data/reader';
import { placesInSection } from '@/data/people/enrolment';
import { staffRowsOf } from '@/data/people/staff';
import { entriesOf } from '@/data/entries/entries';
import { changeEntryRows } from '@/data/entries/writeEntries';
import type { Change } from '@/data/history/change';
import { removeWhole } from '@/data/history/removeWhole';
import { allOutlets, replaceOutlet } from '@/data/outlets/outlets';
import { classPlansOf, writeClassPlan } from '@/data/plan/classPlans';
import { fromClosure } from '@/data/plan/frameRows';
import { courseOfSection } from '@/data/plan/frameStore';
import { loadFrame } from '@/data/plan/loadPlan';
import { removeMeeting } from '@/data/plan/writeMeetings';
import { replaceSheetFacts, sheetsOf } from '@/data/signup/sheets';
import { perform } from '../history/perform';
import { outletHash } from '../outlets/publish';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { refitMeetings } from './refitMeetings';

type Merging = Readonly<{ course: Course; from: Section; into: Section }>;

async function mergingOf(
  reader: Reader,
  actor: SignedIn,
  from: SectionId,
  into: SectionId,
): Promise<Merging | undefined> {
  const id = await courseOfSection(reader, from);
  if (!id || !mayIn(actor, 'mergeSections', id)) return undefined;
  const [course] = (await loadFrame(reader, [id])).courses;
  const named = (section: SectionId) => course?.sections.find((one) => one.id === section);
  const [left, right] = [named(from), named(into)];
  return course && left && right && from !== into ? { course, from: left, into: right } : undefined;
}

const names = (section: SectionId) => (part: CourseAudience) => part.sections?.includes(section) === true;

/** An audience without the section: whoever was in it is in the other one. */
const merged = (audience: readonly CourseAudience[], { from, into }: Merging): CourseAudience[] =>
  audience.map((part) =>
    names(from.id)(part) ? { ...part, sections: replaced(part.sections!, from.id, into.id) } : part,
  );

const replaced = (sections: readonly SectionId[], from: SectionId, into: SectionId): SectionId[] => [
  ...new Set(sections.map((section) => (section === from ? into : section))),
];

/** Days without classes of the section alone are gone with it; where it is one of several, the others keep them. */
async function leaveClosures(change: Change, { course, from }: Merging): Promise<void> {
  for (const closure of (await loadFrame(change, [course.id])).closures) {
    if (!closure.sections?.includes(from.id)) continue;
    const sections = closure.sections.filter((section) => section !== from.id);
    if (sections.length === 0) await change.remove('closures', closure.id);
    else await change.update('closures', closure.id, fromClosure({ ...closure, sections }));
  }
}

const standsIn = (plan: ClassPlan, section: SectionId) => plan.bindings.some((b) => b.section === section);
const standsAloneIn = (plan: ClassPlan, section: SectionId) =>
  plan.bindings.length > 0 && plan.bindings.every((b) => b.section === section);

const outletsWith = async (reader: Reader, section: SectionId) =>
  (await allOutlets(reader)).flatMap((o) =>
    o.audience !== 'personal' && o.sections.includes(section) ? [o] : [],
  );

/** What a merge would do, before it is done. */
export async function previewMerge(pembit: Pembit, actor: SignedIn, ids: Readonly<{ from: SectionId; into: SectionId }>): Promise<Outcome<MergePreview>> {
  const merging = await mergingOf(pembit, actor, ids.from, ids.into);
  if (!merging) return refused('notFound');
  const { course, from, into } = merging;
  const [plans, entries, sheets, outlets] = await Promise.all([
    classPlansOf(pembit, [course.id]),
    entriesOf(pembit, [course.id]),
    sheetsOf(pembit, [course.id]),
    outletsWith(pembit, from.id),
  ]);
  const alone = (audience: readonly CourseAudience[]) => audience.some((part) => names(from.id)(part) && part.sections!.length === 1);
  const own = sheets.filter(({ audience }) => alone(audience));
  return done({
    from: from.name,
    into: into.name,
    students: from.students,
    classes: from.meetings.length,
    waiting: plans.filter((plan) => standsAloneIn(plan, from.id)).map(({ title }) => title),
    entries: entries.flatMap((entry) => (entry.kind !== 'note' && alone(entry.audience) ? [entry.title] : [])),
    sheets: own.map(({ title }) => title),
    taken: own.reduce((sum, { slots }) => sum + slots.reduce((n, slot) => n + slot.bookings.length, 0), 0),
    outlets: outlets.map(({ name }) => name),
  });
} // prettier-ignore

/**
 * Merges a section into another of its course: students, what is for it, what shows it and who helps in it go over; its classes
 * are gone, and a plan that stood in it alone waits for a class. One act, one undo.
 */
export function mergeSections(pembit: Pembit, actor: SignedIn, ids: Readonly<{ from: SectionId; into: SectionId }>): Promise<Outcome<{ students: number }>> {
  return perform(pembit, actor, 'mergeSections', async (change) => {
    const merging = await mergingOf(change, actor, ids.from, ids.into);
    if (!merging) return refused('notFound');
    const { course, from, into } = merging;
    await mergePeople(change, merging);
    for (const plan of await classPlansOf(change, [course.id])) {
      if (!standsIn(plan, from.id)) continue;
      await writeClassPlan(change, { ...plan, bindings: plan.bindings.filter(({ section }) => section !== from.id) });
    }
    for (const entry of await entriesOf(change, [course.id])) await mergeEntry(change, entry, merging);
    for (const sheet of await sheetsOf(change, [course.id]))
      if (sheet.audience.some(names(from.id)))
        await replaceSheetFacts(change, { ...sheet, audience: merged(sheet.audience, merging) }, sheet);
    for (const outlet of await outletsWith(change, from.id))
      await replaceOutlet(change, outlet, { ...outlet, sections: replaced(outlet.sections, from.id, into.id) }, outletHash(pembit, outlet));
    await leaveClosures(change, merging);
    for (const meeting of from.meetings) await removeMeeting(change, { course: course.id, section: from.id }, meeting);
    await removeWhole(change, 'sections', from.id);
    await refitMeetings(change, [course.id]);
    change.concerns(`course:${course.id}`);
    change.summarise(frameHistoryTexts.mergedSections({ from: from.name, into: into.name }));
    return done({ students: from.students });
  });
} // prettier-ignore

/** Students, offered places and whoever helps in the section. */
async function mergePeople(change: Change, { course, from, into }: Merging): Promise<void> {
  for (const table of ['roster', 'offered_places'] as const) {
    const rows = await placesInSection(change, table, from.id);
    for (const { id } of rows) await change.update(table, id, { section_id: into.id });
    change.concerns(...rows.map(({ person_id: person }) => `person:${person}` as const));
  }
  for (const { id, sections, person_id: person } of await staffRowsOf(change, course.id)) {
    if (sections === null) continue;
    const before = JSON.parse(sections) as SectionId[];
    if (!before.includes(from.id)) continue;
    await change.update('staff', id, { sections: JSON.stringify(replaced(before, from.id, into.id)) });
    change.concerns(`person:${person}`);
  }
}

/** What an entry says of the section: whom it is for, and the number of its class there. */
async function mergeEntry(change: Change, entry: Entry, merging: Merging): Promise<void> {
  if (entry.kind === 'note') return;
  const { from } = merging;
  const refs = entry.kind === 'assignment' && entry.atClass;
  const bound = refs && Object.values(refs).some((ref) => ref?.sections && from.id in ref.sections);
  if (!bound && !entry.audience.some(names(from.id))) return;
  const audience = merged(entry.audience, merging);
  if (!bound) return void (await changeEntryRows(change, entry, { ...entry, audience }));
  const without = Object.fromEntries(
    Object.entries(refs).map(([field, ref]) => {
      const { [from.id]: _, ...sections } = ref.sections ?? {};
      return [field, { ...ref, sections }];
    }),
  );
  await changeEntryRows(change, entry, { ...entry, audience, atClass: without });
}

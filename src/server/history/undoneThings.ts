import type { Entry } from '@/core/entries/entry';
import type { ClassPlanId, EntryId, MeetingId, SectionId } from '@/core/ids';
import type { ClassPlan } from '@/core/plan/classPlan';
import type { Meeting } from '@/core/time/meetings';
import type { Reader } from '@/data/reader';
import { entryById } from '@/data/entries/entries';
import { leaveTraces } from '@/data/entries/writeEntries';
import type { Change } from '@/data/history/change';
import type { HistoryRecord } from '@/data/history/undo';
import { classPlanById, tellOfPlan } from '@/data/plan/classPlans';
import { courseOfSection, meetingById } from '@/data/plan/frameStore';
import { tellOfClass } from '@/data/plan/writeMeetings';

/** What an act is about, as it stands: an undoing tells of it what it did, as any other act does. */
type Things = Readonly<{
  entries: ReadonlyMap<EntryId, Entry | undefined>;
  classes: ReadonlyMap<MeetingId, { meeting: Meeting; section: string } | undefined>;
  plans: ReadonlyMap<ClassPlanId, ClassPlan | undefined>;
}>;

/** The ids that an act wrote in a table, or that rows of another table of it name. */
const idsIn = ({ changes }: HistoryRecord, table: string, naming: Readonly<Record<string, string>>): string[] => [
  ...new Set(
    changes.flatMap((row) => {
      if (row.table === table) return [row.id];
      const column = naming[row.table];
      const id = column && (row.after ?? row.before)?.[column];
      return typeof id === 'string' ? [id] : [];
    }),
  ),
]; // prettier-ignore

const HANGING_ON_ENTRIES = { entry_audiences: 'entry_id', links: 'entry_id', extensions: 'entry_id' };

async function each<Id extends string, T>(ids: readonly string[], find: (id: Id) => Promise<T>): Promise<Map<Id, T>> {
  const found = new Map<Id, T>();
  for (const id of ids) found.set(id as Id, await find(id as Id));
  return found;
} // prettier-ignore

/** The entries, classes and class plans of an act, as they stand. */
export async function thingsOf(reader: Reader, record: HistoryRecord): Promise<Things> {
  return {
    entries: await each(idsIn(record, 'entries', HANGING_ON_ENTRIES), (id: EntryId) => entryById(reader, id)),
    classes: await each(idsIn(record, 'meetings', {}), (id: MeetingId) => meetingById(reader, id)),
    plans: await each(idsIn(record, 'class_plans', { plan_bindings: 'plan_id' }), (id: ClassPlanId) => classPlanById(reader, id)), // prettier-ignore
  };
}

/** Tells what has come of them since. */
export async function tellOfThings(change: Change, record: HistoryRecord, before: Things): Promise<void> {
  const after = await thingsOf(change, record);
  for (const [id, was] of before.entries) {
    const is = after.entries.get(id);
    if (was ?? is) await leaveTraces(change, was, is);
  }
  for (const [id, was] of before.classes) {
    const is = after.classes.get(id);
    const section = (was ?? is)?.section as SectionId | undefined;
    const course = section && (await courseOfSection(change, section));
    if (course) tellOfClass(change, { course, section }, was?.meeting, is?.meeting);
  }
  for (const [id, was] of before.plans) {
    const is = after.plans.get(id);
    if (was ?? is) await tellOfPlan(change, was, is);
  }
}

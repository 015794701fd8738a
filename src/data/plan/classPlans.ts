import { Temporal } from 'temporal-polyfill';
import type { Link } from '@/core/entries/entry';
import type { ClassPlanId, CourseId, MeetingId, SectionId } from '@/core/ids';
import type { ClassPlan, ClassPlanFacts } from '@/core/plan/classPlan';
import { groupBy } from '@/core/groupBy';
import type { Strand } from '@/core/time/classNumber';
import type { Reader } from '../reader';
import { select } from '../database';
import type { Change } from '../history/change';
import { grown } from '../history/grown';
import { partId } from '../partId';
import type { StampScope } from '../history/stamps';
import { meetingById } from './frameStore';
import { stateOfClass } from './writeMeetings';
import type { Rows } from '../rows';

function toClassPlan(row: Rows['class_plans'], bindings: readonly Rows['plan_bindings'][]): ClassPlan {
  return {
    id: row.id as ClassPlanId,
    course: row.course_id as CourseId,
    title: row.title,
    description: row.description,
    links: JSON.parse(row.links) as Link[],
    pinned: row.pinned === 1,
    ...(row.strand === null ? {} : { strand: row.strand as Strand }),
    bindings: bindings.map((b) => ({
      section: b.section_id as SectionId,
      meeting: b.meeting_id as MeetingId,
    })),
    sequence: row.sequence,
    created: Temporal.Instant.fromEpochMilliseconds(row.created_at),
    lastModified: Temporal.Instant.fromEpochMilliseconds(row.modified_at),
  };
}

const fromClassPlan = (plan: ClassPlan): Rows['class_plans'] => ({
  id: plan.id,
  course_id: plan.course,
  title: plan.title,
  description: plan.description,
  links: JSON.stringify(plan.links),
  pinned: plan.pinned ? 1 : 0,
  strand: plan.strand ?? null,
  sequence: plan.sequence,
  created_at: plan.created.epochMilliseconds,
  modified_at: plan.lastModified.epochMilliseconds,
});

export async function classPlansOf(reader: Reader, courses: readonly CourseId[]): Promise<ClassPlan[]> {
  if (courses.length === 0) return [];
  const [plans, bindings] = await Promise.all([
    select<Rows['class_plans']>(
      reader,
      'SELECT * FROM class_plans WHERE course_id IN (:courses) ORDER BY created_at, id',
      { courses },
    ),
    select<Rows['plan_bindings']>(
      reader,
      `SELECT * FROM plan_bindings WHERE plan_id IN (SELECT id FROM class_plans WHERE course_id IN (:courses))
       ORDER BY section_id`,
      { courses },
    ),
  ]);
  const of = groupBy(bindings, (binding) => binding.plan_id);
  return plans.map((row) => toClassPlan(row, of.get(row.id) ?? []));
}

/** Inserts a class plan, or writes it over what was there; its bindings are exactly those given. What stays the same does not grow. */
export async function writeClassPlan(change: Change, facts: ClassPlanFacts): Promise<ClassPlan> {
  const before = await classPlanById(change, facts.id);
  if (before && sameFacts(before, facts)) return before;
  const strand = await strandFor(change, facts, before);
  const plan: ClassPlan = { ...facts, ...(strand ? { strand } : {}), ...grown(change, before) };
  if (before) await change.update('class_plans', plan.id, fromClassPlan(plan));
  else await change.insert('class_plans', [fromClassPlan(plan)]);
  const bindings = await select<Rows['plan_bindings']>(change, 'SELECT * FROM plan_bindings WHERE plan_id = :id', { id: plan.id }); // prettier-ignore
  const wanted = new Map(plan.bindings.map((b) => [b.section as string, b.meeting]));
  for (const binding of bindings) {
    const meeting = wanted.get(binding.section_id);
    if (meeting === undefined) await change.remove('plan_bindings', binding.id);
    else await change.update('plan_bindings', binding.id, { meeting_id: meeting });
    wanted.delete(binding.section_id);
  }
  await change.insert(
    'plan_bindings',
    [...wanted].map(([section, meeting]) => ({
      id: partId(plan.id, 'binding', section),
      plan_id: plan.id,
      section_id: section,
      meeting_id: meeting,
    })),
  );
  change.concerns(`course:${plan.course}`);
  await tellOfPlan(change, before, plan);
  return plan;
}

/** The strand of the classes on which a plan stands; one that lost them keeps its own. */
async function strandFor(
  reader: Reader,
  { bindings }: ClassPlanFacts,
  before: ClassPlan | undefined,
): Promise<Strand | undefined> {
  for (const { meeting } of bindings) {
    const found = await meetingById(reader, meeting);
    if (found) return found.meeting.strand;
  }
  return before?.strand;
}

/** Says what happened to a plan: added, changed, put on another class of a section, or off all of them. */
export async function tellOfPlan(change: Change, before: ClassPlan | undefined, after: ClassPlan | undefined): Promise<void> {
  const { id: subject, course, title } = (after ?? before)!;
  const scopes: StampScope[] = [`course:${course}`];
  if (!before || !after) {
    change.tell({ type: after ? 'classPlanned' : 'classPlanGone', subject, scopes, payload: {} });
    return;
  }
  const text = (plan: ClassPlan) => JSON.stringify([plan.title, plan.description, plan.links]);
  if (text(before) !== text(after)) change.tell({ type: 'classPlanChanged', subject, scopes, payload: {} });
  const state = async (meeting: MeetingId | undefined) => {
    const found = meeting && (await meetingById(change, meeting));
    return found ? stateOfClass(found.meeting, title) : null;
  };
  for (const { section, meeting } of before.bindings) {
    const now = after.bindings.find((binding) => binding.section === section)?.meeting;
    if (now === meeting) continue;
    const states = { section, before: await state(meeting), after: await state(now) };
    change.tell({ type: 'classPlanMoved', subject, scopes, payload: { class: states } });
  }
} // prettier-ignore

const textOf = ({ title, description, links, pinned, bindings }: ClassPlanFacts) =>
  JSON.stringify([
    title,
    description,
    links,
    pinned,
    [...bindings].sort((a, b) => (a.section < b.section ? -1 : 1)),
  ]);
const sameFacts = (a: ClassPlanFacts, b: ClassPlanFacts): boolean => textOf(a) === textOf(b); // prettier-ignore

export async function classPlanById(reader: Reader, id: ClassPlanId): Promise<ClassPlan | undefined> {
  const [[row], bindings] = await Promise.all([
    select<Rows['class_plans']>(reader, 'SELECT * FROM class_plans WHERE id = :id', { id }),
    select<Rows['plan_bindings']>(
      reader,
      'SELECT * FROM plan_bindings WHERE plan_id = :id ORDER BY section_id',
      { id },
    ),
  ]);
  return row && toClassPlan(row, bindings);
}

export async function removeClassPlan(change: Change, plan: ClassPlan): Promise<void> {
  const sql = 'SELECT id FROM plan_bindings WHERE plan_id = :id';
  for (const { id } of await select<{ id: string }>(change, sql, { id: plan.id }))
    await change.remove('plan_bindings', id);
  await change.remove('class_plans', plan.id);
  change.concerns(`course:${plan.course}`);
  await tellOfPlan(change, plan, undefined);
}

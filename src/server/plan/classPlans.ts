import { randomUUID } from 'node:crypto';
import type { ClassPlanId, CourseId, MeetingId, SectionId } from '@/core/ids';
import type { ClassPlan, ClassPlanFacts } from '@/core/plan/classPlan';
import type { ClassPlanInput } from '@/core/plan/classPlanInput';
import type { Filling } from '@/core/plan/fillTopics';
import { fillTopics } from '@/core/plan/fillTopics';
import type { Course } from '@/core/plan/plan';
import { readTopics } from '@/core/plan/readTopics';
import { mayIn } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { sanitize } from '@/core/richText/sanitize';
import { historyTexts } from '@/core/texts/history';
import { dateLabel } from '@/core/time/dateLabels';
import type { ClassNumber, Strand } from '@/core/time/classNumber';
import { classOf } from '@/core/time/classNumber';
import type { Meeting } from '@/core/time/meetings';
import type { Temporal } from 'temporal-polyfill';
import type { Reader } from '@/data/reader';
import type { Change } from '@/data/history/change';
import { classPlansOf, removeClassPlan, writeClassPlan } from '@/data/plan/classPlans';
import { courseOfSection, meetingById } from '@/data/plan/frameStore';
import { loadFrame } from '@/data/plan/loadPlan';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { perform } from '../history/perform';
import { checkedLinks } from '../materials/checkedLinks';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

type Found = Readonly<{ meeting: Meeting; course: Course; plans: readonly ClassPlan[]; plan?: ClassPlan }>;

/** A class of a course that the actor teaches, with what is planned in the course. */
async function classFor(reader: Reader, actor: SignedIn, id: MeetingId): Promise<Outcome<Found>> {
  const found = await meetingById(reader, id);
  const courseId = found && (await courseOfSection(reader, found.section));
  if (!found || !courseId || !mayIn(actor, 'planClass', courseId)) return refused('notFound');
  const [frame, plans] = await Promise.all([loadFrame(reader, [courseId]), classPlansOf(reader, [courseId])]);
  const [course] = frame.courses;
  if (!course) return refused('notFound');
  if (course.archived) return refused('archived');
  const plan = plans.find((p) => p.bindings.some((b) => b.meeting === id));
  return done({ meeting: found.meeting, course, plans, plan });
}

/** The classes of one number in all sections that nothing stands on yet. */
export function freeOfNumber(
  { course, plans }: Pick<Found, 'course' | 'plans'>,
  number: ClassNumber,
): ClassPlan['bindings'] {
  const taken = new Set(plans.flatMap((plan) => plan.bindings.map((b) => b.meeting)));
  return course.sections.flatMap((section) => {
    const meeting = classOf(section.meetings, number);
    return meeting && !taken.has(meeting.id) ? [{ section: section.id, meeting: meeting.id }] : [];
  });
}

/** Writes what is taught in a class. A new plan stands on the class of the same number in every section. */
export function planClass(
  pembit: Pembit,
  actor: SignedIn,
  id: MeetingId,
  input: ClassPlanInput,
): Promise<Outcome<{ id: ClassPlanId; title: string }>> {
  return perform(pembit, actor, 'planClass', async (change) => {
    const found = await classFor(change, actor, id);
    if (!found.ok) return found;
    const { errors, links } = await checkedLinks(change, actor, [found.value.course.id], input.links);
    if (errors.length > 0) return refused('badRequest', errors);
    const text = { ...input, links, description: sanitize(input.description) };
    const { plan, course, meeting } = found.value;
    const after = await writeClassPlan(change, {
      id: plan?.id ?? (randomUUID() as ClassPlanId),
      course: course.id,
      bindings: plan?.bindings ?? freeOfNumber(found.value, meeting),
      ...text,
    });
    change.summarise(historyTexts.plannedClass({ title: after.title }));
    return done({ id: after.id, title: after.title });
  });
}

/** Takes the plan off its classes, in all sections: it is gone. */
export function clearClass(
  pembit: Pembit,
  actor: SignedIn,
  id: MeetingId,
): Promise<Outcome<{ title: string }>> {
  return perform(pembit, actor, 'clearClass', async (change) => {
    const found = await classFor(change, actor, id);
    if (!found.ok) return found;
    const { plan } = found.value;
    if (!plan) return refused('notFound');
    await removeClassPlan(change, plan);
    change.summarise(historyTexts.clearedClass({ title: plan.title }));
    return done({ title: plan.title });
  });
}

/**
 * Moves plans, each to another class of its own section; what stood there takes its place. Sections that are not named
 * stay as they are.
 */
export function movePlans(
  pembit: Pembit,
  actor: SignedIn,
  moves: readonly Readonly<{ from: MeetingId; to: MeetingId }>[],
): Promise<Outcome<{ title: string }>> {
  return perform(pembit, actor, 'movePlans', async (change) => {
    let title = '';
    for (const move of moves) {
      const moved = await moveOne(change, actor, move);
      if (!moved.ok) return moved;
      title = moved.value.title;
      const { locale } = await schoolSettings(change);
      change.summarise(historyTexts.movedPlan({ title, when: dateLabel(moved.value.date, 'short', locale) }));
    }
    return done({ title });
  });
}

async function moveOne(
  change: Change,
  actor: SignedIn,
  { from, to }: Readonly<{ from: MeetingId; to: MeetingId }>,
): Promise<Outcome<{ title: string; date: Temporal.PlainDate }>> {
  const found = await classFor(change, actor, from);
  if (!found.ok) return found;
  const { plan, plans, course } = found.value;
  if (!plan) return refused('notFound');
  const section = course.sections.find((s) => s.meetings.some((m) => m.id === from));
  const target = section?.meetings.find((m) => m.id === to);
  if (!section || !target)
    return refused('badRequest', [{ field: 'moves', message: 'Choose a class of the same section.' }]);
  if (from === to) return done({ title: plan.title, date: target.date });
  const other = plans.find((p) => p.bindings.some((b) => b.meeting === to));
  const put = (p: ClassPlan, meeting: MeetingId): ClassPlanFacts => ({
    ...p,
    bindings: p.bindings.map((b) => (b.section === section.id ? { ...b, meeting } : b)),
  });
  await writeClassPlan(change, put(plan, to));
  if (other) await writeClassPlan(change, put(other, from));
  return done({ title: plan.title, date: target.date });
}

type Placing = Readonly<{ plan: ClassPlanId; section: SectionId; to?: MeetingId }>;

/** Puts a plan that lost its class on another one of the section, or, without one, takes it off the section. */
export function placePlan(
  pembit: Pembit,
  actor: SignedIn,
  { plan: id, section, to }: Placing,
): Promise<Outcome<{ title: string }>> {
  return perform(pembit, actor, 'placePlan', async (change) => {
    const courseId = await courseOfSection(change, section);
    if (!courseId || !mayIn(actor, 'placePlan', courseId)) return refused('notFound');
    const [frame, plans] = await Promise.all([
      loadFrame(change, [courseId]),
      classPlansOf(change, [courseId]),
    ]);
    const plan = plans.find((p) => p.id === id);
    const meetings = frame.courses[0]?.sections.find((s) => s.id === section)?.meetings ?? [];
    if (!plan) return refused('notFound');
    if (
      to &&
      (!meetings.some((m) => m.id === to) || plans.some((p) => p.bindings.some((b) => b.meeting === to)))
    )
      return refused('badRequest', [{ field: 'to', message: 'Choose a class that nothing stands on.' }]);
    const others = plan.bindings.filter((b) => b.section !== section);
    const bindings = to ? [...others, { section, meeting: to }] : others;
    if (bindings.length === 0) await removeClassPlan(change, plan);
    else await writeClassPlan(change, { ...plan, bindings });
    change.summarise(
      to
        ? historyTexts.plannedClass({ title: plan.title })
        : historyTexts.clearedClass({ title: plan.title }),
    );
    return done({ title: plan.title });
  });
}

type List = Readonly<{ list: string; from: number; strand?: Strand }>;
export type TopicLine = Readonly<{
  number: ClassNumber;
  title: string;
  days: readonly string[];
  replaces?: string;
}>;
export type TopicPreview = Readonly<{
  lines: readonly TopicLine[];
  pinned: readonly ClassNumber[];
  left: readonly string[];
}>;

async function fillingFor(reader: Reader, actor: SignedIn, id: CourseId, { list, from, strand }: List) {
  const [course] = (await loadFrame(reader, [id])).courses;
  if (!course || !mayIn(actor, 'writeTopics', id)) return refused('notFound');
  if (course.archived) return refused('archived');
  const fill = fillTopics(course, await classPlansOf(reader, [id]), readTopics(list), {
    ordinal: from,
    strand,
  });
  return done({ course, fill });
}

/** Which topic would stand on which class; nothing is saved. */
export async function previewTopics(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  list: List,
): Promise<Outcome<TopicPreview>> {
  const found = await fillingFor(pembit, actor, id, list);
  if (!found.ok) return found;
  const { locale } = await schoolSettings(pembit);
  const { course, fill } = found.value;
  const day = ({ section, meeting }: Filling['meetings'][number]) =>
    `${course.sections.length > 1 ? `${section.name}: ` : ''}${dateLabel(meeting.date, 'short', locale)}`;
  return done({
    lines: fill.fillings.map((f) => ({
      number: f.number,
      title: f.topic.title,
      days: f.meetings.map(day),
      replaces: f.replaces?.title,
    })),
    pinned: fill.pinned,
    left: fill.left.map((topic) => topic.title),
  });
}

/** Puts a list of topics on the classes from a number on, as the preview showed it. */
export function writeTopics(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  list: List,
): Promise<Outcome<{ planned: number }>> {
  return perform(pembit, actor, 'writeTopics', async (change) => {
    const found = await fillingFor(change, actor, id, list);
    if (!found.ok) return found;
    const { fillings } = found.value.fill;
    if (fillings.length === 0)
      return refused('badRequest', [
        { field: 'list', message: 'There is no class for any of these topics.' },
      ]);
    for (const { topic, meetings, replaces } of fillings) {
      const bindings = meetings.map(({ section, meeting }) => ({ section: section.id, meeting: meeting.id }));
      await writeClassPlan(change, {
        id: replaces?.id ?? (randomUUID() as ClassPlanId),
        course: id,
        title: topic.title,
        description: sanitize(topic.description) || (replaces?.description ?? ''),
        links: topic.links.length > 0 ? topic.links : (replaces?.links ?? []),
        pinned: false,
        bindings,
      });
    }
    change.summarise(historyTexts.filledClasses({ n: fillings.length }));
    return done({ planned: fillings.length });
  });
}

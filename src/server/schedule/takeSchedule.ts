import type { ClassNumber } from '@/core/time/classNumber';
import { numberOf } from '@/core/time/classNumber';
import { randomUUID } from 'node:crypto';
import { Temporal } from 'temporal-polyfill';
import type { Entry } from '@/core/entries/entry';
import { mainMoment } from '@/core/entries/entry';
import { entryInput } from '@/core/entries/entryInput';
import { factsFromInput } from '@/core/entries/factsFromInput';
import type { ClassPlanId, ClosureId, CourseId } from '@/core/ids';
import { mayIn } from '@/core/may/may';
import type { ClassPlan } from '@/core/plan/classPlan';
import { occurrencesOf } from '@/core/plan/occurrences';
import type { Course, Plan } from '@/core/plan/plan';
import { seenPlan } from '@/core/plan/seenPlan';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { entryFromLine } from '@/core/schedule/entryFromLine';
import { readSchedule } from '@/core/schedule/readSchedule';
import type { ScheduleInput, TakenLine } from '@/core/schedule/scheduleInput';
import type { ClassDay, ProposedLine, ScheduleLine } from '@/core/schedule/scheduleLine';
import { historyTexts } from '@/core/texts/history';
import { scheduleTexts } from '@/core/texts/schedule';
import { closes, concernsCourse } from '@/core/time/closure';
import { dayOf } from '@/core/time/zonedWall';
import { requireZone } from '@/core/time/zoneData';
import type { Change } from '@/data/history/change';
import { fromClosure } from '@/data/plan/frameRows';
import { loadPlan } from '@/data/plan/loadPlan';
import { classPlansOf, writeClassPlan } from '@/data/plan/classPlans';
import { checkedInput } from '../entries/checkedInput';
import { newIdentity } from '../entries/planEntry';
import { saveEntry } from '../entries/saveEntry';
import { refitMeetings } from '../frame/refitMeetings';
import { perform } from '../history/perform';
import { freeOfNumber } from '../plan/classPlans';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

const MOST_BESIDE = 3;

const sameWords = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();
const textOf = (day: Temporal.PlainDate) => day.toString();

/** A class goes before a lab of its day. */
const classesFirst = <M extends ClassNumber>(meetings: readonly M[]): M[] =>
  [...meetings].sort((a, b) => Number(a.strand !== undefined) - Number(b.strand !== undefined));

/** The classes of a course that take place on a day, in all its sections: one in each. */
const classesOn = (course: Course, date: string) =>
  course.sections.flatMap((section) => {
    const [meeting] = classesFirst(
      section.meetings.filter((m) => m.cancelled === undefined && textOf(m.date) === date),
    );
    return meeting ? [{ section, meeting }] : [];
  });

/** The days of a course's classes, each once, with the number that its first section has there. */
function classDaysOf(course: Course): ClassDay[] {
  const days = new Map<string, ClassDay>();
  for (const { meetings } of course.sections)
    for (const meeting of classesFirst(meetings)) {
      const date = textOf(meeting.date);
      if (meeting.cancelled === undefined && !days.has(date)) days.set(date, { date, ...numberOf(meeting) });
    }
  return [...days.values()].sort((a, b) => (a.date < b.date ? -1 : 1));
}

const plansOn = (plans: readonly ClassPlan[], course: Course, date: string): ClassPlan[] => {
  const meetings = new Set<string>(classesOn(course, date).map(({ meeting }) => meeting.id));
  return plans.filter(({ bindings }) => bindings.some(({ meeting }) => meetings.has(meeting)));
};

/** What stands on a day under a title: of a series each occurrence, of work the dates of every section. */
type Standing = ReadonlySet<string>;
const standingKey = (kind: 'due' | 'event', date: string, title: string) =>
  `${kind} ${date} ${title.trim().toLowerCase()}`;

function standingIn(plan: Plan, actor: SignedIn, now: Temporal.Instant): Standing {
  const seen = occurrencesOf(seenPlan(actor.viewer, plan, now), requireZone);
  return new Set(
    seen.flatMap(({ kind, title, start }) =>
      kind === 'due' || kind === 'event' ? [standingKey(kind, textOf(dayOf(start)), title)] : [],
    ),
  );
}

const entriesOn = (plan: Plan, date: string): Entry[] =>
  plan.entries.filter((entry) => textOf(dayOf(mainMoment(entry))) === date);

type Planned = Pick<TakenLine, 'kind' | 'title' | 'date' | 'to'>;

/** How a line stands to what is planned. */
function stateOf({ plan, course, standing }: Found, line: Planned): Pick<ProposedLine, 'state' | 'replaces'> {
  const { kind, title, date } = line;
  if (date === undefined) return { state: 'new' };
  switch (kind) {
    case 'topic': {
      const there = plansOn(plan.classPlans, course, date);
      const other = there.find((one) => !sameWords(one.title, title));
      if (other) return { state: 'replaces', replaces: other.title };
      return { state: there.length > 0 ? 'same' : 'new' };
    }
    case 'due':
    case 'event':
      return { state: standing.has(standingKey(kind, date, title)) ? 'same' : 'new' };
    case 'closure': {
      const last = line.to ?? date;
      const known = plan.closures.some(
        (closure) =>
          concernsCourse(closure, course.id) &&
          textOf(closure.start) <= date &&
          textOf(closure.end.subtract({ days: 1 })) >= last,
      );
      return { state: known ? 'same' : 'new' };
    }
    case 'times':
    case 'heading':
    case 'nothing':
      return { state: 'new' };
    default:
      return kind satisfies never;
  }
}

type Found = Readonly<{ plan: Plan; course: Course; term: Plan['terms'][number]; standing: Standing }>;

async function courseOf(
  reader: Pembit | Change,
  actor: SignedIn,
  id: CourseId,
  now: Temporal.Instant,
): Promise<Outcome<Found>> {
  if (!mayIn(actor, 'takeSchedule', id)) return refused('notFound');
  const plan = await loadPlan(reader, [id]);
  const [course] = plan.courses;
  const term = plan.terms.find((one) => one.id === course?.term);
  if (!course || !term) return refused('notFound');
  return course.archived
    ? refused('archived')
    : done({ plan, course, term, standing: standingIn(plan, actor, now) });
}

/** What a pasted schedule says, line by line, beside what is planned on the same days. Nothing is saved. */
export async function previewSchedule(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  text: string,
): Promise<Outcome<{ lines: ProposedLine[] }>> {
  const found = await courseOf(pembit, actor, id, pembit.now());
  if (!found.ok) return found;
  const { plan, course, term } = found.value;
  const lines = readSchedule(text, {
    term,
    classes: classDaysOf(course),
    locale: plan.locale,
    tag: course.tag,
    sections: course.sections.map(({ name }) => name),
  });
  const beside = ({ date, title }: ScheduleLine) =>
    date === undefined
      ? []
      : [...plansOn(plan.classPlans, course, date), ...entriesOn(plan, date)]
          .map((one) => one.title)
          .filter((other) => !sameWords(other, title))
          .slice(0, MOST_BESIDE);
  return done({
    lines: lines.map((line) => ({ ...line, ...stateOf(found.value, line), beside: beside(line) })),
  });
}

export type ScheduleTaken = Readonly<{
  topics: number;
  entries: number;
  closures: number;
  /** Lines that stood in the plan already. */
  same: number;
  /** What could not be taken, and why. */
  left: readonly Readonly<{ text: string; why: string }>[];
}>;

/** Plans the lines of a schedule in one act: closures first, then what is taught, then work and events. */
export function takeSchedule(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  { lines }: ScheduleInput,
): Promise<Outcome<ScheduleTaken>> {
  return perform(pembit, actor, 'takeSchedule', async (change) => {
    const found = await courseOf(change, actor, id, instantOf(change));
    if (!found.ok) return found;
    const left: { text: string; why: string }[] = [];
    const fresh = lines.filter((line) => stateOf(found.value, line).state !== 'same');
    const of = (...kinds: TakenLine['kind'][]) => fresh.filter(({ kind }) => kinds.includes(kind));
    const leave = (line: TakenLine, why: string) => left.push({ text: line.title || line.text, why });
    const closures = await closeDays(change, found.value, of('closure'), leave);
    const topics = await teach(change, actor, id, of('topic'), leave);
    let entries = 0;
    for (const line of of('due', 'event')) {
      const checked = await checkedInput(pembit, change, actor, entryInput.parse(entryFromLine(line, id)));
      if (!checked.ok) {
        leave(line, checked.fields?.[0]?.message ?? scheduleTexts.notTaken);
        continue;
      }
      const facts = factsFromInput(checked.value.input, newIdentity(actor), checked.value.zone);
      const saved = await saveEntry(change, facts, { actor, act: 'takeSchedule' });
      if (saved.ok) entries++;
      else leave(line, saved.fields?.[0]?.message ?? scheduleTexts.notTaken);
    }
    for (const line of of('times')) leave(line, scheduleTexts.timesElsewhere);
    change.summarise(historyTexts.tookSchedule({ n: topics + entries + closures }));
    const same = lines.filter(({ kind }) => kind !== 'heading' && kind !== 'nothing').length - of('topic', 'due', 'event', 'closure', 'times').length; // prettier-ignore
    return done({ topics, entries, closures, same, left });
  });
}

const instantOf = ({ nowMs }: Change) => Temporal.Instant.fromEpochMilliseconds(nowMs);

type Leave = (line: TakenLine, why: string) => void;

async function closeDays(
  change: Change,
  { plan, course, term }: Readonly<{ plan: Plan; course: Course; term: Plan['terms'][number] }>,
  lines: readonly TakenLine[],
  leave: Leave,
): Promise<number> {
  const moved = course.sections.flatMap(({ meetings }) => meetings.filter((meeting) => meeting.moved));
  const closures = lines.flatMap((line) => {
    const closure = {
      id: randomUUID() as ClosureId,
      term: term.id,
      course: course.id,
      name: line.title.slice(0, 100),
      start: Temporal.PlainDate.from(line.date!),
      end: Temporal.PlainDate.from(line.to ?? line.date!).add({ days: 1 }),
      created: instantOf(change),
    };
    if (!moved.some((meeting) => closes(closure, meeting))) return [closure];
    leave(line, scheduleTexts.classMovedThere);
    return [];
  });
  await change.insert('closures', closures.map(fromClosure));
  if (closures.length > 0) await refitMeetings(change, plan.courses.map(({ id }) => id)); // prettier-ignore
  return closures.length;
}

/** Puts topics on the classes of their days, over what stands there; texts, links and the classes of that stay. */
async function teach(
  change: Change,
  actor: SignedIn,
  id: CourseId,
  lines: readonly TakenLine[],
  leave: Leave,
): Promise<number> {
  // As the closures of the same schedule have left it.
  const found = await courseOf(change, actor, id, instantOf(change));
  if (!found.ok) return 0;
  const { course } = found.value;
  let planned = 0;
  for (const line of lines) {
    const classes = classesOn(course, line.date!);
    // As the lines before it have left it.
    const plans = await classPlansOf(change, [id]);
    const there = plansOn(plans, course, line.date!);
    const pinned = there.find((one) => one.pinned);
    const [first] = classes;
    if (!first) leave(line, scheduleTexts.noClassThen);
    else if (pinned) leave(line, scheduleTexts.pinned({ title: pinned.title }));
    else {
      const links = line.link === undefined ? undefined : [{ url: line.link, label: '', staffOnly: false }];
      if (there.length === 0)
        await writeClassPlan(change, {
          id: randomUUID() as ClassPlanId,
          course: id,
          title: line.title,
          description: '',
          links: links ?? [],
          pinned: false,
          bindings: bindingsOf(classes, { course, plans }),
        });
      for (const own of there)
        await writeClassPlan(change, { ...own, title: line.title, links: links ?? own.links });
      planned++;
    }
  }
  return planned;
}

/** The classes of a day, and in the sections that meet on other days the free class of the same number. */
function bindingsOf(
  classes: ReturnType<typeof classesOn>,
  free: Parameters<typeof freeOfNumber>[0],
): ClassPlan['bindings'] {
  const onDay = classes.map(({ section, meeting }) => ({ section: section.id, meeting: meeting.id }));
  const others = freeOfNumber(free, classes[0]!.meeting);
  return [...onDay, ...others.filter(({ section }) => !onDay.some((one) => one.section === section))];
}

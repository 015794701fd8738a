import { Temporal } from 'temporal-polyfill';
import type { ClassPlanId, MeetingId, SectionId } from '../ids';
import type { ClassPlan } from '../plan/classPlan';
import type { Section } from '../plan/plan';
import { classOf } from '../time/classNumber';
import type { Meeting } from '../time/meetings';
import type { Carried, Carrying, CoursePlan } from './carry';
import type { Carriage } from './carriage';
import { weekStartOf } from '../time/term';
import { corrected } from './datesInText';

type Found = Readonly<{ meeting?: Meeting; taken?: boolean }>;

/**
 * Class plans on the classes of the new course, in the order in which they were taught: by number, or on the class of the
 * day that was found, else the next one that is free. A class of the new course that has a plan keeps it.
 */
export function carryClassPlans(
  before: CoursePlan,
  after: CoursePlan,
  carrying: Carrying,
  carriage: Carriage,
): Carried<ClassPlan>[] {
  const taken = new Set(after.classPlans.flatMap((plan) => plan.bindings.map((b) => b.meeting)));
  const meetings = new Map(before.course.sections.flatMap((s) => s.meetings.map((m) => [m.id, m] as const)));
  const ordered = before.classPlans
    .map((plan) => ({ plan, old: firstMeeting(plan, meetings) }))
    .sort((a, b) => (a.old?.ordinal ?? Infinity) - (b.old?.ordinal ?? Infinity));
  return ordered.map(({ plan, old }) => {
    const choice = carrying.choices[plan.id] ?? {};
    const placed = after.course.sections.map((section): [SectionId, Found] => {
      const like = carriage.sectionLike.get(section.id);
      const bound = plan.bindings.find((b) => b.section === like) ?? plan.bindings[0];
      const source = (bound && meetings.get(bound.meeting)) ?? old;
      return [
        section.id,
        choice.to ? onDay(section, choice.to, taken) : source ? found(section, source) : {},
      ];
    });
    function found(section: Section, source: Meeting): Found {
      if (carrying.mapping === 'meetings') return free(classOf(section.meetings, source), taken);
      const day = carriage.mapOf(section.id)(source.date);
      // Of one week alone nothing goes into another.
      const last = carrying.week === undefined ? undefined : weekStartOf(day).add({ days: 6 });
      const later = section.meetings.filter(
        (m) =>
          m.strand === source.strand &&
          m.cancelled === undefined &&
          Temporal.PlainDate.compare(m.date, day) >= 0 &&
          (!last || Temporal.PlainDate.compare(m.date, last) <= 0),
      );
      const meeting = later.find((m) => !taken.has(m.id));
      return meeting || carrying.week === undefined || later.length === 0 ? { meeting } : { taken: true };
    }
    const bindings = placed.flatMap(([section, { meeting }]) =>
      meeting ? [{ section, meeting: meeting.id }] : [],
    );
    const left = choice.leave === true || bindings.length === 0;
    if (!left) for (const { meeting } of bindings) taken.add(meeting);
    const corrections = carriage.correctionsIn(`${plan.title} ${plan.description}`);
    const words = (text: string) => (choice.keepWords ? text : corrected(text, corrections));
    const line = {
      id: plan.id,
      kind: 'class' as const,
      title: plan.title,
      from: old?.date,
      to: placed.find(([, { meeting }]) => meeting)?.[1].meeting?.date,
      left,
      corrections,
      singles: 0,
      ...(bindings.length > 0
        ? {}
        : { problem: placed.some(([, f]) => f.taken) ? ('taken' as const) : ('noClass' as const) }),
    };
    if (left) return { line };
    const made = {
      ...plan,
      id: carrying.newId() as ClassPlanId,
      course: after.course.id,
      title: words(plan.title),
      description: words(plan.description),
      links: plan.links.map(carriage.link),
      bindings,
      sequence: 0,
      created: carrying.now,
      lastModified: carrying.now,
    };
    return { line, made };
  });
}

const firstMeeting = (plan: ClassPlan, meetings: ReadonlyMap<MeetingId, Meeting>): Meeting | undefined =>
  plan.bindings.map((b) => meetings.get(b.meeting)).find((m) => m !== undefined);

const free = (meeting: Meeting | undefined, taken: ReadonlySet<MeetingId>): Found =>
  meeting && taken.has(meeting.id) ? { taken: true } : { meeting };

/** The class of a chosen day; a section that has none then is left out. */
function onDay(section: Section, day: Temporal.PlainDate, taken: ReadonlySet<MeetingId>): Found {
  const ofDay = section.meetings.filter((m) => m.date.equals(day));
  return free(ofDay.find((m) => !taken.has(m.id)) ?? ofDay[0], taken);
}

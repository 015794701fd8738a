import { randomUUID } from 'node:crypto';
import type { Temporal } from 'temporal-polyfill';
import type { AssignmentEntry } from '@/core/entries/entry';
import type { EntryFacts } from '@/core/entries/facts';
import { withClassDates } from '@/core/entries/classDates';
import { daysByMeetings } from '@/core/entries/moveByMeetings';
import { moveEntry } from '@/core/entries/moveEntry';
import type { CourseId, MeetingId } from '@/core/ids';
import type { ClassPlan } from '@/core/plan/classPlan';
import { followSlide } from '@/core/plan/followSlide';
import type { Course } from '@/core/plan/plan';
import type { Overflow, SlideMove } from '@/core/plan/slide';
import { bringTogether, pullForward, slideLater } from '@/core/plan/slide';
import type { SlideInput } from '@/core/plan/slideInput';
import type { SlidePreview } from '@/core/plan/slidePreview';
import { preferred } from '@/core/plan/waitingPlans';
import { mayIn } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { listed } from '@/core/texts/entries';
import { groupBy } from '@/core/groupBy';
import { done, refused } from '@/core/refusals';
import { slideTexts } from '@/core/texts/slide';
import { classOf } from '@/core/time/classNumber';
import { dateLabel, momentLabel, weekAndDate } from '@/core/time/dateLabels';
import type { Closure } from '@/core/time/closure';
import type { Term } from '@/core/time/term';
import { dayOf } from '@/core/time/zonedWall';
import type { Reader } from '@/data/reader';
import { entriesOf } from '@/data/entries/entries';
import type { Change } from '@/data/history/change';
import { classPlansOf, removeClassPlan, writeClassPlan } from '@/data/plan/classPlans';
import { loadFrame } from '@/data/plan/loadPlan';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { lostDate } from '../frame/meetingId';
import { saveEntry } from '../entries/saveEntry';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

type Sliding = Readonly<{
  course: Course;
  term: Term;
  /** Those of the term. */
  closures: readonly Closure[];
  plans: readonly ClassPlan[];
  moves: readonly SlideMove[];
  entries: readonly AssignmentEntry[];
}>;

const chosen = (course: Course, sections: readonly string[] | undefined) =>
  course.sections.filter((section) => !sections || sections.includes(section.id));

function laterMoves(
  { course, term, plans, closures }: Pick<Sliding, 'course' | 'term' | 'plans' | 'closures'>,
  input: Extract<SlideInput, { act: 'later' }>,
): SlideMove[] | undefined {
  const plan = plans.find((p) => p.id === input.plan);
  if (!plan) return undefined;
  const { by, overPins } = input;
  return chosen(course, input.sections).flatMap((section) => {
    const binding = plan.bindings.find((b) => b.section === section.id);
    if (!binding) return [];
    const from = section.meetings.find((meeting) => meeting.id === binding.meeting);
    if (from) return slideLater(section, plans, { plan, from, by, overPins });
    // It lost its class: the first one after the day on which that would have been.
    const lost = lostDate(section.id, binding.meeting, { term, closures });
    const at = preferred(
      section.meetings.filter((m) => m.cancelled === undefined && (!lost || isAfter(m.date, lost))),
      plan,
    );
    return at ? slideLater(section, plans, { plan, at, overPins }) : [{ plan, section }];
  });
}

const isAfter = (a: Temporal.PlainDate, b: Temporal.PlainDate) => a.since(b).sign > 0;

function movesFor(found: Omit<Sliding, 'moves' | 'entries'>, input: SlideInput): SlideMove[] | undefined {
  const { course, plans } = found;
  switch (input.act) {
    case 'later':
      return laterMoves(found, input);
    case 'forward': {
      const asked = course.sections.flatMap((s) => s.meetings).find((meeting) => meeting.id === input.into);
      if (!asked) return undefined;
      return chosen(course, input.sections).flatMap((section) => {
        const into = classOf(section.meetings, asked);
        return into ? pullForward(section, plans, { into, by: input.by }) : [];
      });
    }
    case 'together': {
      const like = course.sections.find(({ id }) => id === input.like);
      const section = course.sections.find(({ id }) => id === input.section);
      return like && section && like !== section ? bringTogether(plans, { like, section }) : undefined;
    }
    default:
      return input satisfies never;
  }
}

async function slidingFor(
  reader: Reader,
  actor: SignedIn,
  id: CourseId,
  input: SlideInput,
): Promise<Outcome<Sliding>> {
  if (!mayIn(actor, 'slidePlans', id)) return refused('notFound');
  const [frame, plans, entries] = await Promise.all([
    loadFrame(reader, [id]),
    classPlansOf(reader, [id]),
    entriesOf(reader, [id]),
  ]);
  const [course] = frame.courses;
  const [term] = frame.terms;
  if (!course || !term) return refused('notFound');
  if (course.archived) return refused('archived');
  const closures = frame.closures.filter((closure) => closure.term === term.id);
  const moves = movesFor({ course, term, plans, closures }, input);
  if (!moves) return refused('notFound');
  if (moves.length === 0)
    return refused('badRequest', [{ field: 'act', message: slideTexts.nothing[input.act] }]);
  const work = entries.filter((entry) => entry.kind === 'assignment');
  return done({ course, term, plans, closures, moves, entries: work });
}

/** Work of this course alone, with a due date of its own among the days of the plans that move. */
function datedAmong({ course, moves, entries }: Sliding): readonly AssignmentEntry[] {
  const days = moves.flatMap(({ from }) => from?.date.toString() ?? []).sort();
  const [first = '', last = ''] = [days[0], days.at(-1)];
  return entries.filter((entry) => {
    const day = dayOf(entry.due).toString();
    const own = entry.audience.length === 1 && entry.audience[0]!.course === course.id;
    return own && !entry.atClass?.due && entry.cancelled === undefined && day >= first && day <= last;
  });
}

const stepsOf = (input: SlideInput) =>
  input.act === 'later' ? input.by : input.act === 'forward' ? -input.by : 0;

const plansIn = (moves: readonly SlideMove[]): number => new Set(moves.map(({ plan }) => plan.id)).size;

/** Every from and to of a slide; nothing is saved. */
export async function previewSlide(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  input: SlideInput,
): Promise<Outcome<SlidePreview>> {
  const found = await slidingFor(pembit, actor, id, input);
  if (!found.ok) return found;
  const { locale } = await schoolSettings(pembit);
  const { course, term, moves, entries } = found.value;
  const words = (date: Temporal.PlainDate | undefined) => (date ? weekAndDate(term, date, locale) : '');
  return done({
    moves: [...groupBy(moves, ({ plan, from, to }) => `${plan.id} ${from?.date} ${to?.date}`).values()].map(
      (same) => {
        const { plan, from, to } = same[0]!;
        return {
          plan: plan.id,
          title: plan.title,
          section: course.sections.length > 1 ? listed(same.map(({ section }) => section.name)) : '',
          from: words(from?.date),
          to: words(to?.date),
          fits: to !== undefined,
        };
      },
    ),
    plans: plansIn(moves),
    follows: entries.flatMap((entry) => {
      const after = followSlide(entry, course, moves);
      if (!after) return [];
      const dated = withClassDates(after, [course]);
      return [
        { title: entry.title, from: momentLabel(entry.due, locale), to: momentLabel(dated.due, locale) },
      ];
    }),
    offered: datedAmong(found.value).flatMap((entry) => {
      const days = daysByMeetings(entry, [course], stepsOf(input));
      return days
        ? [
            {
              id: entry.id,
              title: entry.title,
              from: momentLabel(entry.due, locale),
              to: dateLabel(dayOf(entry.due).add({ days }), 'short', locale),
            },
          ]
        : [];
    }),
  });
}

/** Slides as the preview showed it: plans, the work that follows them, and what was chosen to come along. One undo. */
export function slidePlans(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  input: SlideInput,
): Promise<Outcome<{ moved: number }>> {
  return perform(pembit, actor, 'slidePlans', async (change) => {
    const slid = await slideWithin(change, actor, id, input);
    if (!slid.ok) return slid;
    const { moves } = slid.value;
    const { locale } = await schoolSettings(change);
    const [first] = moves;
    change.summarise(
      slideTexts.slid({
        n: plansIn(moves),
        first: first?.plan.title ?? '',
        to: first?.to ? dateLabel(first.to.date, 'short', locale) : '',
      }),
    );
    return done({ moved: plansIn(moves) });
  });
}

/** The same as a part of another act: what moves is answered. */
export async function slideWithin(
  change: Change,
  actor: SignedIn,
  id: CourseId,
  input: SlideInput,
): Promise<Outcome<{ moves: readonly SlideMove[] }>> {
  const found = await slidingFor(change, actor, id, input);
  if (!found.ok) return found;
  await writeMoves(change, found.value, input.act === 'later' ? input.overflow : {});
  for (const [before, facts] of workThatComes(found.value, input)) {
    const saved = await saveEntry(change, facts, { actor, act: 'slidePlans', before });
    if (!saved.ok) return saved;
  }
  return done({ moves: found.value.moves });
}

/** Work whose dates follow the plans, and what was chosen to come along: as it is, and as it will be. */
function workThatComes(sliding: Sliding, input: SlideInput): (readonly [AssignmentEntry, EntryFacts])[] {
  const { course, moves, entries } = sliding;
  const following = entries.flatMap((entry) => {
    const after = followSlide(entry, course, moves);
    return after ? [[entry, after] as const] : [];
  });
  const wanted: readonly string[] = input.act === 'together' ? [] : input.along;
  const along = datedAmong(sliding).flatMap((entry) => {
    const days = wanted.includes(entry.id) ? daysByMeetings(entry, [course], stepsOf(input)) : undefined;
    return days ? [[entry, moveEntry(entry, { days, along: true })] as const] : [];
  });
  return [...following, ...along];
}

/** Writes where plans now stand; what found no class is taught with the one before it, dropped, or kept without one. */
async function writeMoves(
  change: Change,
  { plans, moves }: Sliding,
  overflow: Readonly<Record<string, Overflow>>,
): Promise<void> {
  const state = new Map(plans.map((plan) => [plan.id, plan]));
  const touched = new Set<ClassPlan['id']>();
  const set = (plan: ClassPlan) => {
    state.set(plan.id, plan);
    touched.add(plan.id);
  };
  moves.forEach(({ plan, section, to }, i) => {
    const current = state.get(plan.id)!;
    const others = current.bindings.filter((b) => b.section !== section.id);
    if (to) return set({ ...current, bindings: [...others, { section: section.id, meeting: to.id }] });
    const before = moves.slice(0, i).findLast((move) => move.section.id === section.id && move.to);
    const choice = overflow[plan.id] ?? 'keep';
    if (choice === 'doubleUp' && before) {
      set(together(state.get(before.plan.id)!, current));
      return set({ ...current, bindings: others });
    }
    if (choice === 'drop') return set({ ...current, bindings: others });
    // A class that there is not: the plan waits, and is offered another one.
    return set({
      ...current,
      bindings: [...others, { section: section.id, meeting: randomUUID() as MeetingId }],
    });
  });
  for (const id of touched) {
    const after = state.get(id)!;
    const before = plans.find((plan) => plan.id === id)!;
    if (after.bindings.length === 0) await removeClassPlan(change, before);
    else await writeClassPlan(change, after);
  }
}

/** Two plans taught in one class; once is enough where they meet in several sections. */
function together(first: ClassPlan, second: ClassPlan): ClassPlan {
  const title = slideTexts.both({ first: first.title, second: second.title });
  if (first.title.endsWith(slideTexts.both({ first: '', second: second.title }))) return first;
  return {
    ...first,
    title,
    description: first.description + second.description,
    links: [...first.links, ...second.links],
  };
}
